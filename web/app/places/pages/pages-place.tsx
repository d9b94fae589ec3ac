import { Box, Flex, Grid } from "@chakra-ui/react";
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  type DragStartEvent,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useState } from "react";
import { findTile, photoIdOf } from "#core/document";
import { useKit } from "../../kit.ts";
import { IncomingBar } from "../../parts/incoming-bar.tsx";
import { PhotoThumb } from "../../parts/photo-thumb.tsx";
import { arrangePhotos } from "../../state/arrange-photos.ts";
import { useLibrary, useSession } from "../../state/hooks.ts";
import { putPhoto, swapPhotos } from "../../state/page-gestures.ts";
import { type Dragged, meaningOfDrop } from "./drop-meaning.ts";
import { Mat } from "./mat.tsx";
import { Panel } from "./panel/panel.tsx";
import { Shelf } from "./shelf.tsx";
import { usePageKeys } from "./use-page-keys.ts";

/** The page on its mat, the shelf under it, and one panel that speaks of what is chosen. */
export function PagesPlace() {
  const kit = useKit();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const [dragged, setDragged] = useState<Dragged>();
  // A few pixels of patience, so that a click is not a drag.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  usePageKeys();

  const begin = (e: DragStartEvent) => {
    const from = e.active.data.current as Dragged;
    setDragged(from);
  };
  const end = (e: DragEndEvent) => {
    setDragged(undefined);
    const from = e.active.data.current as Dragged;
    const meaning = meaningOfDrop(from, e.over?.data.current as { tileId?: string } | undefined);
    if (meaning.does === "put") putPhoto(session, meaning.tileId, meaning.photoId);
    else if (meaning.does === "swap") swapPhotos(session, meaning.tileId, meaning.withTileId);
    else if (meaning.does === "begin") {
      const photo = byId.get(meaning.photoId);
      if (photo) arrangePhotos(kit, session, [photo]);
    }
  };

  const page = session.state.getState().project.pages[0]!;
  const ghost =
    dragged &&
    (dragged.from === "shelf" ? dragged.photoId : photoIdOf(findTile(page, dragged.tileId) ?? page.tiles[0]!));
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      autoScroll={false}
      onDragStart={begin}
      onDragEnd={end}
      onDragCancel={() => setDragged(undefined)}
    >
      <IncomingBar />
      <Grid flex="1" minH="0" templateColumns="minmax(0, 1fr) 304px" templateRows="minmax(0, 1fr) auto">
        <Box minW="0" minH="0">
          <Mat dragged={dragged} />
        </Box>
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
          <Shelf />
        </Box>
      </Grid>
      <DragOverlay dropAnimation={null} zIndex={1500}>
        {ghost && (
          <Box
            w="110px"
            h="82px"
            borderRadius="thumb"
            overflow="hidden"
            boxShadow="lifted"
            opacity="0.92"
            cursor="grabbing"
          >
            <PhotoThumb photoId={ghost} />
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}
