import type { Outline } from "#core/document";
import type { Template } from "../template.ts";
import { above, beside, family, first, lying, rowsOf, shaped, under } from "./drawing.ts";

/** Templates whose places have other outlines than rectangles. */

const round: Outline = { kind: "ellipse" };
const arch: Outline = { kind: "arch" };
const heart: Outline = { kind: "heart" };
const star: Outline = { kind: "star", points: 5, inner: 0.5 };
const ticket: Outline = { kind: "ticket" };
const torn = (seed: number): Outline => ({ kind: "torn", depthMm: 4, seed });
const white = { widthMm: 4, colour: "#ffffff" };

const row = (n: number, aspect: number, outline: Outline) =>
  beside(...Array.from({ length: n }, () => shaped(aspect, outline)));

const cutOuts = () =>
  family("cut-outs", "Cut-outs", { gapMm: 8, marginMm: 16 }, [
    ["Three arches", "sideways", row(3, 0.46, arch)],
    ["Five arches", "panorama", row(5, 0.52, arch)],
    ["An arch beside three", "square", beside(first(0.52, arch), above(1.55, 1.55, 1.55))],
    ["Four rounds", "square", above(row(2, 1, round), row(2, 1, round))],
    ["Nine rounds", "square", above(row(3, 1, round), row(3, 1, round), row(3, 1, round))],
    ["A heart", "square", first(1, heart)],
    ["Three hearts", "panorama", row(3, 0.87, heart)],
    ["A star and two", "square", above(first(1.95, star), beside(1, 1))],
    ["Six tickets", "square", above(row(2, 1.55, ticket), row(2, 1.55, ticket), row(2, 1.55, ticket))],
    ["Two torn in half", "square", above(shaped(2, torn(3)), shaped(2, torn(8)))],
    ["Three torn strips", "upright", above(shaped(2.4, torn(2)), shaped(2.4, torn(5)), shaped(2.4, torn(9)))],
  ]);

const medallions = () =>
  family("medallions", "Medallions", { gapMm: 4, marginMm: 10 }, [
    ["A round over four", "square", under(rowsOf("square", 2, 2), [lying("m", [150, 150, 120, 120, 0], round, white)])],
    [
      "A round over six",
      "sideways",
      under(rowsOf("sideways", 3, 3), [lying("m", [200, 150, 130, 130, 0], round, white)]),
    ],
    ["A heart over two", "sideways", under(beside(0.65, 0.65), [lying("m", [200, 150, 130, 120, 0], heart, white)])],
    ["An oval over three", "upright", under(above(2.4, 2.4, 2.4), [lying("m", [120, 150, 96, 130, 0], round, white)])],
  ]);

export const outlined = (): readonly Template[] => [cutOuts, medallions].flatMap((f) => f());
