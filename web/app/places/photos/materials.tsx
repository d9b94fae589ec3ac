import { Box, Button, Flex, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { Info, Trash2, X } from "lucide-react";
import { useMemo, useState } from "react";
import type { Photo } from "#core/photo";
import { photos as photoWords, chosenWords as words } from "../../../text/photos.ts";
import { useKit } from "../../kit.ts";
import { BringIn, TakeSample } from "../../parts/bring-in.tsx";
import { nothingChosen } from "../../state/choose.ts";
import { useDesk, useLibrary } from "../../state/hooks.ts";
import { LibraryBar, Sections } from "./library-bar.tsx";
import { PhotoSheet } from "./photo-sheet.tsx";
import { PhotoWall } from "./photo-wall.tsx";
import { RemoveDialog } from "./remove-dialog.tsx";
import { useLibraryKeys } from "./use-library-keys.ts";

type MaterialSection = "papers" | "ornaments";

const emptyWords = {
  papers: [photoWords.noPapers, photoWords.noPapersLead],
  ornaments: [photoWords.noOrnaments, photoWords.noOrnamentsLead],
} as const;

/** Papers, or ornaments: brought in, looked at and removed as photos are. */
export function Materials({ section }: { readonly section: MaterialSection }) {
  const all = useLibrary((s) => s[section]);
  const coming = useLibrary((s) => s.incoming !== undefined);
  const sheetId = useDesk((s) => s.sheet);
  const chosenIds = useDesk((s) => s.photos.ids);
  const chosen = useMemo(() => all.filter((p) => chosenIds.has(p.id)), [all, chosenIds]);
  const sheet = all.find((p) => p.id === sheetId);
  useLibraryKeys();
  if (all.length === 0 && !coming) {
    const [title, lead] = emptyWords[section];
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
      {chosen.length > 0 && <MaterialBar chosen={chosen} />}
    </>
  );
}

function MaterialBar({ chosen }: { readonly chosen: readonly Photo[] }) {
  const { desk } = useKit();
  const [asking, setAsking] = useState(false);
  return (
    <HStack
      as="section"
      aria-label={words.label}
      px="6"
      py="2.5"
      gap="2"
      bg="oat.50"
      borderTopWidth="1px"
      borderColor="oat.300"
    >
      <Text fontWeight="600" minW="90px" role="status">
        {photoWords.chosen(chosen.length)}
      </Text>
      <Button size="sm" variant="ghost" onClick={() => setAsking(true)}>
        <Trash2 size={17} aria-hidden /> {words.remove}
      </Button>
      {chosen.length === 1 && (
        <Button size="sm" variant="ghost" onClick={() => desk.setState({ sheet: chosen[0]!.id })}>
          <Info size={17} aria-hidden /> {words.sheet}
        </Button>
      )}
      <Button size="sm" variant="ghost" ml="auto" onClick={() => desk.setState({ photos: nothingChosen })}>
        <X size={17} aria-hidden /> {words.none}
      </Button>
      {asking && <RemoveDialog chosen={chosen} onClose={() => setAsking(false)} />}
    </HStack>
  );
}
