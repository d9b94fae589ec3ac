import type { PathData } from "#core/geometry";
import { seededRandom } from "#core/random";
import { arc, away, blossom, circle, leaf, pebble, polygon, regular, ring, rosette, star, stroke } from "../shapes.ts";
import { inked, ornament } from "./design.ts";
import { heart } from "./paper-things.ts";

/** What a pen or a brush would draw: arrows, plants, stars, numbers, splashes. */

const head = (x: number, y: number, deg: number, size: number): PathData => {
  const [tip, a, b] = [{ x, y }, away(x, y, deg + 150, size), away(x, y, deg - 150, size)];
  return polygon([tip.x, tip.y], [a.x, a.y], [b.x, b.y]);
};

/** The way from place to place, as a stroke of even width: rounded at each of its points. */
const way = (width: number, ...points: readonly (readonly [number, number])[]): PathData =>
  points.flatMap(([x, y], i) => {
    const next = points[i + 1];
    return [...circle(x, y, width / 2), ...(next ? stroke(x, y, next[0], next[1], width) : [])];
  });

export const arrows = {
  "arrow-straight": ornament("arrows", [50, 14], 1, () => [inked([...stroke(0, 7, 42, 7, 2), ...head(50, 7, 0, 11)])]),
  "arrow-curved": ornament("arrows", [44, 28], 1, () => [
    inked([...arc(20, 26, 18, 2, 180, 325), ...head(37.5, 24, 75, 11)]),
  ]),
  "arrow-loop": ornament("arrows", [56, 26], 1, () => [
    inked([
      ...arc(24, 12, 8, 1.8, 90, 450),
      ...stroke(0, 20, 24, 20, 1.8),
      ...stroke(24, 20, 49, 20, 1.8),
      ...head(56, 20, 0, 9),
    ]),
  ]),
  "arrow-open": ornament("arrows", [50, 18], 1, () => [
    inked(way(1.8, [1, 9], [48.6, 9], [40, 1.6], [48.6, 9], [40, 16.4])),
  ]),
  "arrow-broad": ornament("arrows", [52, 26], 1, () => [
    inked(polygon([0, 8], [32, 8], [32, 0], [52, 13], [32, 26], [32, 18], [0, 18])),
  ]),
  "arrow-dashed": ornament("arrows", [56, 14], 1, () => [
    inked([...[0, 9, 18, 27, 36].flatMap((x) => stroke(x, 7, x + 6, 7, 1.8)), ...head(56, 7, 0, 11)]),
  ]),
} as const;

const twig = (pairs: number, broad: number, round: boolean): { stem: PathData; leaves: PathData } => {
  const foot = 70;
  const stem = stroke(20, foot, 20, 6, 0.9);
  const leaves = Array.from({ length: pairs }, (_, i) => {
    const y = foot - 8 - (50 * i) / pairs;
    const size = 15 * (1 - (0.45 * i) / pairs);
    return [-48, 48].flatMap((d) => {
      if (!round) return leaf(20, y, -90 + d, size, size * broad);
      const at = away(20, y, -90 + d, size * 0.7);
      return [...stroke(20, y, at.x, at.y, 0.6), ...circle(at.x, at.y, size * 0.3)];
    });
  }).flat();
  return { stem, leaves: [...leaves, ...(round ? circle(20, 5, 3) : leaf(20, 12, -90, 12, 12 * broad))] };
};

const plant = (pairs: number, broad: number, round = false) =>
  ornament("plants", [40, 70], 2, () => {
    const { stem, leaves } = twig(pairs, broad, round);
    return [inked(stem, 2), inked(leaves, 1)];
  });

