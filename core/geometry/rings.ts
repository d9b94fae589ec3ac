import { ClipperOffset, difference, EndType, FillRule, intersect, JoinType, type Paths64, union } from "clipper2-ts";
import type { PathData, PathSink } from "./path.ts";
import type { Point } from "./rect.ts";

/** The only file that knows the package which clips and offsets polygons. Rings are closed, without the first point again; lengths in mm. */
export type Ring = readonly Point[];

/** How far a straight piece may lie from the curve that it stands for. */
const flatMm = 0.005;
/** The package counts in whole numbers: a tenth of a micrometre is exact enough, and leaves room for ten metres. */
const perMm = 10_000;
/** At the package's own 2 every tip sharper than 60° would be cut off. */
const mitreLimit = 10;

/** Steps that keep a cubic within a tolerance (Wang 1984, from its second differences). */
const stepsOf = (a: Point, b: Point, c: Point, d: Point): number =>
  Math.max(
    1,
    Math.ceil(
      Math.sqrt(
        (6 / (8 * flatMm)) *
          Math.max(
            Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y),
            Math.hypot(b.x - 2 * c.x + d.x, b.y - 2 * c.y + d.y),
          ),
      ),
    ),
  );

/** A path as rings of straight pieces, none further than 0.005 mm from its curves. */
export function flattened(path: PathData): readonly Ring[] {
  const rings: Point[][] = [];
  let ring: Point[] = [];
  let at: Point = { x: 0, y: 0 };
  for (const s of path) {
    if (s[0] === "M") {
      ring = [];
      rings.push(ring);
    }
    if (s[0] === "M" || s[0] === "L") {
      at = { x: s[1], y: s[2] };
      ring.push(at);
    } else if (s[0] === "C") {
      const [a, b, c, d] = [at, { x: s[1], y: s[2] }, { x: s[3], y: s[4] }, { x: s[5], y: s[6] }];
      const steps = stepsOf(a, b, c, d);
      for (let i = 1; i <= steps; i += 1) {
        const [t, u] = [i / steps, 1 - i / steps];
        const mix = (k: "x" | "y") => u ** 3 * a[k] + 3 * u * u * t * b[k] + 3 * u * t * t * c[k] + t ** 3 * d[k];
        ring.push({ x: mix("x"), y: mix("y") });
      }
      at = d;
    }
  }
  return rings.map(withoutRepeats).filter((r) => r.length > 2);
}

function withoutRepeats(ring: readonly Point[]): Ring {
  const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y) < 1 / perMm;
  return ring.filter((p, i) => !near(p, ring[(i + 1) % ring.length]!));
}

/** Whether a point lies within rings, by the nonzero rule. */
export function ringsHold(rings: readonly Ring[], p: Point): boolean {
  let winding = 0;
  for (const ring of rings)
    for (const [i, a] of ring.entries()) {
      const b = ring[(i + 1) % ring.length]!;
      if (a.y <= p.y === b.y <= p.y) continue;
      if (a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x) > p.x) winding += a.y < b.y ? 1 : -1;
    }
  return winding !== 0;
}

const counted = (rings: readonly Ring[]): Paths64 =>
  rings.map((ring) => ring.map((p) => ({ x: Math.round(p.x * perMm), y: Math.round(p.y * perMm) })));
const inMm = (paths: Paths64): readonly Ring[] =>
  paths.map((ring) => ring.map((p) => ({ x: p.x / perMm, y: p.y / perMm })));

/** Less than this is left where sides that were shared do not quite meet. */
const leastMm2 = 0.001;

/** What lies in both, in either, or in the first alone, by the nonzero rule. */
export function combinedRings(
  a: readonly Ring[],
  b: readonly Ring[],
  how: "intersection" | "union" | "difference",
): readonly Ring[] {
  const [these, those] = [counted(a), counted(b)];
  const found =
    how === "intersection"
      ? intersect(these, those, FillRule.NonZero)
      : how === "difference"
        ? difference(these, those, FillRule.NonZero)
        : union(these, those, FillRule.NonZero);
  return inMm(found).filter((r) => Math.abs(ringArea(r)) > leastMm2);
}

/** What rings fill by the even-odd rule, as rings that fill the same by the nonzero rule. */
export const evenOddRings = (rings: readonly Ring[]): readonly Ring[] =>
  inMm(union(counted(rings), FillRule.EvenOdd)).filter((r) => Math.abs(ringArea(r)) > leastMm2);

/** Area within a ring, in mm²; negative where it runs anticlockwise on the page. */
export function ringArea(ring: Ring): number {
  let sum = 0;
  for (const [i, a] of ring.entries()) {
    const b = ring[(i + 1) % ring.length]!;
    sum += a.x * b.y - b.x * a.y;
  }
  return sum / 2;
}

/** The rings moved outwards by so many mm, or inwards where it is negative: none, one, or several where they fall apart. */
export function offsetRings(rings: readonly Ring[], byMm: number, join: "mitre" | "round"): readonly Ring[] {
  const clean = union(counted(rings), FillRule.NonZero);
  const offset = new ClipperOffset(mitreLimit, flatMm * perMm);
  offset.addPaths(clean, join === "mitre" ? JoinType.Miter : JoinType.Round, EndType.Polygon);
  const found: Paths64 = [];
  offset.execute(byMm * perMm, found);
  return inMm(found);
}

/** The rings moved inwards, their corners kept sharp. */
export const insetRings = (rings: readonly Ring[], byMm: number): readonly Ring[] => offsetRings(rings, -byMm, "mitre");

export function traceRings(rings: readonly Ring[], to: PathSink): void {
  for (const [first, ...rest] of rings) {
    if (!first) continue;
    to.moveTo(first.x, first.y);
    for (const p of rest) to.lineTo(p.x, p.y);
    to.closePath();
  }
}
