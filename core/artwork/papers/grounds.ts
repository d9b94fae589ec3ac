import { box, pebble, polygon, regular, stroke } from "../shapes.ts";
import { band, design, drawn, wave } from "./design.ts";
import { every, strewn, turnedAbout } from "./dots.ts";

/** Quiet ones, as of stone, cloth and fibre. */
export const grounds = {
  linen: design("grounds", [6, 6], 1, () => [
    ...[0, 0.9, 1.7, 2.9, 3.6, 4.8].map((at, i) => band("down", at, 0.28, 1, 0.1 + 0.04 * (i % 3))),
    ...[0.3, 1.2, 2.3, 3.1, 4.2, 5.1].map((at, i) => band("across", at, 0.26, 1, 0.12 + 0.04 * ((i + 1) % 3))),
  ]),
  grain: design("grounds", [50, 50], 2, () => {
    const spots = strewn(50, 50, 320, 71);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => regular(x, y, 0.12 + 0.18 * next(), 5)),
        ink,
        0.35,
      ),
    );
  }),
  terrazzo: design("grounds", [70, 70], 4, () => {
    const spots = strewn(70, 70, 84, 83);
    return [1, 2, 3, 4].map((ink) =>
      drawn(
        every(spots, 4, ink - 1).flatMap(({ x, y, next }) => chip(x, y, 0.8 + 2.1 * next() ** 2, next)),
        ink,
        0.6,
      ),
    );
  }),
  pebbles: design("grounds", [52, 52], 2, () => {
    const spots = strewn(52, 52, 44, 91);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => pebble(x, y, 1.6 + 1.3 * next(), 6, 0.16, next)),
        ink,
        0.35,
      ),
    );
  }),
  fibres: design("grounds", [60, 60], 2, () => {
    const spots = strewn(60, 60, 170, 97);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => {
          const [deg, long] = [360 * next(), 1 + 3 * next()];
          return turnedAbout(stroke(x, y, x + long, y, 0.12), x, y, deg);
        }),
        ink,
        0.4,
      ),
    );
  }),
  wood: design("grounds", [120, 18], 1, () =>
    [1.2, 3.4, 5, 7.6, 9.1, 11.8, 13.3, 15.9].map((at, i) =>
      wave(
        (s) => at + 0.5 * Math.sin(2 * Math.PI * (s + i / 5)) + 0.22 * Math.sin(2 * Math.PI * (3 * s + i / 3)),
        0.22 + 0.14 * (i % 3),
        {
          ...{ points: 40, mix: 0.2 + 0.06 * (i % 4) },
        },
      ),
    ),
  ),
  weave: design("grounds", [8, 8], 1, () => [
    drawn(
      [...box(0.3, 0.5, 3.4, 1), ...box(0.3, 2.5, 3.4, 1), ...box(4.3, 4.5, 3.4, 1), ...box(4.3, 6.5, 3.4, 1)],
      1,
      0.22,
    ),
    drawn(
      [...box(4.5, 0.3, 1, 3.4), ...box(6.5, 0.3, 1, 3.4), ...box(0.5, 4.3, 1, 3.4), ...box(2.5, 4.3, 1, 3.4)],
      1,
      0.34,
    ),
  ]),
  shards: design("grounds", [64, 64], 3, () => {
    const spots = strewn(64, 64, 48, 101);
    return [1, 2, 3].map((ink) =>
      drawn(
        every(spots, 3, ink - 1).flatMap(({ x, y, next }) =>
          turnedAbout(polygon([x, y - 2.4], [x + 1 + next(), y + 1.6], [x - 1 - next(), y + 1]), x, y, 360 * next()),
        ),
        ink,
        0.4,
      ),
    );
  }),
} as const;

/** A piece of stone with straight sides. */
const chip = (x: number, y: number, r: number, next: () => number) => {
  const corners = 4 + Math.floor(3 * next());
  const from = 360 * next();
  return polygon(
    ...Array.from({ length: corners }, (_, i): readonly [number, number] => {
      const [deg, far] = [((from + (360 * (i + 0.5 * next())) / corners) * Math.PI) / 180, r * (0.7 + 0.5 * next())];
      return [x + far * Math.cos(deg), y + far * Math.sin(deg)];
    }),
  );
};
