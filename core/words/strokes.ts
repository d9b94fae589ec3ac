import { flattened, type Point } from "#core/geometry";
import type { Face } from "./face.ts";

const known = new WeakMap<Face, number>();

/** How thick the thinnest stroke of an o is, in em: beside its middle, or over it. 0 where a font draws none. */
export function thinnestStroke(face: Face): number {
  const before = known.get(face);
  if (before !== undefined) return before;
  const [glyph] = face.shape("o");
  const rings = glyph ? flattened(face.outline(glyph.file, glyph.id)) : [];
  const points = rings.flat();
  const middle = (axis: "x" | "y") =>
    (Math.min(...points.map((p) => p[axis])) + Math.max(...points.map((p) => p[axis]))) / 2;
  const thin =
    points.length === 0
      ? 0
      : Math.min(...(["x", "y"] as const).map((axis) => firstSpan(rings, axis, middle(axis))).filter((w) => w > 0), 1);
  known.set(face, thin);
  return thin;
}

/** How wide the ink is where a line at `at` enters the rings first. */
function firstSpan(rings: readonly (readonly Point[])[], axis: "x" | "y", at: number): number {
  const other = axis === "x" ? "y" : "x";
  const crossings = rings.flatMap((ring) =>
    ring.flatMap((p, i) => {
      const q = ring[(i + 1) % ring.length]!;
      if (p[axis] <= at === q[axis] <= at) return [];
      return [p[other] + ((at - p[axis]) / (q[axis] - p[axis])) * (q[other] - p[other])];
    }),
  );
  const [from, to] = crossings.sort((a, b) => a - b);
  return from === undefined || to === undefined ? 0 : to - from;
}
