import { Box, Flex, RadioCard, Text } from "@chakra-ui/react";
import { formatFromCard, type LabCard } from "#core/lab";
import { formats, start as words } from "../../../text/index.ts";
import { choiceLook } from "../../components/choice-look.ts";

interface SizeChooserProps {
  readonly lab: LabCard;
  readonly sideways: boolean;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

const tallestPx = 108;

/** The lab's sizes as sheets side by side, all to one scale. */
export function SizeChooser({ lab, sideways, chosen, onChoose }: SizeChooserProps) {
  const choices = lab.sizes.map((size) => ({ size, format: formatFromCard(lab, size, sideways) }));
  const scale = tallestPx / Math.max(...choices.map(({ format }) => Math.max(format.heightMm, format.widthMm)));
  return (
    <RadioCard.Root value={chosen} onValueChange={(e) => e.value && onChoose(e.value)} aria-label={words.size}>
      <Flex gap="3" wrap="wrap" align="end">
        {choices.map(({ size, format }) => (
          <RadioCard.Item key={size.id} value={size.id} flex="none" minW="118px" {...choiceLook.bare}>
            <RadioCard.ItemHiddenInput />
            <RadioCard.ItemControl p="3" flexDirection="column" alignItems="center" justifyContent="end" h="full">
              <Box
                bg="white"
                boxShadow="card"
                borderWidth="1px"
                borderColor="oat.300"
                w={`${format.widthMm * scale}px`}
                h={`${format.heightMm * scale}px`}
              />
              <RadioCard.ItemText mt="2" fontWeight="500" fontVariantNumeric="tabular-nums">
                <Text as="span">{size.name}</Text>
                {size.price !== undefined && (
                  <Text as="span" display="block" fontSize="13px" fontWeight="400" color="fg.subtle" textAlign="center">
                    {formats.money(size.price, lab.currency)}
                  </Text>
                )}
              </RadioCard.ItemText>
            </RadioCard.ItemControl>
          </RadioCard.Item>
        ))}
      </Flex>
    </RadioCard.Root>
  );
}
