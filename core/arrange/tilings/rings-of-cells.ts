import type { Point, Ring, Size } from "#core/geometry";

const { abs, hypot, min, round } = Math;

/**
 * What is done with the rings of cells. They are simple and nearly all convex, so that a few lines are exact where polygons of any kind would need a
 * whole clipping package, which the start of the program could do without.
 */

/** Below this two points are one, in mm. */
const sameMm = 1e-6;

/** Area within a ring, in mm²; positive where it runs clockwise on the page. */
export function areaOf(ring: Ring): number {
  let sum = 0;
  for (const [i, a] of ring.entries()) {
    const b = ring[(i + 1) % ring.length]!;
    sum += a.x * b.y - b.x * a.y;
  }
  return sum / 2;
}

interface Edge {
  readonly from: Point;
  /** Of length 1. */
  readonly along: Point;
}

/** Where two lines cross; undefined where they run alike. */
function crossing(a: Edge, b: Edge): Point | undefined {
  const det = a.along.x * b.along.y - a.along.y * b.along.x;
  if (abs(det) < 1e-9) return undefined;
  const [x, y] = [b.from.x - a.from.x, b.from.y - a.from.y];
  const t = (x * b.along.y - y * b.along.x) / det;
  return { x: a.from.x + t * a.along.x, y: a.from.y + t * a.along.y };
}

/** A ring with every side moved inwards by so many mm and its corners kept sharp; nothing where none of it is left. */
export function insetRing(ring: Ring, byMm: number): Ring | undefined {
  const clockwise = areaOf(ring) >= 0 ? ring : ring.toReversed();
  let edges = clockwise.flatMap((p, i): Edge[] => {
    const q = clockwise[(i + 1) % clockwise.length]!;
    const length = hypot(q.x - p.x, q.y - p.y);
    if (length < sameMm) return [];
    const along = { x: (q.x - p.x) / length, y: (q.y - p.y) / length };
    return [{ from: { x: p.x - along.y * byMm, y: p.y + along.x * byMm }, along }];
  });
  while (edges.length > 2) {
    const corners = edges.map((edge, i) => crossing(edges[(i - 1 + edges.length) % edges.length]!, edge) ?? edge.from);
    // A side that would run backwards has been passed by its neighbours, and is gone.
    const lengths = edges.map(({ along }, i) => {
      const [a, b] = [corners[i]!, corners[(i + 1) % corners.length]!];
      return (b.x - a.x) * along.x + (b.y - a.y) * along.y;
    });
    const least = min(...lengths);
    if (least > -sameMm) return areaOf(corners) > sameMm ? corners : undefined;
    edges = edges.toSpliced(lengths.indexOf(least), 1);
  }
  return undefined;
}

/** What of a convex ring lies in a box from 0, 0 (Sutherland and Hodgman, 1974). */
export function clippedTo(ring: Ring, { w, h }: Size): Ring | undefined {
  const inside = [(p: Point) => p.x, (p: Point) => w - p.x, (p: Point) => p.y, (p: Point) => h - p.y] as const;
  let left: readonly Point[] = ring;
  for (const far of inside) {
    if (left.every((p) => far(p) >= 0)) continue;
    left = left.flatMap((p, i) => {
      const q = left[(i + 1) % left.length]!;
      const [a, b] = [far(p), far(q)];
      const kept = a >= 0 ? [p] : [];
      if (a >= 0 === b >= 0 || a === b) return kept;
      const t = a / (a - b);
      return [...kept, { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) }];
    });
  }
  const clean = left.filter((p, i) => {
    const q = left[(i + 1) % left.length]!;
    return hypot(p.x - q.x, p.y - q.y) > sameMm;
  });
  return clean.length > 2 && abs(areaOf(clean)) > sameMm ? clean : undefined;
}

const keyOf = ({ x, y }: Point): string => `${round(x * 1e4)} ${round(y * 1e4)}`;

/** The sides of a ring, clockwise, each cut where a corner of the other ring lies on it. */
function sidesOf(ring: Ring, other: Ring): readonly (readonly [Point, Point])[] {
  const clockwise = areaOf(ring) >= 0 ? ring : ring.toReversed();
  return clockwise.flatMap((p, i) => {
    const q = clockwise[(i + 1) % clockwise.length]!;
    const length = hypot(q.x - p.x, q.y - p.y);
    const along = (o: Point) => ((o.x - p.x) * (q.x - p.x) + (o.y - p.y) * (q.y - p.y)) / length;
    const aside = (o: Point) => abs((o.x - p.x) * (q.y - p.y) - (o.y - p.y) * (q.x - p.x)) / length;
    const on = other
      .filter((o) => aside(o) < 1e-4 && along(o) > 1e-4 && along(o) < length - 1e-4)
      .toSorted((a, b) => along(a) - along(b));
    const stops = [p, ...on, q];
    return stops.slice(1).map((end, k) => [stops[k]!, end] as const);
  });
}

/** Two cells that share a stretch of their sides as one: what both of them have is no side any more. */
export function joinedRing(a: Ring, b: Ring): Ring | undefined {
  const sides = [...sidesOf(a, b), ...sidesOf(b, a)];
  const all = new Set(sides.map(([p, q]) => `${keyOf(p)} ${keyOf(q)}`));
  const left = sides.filter(([p, q]) => !all.has(`${keyOf(q)} ${keyOf(p)}`));
  const from = new Map(left.map((s) => [keyOf(s[0]), s]));
  const [first] = left;
  if (!first || from.size !== left.length) return undefined;
  const ring: Point[] = [];
  for (let side: readonly [Point, Point] | undefined = first; side && ring.length <= left.length; ) {
    ring.push(side[0]);
    side = from.get(keyOf(side[1]));
    if (side === first) return ring.length === left.length ? withoutStraight(ring) : undefined;
  }
  return undefined;
}

/** Without corners that lie on a straight line between their neighbours. */
const withoutStraight = (ring: Ring): Ring =>
  ring.filter((p, i) => {
    const [a, b] = [ring[(i - 1 + ring.length) % ring.length]!, ring[(i + 1) % ring.length]!];
    return abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) > 1e-4;
  });
