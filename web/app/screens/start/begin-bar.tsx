import { Button, Flex, Text } from "@chakra-ui/react";
import type { Project } from "#core/document";
import { start as words } from "../../../text/index.ts";
import { useViewState } from "../../state/session/hooks.ts";

interface BeginBarProps {
  readonly kind: Project["kind"];
  /** What would be begun, in a few words. */
  readonly facts: readonly string[];
  /** Missing while nothing can be begun. */
  readonly onBegin: (() => void) | undefined;
}

/** The button that begins, in sight however much lies above it. */
export function BeginBar({ kind, facts, onBegin }: BeginBarProps) {
  const carried = useViewState((s) => (s.carried ? s.photos.ids.size : 0));
  return (
    <Flex
      position="sticky"
      bottom="0"
      zIndex="1"
      align="center"
      justify="space-between"
      gap="5"
      mt="4"
      mx="-3"
      px="3"
      py="3"
      bg="bg"
      borderTopWidth="1px"
      borderColor="oat.300"
    >
      <Text minW="0" truncate color="fg.muted" fontVariantNumeric="tabular-nums">
        <Text as="span" fontWeight="600" color="fg">
          {words.kinds[kind]}
        </Text>
        {facts.map((f) => ` · ${f}`)}
      </Text>
      <Button size="lg" minW="260px" disabled={!onBegin} onClick={onBegin}>
        {carried > 0 ? words.beginWith(kind, carried) : words.begin(kind)}
      </Button>
    </Flex>
  );
}