export const plants = {
  "leaf-single": ornament("plants", [24, 44], 2, () => [
    inked(leaf(12, 42, -90, 40, 22)),
    inked(stroke(12, 44, 12, 8, 0.7), 2),
  ]),
  "twig-slim": plant(6, 0.3),
  "twig-full": plant(4, 0.55),
  "twig-fern": plant(11, 0.22),
  "twig-berries": plant(4, 0.4, true),
  "bloom-five": ornament("plants", [36, 36], 2, () => [inked(rosette(18, 18, 18, 5)), inked(circle(18, 18, 5), 2)]),
  "bloom-daisy": ornament("plants", [38, 38], 2, () => [
    inked(blossom(19, 19, 19, 13, 5.4)),
    inked(circle(19, 19, 5), 2),
  ]),
  "bloom-tulip": ornament("plants", [28, 60], 2, () => [
    inked([...stroke(14, 60, 14, 20, 1.2), ...leaf(14, 58, -118, 30, 7), ...leaf(14, 58, -62, 30, 7)], 2),
    inked([...leaf(14, 26, -112, 25, 11), ...leaf(14, 26, -68, 25, 11), ...leaf(14, 26, -90, 26, 13)]),
  ]),
  "laurel-left": ornament("plants", [34, 66], 1, () => [
    inked([
      ...arc(36, 33, 26, 0.9, 115, 245),
      ...[120, 140, 160, 180, 200, 220, 240].flatMap((deg) => {
        const at = away(36, 33, deg, 26);
        return [...leaf(at.x, at.y, deg + 70, 9, 4), ...leaf(at.x, at.y, deg + 115, 9, 4)];
      }),
    ]),
  ]),
} as const;

export const stars = {
  "star-five": ornament("stars", [30, 30], 1, () => [inked(star(15, 16, 15, 5, 0.45))]),
  "star-round": ornament("stars", [30, 30], 2, () => [
    inked(circle(15, 15, 15)),
    inked(star(15, 15.6, 10, 5, 0.45), 2, 0.5),
  ]),
  "star-spark": ornament("stars", [30, 30], 1, () => [inked(star(15, 15, 15, 4, 0.22))]),
  "star-sparks": ornament("stars", [40, 34], 2, () => [
    inked(star(15, 18, 15, 4, 0.2)),
    inked([...star(33, 8, 7, 4, 0.2), ...star(34, 27, 5, 4, 0.2)], 2),
  ]),
  "star-burst": ornament("stars", [34, 34], 1, () => [inked(star(17, 17, 17, 16, 0.82))]),
  sun: ornament("stars", [40, 40], 1, () => [
    inked([
      ...circle(20, 20, 9),
      ...Array.from({ length: 12 }, (_, i) => {
        const [a, b] = [away(20, 20, 30 * i, 12), away(20, 20, 30 * i, 19)];
        return stroke(a.x, a.y, b.x, b.y, 2);
      }).flat(),
    ]),
  ]),
  heart: ornament("stars", [30, 30], 1, () => [inked(heart(15, 14, 27))]),
  hearts: ornament("stars", [44, 30], 2, () => [inked(heart(14, 15, 25)), inked(heart(35, 10, 14), 2)]),
} as const;

const w = 3.4;
/** Figures as a stencil has them, in a box of 20 by 30. */
const figures: Readonly<Record<string, () => PathData>> = {
  "0": () => [
    ...arc(10, 10, 7, w, 180, 360),
    ...arc(10, 20, 7, w, 0, 180),
    ...stroke(3, 10, 3, 20, w),
    ...stroke(17, 10, 17, 20, w),
  ],
  "1": () => way(w, [5, 7.5], [11, 3], [11, 27]),
  "2": () => [...arc(10, 10, 7, w, 180, 385), ...way(w, [16.4, 13], [3.5, 27], [17, 27])],
  "3": () => [...arc(10, 9, 6.2, w, 190, 450), ...arc(10, 21, 6.2, w, -90, 170)],
  "4": () => way(w, [13.5, 27], [13.5, 3.5], [2.5, 20.5], [17.5, 20.5]),
  "5": () => [...way(w, [16, 3], [5, 3], [4.4, 13.4]), ...arc(9.6, 19.6, 7.4, w, -130, 150)],
  "6": () => [...ring(10, 20, 8.7, w), ...arc(18.3, 20, 15.3, w, 178, 255)],
  "7": () => way(w, [3, 3], [17, 3], [8, 27]),
  "8": () => [...ring(10, 8.8, 7.4, w), ...ring(10, 20.8, 8.4, w)],
  "9": () => [...ring(10, 10, 8.7, w), ...arc(1.7, 10, 15.3, w, -2, 75)],
};

