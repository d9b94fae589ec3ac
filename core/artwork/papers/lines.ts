import { box } from "../shapes.ts";
import { band, design, drawn, type PaperPart } from "./design.ts";

/** Stripes and checks. Where two bands cross their ink lies double. */

const both = (at: number, width: number, mix: number, ink = 1): readonly PaperPart[] => [
  band("across", at, width, ink, mix),
  band("down", at, width, ink, mix),
];

/** Both ways, and where they cross. */
const crossed = (at: number, width: number, mix: number, ink = 1): readonly PaperPart[] => [
  ...both(at, width, mix, ink),
  drawn(box(at, at, width, width), ink, Math.min(1, mix * 1.9)),
];

export const lines = {
  pinstripe: design("lines", [4, 4], 1, () => [band("down", 1.85, 0.3, 1, 0.75)]),
  stripes: design("lines", [10, 10], 1, () => [band("down", 0, 5, 1, 0.55)]),
  awning: design("lines", [32, 32], 2, () => [
    band("down", 0, 16, 1, 0.8),
    band("down", 16, 0.8, 2),
    band("down", 31.2, 0.8, 2),
  ]),
  ticking: design("lines", [14, 14], 1, () => [
    band("down", 5.5, 3, 1, 0.8),
    band("down", 4, 0.5, 1, 0.8),
    band("down", 9.5, 0.5, 1, 0.8),
  ]),
  ribbons: design("lines", [42, 42], 4, () => [
    band("down", 0, 9, 1, 0.6),
    band("down", 11, 2, 2, 0.9),
    band("down", 16, 6, 3, 0.55),
    band("down", 24, 1.2, 4, 0.9),
    band("down", 28, 10, 2, 0.35),
  ]),
  deckchair: design("lines", [36, 36], 3, () => [
    band("down", 0, 12, 1, 0.75),
    band("down", 12, 6, 2, 0.6),
    band("down", 24, 3, 3, 0.85),
    band("down", 30, 1, 3, 0.85),
  ]),
  ruled: design("lines", [8, 8], 2, () => [band("across", 7.6, 0.22, 1, 0.55)]),
  ledger: design("lines", [60, 8], 2, () => [
    band("across", 7.6, 0.22, 1, 0.5),
    band("down", 8, 0.35, 2, 0.6),
    band("down", 9.4, 0.35, 2, 0.6),
  ]),
} as const;

export const checks = {
  gingham: design("checks", [10, 10], 1, () => crossed(0, 5, 0.42)),
  "wide-gingham": design("checks", [28, 28], 1, () => crossed(0, 14, 0.36)),
  board: design("checks", [20, 20], 1, () => [drawn([...box(0, 0, 10, 10), ...box(10, 10, 10, 10)], 1, 0.45)]),
  graph: design("checks", [25, 25], 1, () => [
    ...[5, 10, 15, 20].flatMap((at) => both(at, 0.15, 0.45)),
    ...both(0, 0.35, 0.65),
  ]),
  windowpane: design("checks", [18, 18], 1, () => both(8.7, 0.6, 0.7)),
  tartan: design("checks", [40, 40], 4, () => [
    ...crossed(2, 13, 0.42, 1),
    ...crossed(21, 4, 0.5, 2),
    ...both(8, 1, 0.85, 3),
    ...both(32, 0.7, 0.9, 4),
  ]),
  picnic: design("checks", [24, 24], 2, () => [...crossed(0, 8, 0.5, 1), ...crossed(12, 4, 0.45, 2)]),
  tattersall: design("checks", [16, 16], 2, () => [...both(3.7, 0.6, 0.7, 1), ...both(11.7, 0.6, 0.7, 2)]),
} as const;
