export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Size {
  readonly w: number;
  readonly h: number;
}

/** An upright rectangle from its top left corner, y down. */
export interface Rect extends Point, Size {}

export interface Sides {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

export const allSides = (by: number): Sides => ({ top: by, right: by, bottom: by, left: by });

/** In proportion, to a tenth. */
export const scaledSides = ({ top, right, bottom, left }: Sides, k: number): Sides => {
  const tidy = (by: number) => Math.round(by * k * 10) / 10;
  return { top: tidy(top), right: tidy(right), bottom: tidy(bottom), left: tidy(left) };
};

export const centreOf = (r: Rect): Point => ({ x: r.x + r.w / 2, y: r.y + r.h / 2 });

export const rectAround = (c: Point, s: Size): Rect => ({ x: c.x - s.w / 2, y: c.y - s.h / 2, w: s.w, h: s.h });

export const containsPoint = (r: Rect, p: Point): boolean =>
  p.x >= r.x && p.x <= r.x + r.w && p.y >= r.y && p.y <= r.y + r.h;

/** Shrinks each side by its own amount; collapses to a line between the sides rather than turning inside out. */
export function insetSides(r: Rect, by: Sides): Rect {
  const across = by.left + by.right;
  const down = by.top + by.bottom;
  const fx = across > r.w && across > 0 ? r.w / across : 1;
  const fy = down > r.h && down > 0 ? r.h / down : 1;
  return { x: r.x + by.left * fx, y: r.y + by.top * fy, w: r.w - across * fx, h: r.h - down * fy };
}

/** Shrinks on every side; collapses to the centre line rather than turning inside out. Negative grows. */
export function inset(r: Rect, by: number): Rect {
  const dx = Math.min(by, r.w / 2);
  const dy = Math.min(by, r.h / 2);
  return { x: r.x + dx, y: r.y + dy, w: r.w - 2 * dx, h: r.h - 2 * dy };
}

export const clamp = (v: number, least: number, most: number): number => Math.min(Math.max(v, least), most);

/** The smallest upright rectangle around both. */
export function enclosing(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return { x, y, w: Math.max(a.x + a.w, b.x + b.w) - x, h: Math.max(a.y + a.h, b.y + b.h) - y };
}

/** The smallest upright rectangle around points, of which there is one at least. */
export function aroundPoints(points: readonly Point[]): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  }
  return { x: left, y: top, w: right - left, h: bottom - top };
}