const figure = (name: string) =>
  ornament("numbers", [30, 30], 2, () => [
    inked(circle(15, 15, 15)),
    inked(
      figures[name]!().map((s) => {
        const k = 0.62;
        if (s[0] === "Z") return s;
        const [dx, dy] = [15 - 10 * k, 15 - 15 * k];
        if (s[0] === "C")
          return ["C", s[1] * k + dx, s[2] * k + dy, s[3] * k + dx, s[4] * k + dy, s[5] * k + dx, s[6] * k + dy];
        return [s[0], s[1] * k + dx, s[2] * k + dy];
      }),
      2,
      0.85,
    ),
  ]);

export const numbers = {
  "number-0": figure("0"),
  "number-1": figure("1"),
  "number-2": figure("2"),
  "number-3": figure("3"),
  "number-4": figure("4"),
  "number-5": figure("5"),
  "number-6": figure("6"),
  "number-7": figure("7"),
  "number-8": figure("8"),
  "number-9": figure("9"),
} as const;

/** A blot with drops around it. */
const splash = (seed: number, drops: number, wander: number) => () => {
  const next = seededRandom(seed);
  const around = Array.from({ length: drops }, (_, i) => {
    const at = away(25, 25, (360 * i) / drops + 20 * next(), 15 + 9 * next());
    return circle(at.x, at.y, 0.5 + 1.6 * next());
  });
  return [inked([...pebble(25, 25, 12.5, 13, wander, next), ...around.flat()])];
};

export const splashes = {
  "splash-small": ornament("splashes", [50, 50], 1, splash(5, 9, 0.18)),
  "splash-wild": ornament("splashes", [50, 50], 1, splash(17, 22, 0.3)),
  "splash-soft": ornament("splashes", [50, 50], 1, splash(29, 5, 0.1)),
  "brush-stroke": ornament("splashes", [80, 18], 1, () => {
    const next = seededRandom(7);
    const upper = Array.from({ length: 24 }, (_, i) => [2 + (76 * i) / 23, 2.5 + 2.4 * next()] as const);
    const lower = Array.from({ length: 24 }, (_, i) => [2 + (76 * i) / 23 + 2 * next(), 13 + 3.4 * next()] as const);
    return [inked(polygon(...upper, ...lower.toReversed()))];
  }),
  "pen-underline": ornament("splashes", [70, 8], 1, () => [
    inked([...leaf(0, 3, 0.6, 70, 2.6), ...leaf(10, 6, -0.8, 46, 1.8)]),
  ]),
  "ring-pen": ornament("splashes", [50, 34], 1, () => [
    inked(
      [0, 1].flatMap((k) => {
        const n = 60;
        const line = (r: number) =>
          Array.from({ length: n + 1 }, (_, i) => {
            const t = (2 * Math.PI * i) / n + k;
            return [25 + (22.5 - r + k) * Math.cos(t), 17 + (15 - r - k) * Math.sin(t)] as const;
          });
        return polygon(...line(0), ...line(0.7).toReversed());
      }),
    ),
  ]),
  dots: ornament("splashes", [40, 12], 2, () => [
    inked([...circle(6, 6, 4.4), ...circle(34, 6, 4.4)]),
    inked(circle(20, 6, 4.4), 2),
  ]),
  hexagons: ornament("splashes", [46, 42], 3, () => [
    inked(regular(13, 13, 11, 6)),
    inked(regular(33, 13, 11, 6), 2),
    inked(regular(23, 30, 11, 6), 3),
  ]),
} as const;
