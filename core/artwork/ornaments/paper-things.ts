import type { PathData } from "#core/geometry";
import { seededRandom } from "#core/random";
import { box, circle, polygon, regular, ring, rosette, roundBox, stroke, without } from "../shapes.ts";
import { inked, type OrnamentPart, ornament } from "./design.ts";

/** What is cut out of paper: tape, tags, corners, frames, pennants, stamps. */

const see = 0.82;

/** A strip with ends as a hand tears them, or as small teeth cut them. */
function strip(w: number, h: number, end: "torn" | "teeth" | "straight" | "notch", seed = 1): PathData {
  const next = seededRandom(seed);
  const n = 9;
  const side = (x: number, inward: 1 | -1): (readonly [number, number])[] => {
    if (end === "straight") return [];
    if (end === "notch") return [[x + inward * h * 0.4, h / 2]];
    return Array.from({ length: n }, (_, i) => {
      const deep = end === "teeth" ? (i % 2 === 0 ? h * 0.09 : 0) : h * 0.16 * next();
      return [x + inward * deep, (h * (i + 0.5)) / n] as const;
    });
  };
  return polygon([0, 0], [w, 0], ...side(w, -1), [w, h], [0, h], ...side(0, 1).toReversed());
}

const tape = (parts: (w: number, h: number) => readonly OrnamentPart[], inks: number, w = 60, h = 15) =>
  ornament("tape", [w, h], inks, () => parts(w, h));
const along = (n: number, draw: (i: number) => PathData): PathData =>
  Array.from({ length: n }, (_, i) => draw(i)).flat();

export const tapes = {
  "tape-plain": tape((w, h) => [inked(strip(w, h, "torn", 3), 1, 0.25, see)], 1),
  "tape-teeth": tape((w, h) => [inked(strip(w, h, "teeth"), 1, 0.25, see)], 1),
  "tape-stripes": tape(
    (w, h) => [
      inked(strip(w, h, "teeth"), 1, 0.55, see),
      inked(
        along(9, (i) => polygon([4 + 6 * i, 0], [7 + 6 * i, 0], [4 + 6 * i, h], [1 + 6 * i, h])),
        1,
        0,
        see,
      ),
    ],
    1,
  ),
  "tape-dots": tape(
    (w, h) => [
      inked(strip(w, h, "torn", 8), 1, 0.1, see),
      inked(
        along(20, (i) => circle(4 + 5.5 * (i % 10) + (i > 9 ? 2.7 : 0), i > 9 ? 10.5 : 4.5, 1.1)),
        2,
        0.5,
      ),
    ],
    2,
  ),
  "tape-line": tape(
    (w, h) => [
      inked(strip(w, h, "teeth"), 1, 0.5, see),
      inked([...box(0.8, 2.4, w - 1.6, 1), ...box(0.8, h - 3.4, w - 1.6, 1)], 2, 0),
    ],
    2,
  ),
  "tape-check": tape(
    (w, h) => [
      inked(strip(w, h, "torn", 21), 1, 0.6, see),
      inked(
        along(10, (i) => box(2 + 6 * i, 0, 2.4, h)),
        1,
        0.2,
        0.6,
      ),
      inked(
        along(2, (i) => box(1, 2.6 + 7 * i, w - 2, 2.4)),
        1,
        0.2,
        0.6,
      ),
    ],
    1,
  ),
  "tape-hearts": tape(
    (w, h) => [
      inked(strip(w, h, "teeth"), 1, 0.6, see),
      inked(
        along(6, (i) => heart(6.5 + 9.4 * i, h / 2, 5)),
        2,
        0,
      ),
    ],
    2,
  ),
  "strip-straight": tape((w, h) => [inked(strip(w, h, "straight"))], 1, 80, 10),
  "strip-notched": tape((w, h) => [inked(strip(w, h, "notch"))], 1, 80, 12),
  "strip-double": tape((w, h) => [inked(strip(w, h, "straight")), inked(box(0, 3.5, w, 3), 2)], 2, 80, 10),
} as const;

export function heart(x: number, y: number, size: number): PathData {
  const s = size / 2;
  return [
    ["M", x, y - 0.35 * s],
    ["C", x + 0.35 * s, y - 1.15 * s, x + 1.25 * s, y - 0.85 * s, x + s, y - 0.05 * s],
    ["C", x + 0.85 * s, y + 0.4 * s, x + 0.3 * s, y + 0.7 * s, x, y + s],
    ["C", x - 0.3 * s, y + 0.7 * s, x - 0.85 * s, y + 0.4 * s, x - s, y - 0.05 * s],
    ["C", x - 1.25 * s, y - 0.85 * s, x - 0.35 * s, y - 1.15 * s, x, y - 0.35 * s],
    ["Z"],
  ];
}

