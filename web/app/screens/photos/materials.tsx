import { Box, Flex, Heading, Text, VStack } from "@chakra-ui/react";
import { useMemo } from "react";
import { photos as photoWords } from "../../../text/index.ts";
import { useLibraryUndoKeys } from "../../commands/history-keys.ts";
import { BringIn, TakeSample } from "../../components/import-buttons.tsx";
import { useLibrary, useViewState } from "../../state/session/hooks.ts";
import { ChosenFrame } from "./chosen-frame.tsx";
import { LibraryBar, Sections } from "./library-bar.tsx";
import { PhotoSheet } from "./photo-sheet.tsx";
import { PhotoWall } from "./photo-wall.tsx";

type MaterialSection = "papers" | "ornaments";

/** Papers, or ornaments: brought in, looked at and removed as photos are. */
export function Materials({ section }: { readonly section: MaterialSection }) {
  const all = useLibrary((s) => s[section]);
  const coming = useLibrary((s) => s.incoming !== undefined);
  const sheetId = useViewState((s) => s.sheet);
  const chosenIds = useViewState((s) => s.photos.ids);
  const chosen = useMemo(() => all.filter((p) => chosenIds.has(p.id)), [all, chosenIds]);
  const sheet = all.find((p) => p.id === sheetId);
  useLibraryUndoKeys();
  if (all.length === 0 && !coming) {
    const { title, lead } = photoWords.noMaterials[section];
    return (
      <VStack h="full" justify="center" gap="5" p="8" textAlign="center" position="relative">
        <Box position="absolute" top="3" left="8">
          <Sections />
        </Box>
        <Heading as="h1" fontSize="28px" fontWeight="520">
          {title}
        </Heading>
        <Text color="fg.muted" fontSize="17px" maxW="560px" textWrap="balance">
          {lead}
        </Text>
        <BringIn main section={section} />
        <TakeSample section={section} />
      </VStack>
    );
  }
  return (
    <>
      <LibraryBar title={photoWords[section](all.length)} shownIds={all} />
      <Flex flex="1" minH="0" pt="4">
        <Box flex="1" minW="0">
          <PhotoWall photos={all} order="name" label={photoWords.sections[section]} />
        </Box>
        {sheet && <PhotoSheet key={sheet.id} photo={sheet} pile={undefined} />}
      </Flex>
      {chosen.length > 0 && <ChosenFrame chosen={chosen} />}
    </>
  );
}
