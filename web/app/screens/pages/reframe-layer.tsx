import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import { findPlaced, frameRect } from "#core/document";
import { dragged, framingUnder, type Hold, heldAt, heldBy, heldWithout, levelled, settled, zoomed } from "#core/fit";
import type { Point } from "#core/geometry";
import { photoShape } from "#core/photo";
import { panel as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { arrow, type Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { shownPlaced, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { DrawnLine } from "./drawn-line.tsx";
import { type PageView, toPage } from "./page-view.ts";
import { paintOpenTile, spillPx } from "./paint-open-tile.ts";
import { useFraming } from "./use-framing.ts";

const nudgeMm = 1;
const farNudgeMm = 10;
const zoomStep = 1.08;

/** A tile opened up: the whole photo, dimmed outside the tile, to move and zoom by hand, wheel and keys. */
export function ReframeLayer({ view: whole, tileId }: { readonly view: PageView; readonly tileId: string }) {
  // Of a page that is larger than the window only what is in sight is painted and taken hold of.
  const view = useMemo((): PageView => ({ ...whole, box: whole.seen }), [whole]);
  const { viewState, bitmaps } = useServices();
  const session = useSession();
  const page = useProject(shownPlaced);
  const byId = useLibrary((s) => s.byId);
  const layer = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const tile = findPlaced(page, tileId);
  const photoView = tile?.filling.kind === "photo" ? tile.filling.view : undefined;
  const photo = photoView && byId.get(photoView.photoId);
  const { format } = page;
  const framed = useMemo(() => photo && photoShape(photo), [photo]);
  const aspect = framed?.aspect;
  const straightening = useViewState((s) => s.straightening);
  const [line, setLine] = useState<readonly [Point, Point]>();
  const hold = useRef<Hold>(undefined);

  useEffect(() => layer.current?.focus(), []);

  useEffect(() => {
    const at = canvas.current;
    if (!at || !tile || !framed) return;
    let frame = 0;
    const soon = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() =>
        paintOpenTile(at, view, tile, framed, format, (id, px, tone) => bitmaps.get(id, px, tone)),
      );
    };
    soon();
    const unwatch = bitmaps.watch(soon);
    return () => {
      cancelAnimationFrame(frame);
      unwatch();
    };
  }, [tile, framed, format, view, bitmaps]);

  const deps = useFraming(tileId, framed, format);

  useEffect(() => {
    const at = layer.current;
    if (!at || aspect === undefined) return;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const open = deps.now();
      if (!open) return;
      const box = at.getBoundingClientRect();
      const under = toPage(view, { x: e.clientX - box.left - spillPx, y: e.clientY - box.top - spillPx });
      const centre = findPlaced(open.page, tileId)!.frame.centre;
      const anchor = { x: under.x - centre.x, y: under.y - centre.y };
      const zoom =
        settled(aspect, open.size, open.framing).zoom *
        zoomStep ** (-Math.sign(e.deltaY) * Math.min(3, Math.abs(e.deltaY) / 60));
      deps.keep(zoomed(aspect, open.size, open.framing, zoom, anchor), `wheel-${tileId}`);
    };
    at.addEventListener("wheel", wheel, { passive: false });
    return () => at.removeEventListener("wheel", wheel);
  }, [aspect, view, tileId, deps]);

  if (!tile || !photoView || aspect === undefined) return null;

  /** A point of the screen in mm from the tile's centre. */
  const fromCentre = (e: React.PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    const at = toPage(view, { x: e.clientX - box.left - spillPx, y: e.clientY - box.top - spillPx });
    return { x: at.x - tile.frame.centre.x, y: at.y - tile.frame.centre.y };
  };
  const grab = (e: React.PointerEvent<HTMLElement>) => {
    const open = deps.now();
    if (e.button !== 0 || !open) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    const at = fromCentre(e);
    if (straightening) setLine([at, at]);
    else hold.current = heldBy(hold.current, e.pointerId, at, open.framing);
  };
  const move = (e: React.PointerEvent<HTMLElement>) => {
    const at = fromCentre(e);
    if (line && e.buttons > 0) setLine([line[0], at]);
    if (!hold.current?.fingers.has(e.pointerId)) return;
    hold.current = heldAt(hold.current, e.pointerId, at);
    deps.show(framingUnder(hold.current, aspect, frameRect(tile.frame)));
  };
  const release = (e: React.PointerEvent<HTMLElement>) => {
    const open = deps.now();
    if (line) {
      setLine(undefined);
      const level = open && levelled(open.framing, ...line);
      if (!level) return;
      deps.keep(level);
      viewState.setState({ straightening: false });
    } else if (open && hold.current?.fingers.has(e.pointerId)) {
      hold.current = heldWithout(hold.current, e.pointerId, open.framing);
      if (!hold.current && session.state.getState().draft) deps.keep(open.framing);
    }
  };

  const nudge = (byMm: number) => (e: Pressed) => {
    const open = deps.now();
    if (open) deps.keep(dragged(aspect, open.size, open.framing, arrow(e, byMm)), `nudge-${tileId}`);
  };
  const zoomBy = (factor: number) => () => {
    const open = deps.now();
    if (!open) return;
    const { zoom } = settled(aspect, open.size, open.framing);
    deps.keep(zoomed(aspect, open.size, open.framing, zoom * factor), `zoom-${tileId}`);
  };
  const onKeyDown = hears("reframing", {
    move: nudge(nudgeMm),
    moveFar: nudge(farNudgeMm),
    zoomIn: zoomBy(zoomStep),
    zoomOut: zoomBy(1 / zoomStep),
    endReframing: () => viewState.setState({ reframing: undefined, straightening: false }),
  });

  return (
    <Box
      ref={layer}
      role="application"
      aria-label={`${words.reframe}: ${words.reframeHelp}`}
      tabIndex={0}
      position="absolute"
      style={{
        left: (view.box.x - whole.box.x) * view.scale - spillPx,
        top: (view.box.y - whole.box.y) * view.scale - spillPx,
        width: view.box.w * view.scale + 2 * spillPx,
        height: view.box.h * view.scale + 2 * spillPx,
      }}
      zIndex="5"
      cursor={straightening ? "crosshair" : "grab"}
      _active={{ cursor: straightening ? "crosshair" : "grabbing" }}
      touchAction="none"
      outline="none"
      data-testid="reframe"
      onPointerDown={grab}
      onPointerMove={move}
      onPointerUp={release}
      onPointerCancel={release}
      onKeyDown={onKeyDown}
      onDoubleClick={() => viewState.setState({ reframing: undefined, straightening: false })}
    >
      <canvas ref={canvas} style={{ width: "100%", height: "100%", display: "block" }} aria-hidden />
      {line && <DrawnLine line={line.map((p) => onScreen(view, tile.frame.centre, p))} />}
    </Box>
  );
}

const onScreen = (view: PageView, centre: Point, p: Point): Point => ({
  x: (p.x + centre.x - view.box.x) * view.scale + spillPx,
  y: (p.y + centre.y - view.box.y) * view.scale + spillPx,
});
