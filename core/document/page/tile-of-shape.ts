import type { DrawnShape } from "#core/drawings";
import { type PathData, pathInShares, type Rect } from "#core/geometry";
import { newFreeTile } from "./new-tile.ts";
import type { Filling, FreeTile } from "./page.ts";

const leastSideMm = 0.2;

/** How a drawing comes to lie on a page: so many times as large, and moved by so many mm. */
interface Laid {
  readonly k: number;
  readonly dx: number;
  readonly dy: number;
}

/** A closed shape as a tile that lies freely; nothing of one that nobody could take hold of. */
export function tileOfShape(
  shape: DrawnShape,
  newId: () => string,
  { k, dx, dy }: Laid = { k: 1, dx: 0, dy: 0 },
): FreeTile | undefined {
  const box = boundsOf(shape.path);
  if (box.w * k < leastSideMm || box.h * k < leastSideMm) return undefined;
  const filling: Filling = shape.fill === undefined ? { kind: "empty" } : { kind: "colour", colour: shape.fill };
  const frame = {
    centre: { x: dx + (box.x + box.w / 2) * k, y: dy + (box.y + box.h / 2) * k },
    width: box.w * k,
    height: box.h * k,
    turn: 0,
  };
  const tile: FreeTile = {
    ...newFreeTile(frame, filling, newId),
    outline: { kind: "path", path: pathInShares(shape.path, box) },
  };
  return {
    ...tile,
    ...(shape.name ? { name: shape.name } : {}),
    ...(shape.stroke ? { border: { widthMm: shape.stroke.widthMm * k, colour: shape.stroke.colour } } : {}),
    ...(shape.opacity < 1 ? { opacity: shape.opacity } : {}),
  };
}

/** Around a path as it is drawn: a curve's own ends, not its handles. */
function boundsOf(path: PathData): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x: number, y: number) => {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  };
  let [px, py] = [0, 0];
  for (const s of path) {
    if (s[0] === "Z") continue;
    if (s[0] === "C")
      for (let i = 1; i < 16; i += 1) {
        const [t, r] = [i / 16, 1 - i / 16];
        const mix = (a: number, b: number, c: number, d: number) =>
          r ** 3 * a + 3 * r * r * t * b + 3 * r * t * t * c + t ** 3 * d;
        take(mix(px, s[1], s[3], s[5]), mix(py, s[2], s[4], s[6]));
      }
    [px, py] = s[0] === "C" ? [s[5], s[6]] : [s[1], s[2]];
    take(px, py);
  }
  return { x: left, y: top, w: right - left, h: bottom - top };
}
