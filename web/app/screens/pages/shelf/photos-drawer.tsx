import { Button, Flex, HStack, Text } from "@chakra-ui/react";
import { LayoutGrid } from "lucide-react";
import { memo, useCallback, useMemo, useRef, useState } from "react";
import { arrangedTiles, arrangementOf, holdsPockets, type Page } from "#core/document";
import type { Photo } from "#core/photo";
import { photos as photoWords, run, shelf as words } from "../../../../text/index.ts";
import { PageForEach } from "../../../components/page-for-each.tsx";
import { PhotoStrip, type StripHandle } from "../../../components/photo-strip.tsx";
import { useServices } from "../../../services.ts";
import { arrangePhotos } from "../../../state/edit/arrange-photos.ts";
import { fillWith } from "../../../state/edit/page-gestures.ts";
import { addToPage, fillChosenPlace, placeChosen } from "../../../state/edit/place-chosen.ts";
import { shownPage, useLibrary, useProject, useSession, useViewState } from "../../../state/session/hooks.ts";
import { type Placed, usePlacedLater } from "../../../state/session/placed-photos.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";
import { DrawerFrame } from "./drawer-frame.tsx";
import { PhotoMenu } from "./photo-menu.tsx";
import { useDrawerPx, useShelfRows } from "./shelf-size.ts";
import { ShelfTime } from "./shelf-time.tsx";
import { useScrollKept } from "./use-scroll-kept.ts";

/** The photos at hand, in the order they were taken; from here they go onto the page. On which pages they are follows the page. */
export function PhotosDrawer() {
  return <ShelfOf placed={usePlacedLater()} />;
}

const ShelfOf = memo(function ShelfOf({ placed }: { readonly placed: Placed }) {
  const services = useServices();
  const session = useSession();
  const library = useLibrary((s) => s.photos);
  const all = useMemo(() => library.filter((p) => !p.hidden), [library]);
  const [bareOnly, setBareOnly] = useState(false);
  const isPlaced = useCallback((id: string) => placed.has(id), [placed]);
  const photos = useMemo(() => (bareOnly ? all.filter((p) => !placed.has(p.id)) : all), [all, bareOnly, placed]);
  const rows = useShelfRows();
  const height = useDrawerPx();
  const scroller = useRef<HTMLDivElement>(null);
  const strip = useRef<StripHandle>(null);
  useScrollKept(scroller, "photos");

  const fill = useCallback((id: string) => fillChosenPlace(services, session, id), [services, session]);
  return (
    <DrawerFrame
      tools={
        <>
          <State count={photos.length} />
          <Button
            size="sm"
            variant="ghost"
            flexShrink="0"
            aria-pressed={bareOnly}
            onClick={() => setBareOnly(!bareOnly)}
            {...(bareOnly ? { bg: "glaze.50", color: "glaze.700" } : {})}
          >
            {words.notPlaced}
          </Button>
        </>
      }
    >
      <ShelfActions photos={photos} />
      {photos.length === 0 ? (
        <Text px="4" style={{ height }} color="fg.subtle" fontSize="14px">
          {all.length === 0 ? photoWords.emptyLead : words.nothingLeft}
        </Text>
      ) : (
        <Flex direction="column" justify="end" style={{ height }}>
          <ShelfTime photos={photos} isPlaced={isPlaced} onGo={(id) => strip.current?.goTo(id)} />
          <PhotoMenu>
            <PhotoStrip
              photos={photos}
              placed={placed}
              rows={rows}
              scroller={scroller}
              handle={strip}
              onPlace={(id) => placeChosen(services, session, id)}
              onClick={fill}
            />
          </PhotoMenu>
        </Flex>
      )}
    </DrawerFrame>
  );
});

/** How many there are or are chosen, and what a click does. By itself, since it follows what is chosen on the page and the photos do not. */
function State({ count }: { readonly count: number }) {
  const chosen = useViewState((s) => s.photos.ids.size);
  const tileIds = useViewState((s) => s.tiles.ids);
  const fillsOne = useProject((s) => tileIds.size === 1 && emptyIn(openPage(s)).some((t) => tileIds.has(t.id)));
  return (
    <Text fontSize="13.5px" color="fg.subtle" role="status" truncate>
      {fillsOne ? words.fillPlace : chosen > 0 ? photoWords.chosen(chosen) : photoWords.count(count)}
      {!fillsOne && chosen === 0 && count > 0 ? ` · ${words.help}` : ""}
    </Text>
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
    <HStack
      position="absolute"
      bottom="calc(100% + 6px)"
      left="50%"
      transform="translateX(-50%)"
      zIndex="2"
      gap="2"
      px="2"
      h="44px"
      bg="oat.50"
      borderRadius="soft"
      boxShadow="lifted"
      whiteSpace="nowrap"
    >
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
        <Button size="sm" variant="outline" onClick={() => addToPage(services, session, chosen)}>
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
    </HStack>
  );
}

const emptyIn = (page: Page) => arrangedTiles(page).filter((t) => t.filling.kind === "empty");
