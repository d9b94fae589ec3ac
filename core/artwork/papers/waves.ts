import { kappa, type PathData } from "#core/geometry";
import { design, drawn, type PaperPart, wave } from "./design.ts";

const sine = (share: number, times = 1, from = 0): number => Math.sin(2 * Math.PI * (share * times + from));
/** Up and down in straight lines, from −1 to 1. */
const zigzag = (share: number): number => 4 * Math.abs(share - Math.floor(share + 0.5)) - 1;

/** The lower half of a ring. */
const halfRing = (x: number, y: number, r: number, width: number): PathData => {
  const [q, k] = [r - width, kappa];
  return [
    ["M", x + r, y],
    ["C", x + r, y + k * r, x + k * r, y + r, x, y + r],
    ["C", x - k * r, y + r, x - r, y + k * r, x - r, y],
    ["L", x - q, y],
    ["C", x - q, y + k * q, x - k * q, y + q, x, y + q],
    ["C", x + k * q, y + q, x + q, y + k * q, x + q, y],
    ["Z"],
  ];
};

/** Half rings in rows that stand between each other, as tiles on a roof. */
const scales = (r: number, shape: (x: number, y: number) => PathData): PathData[] =>
  [0, 1].map((row) => shape(row === 0 ? r : 0, r * row));

/** Lines of one height around islands, so that each line is like the one before it and a little calmer or wilder. */
const contours = (): readonly PaperPart[] =>
  Array.from({ length: 12 }, (_, i) => {
    const [phase, swell] = [i / 12, 2.4 + 1.5 * sine(i / 12)];
    return wave(
      (s) => 5 * i + swell * sine(s, 1, phase) + 1.3 * sine(s, 3, 2 * phase) + 0.7 * sine(s, 5, -phase),
      0.35,
      {
        points: 96,
        mix: i % 4 === 0 ? 0.75 : 0.42,
      },
    );
  });

export const waves = {
  waves: design("waves", [16, 8], 1, () => [wave((s) => 4 + 1.6 * sine(s), 1.3, { mix: 0.6, points: 20 })]),
  ripples: design("waves", [24, 4], 1, () => [wave((s) => 2 + 0.7 * sine(s), 0.3, { mix: 0.65, points: 14 })]),
  swell: design("waves", [60, 24], 3, () =>
    [1, 2, 3].map((ink) => wave((s) => 8 * ink - 4 + 2.6 * sine(s, 1, ink / 3), 4.6, { ink, mix: 0.4, points: 64 })),
  ),
  zigzag: design("waves", [14, 12], 1, () => [wave((s) => 6 + 3 * zigzag(s), 2.6, { mix: 0.55, points: 2 })]),
  "zigzag-lines": design("waves", [10, 15], 3, () =>
    [1, 2, 3].map((ink) => wave((s) => 5 * ink - 2.5 + 2 * zigzag(s), 0.6, { ink, mix: 0.8, points: 2 })),
  ),
  "water-map": design("waves", [90, 60], 1, contours),
  scales: design("waves", [12, 12], 2, () => [
    ...scales(6, (x, y) => [...halfRing(x, y, 6, 0.6), ...halfRing(x, y, 4.2, 0.5)]).map((path) => drawn(path, 1, 0.6)),
    ...scales(6, (x, y) => halfRing(x, y, 2.4, 2.4)).map((path) => drawn(path, 2, 0.5)),
  ]),
  strata: design("waves", [80, 36], 4, () =>
    [1, 2, 3, 4].map((ink) =>
      wave((s) => 9 * ink - 5 + 1.8 * sine(s, 2, ink / 5) + 1.1 * sine(s, 3, ink / 3), 2.2 + 1.4 * (ink % 2), {
        ...{ ink, mix: 0.5, points: 96 },
      }),
    ),
  ),
} as const;
