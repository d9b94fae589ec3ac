import type { Template } from "../template.ts";
import { above, beside, family, field, first, rowsOf } from "./drawing.ts";
import { patterned } from "./patterns.ts";
import { outlined } from "./shapes.ts";
import { scatteredTables } from "./tables.ts";
import { worded } from "./worded.ts";

/** Shapes that photos have: sideways, upright, square, and a wide one. */
const [S, U, Q, P] = [3 / 2, 2 / 3, 1, 2];

const windows = () =>
  family("windows", "Windows", { gapMm: 6, marginMm: 18 }, [
    ["One window", "square", Q],
    ["Two panes", "square", beside(0.5, 0.5)],
    ["Three panes", "sideways", rowsOf("sideways", 3)],
    ["Four panes", "square", rowsOf("square", 2, 2)],
    ["Six panes", "upright", rowsOf("upright", 2, 2, 2)],
    ["Eight panes", "sideways", rowsOf("sideways", 4, 4)],
    ["Nine panes", "square", rowsOf("square", 3, 3, 3)],
    ["Twelve panes", "sideways", rowsOf("sideways", 4, 4, 4)],
    ["Sixteen panes", "square", rowsOf("square", 4, 4, 4, 4)],
    ["Twenty-five panes", "square", rowsOf("square", 5, 5, 5, 5, 5)],
  ]);

const hearth = () =>
  family("hearth", "Hearth", { gapMm: 4, marginMm: 8 }, [
    ["One over two", "square", above(first(S), beside(S, S))],
    ["One over three", "upright", above(first(Q), beside(Q, Q, Q))],
    ["Beside three", "sideways", beside(first(Q), above(S, S, S))],
    ["Beside four", "sideways", beside(first(0.64), above(beside(0.7, 0.7), beside(0.7, 0.7)))],
    ["Corner of six", "square", above(beside(first(Q), above(Q, Q)), beside(Q, Q, Q))],
    ["Corner of eight", "square", above(beside(first(Q), above(Q, Q, Q)), beside(Q, Q, Q, Q))],
    ["In the middle", "square", above(beside(S, Q, S), beside(above(U, U), first(Q), above(U, U)), beside(S, Q, S))],
    ["Between two columns", "sideways", beside(above(0.8, 0.8, 0.8), first(0.8), above(0.8, 0.8, 0.8))],
    ["Under the sky", "panorama", beside(above(1.07, 1.07), first(1.42), above(1.07, 1.07))],
  ]);

const ribbons = () =>
  family("ribbons", "Ribbons", { gapMm: 3, marginMm: 10 }, [
    ["Two ribbons", "square", rowsOf("square", 1, 1)],
    ["Three ribbons", "upright", rowsOf("upright", 1, 1, 1)],
    ["Three tall", "sideways", beside(0.44, 0.44, 0.44)],
    ["Five tall", "panorama", rowsOf("panorama", 5)],
    ["Four tall", "sideways", rowsOf("sideways", 4)],
    ["A band of three", "square", above(2.7, beside(1.36, 1.36, 1.36), 2.7)],
    ["A band of four", "upright", above(1.97, beside(1.05, 1.05, 1.05, 1.05), 1.97)],
  ]);

const brickwork = () =>
  family("brickwork", "Brickwork", { gapMm: 4, marginMm: 8, cornerMm: 2 }, [
    ["Three bricks", "square", rowsOf("square", 1, 2)],
    ["Five bricks", "sideways", rowsOf("sideways", 2, 3)],
    ["Seven bricks", "square", rowsOf("square", 2, 3, 2)],
    ["Eight bricks", "upright", rowsOf("upright", 2, 1, 2, 1, 2)],
    ["Ten bricks", "square", rowsOf("square", 3, 4, 3)],
    ["Eleven bricks", "sideways", rowsOf("sideways", 4, 3, 4)],
    ["Fourteen bricks", "square", rowsOf("square", 3, 4, 3, 4)],
    ["Nine along", "panorama", rowsOf("panorama", 4, 5)],
  ]);

/** Trees that the exact fit found for photos of mixed shapes; less than two per cent of any is cut off. */
const quilt = () =>
  family("quilt", "Quilt", { gapMm: 3, marginMm: 7 }, [
    ["Five patches", "square", beside(U, above(S, S, Q, S))],
    ["Six patches", "square", above(beside(above(S, S), U), beside(S, U, S))],
    ["Seven patches", "upright", above(beside(S, S), beside(above(U, U), above(Q, beside(S, S))))],
    ["Eight patches", "sideways", beside(above(beside(U, above(beside(S, S), S)), beside(Q, S)), above(U, U))],
    ["Ten patches", "square", above(beside(above(S, S), above(U, Q), above(S, S)), beside(U, above(S, S), U))],
    ["Eleven patches", "panorama", beside(above(U, U), above(beside(S, S), P), above(S, beside(S, S), S), above(U, U))],
    [
      "Twelve patches",
      "square",
      above(beside(above(S, S), above(beside(U, S), S), U), beside(above(Q, S), above(S, S), above(U, S))),
    ],
    [
      "Fifteen patches",
      "upright",
      above(
        beside(above(beside(S, S), beside(U, U, S)), above(S, S)),
        beside(above(Q, S, S), above(beside(U, above(S, U)), beside(S, S))),
      ),
    ],
    [
      "Eighteen patches",
      "sideways",
      above(beside(S, U, S, S), beside(U, S, S, Q, S), beside(U, S, S, U), beside(S, S, U, S, S)),
    ],
    [
      "Twenty-four patches",
      "square",
      above(
        beside(S, S, U, S, U),
        beside(S, S, Q, S, U),
        beside(above(S, S), U, S),
        beside(S, U, S, S, Q),
        beside(S, U, S, S, S),
      ),
    ],
  ]);

const shore = () =>
  family("shore", "Shore to shore", { gapMm: 0, marginMm: 0 }, [
    ["All of it", "square", Q],
    ["Half and half", "sideways", beside(U, U)],
    ["Wide and two", "square", above(first(P), beside(Q, Q))],
    ["Four corners", "square", rowsOf("square", 2, 2)],
    ["Tall and three", "upright", beside(first(0.5), above(Q, Q, Q))],
    ["Long and four", "panorama", beside(first(1.6), above(0.8, 0.8), above(0.8, 0.8))],
  ]);

const postcards = () =>
  family(
    "postcards",
    "Postcards",
    { gapMm: 8, marginMm: 22, background: "#f6f1e7", border: { widthMm: 2.5, colour: "#ffffff" } },
    [
      ["One card", "sideways", S],
      ["Two cards", "upright", above(S, S)],
      ["Card and note", "square", above(first(S), beside(Q, field(P, "#d9d2c4")))],
      ["Three and a note", "square", above(beside(Q, field(Q, "#22302b")), beside(Q, Q))],
      ["Five and a note", "sideways", above(beside(Q, Q, field(Q, "#b2472a")), beside(Q, Q, Q))],
      ["Six cards", "sideways", rowsOf("sideways", 3, 3)],
    ],
  );

let drawn: readonly Template[] | undefined;

/** What comes with the application, in families that go together; made when it is first asked for. */
export function shippedTemplates(): readonly Template[] {
  drawn ??= [
    ...[windows, hearth, ribbons, brickwork, quilt, shore, postcards],
    ...[worded, outlined, patterned, scatteredTables],
  ].flatMap((f) => f());
  return drawn;
}
