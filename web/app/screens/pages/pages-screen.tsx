import { Box, Flex, Grid } from "@chakra-ui/react";
import {
  DndContext,
  type DragMoveEvent,
  DragOverlay,
  type DragStartEvent,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useEffect, useRef } from "react";
import { useSearchParams } from "react-router";
import { arrangedTiles, findTile, mostTiles, type Page, photoIdOf } from "#core/document";
import { allSlippedIn, type Dragged, type DropMeaning, meaningOfDrop, tileMoved } from "#core/edit";
import type { Point, Rect } from "#core/geometry";
import { seenBox } from "#core/lab";
import type { Photo } from "#core/photo";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Changeable } from "../../components/changeable.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { SideChangeQuestion } from "../../components/side-change-question.tsx";
import { useServices } from "../../services.ts";
import { holdsMore } from "../../state/edit/arrange-page.ts";
import { arrangePhotos } from "../../state/edit/arrange-photos.ts";
import { putPhoto, swapPhotos } from "../../state/edit/page-gestures.ts";
import { openThe } from "../../state/edit/page-list.ts";
import { keep, show } from "../../state/edit/tree-gestures.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { openPage, openPlaced } from "../../state/session/project-session.ts";
import { nothingDragged } from "../../state/view-state/view-state.ts";
import { Mat } from "./mat.tsx";
import { openSheet } from "./open-sheet.ts";
import { PageRun } from "./page-run.tsx";
import { Panel } from "./panel/panel.tsx";
import { Shelf } from "./shelf.tsx";
import { usePageKeys } from "./use-page-keys.ts";

/** The page on its mat, the shelf under it, and one panel that speaks of what is chosen. */
export function PagesScreen() {
  const services = useServices();
  const session = useSession();
  // A few pixels of patience, so that a click is not a drag.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  useUndoKeys();
  usePageKeys();
  useAskedPage();

  const shownKey = useRef("");

  const { viewState } = services;
  const begin = (e: DragStartEvent) =>
    viewState.setState({ drop: { ...nothingDragged, dragged: e.active.data.current as Dragged } });
  const meaningOf = (e: DragMoveEvent): DropMeaning => {
    const on = openPlaced(session.state.getState());
    return meaningOfDrop(e.active.data.current as Dragged, on, pointOnPage(e, seenBox(on.format)));
  };
  /** The photo that is dragged, with all that are chosen where it is one of them. */
  const photosOf = (photoId: string): readonly Photo[] => {
    const chosen = viewState.getState().photos.ids;
    const ids = chosen.has(photoId) ? chosen : new Set([photoId]);
    const { photos } = services.library.state.getState();
    return photos.filter((p) => ids.has(p.id));
  };
  /** The page as it would be, where the others would make room. */
  const nextOf = (m: DropMeaning) => {
    if (m.does === "move") return tileMoved(m.movedId, m);
    if (m.does !== "slip") return undefined;
    const photos = photosOf(m.photoId);
    const tiles = arrangedTiles(openPage(session.state.getState())).length;
    return tiles + photos.length > mostTiles ? undefined : allSlippedIn(photos, m.tileId, m.edge, services.newId);
  };
  const move = (e: DragMoveEvent) => {
    // The last movement may be told of after the end, and would leave a page on screen that is not kept.
    if (!viewState.getState().drop.dragged) return;
    openUnder(e);
    const now = meaningOf(e);
    const key = JSON.stringify(now);
    if (key === shownKey.current) return;
    shownKey.current = key;
    viewState.setState((s) => ({ drop: { ...s.drop, meaning: now } }));
    const next = nextOf(now);
    if (next) show(session, next);
    else session.dropPreview();
  };
  /** A photo from the shelf, held over the facing page, opens that page. */
  const openUnder = (e: DragMoveEvent) => {
    const facing = document.querySelector<HTMLElement>("[data-facing]");
    const at = pointerOf(e);
    if (!facing || !at || (e.active.data.current as Dragged).from !== "shelf") return;
    const r = facing.getBoundingClientRect();
    if (at.x >= r.left && at.x <= r.right && at.y >= r.top && at.y <= r.bottom) session.goTo(facing.dataset.facing!);
  };
  const over = () => {
    viewState.setState({ drop: nothingDragged });
    shownKey.current = "";
    session.dropPreview();
  };
  const end = (e: DragMoveEvent) => {
    const m = meaningOf(e);
    over();
    const next = nextOf(m);
    if (next && m.does === "slip") keep(session, "slippedIn", photosOf(m.photoId).length, next);
    else if (next) keep(session, "arrangedAnew", 1, next);
    else if (m.does === "slip") holdsMore(session, photosOf(m.photoId).length);
    else if (m.does === "put") putPhoto(session, m.tileId, m.photoId);
    else if (m.does === "swap") swapPhotos(session, m.tileId, m.withTileId);
    else if (m.does === "begin") arrangePhotos(services, session, photosOf(m.photoId));
  };

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      autoScroll={false}
      onDragStart={begin}
      onDragMove={move}
      onDragEnd={end}
      onDragCancel={over}
    >
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
    dragged?.from === "tile" ? photoIn(openPage(s), dragged.tileId) : dragged?.photoId,
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

/** Where the pointer is on the screen. */
function pointerOf(e: DragMoveEvent): Point | undefined {
  const start = e.activatorEvent;
  const touch = start instanceof TouchEvent ? start.touches[0] : undefined;
  const from = start instanceof MouseEvent ? start : touch;
  return from && { x: from.clientX + e.delta.x, y: from.clientY + e.delta.y };
}

/** Where the pointer is on the page, in mm; missing beside it. */
function pointOnPage(e: DragMoveEvent, box: Rect): Point | undefined {
  const from = pointerOf(e);
  const sheet = openSheet.rect();
  if (!from || !sheet) return undefined;
  const scale = sheet.width / box.w;
  const at = { x: (from.x - sheet.left) / scale + box.x, y: (from.y - sheet.top) / scale + box.y };
  const inside = at.x >= box.x && at.y >= box.y && at.x <= box.x + box.w && at.y <= box.y + box.h;
  return inside ? at : undefined;
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
