import { Box } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import { findPlaced, frameRect, framingOf, type PlacedTile } from "#core/document";
import {
  dragged,
  type Framing,
  leanOf,
  type PhotoShape,
  photoMatrix,
  pinched,
  settled,
  withinHalf,
  zoomed,
} from "#core/fit";
import { chain, identity, type Point, record, scaling, translation } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { photoShape } from "#core/photo";
import { tileSteps } from "#core/scene";
import { paintScene, paintStep, setMatrix } from "../../../painters/canvas.ts";
import { panel as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { arrow, type Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { reframeChange } from "../../state/edit/page-gestures.ts";
import { shownPlaced, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { type PageView, toPage } from "./page-view.ts";

/** Mat around the page that the dimmed rest of the photo may be seen on, in CSS pixels. */
const spillPx = 60;
const nudgeMm = 1;
const farNudgeMm = 10;
const zoomStep = 1.08;
const leastLineMm = 3;

/** A tile opened up: the whole photo, dimmed outside the tile, to move and zoom by hand, wheel and keys. */
export function ReframeLayer({ view, tileId }: { readonly view: PageView; readonly tileId: string }) {
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
  const fingers = useRef(new Map<number, { readonly from: Point; readonly to: Point }>());
  const base = useRef<Framing>(undefined);

  useEffect(() => layer.current?.focus(), []);

  useEffect(() => {
    const at = canvas.current;
    if (!at || !tile || !framed) return;
    let frame = 0;
    const soon = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() =>
        paintOpenTile(at, view, tile, framed, format, (id, px) => bitmaps.get(id, px)),
      );
    };
    soon();
    const unwatch = bitmaps.watch(soon);
    return () => {
      cancelAnimationFrame(frame);
      unwatch();
    };
  }, [tile, framed, format, view, bitmaps]);

  const deps = useMemo(() => {
    /** The tile as it is now, draft included, and how it looks at its photo. */
    const now = () => {
      const current = shownPlaced(session.state.getState());
      const open = findPlaced(current, tileId);
      if (open?.filling.kind !== "photo" || !framed) return undefined;
      const { view } = open.filling;
      const framing: Framing = framingOf(view, framed, open.frame, format);
      return { page: current, size: frameRect(open.frame), view, framing };
    };
    return {
      now,
      show(framing: Framing) {
        const at = now();
        if (at) session.preview([reframeChange(at.page.page, tileId, at.view, framing)]);
      },
      keep(framing: Framing, mergeKey?: string) {
        const at = now();
        if (at)
          session.commit({ code: "reframed", count: 1 }, [reframeChange(at.page.page, tileId, at.view, framing)], {
            mergeKey,
          });
      },
    };
  }, [session, tileId, framed, format]);

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
    if (straightening) {
      setLine([at, at]);
      return;
    }
    fingers.current.set(e.pointerId, { from: at, to: at });
    rebase(open.framing);
  };
  /** Another finger, or one fewer: from here the movement counts anew. */
  const rebase = (framing: Framing) => {
    for (const [id, { to }] of fingers.current) fingers.current.set(id, { from: to, to });
    base.current = framing;
  };
  const move = (e: React.PointerEvent<HTMLElement>) => {
    const at = fromCentre(e);
    if (line && e.buttons > 0) setLine([line[0], at]);
    const finger = fingers.current.get(e.pointerId);
    if (!finger || !base.current) return;
    fingers.current.set(e.pointerId, { ...finger, to: at });
    const all = [...fingers.current.values()];
    deps.show(
      pinched(
        aspect,
        frameRect(tile.frame),
        base.current,
        all.map((f) => f.from),
        all.map((f) => f.to),
      ),
    );
  };
  const release = (e: React.PointerEvent<HTMLElement>) => {
    const open = deps.now();
    if (line) {
      setLine(undefined);
      const [a, b] = line;
      // A mere click draws no line.
      if (!open || Math.hypot(b.x - a.x, b.y - a.y) < leastLineMm) return;
      deps.keep({ ...open.framing, turn: withinHalf(open.framing.turn - leanOf(a, b)) });
      viewState.setState({ straightening: false });
      return;
    }
    if (!fingers.current.delete(e.pointerId) || !open) return;
    if (fingers.current.size > 0) rebase(open.framing);
    else if (session.state.getState().draft) deps.keep(open.framing);
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
      inset={`-${spillPx}px`}
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

/** Light on dark, so that it is seen on any photo. */
function DrawnLine({ line }: { readonly line: readonly Point[] }) {
  const [a, b] = line;
  if (!a || !b) return null;
  const ends = { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
  return (
    <svg aria-hidden="true" width="100%" height="100%" style={{ position: "absolute", inset: 0 }}>
      <line {...ends} stroke="#22302b" strokeWidth="4" />
      <line {...ends} stroke="#fdfbf7" strokeWidth="2" />
    </svg>
  );
}

function paintOpenTile(
  at: HTMLCanvasElement,
  view: PageView,
  tile: PlacedTile,
  framed: PhotoShape,
  format: PageFormat,
  bitmapOf: (id: string, longPx: number) => CanvasImageSource | undefined,
): void {
  const dpr = window.devicePixelRatio;
  const [w, h] = [
    Math.round((view.box.w * view.scale + 2 * spillPx) * dpr),
    Math.round((view.box.h * view.scale + 2 * spillPx) * dpr),
  ];
  if (at.width !== w || at.height !== h) {
    at.width = w;
    at.height = h;
  }
  const ctx = at.getContext("2d");
  if (!ctx) return;
  const k = view.scale * dpr;
  const toPixels = chain(
    translation(spillPx * dpr, spillPx * dpr),
    scaling(k, k),
    translation(-view.box.x, -view.box.y),
  );
  const rect = frameRect(tile.frame);
  if (tile.filling.kind !== "photo") return;
  const look = tile.filling.view;
  const matrix = photoMatrix(framed.aspect, rect, framingOf(look, framed, tile.frame, format));
  const longPx = Math.max(Math.hypot(matrix.a, matrix.b), Math.hypot(matrix.c, matrix.d)) * k;
  const picture = bitmapOf(look.photoId, longPx);
  setMatrix(ctx, identity);
  ctx.clearRect(0, 0, w, h);
  // The page steps back, the rest of the photo shows through it, and the tile stands as it will print.
  setMatrix(ctx, toPixels);
  ctx.fillStyle = "rgba(244, 239, 230, .62)";
  ctx.fillRect(view.box.x, view.box.y, view.box.w, view.box.h);
  ctx.imageSmoothingQuality = "high";
  ctx.globalAlpha = 0.45;
  paintStep(ctx, { draw: "photo", photoId: look.photoId, matrix, clip: photoEdge(matrix) }, { picture });
  ctx.globalAlpha = 1;
  const steps = tileSteps(tile, format, { photo: () => framed });
  paintScene(ctx, { box: view.box, steps }, toPixels, { picture: () => picture, face: () => undefined }, "high");
  setMatrix(ctx, toPixels);
  ctx.strokeStyle = "#17757e";
  ctx.lineWidth = 2.5 / view.scale;
  ctx.strokeRect(rect.x, rect.y, rect.w, rect.h);
  thirds(ctx, rect, view.scale);
}

/** The photo's own four corners on the page. */
function photoEdge(m: ReturnType<typeof photoMatrix>) {
  return record((to) => {
    to.moveTo(m.e, m.f);
    to.lineTo(m.a + m.e, m.b + m.f);
    to.lineTo(m.a + m.c + m.e, m.b + m.d + m.f);
    to.lineTo(m.c + m.e, m.d + m.f);
    to.closePath();
  });
}

function thirds(ctx: CanvasRenderingContext2D, r: { x: number; y: number; w: number; h: number }, scale: number): void {
  ctx.strokeStyle = "rgba(255, 255, 255, .55)";
  ctx.lineWidth = 1 / scale;
  ctx.beginPath();
  for (const t of [1 / 3, 2 / 3]) {
    ctx.moveTo(r.x + r.w * t, r.y);
    ctx.lineTo(r.x + r.w * t, r.y + r.h);
    ctx.moveTo(r.x, r.y + r.h * t);
    ctx.lineTo(r.x + r.w, r.y + r.h * t);
  }
  ctx.stroke();
}
