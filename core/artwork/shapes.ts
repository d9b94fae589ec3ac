import { type PathData, type PathSegment, type Point, record, traceEllipse, traceRoundedRect } from "#core/geometry";

/**
 * The closed shapes that papers and ornaments are drawn of. Lengths in mm, y down, angles in degrees clockwise from the right. All run
 * clockwise, so that what overlaps is one shape by the nonzero rule.
 */

const rad = (deg: number): number => (deg * Math.PI) / 180;
/** So far from a point in a direction. */
export const away = (x: number, y: number, deg: number, far: number): Point => ({
  x: x + far * Math.cos(rad(deg)),
  y: y + far * Math.sin(rad(deg)),
});

export const circle = (x: number, y: number, r: number): PathData => oval(x, y, r, r);

export const oval = (x: number, y: number, rx: number, ry: number): PathData =>
  record((to) => traceEllipse({ x: x - rx, y: y - ry, w: 2 * rx, h: 2 * ry }, to));

/** A disc with a hole, for the nonzero rule: the hole runs the other way round. */
export const ring = (x: number, y: number, r: number, width: number): PathData => [
  ...circle(x, y, r),
  ...backwards(circle(x, y, r - width)),
];

/** The same outline the other way round. */
export function backwards(path: PathData): PathData {
  const out: PathSegment[] = [];
  let run: PathSegment[] = [];
  const turnRound = () => {
    const ends = run.map((s) => s.slice(-2) as [number, number]);
    const last = ends.at(-1);
    if (!last) return;
    out.push(["M", ...last]);
    for (let i = run.length - 1; i > 0; i -= 1) {
      const [s, end] = [run[i]!, ends[i - 1]!];
      out.push(s[0] === "C" ? ["C", s[3], s[4], s[1], s[2], ...end] : ["L", ...end]);
    }
    out.push(["Z"]);
    run = [];
  };
  for (const s of path) {
    if (s[0] === "Z") turnRound();
    else run.push(s);
  }
  return out;
}

export const polygon = (...points: readonly (readonly [number, number])[]): PathData => [
  ...points.map(([x, y], i): PathSegment => [i === 0 ? "M" : "L", x, y]),
  ["Z"],
];

export const box = (x: number, y: number, w: number, h: number): PathData =>
  polygon([x, y], [x + w, y], [x + w, y + h], [x, y + h]);

/** Corners on a circle, the first one at `deg`. */
export const regular = (x: number, y: number, r: number, sides: number, deg = -90): PathData =>
  polygon(...Array.from({ length: sides }, (_, i) => xy(away(x, y, deg + (360 * i) / sides, r))));

/** Points and hollows in turn. */
export const star = (x: number, y: number, r: number, points: number, inner: number, deg = -90): PathData =>
  polygon(
    ...Array.from({ length: 2 * points }, (_, i) =>
      xy(away(x, y, deg + (180 * i) / points, i % 2 === 0 ? r : r * inner)),
    ),
  );

/** A straight stroke with blunt ends. */
export function stroke(x0: number, y0: number, x1: number, y1: number, width: number): PathData {
  const far = Math.hypot(x1 - x0, y1 - y0) || 1;
  const [nx, ny] = [((y1 - y0) / far) * (width / 2), ((x0 - x1) / far) * (width / 2)];
  return polygon([x0 + nx, y0 + ny], [x1 + nx, y1 + ny], [x1 - nx, y1 - ny], [x0 - nx, y0 - ny]);
}

/** Pointed at both ends, from one point in a direction; `broad` is its greatest width. */
export function leaf(x: number, y: number, deg: number, long: number, broad: number): PathData {
  const at = (along: number, aside: number) => {
    const p = away(x, y, deg, along);
    return xy(away(p.x, p.y, deg + 90, aside));
  };
  // A cubic whose handles lie so far aside reaches three quarters of that.
  const aside = (broad / 2) * (4 / 3);
  const [tip, a, b] = [at(long, 0), at(long * 0.3, aside), at(long * 0.7, aside)];
  return [
    ["M", x, y],
    ["C", ...at(long * 0.3, -aside), ...at(long * 0.7, -aside), ...tip],
    ["C", ...b, ...a, x, y],
    ["Z"],
  ];
}

/** Petals around a middle, each as long as `r`. */
export const blossom = (x: number, y: number, r: number, petals: number, broad: number, deg = -90): PathData =>
  Array.from({ length: petals }, (_, i) => leaf(x, y, deg + (360 * i) / petals, r, broad)).flat();

/** Round petals around a middle. */
export const rosette = (x: number, y: number, r: number, petals: number, deg = -90): PathData =>
  Array.from({ length: petals }, (_, i) => away(x, y, deg + (360 * i) / petals, r * 0.58)).flatMap((p) =>
    circle(p.x, p.y, r * 0.42),
  );

/** A closed line smoothly through points (Catmull and Rom, 1974, as cubics). */
export function smooth(points: readonly (readonly [number, number])[]): PathData {
  const n = points.length;
  const at = (i: number) => points[(i + n) % n]!;
  return [
    ["M", ...at(0)],
    ...points.map((p, i): PathSegment => {
      const [before, next, after] = [at(i - 1), at(i + 1), at(i + 2)];
      const [ax, ay] = [p[0] + (next[0] - before[0]) / 6, p[1] + (next[1] - before[1]) / 6];
      const [bx, by] = [next[0] - (after[0] - p[0]) / 6, next[1] - (after[1] - p[1]) / 6];
      return ["C", ax, ay, bx, by, ...next];
    }),
    ["Z"],
  ];
}

/** A round thing that is not quite round; `wander` is how far its edge may leave the circle, as a share of its radius. */
export const pebble = (
  x: number,
  y: number,
  r: number,
  corners: number,
  wander: number,
  next: () => number,
): PathData =>
  smooth(
    Array.from({ length: corners }, (_, i) =>
      xy(away(x, y, (360 * (i + 0.3 * next())) / corners, r * (1 - wander + 2 * wander * next()))),
    ),
  );

const xy = (p: Point): readonly [number, number] => [p.x, p.y];

/** A part of a ring, from one direction on to another, clockwise. */
export function arc(x: number, y: number, r: number, width: number, from: number, to: number): PathData {
  const n = Math.max(2, Math.ceil(Math.abs(to - from) / 6));
  const along = (radius: number) =>
    Array.from({ length: n + 1 }, (_, i) => xy(away(x, y, from + ((to - from) * i) / n, radius)));
  return polygon(...along(r + width / 2), ...along(r - width / 2).reverse());
}

/** A rectangle with round corners. */
export const roundBox = (x: number, y: number, w: number, h: number, r: number): PathData =>
  record((to) => traceRoundedRect({ x, y, w, h }, r, to));

/** What is cut out of a shape that lies around it. */
export const without = (path: PathData, hole: PathData): PathData => [...path, ...backwards(hole)];
