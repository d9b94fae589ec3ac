import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { useVirtualizer } from "@tanstack/react-virtual";
import { LayoutGrid } from "lucide-react";
import { memo, useCallback, useMemo, useRef, useState } from "react";
import { arrangedTiles, arrangementOf, holdsPockets, type Page } from "#core/document";
import type { Dragged } from "#core/edit";
import { grownBy } from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import { photos as photoWords, run, shelf as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction, type Pressed } from "../../commands/keys.ts";
import { PhotoTile, type TileHandlers } from "../../components/photo-tile.tsx";
import { useServices } from "../../services.ts";
import { holdsMore } from "../../state/edit/arrange-page.ts";
import { arrangePhotos } from "../../state/edit/arrange-photos.ts";
import { fillWith } from "../../state/edit/page-gestures.ts";
import { keep } from "../../state/edit/tree-gestures.ts";
import { aspectsIn } from "../../state/library/aspects.ts";
import { shownPage, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { type Placed, usePlacedLater } from "../../state/session/placed-photos.ts";
import { openPage } from "../../state/session/project-session.ts";
import { choose, chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import { PageForEach } from "./page-for-each.tsx";
import { ShelfTime } from "./shelf-time.tsx";

const photoPx = 88;
const gapPx = 6;

/** The photos at hand, in the order they were taken; from here they go onto the page. On which pages they are follows the page. */
export function Shelf() {
  return <ShelfOf placed={usePlacedLater()} />;
}

const ShelfOf = memo(function ShelfOf({ placed }: { readonly placed: Placed }) {
  const { viewState } = useServices();
  const library = useLibrary((s) => s.photos);
  const all = useMemo(() => library.filter((p) => !p.hidden), [library]);
  const choice = useViewState((s) => s.photos);
  const [bareOnly, setBareOnly] = useState(false);
  const isPlaced = useCallback((id: string) => placed.has(id), [placed]);
  const photos = useMemo(() => (bareOnly ? all.filter((p) => !placed.has(p.id)) : all), [all, bareOnly, placed]);
  const ids = useMemo(() => photos.map((p) => p.id), [photos]);
  const [at, setAt] = useState<string>();
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    horizontal: true,
    count: photos.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => widthOf(photos[i]!) + gapPx,
    overscan: 6,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: other photos have other widths, and the estimates go with them
  useMemo(() => virtual.measure(), [photos, virtual]);

  const deps = useMemo(
    (): TileHandlers => ({
      pick: (id, held) => viewState.setState((s) => ({ photos: choose(s.photos, ids, id, held) })),
      focus: setAt,
    }),
    [viewState, ids],
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
    letGo: () => viewState.setState({ photos: nothingChosen }),
  });

  return (
    <Box as="section" aria-label={words.label} bg="oat.50" borderTopWidth="1px" borderColor="oat.300">
      <HStack px="4" h="44px" gap="4">
        <Text fontFamily="heading" fontWeight="560" fontSize="16px">
          {words.label}
        </Text>
        <Text fontSize="13.5px" color="fg.subtle" role="status">
          {choice.ids.size > 0 ? photoWords.chosen(choice.ids.size) : photoWords.count(photos.length)}
          {choice.ids.size === 0 && photos.length > 0 ? ` · ${words.help}` : ""}
        </Text>
        <HStack ml="auto" gap="2">
          <Button
            size="sm"
            variant="ghost"
            aria-pressed={bareOnly}
            onClick={() => setBareOnly(!bareOnly)}
            {...(bareOnly ? { bg: "glaze.50", color: "glaze.700" } : {})}
          >
            {words.notPlaced}
          </Button>
          <ShelfActions photos={photos} />
        </HStack>
      </HStack>
      {photos.length === 0 ? (
        <Text px="4" h={`${photoPx + 22}px`} color="fg.subtle" fontSize="14px">
          {all.length === 0 ? photoWords.emptyLead : words.nothingLeft}
        </Text>
      ) : (
        <>
          <ShelfTime
            photos={photos}
            isPlaced={isPlaced}
            onGo={(id) => virtual.scrollToIndex(ids.indexOf(id), { align: "start" })}
          />
          <Box ref={scroller} overflowX="auto" overflowY="hidden" px="4" pb="3" pt="1">
            <Box
              role="listbox"
              aria-multiselectable
              aria-orientation="horizontal"
              aria-label={words.label}
              position="relative"
              style={{ width: virtual.getTotalSize(), height: photoPx }}
              onKeyDown={onKeyDown}
            >
              {virtual.getVirtualItems().map((item) => {
                const photo = photos[item.index];
                if (!photo) return null;
                return (
                  <Draggable key={photo.id} photo={photo} left={item.start}>
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
        </>
      )}
    </Box>
  );
});

const widthOf = (photo: Photo): number => Math.round(photoPx * Math.min(2.4, Math.max(0.6, aspectOf(photo))));

function Draggable({
  photo,
  left,
  children,
}: {
  readonly photo: Photo;
  readonly left: number;
  readonly children: React.ReactNode;
}) {
  const drag = useDraggable({ id: `shelf-${photo.id}`, data: { from: "shelf", photoId: photo.id } satisfies Dragged });
  return (
    <Box
      ref={drag.setNodeRef}
      {...drag.listeners}
      role="presentation"
      position="absolute"
      top="0"
      left="0"
      style={{ transform: `translateX(${left}px)` }}
      opacity={drag.isDragging ? 0.4 : 1}
    >
      {children}
    </Box>
  );
}

/** The one thing to do next with what is chosen. */
function ShelfActions({ photos }: { readonly photos: readonly Photo[] }) {
  const services = useServices();
  const session = useSession();
  const ids = useViewState((s) => s.photos.ids);
  const empty = useProject((s) => emptyIn(shownPage(s)).length);
  const grid = useProject((s) => {
    const a = arrangementOf(openPage(s));
    return a?.kind === "grid" ? a.asked : undefined;
  });
  const placed = useProject((s) => arrangementOf(openPage(s)) !== undefined);
  const inPockets = useProject((s) => holdsPockets(openPage(s)));
  const tileIds = useViewState((s) => s.tiles.ids);
  const namedEmpty = useProject((s) => emptyIn(openPage(s)).filter((t) => tileIds.has(t.id)).length);
  const [asking, setAsking] = useState(false);
  const chosen = photos.filter((p) => ids.has(p.id));
  if (chosen.length === 0) return null;
  const fills = Math.min(namedEmpty > 0 ? namedEmpty : empty, chosen.length);
  return (
    <>
      {fills > 0 && (
        <Button
          size="sm"
          variant="outline"
          onClick={() => {
            fillWith(session, chosen, services.viewState.getState().tiles.ids);
            services.viewState.setState({ photos: nothingChosen });
          }}
        >
          {words.fill(fills)}
        </Button>
      )}
      {placed && !inPockets && (
        <Button
          size="sm"
          variant="outline"
          onClick={() => {
            if (!holdsMore(session, chosen.length)) return;
            keep(session, "slippedIn", chosen.length, grownBy(aspectsIn(services), chosen, services.newId));
            services.viewState.setState({ photos: nothingChosen });
          }}
        >
          {words.add(chosen.length)}
        </Button>
      )}
      {chosen.length > 1 && (
        <Button size="sm" variant="outline" onClick={() => setAsking(true)}>
          {run.each}
        </Button>
      )}
      {asking && <PageForEach photos={chosen} onClose={() => setAsking(false)} />}
      <Button size="sm" onClick={() => arrangePhotos(services, session, chosen, grid ? { grid } : {})}>
        <LayoutGrid size={17} aria-hidden /> {words.arrange(chosen.length)}
      </Button>
    </>
  );
}

const emptyIn = (page: Page) => arrangedTiles(page).filter((t) => t.filling.kind === "empty");
