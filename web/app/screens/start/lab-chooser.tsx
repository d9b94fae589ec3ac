import { Box, RadioCard, Text, VStack } from "@chakra-ui/react";
import type { BookRules, LabCard } from "#core/lab";
import { formatLength } from "#core/units";
import { book, start as words } from "../../../text/index.ts";
import { choiceLook } from "../../components/choice-look.ts";

interface LabChooserProps {
  readonly labs: readonly LabCard[];
  readonly chosen: string;
  /** A size of one's own may be chosen too. */
  readonly own: boolean;
  readonly onChoose: (id: string) => void;
}

/** One card a lab, with what tells it from the others, and one for a size of one's own. */
export function LabChooser({ labs, chosen, own, onChoose }: LabChooserProps) {
  return (
    <RadioCard.Root value={chosen} onValueChange={(e) => e.value && onChoose(e.value)} aria-label={words.lab}>
      <VStack align="stretch" gap="2">
        {labs.map((lab) => (
          <Choice
            key={lab.id}
            value={lab.id}
            name={lab.name}
            about={lab.about}
            facts={lab.book ? bookFacts(lab.book) : words.facts(formatLength(lab.bleedMm, "mm", 300), lab.ppi.wanted)}
          />
        ))}
        {own && <Choice value="own" name={words.ownSize} about={words.ownSizeAbout} />}
      </VStack>
    </RadioCard.Root>
  );
}

const bookFacts = (rules: BookRules): string =>
  [
    book.rules(`${rules.pages.least}\u2013${rules.pages.most}`, book.ruleStep(rules.pages.step)),
    rules.binding === "layFlat" ? book.layFlat : book.gutter(formatLength(rules.gutterMm, "mm", 300)),
    rules.firstOnRight ? book.firstRight : book.firstLeft,
  ].join(" · ");

function Choice({
  value,
  name,
  about,
  facts,
}: {
  readonly value: string;
  readonly name: string;
  readonly about: string;
  readonly facts?: string;
}) {
  return (
    <RadioCard.Item value={value} {...choiceLook.card}>
      <RadioCard.ItemHiddenInput />
      <RadioCard.ItemControl px="4" py="3" alignItems="start">
        <Box>
          <RadioCard.ItemText fontFamily="heading" fontWeight="560" fontSize="16.5px">
            {name}
          </RadioCard.ItemText>
          <Text fontSize="14px" color="fg.muted" mt="0.5" lineHeight="1.3">
            {about}
          </Text>
          {facts && (
            <Text fontSize="13px" color="fg.subtle" mt="1" fontVariantNumeric="tabular-nums">
              {facts}
            </Text>
          )}
        </Box>
      </RadioCard.ItemControl>
    </RadioCard.Item>
  );
}
