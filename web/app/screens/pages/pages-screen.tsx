import { Box, Flex, Grid } from "@chakra-ui/react";
import { DndContext, DragOverlay, MouseSensor, pointerWithin, TouchSensor, useSensor, useSensors } from "@dnd-kit/core";
import { useEffect } from "react";
import { useSearchParams } from "react-router";
import { findTile, type Page, photoIdOf } from "#core/document";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Changeable } from "../../components/changeable.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { SideChangeQuestion } from "../../components/side-change-question.tsx";
import { useServices } from "../../services.ts";
import { giveLooks } from "../../state/edit/give-look.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { Mat } from "./mat.tsx";
import { PageRun } from "./page-run.tsx";
import { Panel } from "./panel/panel.tsx";
import { Shelf } from "./shelf/shelf.tsx";
import { useClipboard } from "./use-clipboard.ts";
import { useDrops, useOutsideDrops } from "./use-drops.ts";
import { usePageKeys } from "./use-page-keys.ts";

/** The page on its mat, the shelf under it, and one panel that speaks of what is chosen. */
export function PagesScreen() {
  // A few pixels of patience, so that a click is not a drag.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  useUndoKeys();
  usePageKeys();
  useAskedPage();
  useLooksInHand();

  const drops = useDrops();
  useOutsideDrops();
  useClipboard();

  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} autoScroll={false} {...drops}>
      <IncomingBar />
      <Grid flex="1" minH="0" templateColumns="minmax(0, 1fr) 304px" templateRows="minmax(0, 1fr) auto">
        <Flex minW="0" minH="0">
          <PageRun />
          <Box flex="1" minW="0">
            <Mat />
          </Box>
        </Flex>
        <Flex
          direction="column"
          minH="0"
          bg="bg.panel"
          borderLeftWidth="1px"
          borderColor="oat.300"
          gridRow="1 / span 2"
          gridColumn="2"
        >
          <Panel />
        </Flex>
        <Box minW="0" gridColumn="1">
          <Changeable quiet>
            <Shelf />
          </Changeable>
        </Box>
      </Grid>
      <SideChangeQuestion />
      <DragOverlay dropAnimation={null} zIndex={1500}>
        <Ghost />
      </DragOverlay>
    </DndContext>
  );
}

/** The photo under the hand. */
function Ghost() {
  const dragged = useViewState((s) => s.drop.dragged);
  const photoId = useProject((s) =>
    dragged?.from === "tile"
      ? photoIn(openPage(s), dragged.tileId)
      : dragged?.from === "shelf"
        ? dragged.photoId
        : undefined,
  );
  if (photoId === undefined) return null;
  return (
    <Box w="110px" h="82px" borderRadius="thumb" overflow="hidden" boxShadow="lifted" opacity="0.92" cursor="grabbing">
      <PhotoThumb photoId={photoId} />
    </Box>
  );
}

function photoIn(page: Page, tileId: string): string | undefined {
  const tile = findTile(page, tileId);
  return tile && photoIdOf(tile);
}

/** Opens the page that the address asks for, as a link from a photo's sheet does. */
function useAskedPage(): void {
  const services = useServices();
  const session = useSession();
  const [asked, setAsked] = useSearchParams();
  useEffect(() => {
    const number = Number(asked.get("page"));
    if (!(number >= 1)) return;
    openThe(services, session, session.state.getState().project.pages[number - 1]);
    setAsked({}, { replace: true });
  }, [services, session, asked, setAsked]);
}

function useLooksInHand(): void {
  const services = useServices();
  const session = useSession();
  useEffect(() => giveLooks(services, session), [services, session]);
}
