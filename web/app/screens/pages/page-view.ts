import { contained } from "#core/fit";
import type { Point, Rect, Size } from "#core/geometry";

/** How the page lies on the screen: `scale` in CSS pixels per mm, `box` the printed area in mm. */
export interface PageView {
  readonly scale: number;
  readonly box: Rect;
  /** Whole pixels, or the picture would be smeared over two. */
  readonly leftPx: number;
  readonly topPx: number;
}

/** The largest view of `box` that fits the room with some mat around it. */
export function viewOf(box: Rect, room: Size, matPx: number): PageView {
  const fit = contained(box.w / box.h, { w: room.w - 2 * matPx, h: room.h - 2 * matPx });
  return {
    box,
    scale: Math.max(1, Math.floor(fit.w)) / box.w,
    leftPx: Math.round((room.w - fit.w) / 2),
    topPx: Math.round((room.h - fit.h) / 2),
  };
}

/** Two facing pages side by side: how the open one lies, and the place of the other; each to the fold and no further. */
export function openingView(
  open: Rect,
  facing: { readonly box: Rect; readonly on: "left" | "right" } | undefined,
  room: Size,
  matPx: number,
): { readonly view: PageView; readonly facing: PageView | undefined } {
  if (!facing) return { view: viewOf(open, room, matPx), facing: undefined };
  const whole = viewOf({ ...open, w: open.w + facing.box.w }, room, matPx);
  const { scale, topPx } = whole;
  const [first, second] = facing.on === "left" ? [facing.box, open] : [open, facing.box];
  const left: PageView = { scale, topPx, box: first, leftPx: whole.leftPx };
  const right: PageView = { scale, topPx, box: second, leftPx: whole.leftPx + first.w * scale };
  return facing.on === "left" ? { view: right, facing: left } : { view: left, facing: right };
}

/** A rectangle in mm as CSS of an element that lies on the page. */
export const placeOf = (view: PageView, r: Rect) => ({
  left: `${(r.x - view.box.x) * view.scale}px`,
  top: `${(r.y - view.box.y) * view.scale}px`,
  width: `${r.w * view.scale}px`,
  height: `${r.h * view.scale}px`,
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
