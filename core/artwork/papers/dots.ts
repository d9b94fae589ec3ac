import { chain, type PathData, rotation, transformed, translation } from "#core/geometry";
import { seededRandom } from "#core/random";
import { box, circle, oval, polygon, ring, rosette, star, stroke } from "../shapes.ts";
import { design, drawn } from "./design.ts";

/** Twice in a repeat, the second half a repeat on both ways. */
const halfDrop = (w: number, h: number, shape: (x: number, y: number) => PathData): PathData => [
  ...shape(w / 4, h / 4),
  ...shape((3 * w) / 4, (3 * h) / 4),
];

export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly next: () => number;
}

/** Places that keep apart, also from those of the next repeat (best of some tries; D. Mitchell, 1991). */
export function strewn(w: number, h: number, count: number, seed: number): readonly Spot[] {
  const next = seededRandom(seed);
  const { abs, min } = Math;
  const found: Spot[] = [];
  for (let i = 0; i < count; i += 1) {
    let best = { x: 0, y: 0, next };
    let farthest = -1;
    for (let tries = 0; tries < 24; tries += 1) {
      const x = w * next();
      const y = h * next();
      let near = w * w + h * h;
      for (let k = 0; k < i; k += 1) {
        const f = found[k]!;
        const dx = abs(f.x - x);
        const dy = abs(f.y - y);
        const across = min(dx, w - dx);
        const down = min(dy, h - dy);
        const d = across * across + down * down;
        if (d < near) near = d;
      }
      if (near > farthest) {
        farthest = near;
        best = { x, y, next };
      }
    }
    found.push(best);
  }
  return found;
}

/** Every so-manieth of them, from the one with that number. */
export const every = <T>(all: readonly T[], step: number, from: number): readonly T[] =>
  all.filter((_, i) => i % step === from);

export const turnedAbout = (path: PathData, x: number, y: number, deg: number): PathData =>
  transformed(path, chain(translation(x, y), rotation((deg * Math.PI) / 180), translation(-x, -y)));

export const dots = {
  dots: design("dots", [12, 12], 1, () => [
    drawn(
      halfDrop(12, 12, (x, y) => circle(x, y, 1.7)),
      1,
      0.7,
    ),
  ]),
  "pin-dots": design("dots", [5, 5], 1, () => [
    drawn(
      halfDrop(5, 5, (x, y) => circle(x, y, 0.45)),
      1,
      0.8,
    ),
  ]),
  "two-dots": design("dots", [20, 20], 2, () => [
    drawn(
      halfDrop(20, 20, (x, y) => circle(x, y, 3)),
      1,
      0.55,
    ),
    drawn(
      halfDrop(20, 20, (x, y) => circle(x + 10, y, 1.1)),
      2,
      0.85,
    ),
  ]),
  rings: design("dots", [18, 18], 2, () => [
    drawn(
      halfDrop(18, 18, (x, y) => ring(x, y, 4, 0.8)),
      1,
      0.7,
    ),
    drawn(
      halfDrop(18, 18, (x, y) => circle(x, y, 1.2)),
      2,
      0.8,
    ),
  ]),
  confetti: design("dots", [60, 60], 4, () => {
    const spots = strewn(60, 60, 72, 11);
    return [1, 2, 3, 4].map((ink) =>
      drawn(
        every(spots, 4, ink - 1).flatMap(({ x, y, next }) => circle(x, y, 0.7 + 0.9 * next())),
        ink,
        0.85,
      ),
    );
  }),
  seeds: design("dots", [40, 40], 1, () => [
    drawn(
      strewn(40, 40, 46, 5).flatMap(({ x, y, next }) => turnedAbout(oval(x, y, 1.5, 0.55), x, y, 360 * next())),
      1,
      0.6,
    ),
  ]),
  dashes: design("dots", [50, 50], 3, () => {
    const spots = strewn(50, 50, 60, 23);
    return [1, 2, 3].map((ink) =>
      drawn(
        every(spots, 3, ink - 1).flatMap(({ x, y, next }) =>
          turnedAbout(box(x - 1.8, y - 0.35, 3.6, 0.7), x, y, 180 * next()),
        ),
        ink,
        0.75,
      ),
    );
  }),
  crosses: design("dots", [14, 14], 1, () => [
    drawn(
      halfDrop(14, 14, (x, y) => [...box(x - 1.6, y - 0.3, 3.2, 0.6), ...box(x - 0.3, y - 1.6, 0.6, 3.2)]),
      1,
      0.65,
    ),
  ]),
} as const;

