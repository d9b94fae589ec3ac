import { Box } from "@chakra-ui/react";
import { type MouseEvent, useDeferredValue, useMemo, useRef, useState } from "react";
import { drawnPage, type PlacedPage } from "#core/document";
import { tilesUnder, withTied } from "#core/edit";
import { seenBox } from "#core/lab";
import { withoutBorder } from "#core/scene";
import { pages as words } from "../../../text/index.ts";
import { SeenPage } from "../../components/clipped-page.tsx";
import { LassoBox } from "../../components/lasso-box.tsx";
import { AskedCrop, NotePins } from "../../components/notes/note-pins.tsx";
import { PointLayer } from "../../components/notes/point-layer.tsx";
import { useMergedRefs, useSizeOf } from "../../components/size-of.ts";
import { useLasso } from "../../components/use-lasso.ts";
import { HandLayer } from "../../components/zoom/hand-layer.tsx";
import { useZoom } from "../../components/zoom/use-zoom.ts";
import { useServices } from "../../services.ts";
import { useFacts } from "../../state/session/facts.ts";
import { shown, shownPage, shownPlaced, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { openPlaced } from "../../state/session/project-session.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";
import { BalanceLayer } from "./balance-layer.tsx";
import { BrushLayer } from "./brush-layer.tsx";
import { CutLines } from "./cut-lines.tsx";
import { EmptyPage } from "./empty-page.tsx";
import { FacingPage, useFacing } from "./facing-page.tsx";
import { FreeLayer } from "./free/free-layer.tsx";
import { GuideLayer } from "./free/guide-layer.tsx";
import { MatTools } from "./mat-tools.tsx";
import { openSheet } from "./open-sheet.ts";
import { openingView, openSize, type PageView, toPage } from "./page-view.ts";
import { ReframeLayer } from "./reframe-layer.tsx";
import { SeamLayer } from "./seam-layer.tsx";
import { TileLayer } from "./tile-layer.tsx";
import { TileMenu } from "./tile-menu.tsx";
import { Traces } from "./traces.tsx";
import { WriteLayer } from "./write-layer.tsx";

const mat = { w: 30, h: 30 };
const toolsPx = 30;

/** The surface with the page on it, and everything that can be taken hold of. */
export function Mat() {
  const { viewState } = useServices();
  const session = useSession();
  const format = useProject((s) => openPlaced(s).format);
  const pageId = useProject((s) => s.pageId);
  const tone = useViewState((s) => s.mat);
  const cutLines = useViewState((s) => s.cutLines);
  const begins = useViewState((s) => s.drop.meaning.does === "begin");
  const bare = useProject((s) => shownPage(s).pieces.length === 0);
  const [sizeRef, size] = useSizeOf();
  const [element, setElement] = useState<HTMLElement | null>(null);
  const facing = useFacing();
  const [facingFormat, on] = [facing?.page.format, facing?.on];
  const [open, beside] = useMemo(
    () => [seenBox(format), facingFormat && on && { box: seenBox(facingFormat), on }],
    [format, on, facingFormat],
  );
  const fingersTaken = useViewState((s) => s.reframing !== undefined);
  const busy = useViewState((s) => s.reframing !== undefined || s.writing !== undefined);
  const content = openSize(open, beside);
  const zooming = useZoom({ content, room: size, pad: mat, ppi: format.ppi, element, fingersTaken });
  const { laid } = zooming;
  const views = useMemo(() => size && laid && openingView(open, beside, laid, size), [size, laid, open, beside]);
  const view = views?.view;
  const area = useRef<HTMLElement>(null);
  area.current = element;
  const lasso = useLasso({
    area,
    of: "tile",
    onHit: (hit, { more }) =>
      viewState.setState((s) => ({
        tiles: {
          ids: withTied(openPlaced(session.state.getState()).page, [...(more ? s.tiles.ids : []), ...hit]),
          anchor: hit[0],
        },
        reframing: undefined,
      })),
  });
  /** With Alt, each click chooses what lies under the thing that was chosen by the last one. */
  const chooseNextUnder = (e: MouseEvent<HTMLElement>, lies: PageView) => {
    const r = e.currentTarget.getBoundingClientRect();
    const at = toPage(lies, { x: e.clientX - r.left, y: e.clientY - r.top });
    const under = tilesUnder(openPlaced(session.state.getState()), at);
    const [now, more] = viewState.getState().tiles.ids;
    const next = under[more === undefined && now !== undefined ? (under.indexOf(now) + 1) % under.length : 0];
    if (next === undefined) return;
    e.stopPropagation();
    viewState.setState({ tiles: { ids: new Set([next]), anchor: next } });
  };
  // What follows a hand renders by itself; the mat around it does not.
  const held = useMemo(() => view && <HeldPage view={view} />, [view]);
  return (
    <Box
      as="section"
      aria-label={words.mat}
      position="relative"
      h="full"
      bg={`mat.${tone}`}
      overflow="hidden"
      transition="background 160ms"
    >
      <Box
        ref={useMergedRefs(sizeRef, setElement)}
        position="absolute"
        inset="0"
        bottom={`${toolsPx}px`}
        overflow="hidden"
        onPointerDown={(e) => {
          if (e.target === e.currentTarget) {
            viewState.setState((s) => ({
              tiles: e.shiftKey ? s.tiles : nothingChosen,
              reframing: undefined,
              writing: undefined,
            }));
            if (zooming.reaches) zooming.grab(e);
          }
          const pans = zooming.hand || (zooming.reaches && e.target === e.currentTarget);
          if (!pans && !busy) lasso.begin(e);
        }}
      >
        {views?.facing && facing && <FacingPage facing={facing} view={views.facing} />}
        {view && (
          <Box
            position="absolute"
            style={{
              left: view.leftPx,
              top: view.topPx,
              width: view.box.w * view.scale,
              height: view.box.h * view.scale,
            }}
            boxShadow="paper"
            onClickCapture={(e) => e.altKey && chooseNextUnder(e, view)}
            ref={openSheet.ref}
            data-testid="page"
          >
            <TileMenu>
              <Box position="absolute" inset="0">
                {held}
              </Box>
            </TileMenu>
            <GuideLayer view={view} />
            {cutLines && <CutLines view={view} format={format} />}
            {begins && (
              <Box position="absolute" inset="0" boxShadow="inset 0 0 0 4px {colors.glaze.500}" pointerEvents="none" />
            )}
            {bare && <EmptyPage />}
            {!busy && <NotePins pageId={pageId} box={view.box} scale={view.scale} />}
            <AskedCrop box={view.box} scale={view.scale} />
            <PointLayer pageId={pageId} box={view.box} scale={view.scale} />
          </Box>
        )}
        <HandLayer zooming={zooming} />
        <LassoBox of={lasso.box} />
      </Box>
      <MatTools zooming={zooming} />
    </Box>
  );
}

interface TilesAfterwardsProps {
  readonly view: PageView;
  readonly page: PlacedPage;
  readonly moving: boolean;
}

/** The picture follows a hand in each frame; what can be pointed at and named comes after it. */
function TilesAfterwards({ view, page, moving }: TilesAfterwardsProps) {
  const later = useDeferredValue(page);
  return <TileLayer view={view} page={moving ? later : page} />;
}

/** The page as it is at this moment, with its tiles and seams. */
function HeldPage({ view }: { readonly view: PageView }) {
  const page = useProject(shownPlaced);
  const settledPage = useProject(openPlaced);
  const moving = useProject((s) => s.draft !== undefined);
  const reframing = useViewState((s) => s.reframing);
  const brushing = useViewState((s) => s.brushing);
  const isOpen = page.tiles.some((t) => t.id === reframing && t.filling.kind === "photo");
  const project = useProject((s) => shown(s));
  const facts = useFacts();
  const under = isOpen && !brushing ? settledPage : page;
  const drawn = useMemo(
    () => withoutBorder(drawnPage(project, under.page, (id) => facts.photo(id)?.takenAt)),
    [project, under, facts],
  );
  const open = isOpen ? reframing : undefined;
  const writing = useViewState((s) => s.writing);
  // What is carried has the hand: nobody takes hold of a line then.
  const carries = useViewState((s) => s.drop.dragged !== undefined);
  return (
    <>
      {/* While a tile is open only that tile moves, and is drawn above; the page under it rests. */}
      <SeenPage
        page={drawn}
        scale={view.scale}
        box={view.box}
        seen={view.seen}
        moving={moving && (!open || brushing)}
        without={brushing ? undefined : open}
      />
      <TilesAfterwards view={view} page={page} moving={moving} />
      <FreeLayer view={view} page={page} settled={settledPage} />
      <Traces view={view} />
      {!open && !writing && !carries && <SeamLayer view={view} page={settledPage} />}
      {writing && <WriteLayer key={writing} view={view} tileId={writing} />}
      {open && !brushing && <ReframeLayer key={open} view={view} tileId={open} />}
      <BalanceLayer view={view} size={{ w: page.format.widthMm, h: page.format.heightMm }} />
      {open && brushing && <BrushLayer key={open} view={view} tileId={open} />}
    </>
  );
}
