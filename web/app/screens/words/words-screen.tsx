import { Box, Heading, HStack } from "@chakra-ui/react";
import { useState } from "react";
import { writing as say } from "../../../text/index.ts";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Segmented } from "../../components/segmented.tsx";
import { Captions } from "./captions.tsx";
import { FindWords } from "./find-words.tsx";
import { NamesAndDates } from "./names-and-dates.tsx";

type Part = keyof typeof say.parts;

/** All that is written in a project: captions one after the other, what is to be found and replaced, names and dates. */
export function WordsScreen() {
  const [part, setPart] = useState<Part>("captions");
  useUndoKeys();
  return (
    <Box h="full" display="flex" flexDirection="column" minH="0">
      <HStack px="8" pt="5" pb="3" gap="6" flexShrink="0">
        <Heading as="h1" fontSize="28px" fontWeight="520">
          {say.title}
        </Heading>
        <Segmented<Part>
          label={say.partsLabel}
          value={part}
          options={(["captions", "find", "names"] as const).map((p) => [p, say.parts[p]])}
          onChoose={setPart}
        />
      </HStack>
      <Box flex="1" minH="0">
        {part === "captions" ? <Captions /> : part === "find" ? <FindWords /> : <NamesAndDates />}
      </Box>
    </Box>
  );
}