const shipTag = polygon([8, 0], [50, 0], [50, 26], [8, 26], [0, 18], [0, 8]);
const hole = (x: number, y: number): PathData => circle(x, y, 1.8);

export const tags = {
  "tag-plain": ornament("tags", [50, 26], 1, () => [inked(without(shipTag, hole(6.5, 13)))]),
  "tag-ringed": ornament("tags", [50, 26], 2, () => [
    inked(without(shipTag, hole(6.5, 13)), 1, 0.55),
    inked(ring(6.5, 13, 3.4, 1.6), 2),
  ]),
  "tag-string": ornament("tags", [66, 26], 2, () => [
    inked(shift(without(shipTag, hole(6.5, 13)), 16), 1, 0.4),
    inked([...stroke(22.5, 13, 2, 6, 0.5), ...stroke(22.5, 13, 1, 19, 0.5)], 2),
  ]),
  "tag-lined": ornament("tags", [50, 26], 2, () => [
    inked(without(shipTag, hole(6.5, 13)), 1, 0.7),
    inked(
      along(3, (i) => box(14, 7 + 6 * i, 31, 0.4)),
      2,
    ),
  ]),
  "label-round": ornament("tags", [32, 32], 2, () => [inked(circle(16, 16, 16)), inked(ring(16, 16, 14, 0.7), 2, 0.6)]),
  "label-scallop": ornament("tags", [34, 34], 2, () => [
    inked([...regular(17, 17, 14, 24), ...along(16, (i) => bump(17, 17, 13.6, 22.5 * i, 3))]),
    inked(ring(17, 17, 11.5, 0.6), 2, 0.6),
  ]),
  "label-ticket": ornament("tags", [56, 24], 2, () => [
    inked(without(box(0, 0, 56, 24), [...halfDisc(0, 12, 3.4, 1), ...halfDisc(56, 12, 3.4, -1)])),
    inked(
      along(9, (i) => box(13.7, 1.2 + 2.6 * i, 0.6, 1.4)),
      2,
      0.6,
    ),
  ]),
  "label-plate": ornament("tags", [52, 22], 2, () => [
    inked(roundBox(0, 0, 52, 22, 6)),
    inked(without(roundBox(1.8, 1.8, 48.4, 18.4, 4.4), roundBox(2.4, 2.4, 47.2, 17.2, 3.9)), 2, 0.6),
  ]),
  "label-arrowed": ornament("tags", [56, 18], 1, () => [inked(polygon([0, 0], [47, 0], [56, 9], [47, 18], [0, 18]))]),
  "label-index": ornament("tags", [40, 26], 2, () => [
    inked(roundBox(0, 0, 40, 26, 5), 1, 0.3),
    inked(box(6, 12, 28, 0.5), 2),
  ]),
} as const;

function shift(path: PathData, by: number): PathData {
  return path.map((s) => {
    if (s[0] === "Z") return s;
    if (s[0] === "C") return ["C", s[1] + by, s[2], s[3] + by, s[4], s[5] + by, s[6]];
    return [s[0], s[1] + by, s[2]];
  });
}

const bump = (x: number, y: number, far: number, deg: number, r: number): PathData => {
  const turn = (deg * Math.PI) / 180;
  return circle(x + far * Math.cos(turn), y + far * Math.sin(turn), r);
};

/** A half disc at an edge, towards the right (1) or the left (−1). */
const halfDisc = (x: number, y: number, r: number, way: 1 | -1): PathData =>
  polygon(
    ...Array.from({ length: 13 }, (_, i): readonly [number, number] => {
      const t = Math.PI * (i / 12 - 0.5) * way;
      return [x + way * r * Math.cos(t), y + r * Math.sin(t)];
    }),
  );

export const corners = {
  "corner-plain": ornament("corners", [22, 22], 1, () => [inked(polygon([0, 0], [22, 0], [0, 22]))]),
  "corner-slit": ornament("corners", [22, 22], 2, () => [
    inked(polygon([0, 0], [22, 0], [0, 22])),
    inked(polygon([3, 3], [11, 3], [3, 11]), 2, 0.5),
  ]),
  "corner-lined": ornament("corners", [22, 22], 2, () => [
    inked(polygon([0, 0], [22, 0], [0, 22])),
    inked(polygon([17.5, 2.2], [18.6, 2.2], [2.2, 18.6], [2.2, 17.5]), 2, 0.6),
  ]),
  "corner-round": ornament("corners", [20, 20], 1, () => [
    inked([["M", 0, 0], ["L", 20, 0], ["C", 20, 11, 11, 20, 0, 20], ["Z"]]),
  ]),
  "corner-fan": ornament("corners", [24, 24], 2, () => [
    inked([["M", 0, 0], ["L", 24, 0], ["C", 24, 13.2, 13.2, 24, 0, 24], ["Z"]], 1, 0.3),
    inked(
      along(5, (i) => ray(6 + 19.5 * i, 24)),
      2,
    ),
  ]),
  "corner-bracket": ornament("corners", [24, 24], 1, () => [
    inked(polygon([0, 0], [24, 0], [24, 2], [2, 2], [2, 24], [0, 24])),
  ]),
} as const;

