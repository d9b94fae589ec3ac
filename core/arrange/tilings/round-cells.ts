import type { Point, Ring, Size } from "#core/geometry";

const { PI, abs, acos, ceil, cos, hypot, max, min, round, sin, sqrt } = Math;

/** Cells around a centre, circles, and pennants on a line: patterns that are not made by cutting a rectangle. Lengths in mm. */

const range = (n: number): readonly number[] => Array.from({ length: max(0, n) }, (_, i) => i);

export interface Circle extends Point {
  readonly r: number;
}

/** Circles in rows, every other row shifted by half a step, as large as go into the room `gap` mm apart; they touch all four sides of it. */
export function circlesIn({ w, h }: Size, columns: number, rows: number, gap: number): readonly Circle[] {
  const shift = rows > 1 ? 0.5 : 0;
  const steps = (r: number) => ({
    along: columns - 1 + shift === 0 ? Number.POSITIVE_INFINITY : (w - 2 * r) / (columns - 1 + shift),
    down: rows === 1 ? 0 : (h - 2 * r) / (rows - 1),
  });
  const holds = (r: number): boolean => {
    const { along, down } = steps(r);
    const next = rows === 1 ? along : min(along, hypot(along / 2, down));
    return min(next, rows > 2 ? 2 * down : next) >= 2 * r + gap;
  };
  let [low, high] = [0, min(w, h) / 2];
  if (holds(high)) low = high;
  else
    for (let i = 0; i < 60; i += 1) {
      const r = (low + high) / 2;
      if (holds(r)) low = r;
      else high = r;
    }
  const r = low;
  const { along, down } = steps(r);
  const step = Number.isFinite(along) ? along : 0;
  // One row or one column lies in the middle.
  const left = columns - 1 + shift === 0 ? w / 2 : r;
  const top = rows === 1 ? h / 2 : r;
  return range(rows).flatMap((row) =>
    range(columns).map((i) => ({ x: left + (i + (row % 2 === 1 ? shift : 0)) * step, y: top + row * down, r })),
  );
}

/** How far a cell bends away from its arc between two of its points. */
const flatMm = 0.004;

/** A piece of a ring between two radii and two angles (radians clockwise from the right). */
function wedge(c: Point, inner: number, outer: number, from: number, to: number): Ring {
  const arc = (r: number, a: number, b: number): Point[] => {
    const step = 2 * acos(max(0.9, 1 - flatMm / max(r, flatMm)));
    const n = max(2, ceil(abs(b - a) / step));
    return range(n + 1).map((i) => {
      const angle = a + ((b - a) * i) / n;
      return { x: c.x + r * cos(angle), y: c.y + r * sin(angle) };
    });
  };
  return [...arc(outer, from, to), ...(inner > 0 ? arc(inner, to, from) : [c])];
}

/** How many of `count` lie in each of so many rings, about as wide as each other. */
function shared(count: number, radii: readonly number[]): readonly number[] {
  const all = radii.reduce((s, r) => s + r, 0);
  const given = radii.map((r) => max(1, round((count * r) / all)));
  // The outermost takes what rounding left over, or gives it.
  given[given.length - 1] = max(1, given.at(-1)! + count - given.reduce((s, n) => s + n, 0));
  return given;
}

/** Rings of wedges around a centre, the outermost first read; from five on one more lies in the middle, as a circle. */
export function ringIn({ w, h }: Size, count: number): { readonly middle?: Circle; readonly wedges: readonly Ring[] } {
  const c = { x: w / 2, y: h / 2 };
  const radius = min(w, h) / 2;
  const inMiddle = count >= 5;
  const around = inMiddle ? count - 1 : count;
  const rings = around <= 10 ? 1 : around <= 28 ? 2 : 3;
  const hub = radius * (rings === 1 ? 0.4 : rings === 2 ? 0.26 : 0.2);
  const width = (radius - hub) / rings;
  const inners = range(rings).map((k) => hub + k * width);
  const counts = shared(
    around,
    inners.map((r) => r + width / 2),
  );
  const wedges = range(rings)
    .toReversed()
    .flatMap((k) => {
      const n = counts[k]!;
      const step = (2 * PI) / n;
      // The first one's middle is at the top.
      const start = -PI / 2 - step / 2;
      if (n === 1) return [wedge(c, inners[k]!, inners[k]! + width, start, start + 2 * PI - 1e-4)];
      return range(n).map((i) => wedge(c, inners[k]!, inners[k]! + width, start + i * step, start + (i + 1) * step));
    });
  return inMiddle ? { middle: { ...c, r: hub }, wedges } : { wedges };
}

