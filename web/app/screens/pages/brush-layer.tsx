import { useEffect, useMemo, useRef, useState } from "react";
import { findPlaced } from "#core/document";
import { brushedStroke, strokeToPage } from "#core/edit";
import { chain, clamp, type Point, scaling, translation } from "#core/geometry";
import type { Stroke } from "#core/masks";
import { photoShape } from "#core/photo";
import { tileSteps } from "#core/scene";
import { paintStep, setMatrix } from "../../../painters/canvas.ts";
import { dress as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { arrow, type Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { keepStroke, showStroke } from "../../state/edit/fades.ts";
import { shownPlaced, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import css from "./brush-layer.module.css";
import { type PageView, toPage } from "./page-view.ts";

const nudgeMm = 2;
const farNudgeMm = 15;
const sizeStep = 1.2;
/** What is hidden is to be found again, and not to be taken for what prints. */
const ghostAlpha = 0.2;

/** A brush over the photo of a tile, by pointer and by keys: each way of it is one step. */
export function BrushLayer({ view: whole, tileId }: { readonly view: PageView; readonly tileId: string }) {
  const view = useMemo((): PageView => ({ ...whole, box: whole.seen }), [whole]);
  const { viewState } = useServices();
  const session = useSession();
  const page = useProject(shownPlaced);
  const byId = useLibrary((s) => s.byId);
  const brush = useViewState((s) => s.brush);
  const layer = useRef<HTMLDivElement>(null);
  const tile = findPlaced(page, tileId);
  const photo = tile?.filling.kind === "photo" ? byId.get(tile.filling.view.photoId) : undefined;
  const shape = useMemo(() => photo && photoShape(photo), [photo]);
  const [at, setAt] = useState<Point | undefined>(() => tile?.frame.centre);
  const line = useRef<Point[]>(undefined);
  useEffect(() => layer.current?.focus(), []);
  if (!tile || !shape || tile.filling.kind !== "photo") return null;
  const place = strokeToPage(tile, shape, page.format);

  const strokeAlong = (points: readonly Point[]): Stroke | undefined => place && brushedStroke(points, brush, place);
  const pointOf = (e: React.PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    return toPage(view, { x: e.clientX - box.left, y: e.clientY - box.top });
  };
  const show = (points: readonly Point[]) => {
    const stroke = strokeAlong(points);
    if (stroke) showStroke(session, tileId, stroke);
  };
  const keep = (points: readonly Point[]) => {
    const stroke = strokeAlong(points);
    if (stroke) keepStroke(session, tileId, stroke);
  };
  const grab = (e: React.PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    line.current = [pointOf(e)];
    show(line.current);
  };
  const move = (e: React.PointerEvent<HTMLElement>) => {
    const p = pointOf(e);
    setAt(p);
    if (!line.current) return;
    line.current.push(p);
    show(line.current);
  };
  const release = () => {
    if (line.current) keep(line.current);
    line.current = undefined;
  };
  const cancel = () => {
    line.current = undefined;
    session.preview([]);
  };

  const here = at ?? tile.frame.centre;
  const moved = (e: Pressed, by: number): Point => {
    const way = arrow(e, by);
    return { x: here.x + way.x, y: here.y + way.y };
  };
  const sized = (k: number) => () =>
    viewState.setState({ brush: { ...brush, radiusMm: clamp(brush.radiusMm * k, 1, 60) } });
  const onKeyDown = hears("brush", {
    move: (e) => setAt(moved(e, nudgeMm)),
    moveFar: (e) => setAt(moved(e, farNudgeMm)),
    draw: (e) => {
      const to = moved(e, Math.max(nudgeMm, brush.radiusMm));
      keep([here, to]);
      setAt(to);
    },
    dab: () => keep([here]),
    larger: sized(sizeStep),
    smaller: sized(1 / sizeStep),
    other: () => viewState.setState({ brush: { ...brush, does: brush.does === "hide" ? "show" : "hide" } }),
    endBrushing: () => viewState.setState({ reframing: undefined, brushing: false }),
  });
  return (
    <div
      ref={layer}
      className={css.layer}
      role="application"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it hears keys
      tabIndex={0}
      aria-label={words.brushKeys}
      data-testid="brush"
      onPointerDown={grab}
      onPointerMove={move}
      onPointerUp={release}
      onPointerCancel={cancel}
      onPointerLeave={() => !line.current && setAt(undefined)}
      onKeyDown={onKeyDown}
      style={{
        left: (view.box.x - whole.box.x) * view.scale,
        top: (view.box.y - whole.box.y) * view.scale,
        width: view.box.w * view.scale,
        height: view.box.h * view.scale,
      }}
    >
      <Ghost view={view} tileId={tileId} />
      {at && (
        <div
          className={css.ring}
          data-does={brush.does}
          style={{
            left: (at.x - view.box.x) * view.scale,
            top: (at.y - view.box.y) * view.scale,
            width: 2 * brush.radiusMm * view.scale,
            height: 2 * brush.radiusMm * view.scale,
          }}
        />
      )}
    </div>
  );
}

/** All of the photo, faintly, within its tile. */
function Ghost({ view, tileId }: { readonly view: PageView; readonly tileId: string }) {
  const { bitmaps } = useServices();
  const canvas = useRef<HTMLCanvasElement>(null);
  const page = useProject(shownPlaced);
  const byId = useLibrary((s) => s.byId);
  const tile = findPlaced(page, tileId);
  const photo = tile?.filling.kind === "photo" ? byId.get(tile.filling.view.photoId) : undefined;
  const { format } = page;
  useEffect(() => {
    const at = canvas.current;
    const ctx = at?.getContext("2d");
    if (!at || !ctx || !tile || !photo) return;
    const paint = () => {
      const k = view.scale * window.devicePixelRatio;
      at.width = Math.round(view.box.w * k);
      at.height = Math.round(view.box.h * k);
      const shape = photoShape(photo);
      const step = tileSteps(tile, format, { photo: () => shape }).find((s) => s.draw === "photo");
      if (step?.draw !== "photo") return;
      const longPx = k * Math.max(Math.hypot(step.matrix.a, step.matrix.b), Math.hypot(step.matrix.c, step.matrix.d));
      const picture = bitmaps.get(step.photoId, longPx, step.tone);
      if (!picture) return;
      setMatrix(ctx, chain(scaling(k, k), translation(-view.box.x, -view.box.y)));
      ctx.globalAlpha = ghostAlpha;
      paintStep(ctx, step, { picture });
    };
    paint();
    return bitmaps.watch(paint);
  }, [tile, photo, format, view, bitmaps]);
  return <canvas ref={canvas} className={css.ghost} aria-hidden />;
}
