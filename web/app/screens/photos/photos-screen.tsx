import { Box, Button, Flex, Heading, Text, VStack } from "@chakra-ui/react";
import { useCallback, useDeferredValue, useMemo, useRef } from "react";
import { narrows, noFilter, sift } from "#core/photo";
import { filterWords, photos as words } from "../../../text/index.ts";
import { useLibraryUndoKeys } from "../../commands/history-keys.ts";
import { BringIn, TakeSample } from "../../components/import-buttons.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { useServices } from "../../services.ts";
import { useLibrary, useViewState } from "../../state/session/hooks.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { ChosenBar } from "./chosen-bar.tsx";
import { FilterBar } from "./filter-bar.tsx";
import { LibraryBar, Sections } from "./library-bar.tsx";
import { Materials } from "./materials.tsx";
import { PhotoSheet } from "./photo-sheet.tsx";
import { PhotoWall, type WallHandle } from "./photo-wall.tsx";
import { Timeline } from "./timeline.tsx";

/** Everything brought in: photos by time, and the papers and ornaments that go with them. */
export function PhotosScreen() {
  const section = useViewState((s) => s.section);
  return (
    <Flex direction="column" h="full" minH="0">
      <IncomingBar />
      {section === "photos" ? <Photographs /> : <Materials key={section} section={section} />}
    </Flex>
  );
}

function Photographs() {
  const { viewState } = useServices();
  const all = useLibrary((s) => s.photos);
  const byId = useLibrary((s) => s.byId);
  const piles = useLibrary((s) => s.piles);
  const coming = useLibrary((s) => s.incoming !== undefined);
  // The field and the photo under the finger answer at once; what has to go through thousands follows when it can.
  const filter = useDeferredValue(useViewState((s) => s.filter));
  const chosenIds = useDeferredValue(useViewState((s) => s.photos.ids));
  const sheetId = useViewState((s) => s.sheet);
  const placed = usePlaced();
  const wall = useRef<WallHandle>(null);
  const isPlaced = useCallback((id: string) => placed.has(id), [placed]);
  // The timeline shows what every other filter leaves, so that its own brush can be widened again.
  const timed = useMemo(
    () => sift(all, { ...filter, span: undefined, order: "oldest" }, isPlaced),
    [all, filter, isPlaced],
  );
  const shown = useMemo(() => sift(all, filter, isPlaced), [all, filter, isPlaced]);
  const chosen = useMemo(() => all.filter((p) => chosenIds.has(p.id)), [all, chosenIds]);
  const onSpan = useCallback(
    // Once the brush has been let go and drawn: both in one would be a long frame.
    (span: typeof filter.span) => void setTimeout(() => viewState.setState((s) => ({ filter: { ...s.filter, span } }))),
    [viewState],
  );
  const onGo = useCallback((id: string) => wall.current?.goTo(id), []);
  useLibraryUndoKeys();

  if (all.length === 0 && !coming) return <Empty />;
  const sheet = sheetId === undefined ? undefined : byId.get(sheetId);
  return (
    <>
      <LibraryBar
        title={shown.length === all.length ? words.count(all.length) : filterWords.shown(shown.length, all.length)}
        shownIds={shown}
        filters={<FilterBar />}
      />
      <Box px="6" pt="8" pb="1">
        <Timeline photos={timed} isPlaced={isPlaced} span={filter.span} onSpan={onSpan} onGo={onGo} />
      </Box>
      <Flex flex="1" minH="0">
        <Box flex="1" minW="0">
          {shown.length === 0 && all.length > 0 ? (
            <NothingPasses />
          ) : (
            <PhotoWall photos={shown} order={filter.order} handle={wall} />
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
  const { viewState } = useServices();
  const filter = useViewState((s) => s.filter);
  return (
    <VStack h="full" justify="center" gap="3">
      <Heading as="p" fontSize="22px" fontWeight="520">
        {filterWords.none}
      </Heading>
      {narrows(filter) && (
        <Button variant="outline" onClick={() => viewState.setState({ filter: noFilter })}>
          {filterWords.clear}
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