const ray = (deg: number, far: number): PathData => {
  const [a, b] = [((deg - 3) * Math.PI) / 180, ((deg + 3) * Math.PI) / 180];
  return polygon([0, 0], [far * Math.cos(a), far * Math.sin(a)], [far * Math.cos(b), far * Math.sin(b)]);
};

export const frames = {
  "frame-plain": ornament("frames", [80, 60], 1, () => [inked(without(box(0, 0, 80, 60), box(4, 4, 72, 52)))]),
  "frame-double": ornament("frames", [80, 60], 2, () => [
    inked(without(box(0, 0, 80, 60), box(2.4, 2.4, 75.2, 55.2))),
    inked(without(box(4.4, 4.4, 71.2, 51.2), box(5.2, 5.2, 69.6, 49.6)), 2),
  ]),
  "frame-round": ornament("frames", [70, 70], 1, () => [inked(ring(35, 35, 35, 3))]),
  "frame-oval": ornament("frames", [60, 80], 2, () => [
    inked(without(roundBox(0, 0, 60, 80, 30), roundBox(3.2, 3.2, 53.6, 73.6, 26.8))),
    inked(without(roundBox(5, 5, 50, 70, 25), roundBox(5.7, 5.7, 48.6, 68.6, 24.3)), 2),
  ]),
  "frame-card": ornament("frames", [70, 84], 1, () => [inked(without(box(0, 0, 70, 84), box(5, 5, 60, 58)), 1, 0.85)]),
  "frame-film": ornament("frames", [90, 60], 1, () => [
    inked(
      without(box(0, 0, 90, 60), [
        ...box(3, 10, 84, 40),
        ...along(11, (i) => roundBox(3 + 7.9 * i, 2.6, 4.4, 4.4, 1)),
        ...along(11, (i) => roundBox(3 + 7.9 * i, 53, 4.4, 4.4, 1)),
      ]),
      1,
      -0.3,
    ),
  ]),
  "frame-brackets": ornament("frames", [80, 60], 1, () => [
    inked([
      ...polygon([0, 0], [14, 0], [14, 1.6], [1.6, 1.6], [1.6, 14], [0, 14]),
      ...polygon([66, 0], [80, 0], [80, 14], [78.4, 14], [78.4, 1.6], [66, 1.6]),
      ...polygon([78.4, 46], [80, 46], [80, 60], [66, 60], [66, 58.4], [78.4, 58.4]),
      ...polygon([0, 46], [1.6, 46], [1.6, 58.4], [14, 58.4], [14, 60], [0, 60]),
    ]),
  ]),
  "frame-wreath": ornament("frames", [76, 76], 2, () => [
    inked(
      along(36, (i) => rosetteAt(38, 38, 33, 10 * i, i % 2 === 0 ? 2.6 : 0)),
      1,
    ),
    inked(
      along(36, (i) => rosetteAt(38, 38, 33, 10 * i, i % 2 === 1 ? 2.2 : 0)),
      2,
    ),
  ]),
} as const;

const rosetteAt = (x: number, y: number, far: number, deg: number, r: number): PathData => {
  if (r === 0) return [];
  const t = (deg * Math.PI) / 180;
  return rosette(x + far * Math.cos(t), y + far * Math.sin(t), r, 5, deg);
};

const flags = (n: number, w: number, h: number, swallow: boolean) =>
  [1, 2, 3].map((ink) =>
    inked(
      along(n, (i) => {
        if (i % 3 !== ink - 1) return [];
        const [x, y] = [2 + (w + 2) * i, 2.5 + 5 * Math.sin((Math.PI * (i + 0.5)) / n)];
        return swallow
          ? polygon([x, y], [x + w, y], [x + w, y + h], [x + w / 2, y + h * 0.75], [x, y + h])
          : polygon([x, y], [x + w, y], [x + w / 2, y + h]);
      }),
      ink,
    ),
  );

