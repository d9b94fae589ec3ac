import { Box } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, type RefObject, useImperativeHandle, useMemo, useState } from "react";
import type { Dragged } from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import { shelf as words } from "../../text/index.ts";
import { hears } from "../commands/hear.ts";
import { direction, type Pressed } from "../commands/keys.ts";
import { useServices } from "../services.ts";
import { useViewState } from "../state/session/hooks.ts";
import type { Placed } from "../state/session/placed-photos.ts";
import { choose, chooseAll, nothingChosen } from "../state/view-state/choose.ts";
import { PhotoTile, type TileHandlers } from "./photo-tile.tsx";

const photoPx = 88;
const gapPx = 6;
const rowPx = photoPx + gapPx;

export interface StripHandle {
  goTo(photoId: string): void;
}

interface PhotoStripProps {
  readonly photos: readonly Photo[];
  readonly placed: Placed;
  readonly rows: number;
  /** What scrolls, for whoever keeps where it stands. */
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly handle?: RefObject<StripHandle | null>;
  /** Enter: the photo where the focus is, besides those that are chosen. */
  readonly onPlace: (photoId: string | undefined) => unknown;
  /** A plain click, where it means something else than choosing; true where it did. */
  readonly onClick?: (photoId: string) => boolean;
}

/** Photos in rows that go sideways, to choose from and to drag away. */
export function PhotoStrip({ photos, placed, rows, scroller, handle, onPlace, onClick }: PhotoStripProps) {
  const { viewState } = useServices();
  const choice = useViewState((s) => s.photos);
  const ids = useMemo(() => photos.map((p) => p.id), [photos]);
  const [at, setAt] = useState<string>();
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];
  const virtual = useVirtualizer({
    horizontal: true,
    count: photos.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => widthOf(photos[i]!) + gapPx,
    overscan: 6,
    lanes: rows,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: other photos have other widths, and the estimates go with them
  useMemo(() => virtual.measure(), [photos, rows, virtual]);
  useImperativeHandle(handle, () => ({ goTo: (id) => virtual.scrollToIndex(ids.indexOf(id), { align: "start" }) }), [
    virtual,
    ids,
  ]);
  const deps = useMemo(
    (): TileHandlers => ({
      pick: (id, held) => {
        if (!held.shift && !held.ctrl && onClick?.(id)) return;
        viewState.setState((s) => ({ photos: choose(s.photos, ids, id, held) }));
      },
      focus: setAt,
    }),
    [viewState, ids, onClick],
  );

  const go = (e: Pressed) => {
    const next = stop && ids[ids.indexOf(stop) + direction(e).x];
    if (!next) return undefined;
    setAt(next);
    virtual.scrollToIndex(ids.indexOf(next));
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-photo="${next}"]`)?.focus());
    return next;
  };
  const pick = (e: Pressed) =>
    stop !== undefined &&
    viewState.setState((s) => ({ photos: choose(s.photos, ids, stop, { shift: e.shiftKey, ctrl: true }) }));
  const onKeyDown = hears("shelf", {
    toNext: go,
    chooseUpTo: (e) => {
      const next = go(e);
      if (next)
        viewState.setState((s) => ({
          photos: choose({ ...s.photos, anchor: s.photos.anchor ?? stop }, ids, next, { shift: true, ctrl: false }),
        }));
    },
    choose: pick,
    chooseRow: pick,
    chooseAll: () => viewState.setState({ photos: chooseAll(ids) }),
    place: () => onPlace(stop),
    // While something is dragged, Escape lets go of that.
    letGo: () => {
      if (viewState.getState().drop.dragged) return false;
      viewState.setState({ photos: nothingChosen });
      return true;
    },
  });

  return (
    <Box ref={scroller} overflowX="auto" overflowY="hidden" px="4" pb="3" pt="1">
      <Box
        role="listbox"
        aria-multiselectable
        aria-orientation="horizontal"
        aria-label={words.label}
        position="relative"
        style={{ width: virtual.getTotalSize(), height: rows * rowPx - gapPx }}
        onKeyDown={onKeyDown}
      >
        {virtual.getVirtualItems().map((item) => {
          const photo = photos[item.index];
          if (!photo) return null;
          return (
            <Draggable key={photo.id} photo={photo} left={item.start} top={item.lane * rowPx}>
              <PhotoTile
                photo={photo}
                chosen={choice.ids.has(photo.id)}
                stop={photo.id === stop}
                onPages={placed.get(photo.id)}
                w={widthOf(photo)}
                h={photoPx}
                deps={deps}
              />
            </Draggable>
          );
        })}
      </Box>
    </Box>
  );
}

const widthOf = (photo: Photo): number => Math.round(photoPx * Math.min(2.4, Math.max(0.6, aspectOf(photo))));

interface DraggableProps {
  readonly photo: Photo;
  readonly left: number;
  readonly top: number;
  readonly children: ReactNode;
}

function Draggable({ photo, left, top, children }: DraggableProps) {
  const drag = useDraggable({
    id: `shelf-${photo.id}`,
    data: { from: "shelf", photoId: photo.id, section: photo.section } satisfies Dragged,
  });
  return (
    <Box
      ref={drag.setNodeRef}
      {...drag.listeners}
      role="presentation"
      position="absolute"
      top="0"
      left="0"
      style={{ transform: `translate(${left}px, ${top}px)` }}
      opacity={drag.isDragging ? 0.4 : 1}
    >
      {children}
    </Box>
  );
}
