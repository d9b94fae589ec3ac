import { Box, Flex, Grid, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { DndContext, DragOverlay, MouseSensor, pointerWithin, TouchSensor, useSensor, useSensors } from "@dnd-kit/core";
import { useMemo, useRef, useState } from "react";
import type { Dragged } from "#core/edit";
import { printBill, printsOf } from "#core/edit";
import type { PrintSize } from "#core/lab";
import { formats, photos as photoWords, prints as words } from "../../../text/index.ts";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Changeable } from "../../components/changeable.tsx";
import { BringIn } from "../../components/import-buttons.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { PhotoStrip } from "../../components/photo-strip.tsx";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { useServices } from "../../services.ts";
import { addPrints } from "../../state/edit/prints.ts";
import { useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { usePlacedLater } from "../../state/session/placed-photos.ts";
import { type Choice, nothingChosen } from "../../state/view-state/choose.ts";
import { PrintGroups } from "./print-groups.tsx";
import { PrintsPanel } from "./prints-panel.tsx";
import { SizeBar } from "./size-bar.tsx";

/** Photos by themselves: which, in which size, how many, and what that comes to. */
export function PrintsScreen() {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const project = useProject((s) => s.project);
  const prints = useMemo(() => printsOf(project), [project]);
  const [choice, setChoice] = useState<Choice>(nothingChosen);
  const [dragged, setDragged] = useState<string>();
  // A few pixels of patience, so that a click is not a drag.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const bill = useMemo(() => printBill(project), [project]);
  useUndoKeys();

  /** The photo in hand together with the other chosen ones, if it is one of them. */
  const print = (size: PrintSize, photoId?: string) => {
    const { byId } = services.library.state.getState();
    const { ids } = viewState.getState().photos;
    const meant = photoId !== undefined && !ids.has(photoId) ? [photoId] : [...ids];
    const photos = meant.flatMap((id) => byId.get(id) ?? []).sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
    addPrints(services, session, photos, size.id);
  };

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      autoScroll={false}
      onDragStart={({ active }) => setDragged((active.data.current as Dragged & { photoId: string }).photoId)}
      onDragCancel={() => setDragged(undefined)}
      onDragEnd={({ over }) => {
        const size = project.lab?.sizes.find((s) => s.id === over?.id);
        if (size && dragged !== undefined) print(size, dragged);
        setDragged(undefined);
      }}
    >
      <IncomingBar />
      <Grid
        flex="1"
        minH="0"
        templateColumns={prints.length > 0 ? "minmax(0, 1fr) 304px" : "minmax(0, 1fr)"}
        templateRows="minmax(0, 1fr) auto"
      >
        {prints.length === 0 ? (
          <VStack justify="center" gap="2" textAlign="center" p="8">
            <Heading as="h1" fontSize="30px" fontWeight="520">
              {words.none}
            </Heading>
            <Text color="fg.muted" fontSize="17px">
              {project.lab ? words.noneLead : words.noSizes}
            </Text>
          </VStack>
        ) : (
          <Box minH="0" overflowY="auto" px="8" py="6">
            <HStack align="baseline" gap="4" mb="4">
              <Heading as="h1" fontSize="28px" fontWeight="520">
                {words.title}
              </Heading>
              <Text color="fg.muted" fontVariantNumeric="tabular-nums" role="status">
                {[
                  words.count(bill.count),
                  ...(bill.price === undefined ? [] : [formats.money(bill.price, project.lab?.currency)]),
                ].join(" · ")}
              </Text>
            </HStack>
            <PrintGroups prints={prints} choice={choice} onChoice={setChoice} />
          </Box>
        )}
        {prints.length > 0 && (
          <Flex
            direction="column"
            minH="0"
            bg="bg.panel"
            borderLeftWidth="1px"
            borderColor="oat.300"
            gridRow="1 / span 2"
            gridColumn="2"
          >
            <PrintsPanel prints={prints} ids={choice.ids} onRemoved={() => setChoice(nothingChosen)} />
          </Flex>
        )}
        <Box minW="0" gridColumn="1" bg="oat.50" borderTopWidth="1px" borderColor="oat.300">
          <Changeable quiet>
            <SizeBar onPrint={print} />
            <Photos
              rows={prints.length > 0 ? 1 : 3}
              onPlace={(id) => project.lab?.sizes[0] && print(project.lab.sizes[0], id)}
            />
          </Changeable>
        </Box>
      </Grid>
      <DragOverlay dropAnimation={null} zIndex={1500}>
        {dragged !== undefined && (
          <Box w="110px" h="82px" borderRadius="thumb" overflow="hidden" boxShadow="lifted" opacity="0.92">
            <PhotoThumb photoId={dragged} />
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}

interface PhotosProps {
  readonly rows: number;
  readonly onPlace: (photoId: string | undefined) => void;
}

function Photos({ rows, onPlace }: PhotosProps) {
  const library = useLibrary((s) => s.photos);
  const photos = useMemo(() => library.filter((p) => !p.hidden), [library]);
  const placed = usePlacedLater();
  const scroller = useRef<HTMLDivElement>(null);
  const chosen = useViewState((s) => s.photos.ids.size);
  if (photos.length === 0)
    return (
      <VStack py="6" gap="3">
        <Text color="fg.muted">{photoWords.emptyLead}</Text>
        <BringIn main />
      </VStack>
    );
  return (
    <>
      <Text px="4" fontSize="13.5px" color="fg.subtle" role="status">
        {chosen > 0 ? photoWords.chosen(chosen) : photoWords.count(photos.length)}
      </Text>
      <PhotoStrip photos={photos} placed={placed} rows={rows} scroller={scroller} onPlace={onPlace} />
    </>
  );
}
