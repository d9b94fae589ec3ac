import { Box, chakra, Text } from "@chakra-ui/react";
import { closestCenter, DndContext, type DragEndEvent, MouseSensor, useSensor, useSensors } from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Plus } from "lucide-react";
import { type KeyboardEvent, memo, useEffect, useRef, useState } from "react";
import type { Page } from "#core/document";
import { bleedBox, type PageFormat } from "#core/lab";
import { run as words } from "../../../text/pages.ts";
import { useKit } from "../../kit.ts";
import { PageCanvas } from "../../parts/page-canvas.tsx";
import { useProject, useSession } from "../../state/hooks.ts";
import { addPage, movePage, openThe, removeThePage } from "../../state/page-list.ts";
import { openPage } from "../../state/project-session.ts";

const runPx = 116;
const thumbPx = 78;

/** All pages of the work in their order, where there is more than one; dragged or moved by key to reorder. */
export function PageRun() {
  const kit = useKit();
  const session = useSession();
  const pages = useProject((s) => s.project.pages);
  const format = useProject((s) => s.project.format);
  const open = useProject((s) => openPage(s).id);
  const list = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: 5 } }));
  useEffect(() => {
    list.current?.querySelector(`[data-page="${open}"]`)?.scrollIntoView({ block: "nearest" });
  }, [open]);
  if (pages.length < 2) return null;

  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id)
      movePage(
        session,
        String(active.id),
        pages.findIndex((p) => p.id === over.id),
      );
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const at = pages.findIndex((p) => p.id === open);
    const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[e.key];
    if (by !== undefined && e.altKey) movePage(session, open, at + by);
    else if (by !== undefined) {
      openThe(kit, session, pages[at + by]);
      const next = pages[at + by]?.id ?? open;
      requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-page="${next}"]`)?.focus());
    } else if (e.key === "Delete") removeThePage(kit, session);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  return (
    <Box
      ref={list}
      as="nav"
      aria-label={words.label}
      w={`${runPx}px`}
      flexShrink="0"
      overflowY="auto"
      bg="oat.100"
      borderRightWidth="1px"
      borderColor="oat.300"
      py="3"
    >
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={pages.map((p) => p.id)} strategy={verticalListSortingStrategy}>
          <Box role="listbox" aria-label={words.label} onKeyDown={onKeyDown}>
            {pages.map((page, i) => (
              <PageSpot
                key={page.id}
                page={page}
                format={format}
                number={i + 1}
                of={pages.length}
                open={page.id === open}
                onOpen={() => openThe(kit, session, page)}
              />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
      <chakra.button
        type="button"
        aria-label={words.add}
        title={words.add}
        onClick={() => addPage(kit, session)}
        w={`${thumbPx}px`}
        h="40px"
        mx="auto"
        mt="1"
        display="grid"
        placeItems="center"
        borderRadius="soft"
        border="1.5px dashed"
        borderColor="oat.500"
        color="ink.700"
        _hover={{ bg: "oat.50" }}
      >
        <Plus size={19} aria-hidden />
      </chakra.button>
    </Box>
  );
}

interface PageSpotProps {
  readonly page: Page;
  readonly format: PageFormat;
  readonly number: number;
  readonly of: number;
  readonly open: boolean;
  readonly onOpen: () => void;
}

function PageSpot({ page, format, number, of, open, onOpen }: PageSpotProps) {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: page.id });
  const box = bleedBox(format);
  const scale = thumbPx / Math.max(box.w, box.h);
  return (
    <Box
      ref={setNodeRef}
      {...listeners}
      role="option"
      aria-selected={open}
      aria-label={words.page(number, of, page.tiles.length)}
      data-page={page.id}
      tabIndex={open ? 0 : -1}
      onClick={onOpen}
      cursor="pointer"
      py="1.5"
      style={{ transform: CSS.Translate.toString(transform), transition }}
      position="relative"
      zIndex={isDragging ? 2 : undefined}
      outline="none"
      css={{ "&:focus-visible > div": { outline: "3px solid {colors.glaze.600}", outlineOffset: "3px" } }}
    >
      <Box
        mx="auto"
        w={`${box.w * scale}px`}
        h={`${box.h * scale}px`}
        boxShadow={open ? "0 0 0 3px {colors.glaze.500}, 0 0 0 4.5px white" : "paper"}
        bg="white"
      >
        <Thumb page={page} format={format} scale={scale} />
      </Box>
      <Text
        textAlign="center"
        fontSize="12.5px"
        mt="1.5"
        fontWeight={open ? "600" : "400"}
        color={open ? "glaze.700" : "fg.subtle"}
        fontVariantNumeric="tabular-nums"
      >
        {number}
      </Text>
    </Box>
  );
}

/** Painted when it comes near the screen: a long run has more pages than are ever seen at once. */
const Thumb = memo(function Thumb(props: { readonly page: Page; readonly format: PageFormat; readonly scale: number }) {
  const at = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!at.current) return;
    const watch = new IntersectionObserver(([seen]) => setNear(seen?.isIntersecting === true), {
      rootMargin: "300px 0px",
    });
    watch.observe(at.current);
    return () => watch.disconnect();
  }, []);
  return (
    <Box ref={at} h="full" overflow="hidden">
      {near && <PageCanvas {...props} />}
    </Box>
  );
});
