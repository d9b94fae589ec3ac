import type { PathData } from "#core/geometry";
import { away, blossom, circle, leaf, rosette, stroke } from "../shapes.ts";
import { design, drawn, type PaperPart } from "./design.ts";
import { every, strewn } from "./dots.ts";

/** A stem with leaves in pairs up to its tip. */
function sprig(
  x: number,
  y: number,
  deg: number,
  long: number,
  pairs: number,
): { readonly stem: PathData; readonly leaves: PathData } {
  const tip = away(x, y, deg, long);
  const leaves = Array.from({ length: pairs }, (_, i) => {
    const at = away(x, y, deg, (long * (i + 1.2)) / (pairs + 1.2));
    const size = (long / pairs) * (1.05 - 0.35 * (i / pairs));
    return [...leaf(at.x, at.y, deg - 52, size, size * 0.42), ...leaf(at.x, at.y, deg + 52, size, size * 0.42)];
  });
  return {
    stem: stroke(x, y, tip.x, tip.y, 0.3),
    leaves: [...leaves.flat(), ...leaf(tip.x, tip.y, deg, long / pairs, (long / pairs) * 0.42)],
  };
}

const sprigs = (
  w: number,
  h: number,
  count: number,
  seed: number,
  long: number,
  pairs: number,
  inks: number,
): PaperPart[] => {
  const grown = strewn(w, h, count, seed).map(({ x, y, next }) =>
    sprig(x, y, 360 * next(), long * (0.8 + 0.4 * next()), pairs),
  );
  return [
    drawn(
      grown.flatMap((g) => g.stem),
      1,
      0.7,
    ),
    ...Array.from({ length: inks }, (_, i) =>
      drawn(
        every(grown, inks, i).flatMap((g) => g.leaves),
        i + 1,
        0.65,
      ),
    ),
  ];
};

export const plants = {
  leaves: design("plants", [44, 44], 2, () => {
    const spots = strewn(44, 44, 20, 17);
    return [1, 2].map((ink) =>
      drawn(
        every(spots, 2, ink - 1).flatMap(({ x, y, next }) => leaf(x, y, 360 * next(), 6 + 2 * next(), 2.8)),
        ink,
        0.6,
      ),
    );
  }),
  sprigs: design("plants", [60, 60], 2, () => sprigs(60, 60, 12, 2, 12, 4, 2)),
  ferns: design("plants", [70, 70], 1, () => sprigs(70, 70, 9, 8, 21, 9, 1)),
  meadow: design("plants", [48, 30], 3, () => {
    const stems = strewn(48, 30, 18, 29).map(({ x, y, next }) => ({
      x,
      y,
      lean: 10 * next() - 5,
      tall: 6 + 4 * next(),
    }));
    const top = (s: (typeof stems)[number]) => away(s.x, s.y, s.lean - 90, s.tall);
    return [
      drawn(
        stems.flatMap((s) => {
          const t = top(s);
          return [
            ...stroke(s.x, s.y, t.x, t.y, 0.3),
            ...leaf(s.x, s.y - 1, -130, 3, 0.9),
            ...leaf(s.x, s.y - 2, -50, 3, 0.9),
          ];
        }),
        1,
        0.6,
      ),
      ...[2, 3].map((ink) =>
        drawn(
          every(stems, 2, ink - 2).flatMap((s) => rosette(top(s).x, top(s).y, 1.5, 6)),
          ink,
          0.8,
        ),
      ),
      drawn(
        stems.flatMap((s) => circle(top(s).x, top(s).y, 0.45)),
        1,
        0.8,
      ),
    ];
  }),
  blossoms: design("plants", [52, 52], 3, () => {
    const spots = strewn(52, 52, 16, 41).map((s) => ({ ...s, r: 2.6 + 1.8 * s.next(), deg: 72 * s.next() }));
    return [
      ...[1, 2].map((ink) =>
        drawn(
          every(spots, 2, ink - 1).flatMap((s) => rosette(s.x, s.y, s.r, 5, s.deg)),
          ink,
          0.6,
        ),
      ),
      drawn(
        spots.flatMap((s) => circle(s.x, s.y, s.r * 0.26)),
        3,
        0.85,
      ),
    ];
  }),
  daisies: design("plants", [26, 26], 2, () => [
    drawn([...blossom(6.5, 6.5, 4, 9, 1.5), ...blossom(19.5, 19.5, 4, 9, 1.5, 10)], 1, 0.5),
    drawn([...circle(6.5, 6.5, 1.1), ...circle(19.5, 19.5, 1.1)], 2, 0.85),
  ]),
  berries: design("plants", [46, 46], 2, () => {
    const spots = strewn(46, 46, 13, 53).map((s) => ({ ...s, deg: 360 * s.next() }));
    return [
      drawn(
        spots.flatMap((s) =>
          [-40, 0, 40].flatMap((d) => {
            const end = away(s.x, s.y, s.deg + d, 4);
            return stroke(s.x, s.y, end.x, end.y, 0.25);
          }),
        ),
        1,
        0.7,
      ),
      drawn(
        spots.flatMap((s) =>
          [-40, 0, 40].flatMap((d) => {
            const end = away(s.x, s.y, s.deg + d, 4.4);
            return circle(end.x, end.y, 0.95);
          }),
        ),
        2,
        0.8,
      ),
    ];
  }),
  petals: design("plants", [50, 50], 3, () => {
    const spots = strewn(50, 50, 36, 61);
    return [1, 2, 3].map((ink) =>
      drawn(
        every(spots, 3, ink - 1).flatMap(({ x, y, next }) => leaf(x, y, 360 * next(), 2.6 + next(), 1.5)),
        ink,
        0.5,
      ),
    );
  }),
} as const;