/** Half of the angle that a fan opens. */
const fanHalf = (72 * PI) / 180;

/** Rows of wedges like a fan held at the foot of the room, as large as go into it. */
export function fanIn({ w, h }: Size, count: number): readonly Ring[] {
  const rows = count <= 7 ? 1 : count <= 18 ? 2 : 3;
  const hub = rows === 1 ? 0.36 : rows === 2 ? 0.26 : 0.2;
  const high = 1 - hub * cos(fanHalf);
  const radius = min(w / (2 * sin(fanHalf)), h / high);
  const c = { x: w / 2, y: (h - radius * high) / 2 + radius };
  const width = (radius * (1 - hub)) / rows;
  const inners = range(rows).map((k) => radius * hub + k * width);
  const counts = shared(
    count,
    inners.map((r) => r + width / 2),
  );
  return range(rows)
    .toReversed()
    .flatMap((k) => {
      const step = (2 * fanHalf) / counts[k]!;
      const start = -PI / 2 - fanHalf;
      return range(counts[k]!).map((i) =>
        wedge(c, inners[k]!, inners[k]! + width, start + i * step, start + (i + 1) * step),
      );
    });
}

/** A pennant is at most so much longer than its side is wide. */
const longest = 1.6;

/**
 * Rows of pennants along lines that hang by `sag` of their width in the middle (a parabola): their corners lie on the line, `gap` mm apart along
 * it, and each hangs at right angles to its own side.
 */
export function pennantsIn({ w, h }: Size, count: number, gap: number, sag: number): readonly Ring[] {
  const rows = max(1, round(sqrt((count * h) / (w * 1.5))));
  const each = (h - (rows - 1) * gap) / rows;
  const spare = rows * ceil(count / rows) - count;
  return range(rows).flatMap((row) => {
    // The last rows have one fewer each.
    const n = ceil(count / rows) - (row >= rows - spare ? 1 : 0);
    return row * each >= 0 && n > 0 ? alongLine(w, each, row * (each + gap), n, gap, sag) : [];
  });
}

function alongLine(w: number, high: number, top: number, n: number, gap: number, sag: number): readonly Ring[] {
  const depth = min(sag * w, high * 0.45);
  const yAt = (x: number) => top + depth * (1 - ((2 * x) / w - 1) ** 2);
  // Chords of `b` and the gap in turn along the line: the `b` at which the last one ends at its end.
  const places = (b: number): Point[] => {
    const at: Point[] = [{ x: 0, y: yAt(0) }];
    for (let i = 0; i < 2 * n - 1; i += 1) at.push(chordFrom(at.at(-1)!, i % 2 === 0 ? b : gap, yAt));
    return at;
  };
  let [low, rest] = [0, (1.5 * w) / n];
  for (let i = 0; i < 60; i += 1) {
    const b = (low + rest) / 2;
    if (places(b).at(-1)!.x > w) rest = b;
    else low = b;
  }
  const at = places(low);
  const sides = range(n).map((i) => {
    const [p, q] = [at[2 * i]!, at[2 * i + 1]!];
    const length = hypot(q.x - p.x, q.y - p.y) || 1;
    return { p, q, middle: (p.x + q.x) / 2, across: (q.x - p.x) / length, down: (q.y - p.y) / length };
  });
  // The outermost lean outwards, and all are as long as each other.
  const inside = sides.map(({ middle, down }) => (down > 0 ? middle / down : down < 0 ? (middle - w) / down : high));
  const long = min(high - depth, longest * low, ...inside);
  return sides.map(({ p, q, middle, across, down }): Ring => {
    const tip = { x: middle - down * long, y: (p.y + q.y) / 2 + across * long };
    return [p, q, tip];
  });
}

/** The point of the line that lies `length` mm further on in a straight line. */
function chordFrom(p: Point, length: number, yAt: (x: number) => number): Point {
  let [low, high] = [p.x, p.x + length];
  for (let i = 0; i < 50; i += 1) {
    const x = (low + high) / 2;
    if (hypot(x - p.x, yAt(x) - p.y) < length) low = x;
    else high = x;
  }
  return { x: high, y: yAt(high) };
}
