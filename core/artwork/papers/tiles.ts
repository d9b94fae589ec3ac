import type { PathData } from "#core/geometry";
import { box, circle, polygon, regular, ring, stroke } from "../shapes.ts";
import { design, drawn } from "./design.ts";
import { turnedAbout } from "./dots.ts";

const diamond = (x: number, y: number, w: number, h: number): PathData =>
  polygon([x, y - h / 2], [x + w / 2, y], [x, y + h / 2], [x - w / 2, y]);

/** A straight line from corner to corner of a repeat, both ways; each goes on a little under its neighbours. */
const lattice = (w: number, h: number, width: number): PathData => [
  ...stroke(-0.05 * w, -0.05 * h, 1.05 * w, 1.05 * h, width),
  ...stroke(1.05 * w, -0.05 * h, -0.05 * w, 1.05 * h, width),
];

/** Hexagons in rows that stand between each other. */
const comb = (r: number, shape: (x: number, y: number) => PathData): PathData => {
  const [w, h] = [r * Math.sqrt(3), 3 * r];
  return [...shape(w / 2, h / 4), ...shape(0, (3 * h) / 4)];
};

export const tiles = {
  diamonds: design("tiles", [12, 20], 1, () => [drawn(diamond(6, 10, 12, 20), 1, 0.4)]),
  argyle: design("tiles", [26, 38], 3, () => [
    drawn(diamond(13, 19, 26, 38), 1, 0.45),
    drawn(diamond(0, 0, 26, 38), 2, 0.25),
    drawn(lattice(26, 38, 0.35), 3, 0.8),
  ]),
  triangles: design("tiles", [16, 28], 3, () => [
    drawn(polygon([8, 0.4], [15.4, 13.4], [0.6, 13.4]), 1, 0.5),
    drawn(polygon([0, 14.4], [7.4, 27.4], [-7.4, 27.4]), 2, 0.5),
    drawn([...circle(0, 9, 0.8), ...circle(8, 23, 0.8)], 3, 0.8),
  ]),
  honeycomb: design("tiles", [6 * Math.sqrt(3), 18], 1, () => [
    drawn(
      comb(6, (x, y) => regular(x, y, 5.5, 6)),
      1,
      0.35,
    ),
  ]),
  comb: design("tiles", [7 * Math.sqrt(3), 21], 2, () => [
    drawn(
      comb(7, (x, y) => regular(x, y, 5.2, 6)),
      1,
      0.3,
    ),
    drawn(
      comb(7, (x, y) => regular(x, y, 2.2, 6)),
      2,
      0.7,
    ),
  ]),
  herringbone: design("tiles", [16, 16], 2, () => [
    drawn(
      [0, 8].flatMap((y) => polygon([0.3, y + 8], [7.7, y], [7.7, y + 3.4], [0.3, y + 11.4])),
      1,
      0.45,
    ),
    drawn(
      [0, 8].flatMap((y) => polygon([8.3, y], [15.7, y + 8], [15.7, y + 11.4], [8.3, y + 3.4])),
      2,
      0.45,
    ),
  ]),
  basket: design("tiles", [24, 24], 2, () => [
    drawn(
      [0, 12].flatMap((at) => [1, 4.5, 8].flatMap((k) => box(at + 0.8, at + k, 10.4, 2.6))),
      1,
      0.45,
    ),
    drawn(
      [0, 12].flatMap((at) => [1, 4.5, 8].flatMap((k) => box(at + k, 12.8 - at, 2.6, 10.4))),
      2,
      0.45,
    ),
  ]),
  bricks: design("tiles", [22, 16], 1, () => [
    drawn([...box(0.6, 0.6, 20.8, 6.8), ...box(-10.4, 8.6, 20.8, 6.8)], 1, 0.3),
  ]),
  trellis: design("tiles", [14, 14], 2, () => [
    drawn(lattice(14, 14, 0.7), 1, 0.55),
    drawn(diamond(7, 0, 2.4, 2.4), 2, 0.8),
  ]),
  quatrefoil: design("tiles", [22, 22], 2, () => [
    drawn(
      [
        [8.2, 11],
        [13.8, 11],
        [11, 8.2],
        [11, 13.8],
      ].flatMap(([x, y]) => circle(x!, y!, 4.4)),
      1,
      0.4,
    ),
    drawn([...circle(11, 11, 2), ...circle(0, 0, 1.8)], 2, 0.7),
  ]),
  loops: design("tiles", [18, 18], 1, () => [drawn([...ring(9, 9, 9, 0.6), ...ring(0, 0, 9, 0.6)], 1, 0.6)]),
  pinwheels: design("tiles", [24, 24], 2, () => [
    drawn(
      [0, 90, 180, 270].flatMap((deg) => turnedAbout(polygon([12, 12], [12, 3], [21, 3]), 12, 12, deg)),
      1,
      0.6,
    ),
    drawn(
      [0, 90, 180, 270].flatMap((deg) => turnedAbout(polygon([0, 0], [0, -5], [5, -5]), 0, 0, deg)),
      2,
      0.6,
    ),
  ]),
} as const;
