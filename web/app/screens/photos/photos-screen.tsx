import { Box, Button, Flex, Heading, Text, VStack } from "@chakra-ui/react";
import { useCallback, useDeferredValue, useMemo, useRef } from "react";
import { narrows, openSieve, sift } from "#core/photo";
import { sieveWords, photos as words } from "../../../text/photos.ts";
import { BringIn, TakeSample } from "../../components/import-buttons.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { useKit } from "../../services.ts";
import { useDesk, useLibrary } from "../../state/session/hooks.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { ChosenBar } from "./chosen-bar.tsx";
import { SieveBar } from "./filter-bar.tsx";
import { LibraryBar, Sections } from "./library-bar.tsx";
import { Materials } from "./materials.tsx";
import { PhotoSheet } from "./photo-sheet.tsx";
import { PhotoWall, type WallHandle } from "./photo-wall.tsx";
import { Timeline } from "./timeline.tsx";
import { useLibraryKeys } from "./use-library-keys.ts";

/** Everything brought in: photos by time, and the papers and ornaments that go with them. */
export function PhotosPlace() {
  const section = useDesk((s) => s.section);
  return (
    <Flex direction="column" h="full" minH="0">
      <IncomingBar />
      {section === "photos" ? <Photographs /> : <Materials key={section} section={section} />}
    </Flex>
  );
}

function Photographs() {
  const { desk } = useKit();
  const all = useLibrary((s) => s.photos);
  const byId = useLibrary((s) => s.byId);
  const piles = useLibrary((s) => s.piles);
  const coming = useLibrary((s) => s.incoming !== undefined);
  // The field and the photo under the finger answer at once; what has to go through thousands follows when it can.
  const sieve = useDeferredValue(useDesk((s) => s.sieve));
  const chosenIds = useDeferredValue(useDesk((s) => s.photos.ids));
  const sheetId = useDesk((s) => s.sheet);
  const placed = usePlaced();
  const wall = useRef<WallHandle>(null);
  const isPlaced = useCallback((id: string) => placed.has(id), [placed]);
  // The timeline shows what every other filter leaves, so that its own brush can be widened again.
  const timed = useMemo(
    () => sift(all, { ...sieve, span: undefined, order: "oldest" }, isPlaced),
    [all, sieve, isPlaced],
  );
  const shown = useMemo(() => sift(all, sieve, isPlaced), [all, sieve, isPlaced]);
  const chosen = useMemo(() => all.filter((p) => chosenIds.has(p.id)), [all, chosenIds]);
  const onSpan = useCallback(
    // Once the brush has been let go and drawn: both in one would be a long frame.
    (span: typeof sieve.span) => void setTimeout(() => desk.setState((s) => ({ sieve: { ...s.sieve, span } }))),
    [desk],
  );
  const onGo = useCallback((id: string) => wall.current?.goTo(id), []);
  useLibraryKeys();

  if (all.length === 0 && !coming) return <Empty />;
  const sheet = sheetId === undefined ? undefined : byId.get(sheetId);
  return (
    <>
      <LibraryBar
        title={shown.length === all.length ? words.count(all.length) : sieveWords.shown(shown.length, all.length)}
        shownIds={shown}
        filters={<SieveBar />}
      />
      <Box px="6" pt="8" pb="1">
        <Timeline photos={timed} isPlaced={isPlaced} span={sieve.span} onSpan={onSpan} onGo={onGo} />
      </Box>
      <Flex flex="1" minH="0">
        <Box flex="1" minW="0">
          {shown.length === 0 && all.length > 0 ? (
            <NothingPasses />
          ) : (
            <PhotoWall photos={shown} order={sieve.order} handle={wall} />
          )}
        </Box>
        {sheet && (
          <PhotoSheet
            key={sheet.id}
            photo={sheet}
            pile={piles.find((p) => p.includes(sheet.id)) ?? (sheet.pile === "alone" ? [sheet.id] : undefined)}
          />
        )}
      </Flex>
      <ChosenBar chosen={chosen} />
    </>
  );
}

function NothingPasses() {
  const { desk } = useKit();
  const sieve = useDesk((s) => s.sieve);
  return (
    <VStack h="full" justify="center" gap="3">
      <Heading as="p" fontSize="22px" fontWeight="520">
        {sieveWords.none}
      </Heading>
      {narrows(sieve) && (
        <Button variant="outline" onClick={() => desk.setState({ sieve: openSieve })}>
          {sieveWords.clear}
        </Button>
      )}
    </VStack>
  );
}

function Empty() {
  return (
    <VStack h="full" justify="center" gap="6" p="8" textAlign="center" position="relative">
      <Box position="absolute" top="3" left="8">
        <Sections />
      </Box>
      <Box
        borderWidth="2px"
        borderStyle="dashed"
        borderColor="oat.400"
        borderRadius="card"
        px="16"
        py="14"
        maxW="720px"
      >
        <Heading as="h1" fontSize="30px" fontWeight="520" mb="2">
          {words.empty}
        </Heading>
        <Text color="fg.muted" fontSize="17px" mb="7" textWrap="balance">
          {words.emptyLead}
        </Text>
        <VStack gap="6">
          <BringIn main />
          <TakeSample />
        </VStack>
      </Box>
    </VStack>
  );
}
