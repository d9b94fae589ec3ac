import { type Frame, frameRect } from "#core/document";
import type { Point, Rect, Size } from "#core/geometry";
import { type Laid, seenPart } from "../../components/zoom/zoom.ts";

/** How the page lies on the screen: `scale` in CSS pixels per mm, `box` the printed area in mm. */
export interface PageView {
  readonly scale: number;
  readonly box: Rect;
  /** Whole pixels, or the picture would be smeared over two. */
  readonly leftPx: number;
  readonly topPx: number;
  /** What of the box is in sight. */
  readonly seen: Rect;
}

export interface FacingPlace {
  readonly box: Rect;
  readonly on: "left" | "right";
}

/** What lies open, in mm: the page, and the one that faces it beside it; each to the fold and no further. */
export const openSize = (open: Rect, facing: FacingPlace | undefined): Size => ({
  w: open.w + (facing?.box.w ?? 0),
  h: open.h,
});

/** Two facing pages side by side, of which together it is known how they lie: the open one's view, and the other's. */
export function openingView(
  open: Rect,
  facing: FacingPlace | undefined,
  { scale, leftPx, topPx }: Laid,
  room: Size,
): { readonly view: PageView; readonly facing: PageView | undefined } {
  const view = (box: Rect, left: number): PageView => ({
    scale,
    box,
    leftPx: left,
    topPx,
    seen: seenPart(box, left, topPx, scale, room),
  });
  if (!facing) return { view: view(open, leftPx), facing: undefined };
  const [first, second] = facing.on === "left" ? [facing.box, open] : [open, facing.box];
  const [left, right] = [view(first, leftPx), view(second, leftPx + first.w * scale)];
  return facing.on === "left" ? { view: right, facing: left } : { view: left, facing: right };
}

/** A rectangle in mm as CSS of an element that lies on the page. */
export const placeOf = (view: PageView, r: Rect) => ({
  left: `${(r.x - view.box.x) * view.scale}px`,
  top: `${(r.y - view.box.y) * view.scale}px`,
  width: `${r.w * view.scale}px`,
  height: `${r.h * view.scale}px`,
});

/** A frame as CSS of an element that lies on the page. Level ones have no transform: each is a layer to the browser, and there may be hundreds. */
export const frameOf = (view: PageView, frame: Frame) => ({
  ...placeOf(view, frameRect(frame)),
  ...(frame.turn === 0 ? {} : { transform: `rotate(${frame.turn}deg)` }),
});

/** A point of the screen, relative to the page element, in mm. */
export const toPage = (view: PageView, px: Point): Point => ({
  x: px.x / view.scale + view.box.x,
  y: px.y / view.scale + view.box.y,
});

/** The tile that lies nearest in the direction of an arrow key; straight ahead counts more than aside. */
export function nearestToward(
  rects: readonly (Rect & { readonly id: string })[],
  from: string,
  key: string,
): string | undefined {
  const start = rects.find((r) => r.id === from);
  if (!start) return rects[0]?.id;
  const [dx, dy] = key === "ArrowLeft" ? [-1, 0] : key === "ArrowRight" ? [1, 0] : key === "ArrowUp" ? [0, -1] : [0, 1];
  const middle = (r: Rect) => ({ x: r.x + r.w / 2, y: r.y + r.h / 2 });
  const here = middle(start);
  let best: { readonly id: string; readonly far: number } | undefined;
  for (const r of rects) {
    if (r.id === from) continue;
    const by = { x: middle(r).x - here.x, y: middle(r).y - here.y };
    const ahead = by.x * dx + by.y * dy;
    if (ahead <= 0.01) continue;
    const far = ahead + 2.5 * Math.abs(by.x * dy + by.y * dx);
    if (!best || far < best.far) best = { id: r.id, far };
  }
  return best?.id;
}