export const pennants = {
  "pennant-row": ornament("pennants", [124, 26], 3, () => flags(9, 11.4, 16, false)),
  "pennant-row-swallow": ornament("pennants", [124, 28], 3, () => flags(9, 11.4, 18, true)),
  "pennant-one": ornament("pennants", [60, 24], 2, () => [
    inked(polygon([1.6, 0], [60, 12], [1.6, 24])),
    inked(box(0, 0, 1.6, 24), 2),
  ]),
  "banner-notched": ornament("pennants", [70, 18], 1, () => [
    inked(polygon([0, 0], [70, 0], [63, 9], [70, 18], [0, 18], [7, 9])),
  ]),
  "banner-folded": ornament("pennants", [90, 26], 2, () => [
    inked(polygon([0, 6], [20, 6], [20, 26], [0, 26], [6, 16]), 1, -0.18),
    inked(polygon([70, 6], [90, 6], [84, 16], [90, 26], [70, 26]), 1, -0.18),
    inked([...polygon([14, 20], [20, 20], [20, 26]), ...polygon([70, 20], [76, 20], [70, 26])], 1, -0.4),
    inked(box(14, 0, 62, 20)),
    inked([...box(14, 1.6, 62, 0.5), ...box(14, 17.9, 62, 0.5)], 2, 0.6),
  ]),
  "banner-hanging": ornament("pennants", [26, 44], 2, () => [
    inked(polygon([2, 2], [24, 2], [24, 44], [13, 36], [2, 44])),
    inked([...box(0, 0, 26, 2.4), ...circle(0.8, 1.2, 1.6), ...circle(25.2, 1.2, 1.6)], 2),
  ]),
} as const;

const perforated = (w: number, h: number): PathData => notched(w, h, Math.round(w / 4), Math.round(h / 4), 1.1);

/** A rectangle with half-round nicks all around. */
function notched(w: number, h: number, nx: number, ny: number, r: number): PathData {
  const points: (readonly [number, number])[] = [];
  const sides = [
    { x: 0, y: 0, dx: 1, dy: 0, long: w, n: nx },
    { x: w, y: 0, dx: 0, dy: 1, long: h, n: ny },
    { x: w, y: h, dx: -1, dy: 0, long: w, n: nx },
    { x: 0, y: h, dx: 0, dy: -1, long: h, n: ny },
  ];
  for (const s of sides) {
    points.push([s.x, s.y]);
    for (let i = 1; i < s.n; i += 1) {
      const at = (i * s.long) / s.n;
      for (let k = 0; k <= 6; k += 1) {
        const t = (Math.PI * k) / 6;
        const [a, b] = [at - r * Math.cos(t), r * Math.sin(t)];
        points.push([s.x + s.dx * a - s.dy * b, s.y + s.dy * a + s.dx * b]);
      }
    }
  }
  return polygon(...points);
}

export const stamps = {
  "stamp-blank": ornament("stamps", [32, 40], 2, () => [
    inked(perforated(32, 40), 1, 0.8),
    inked(without(box(3.4, 3.4, 25.2, 33.2), box(4.2, 4.2, 23.6, 31.6)), 2),
  ]),
  "stamp-sun": ornament("stamps", [40, 32], 3, () => [
    inked(perforated(40, 32), 1, 0.8),
    inked(box(3.6, 3.6, 32.8, 24.8), 1, 0.35),
    inked(circle(20, 19, 6.4), 2),
    inked(polygon([3.6, 22], [12, 16], [20, 23], [29, 17], [36.4, 23], [36.4, 28.4], [3.6, 28.4]), 3),
  ]),
  "stamp-bloom": ornament("stamps", [32, 40], 3, () => [
    inked(perforated(32, 40), 1, 0.8),
    inked(box(3.6, 3.6, 24.8, 32.8), 1, 0.4),
    inked(stroke(16, 34, 16, 18, 1), 3),
    inked(rosette(16, 15, 7.6, 7), 2),
    inked(circle(16, 15, 2), 3),
  ]),
  "stamp-cancel": ornament("stamps", [60, 32], 1, () => [
    inked([...ring(16, 16, 16, 0.9), ...ring(16, 16, 10.5, 0.6)]),
    inked(
      along(5, (i) => wavy(30, 4 + 6 * i, 30)),
      1,
    ),
  ]),
  "stamp-seal": ornament("stamps", [34, 34], 2, () => [
    inked(along(24, (i) => bump(17, 17, 14.6, 15 * i, 2.3)).concat(circle(17, 17, 15))),
    inked(ring(17, 17, 12.4, 0.7), 1, 0.5),
    inked(heart(17, 17.6, 11), 2, 0.5),
  ]),
} as const;

const wavy = (x: number, y: number, long: number): PathData => {
  const n = 30;
  const line = Array.from(
    { length: n + 1 },
    (_, i) => [x + (long * i) / n, y + 1.2 * Math.sin((i / n) * 4 * Math.PI)] as const,
  );
  return polygon(...line, ...line.map(([a, b]) => [a, b + 0.9] as const).toReversed());
};