export const sky = {
  stars: design("sky", [44, 44], 2, () => {
    const spots = strewn(44, 44, 26, 31);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => star(x, y, 0.9 + 1.3 * next(), 5, 0.42, 72 * next())),
        ink,
        0.8,
      ),
    );
  }),
  sparks: design("sky", [36, 36], 2, () => {
    const spots = strewn(36, 36, 18, 47);
    return [
      drawn(
        spots.flatMap(({ x, y, next }) => star(x, y, 1 + 1.7 * next(), 4, 0.2)),
        1,
        0.75,
      ),
      drawn(
        strewn(36, 36, 30, 48).flatMap(({ x, y }) => circle(x, y, 0.25)),
        2,
        0.7,
      ),
    ];
  }),
  snow: design("sky", [48, 48], 1, () => [
    drawn(
      strewn(48, 48, 14, 3).flatMap(({ x, y, next }) => flake(x, y, 1.8 + 1.6 * next(), 60 * next())),
      1,
      0.5,
    ),
    drawn(
      strewn(48, 48, 40, 4).flatMap(({ x, y, next }) => circle(x, y, 0.2 + 0.35 * next())),
      1,
      0.4,
    ),
  ]),
  rain: design("sky", [30, 30], 2, () => {
    const spots = strewn(30, 30, 30, 9);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => {
          const long = 1.5 + 2.5 * next();
          return stroke(x, y, x - 0.35 * long, y + long, 0.3);
        }),
        ink,
        0.6,
      ),
    );
  }),
  clouds: design("sky", [70, 44], 1, () => [
    drawn([...cloud(16, 14, 1), ...cloud(51, 36, 1.15), ...cloud(47, 9, 0.6), ...cloud(12, 35, 0.55)], 1, 0.28),
  ]),
  pennants: design("sky", [48, 30], 3, () => [
    ...[1, 2, 3].map((ink) => drawn(flag((ink - 1) * 16 + 4, 7.2), ink, 0.7)),
    drawn(
      [0, 16, 32].flatMap((x) => stroke(x - 0.2, 7, x + 16.2, 7, 0.3)),
      3,
      0.8,
    ),
    ...[1, 2, 3].map((ink) => drawn(flag(((ink + 1) % 3) * 16 - 4, 22.2), ink, 0.7)),
    drawn(
      [0, 16, 32].flatMap((x) => stroke(x - 0.2, 22, x + 16.2, 22, 0.3)),
      3,
      0.8,
    ),
  ]),
  moons: design("sky", [34, 34], 2, () => [
    drawn(
      halfDrop(34, 34, (x, y) => crescent(x, y, 3.4)),
      1,
      0.75,
    ),
    drawn(
      halfDrop(34, 34, (x, y) => rosette(x + 17, y, 1, 5)),
      2,
      0.75,
    ),
  ]),
} as const;

/** Six arms with twigs. */
const flake = (x: number, y: number, r: number, deg: number): PathData =>
  [0, 60, 120, 180, 240, 300].flatMap((turn) => {
    const up = [
      ...stroke(x, y, x, y - r, 0.28),
      ...stroke(x, y - r * 0.55, x - r * 0.3, y - r * 0.85, 0.24),
      ...stroke(x, y - r * 0.55, x + r * 0.3, y - r * 0.85, 0.24),
    ];
    return turnedAbout(up, x, y, deg + turn);
  });

const cloud = (x: number, y: number, size: number): PathData => [
  ...circle(x - 6 * size, y, 3.4 * size),
  ...circle(x - 1.5 * size, y - 2.4 * size, 4.8 * size),
  ...circle(x + 4.5 * size, y - 0.5 * size, 3.9 * size),
  ...box(x - 6 * size, y, 10.5 * size, 3.4 * size),
];

const flag = (x: number, y: number): PathData => polygon([x - 3.4, y], [x + 3.4, y], [x, y + 7]);

/** What a smaller disc leaves of a larger one: two arcs, each as two cubics. */
const crescent = (x: number, y: number, r: number): PathData => [
  ["M", x, y - r],
  ["C", x + r * 1.33, y - r, x + r * 1.33, y + r, x, y + r],
  ["C", x + r * 0.72, y + r * 0.55, x + r * 0.72, y - r * 0.55, x, y - r],
  ["Z"],
];
