import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  barePage,
  copyPage,
  type FreeTile,
  freeTiles,
  newFreeTile,
  type Page,
  pageChanges,
  placePage,
} from "#core/document";
import { collage, counter, squareFormat } from "../../document/project.fixture.ts";
import { areTied, chosenTied, clipOf, freelyPasted, tied, untied, withTied } from "../index.ts";

const ids = ["a", "b", "c", "d", "e"];
const at = (i: number) => ({ centre: { x: 20 + 30 * i, y: 40 }, width: 20, height: 20, turn: 0 });
const page: Page = {
  ...barePage(counter("p")),
  pieces: ids.map((id, i): FreeTile => newFreeTile(at(i), { kind: "empty" }, () => id)),
};
const some = fc.subarray(ids, { minLength: 1 });

test("what is tied is chosen as one; tied again elsewhere it lets go of the first; untied, it is as it was", () => {
  fc.assert(
    fc.property(some, some, (one, two) => {
      const first = tied(page, one, counter("t"));
      expect([...withTied(first, [one[0]!])].toSorted()).toEqual(one.length > 1 ? one : [one[0]!]);
      expect(areTied(first, one)).toBe(one.length > 1);
      const second = tied(first, two, counter("u"));
      if (two.length > 1) expect([...withTied(second, [two[0]!])].toSorted()).toEqual(two);
      expect(untied(second, ids)).toEqual(page);
      expect(pageChanges(first, untied(first, ids)).length).toBe(one.length > 1 ? 1 : 0);
    }),
  );
});

test("a click chooses all that are tied, and a second one the tile alone; adding and taking away does so for all", () => {
  const now = tied(page, ["a", "b", "c"], counter("t"));
  const set = (...s: string[]) => new Set(s);
  expect(chosenTied(now, "a", set(), set("a"))).toEqual(set("a", "b", "c"));
  expect(chosenTied(now, "b", set("a", "b", "c"), set("b"))).toEqual(set("b"));
  expect(chosenTied(now, "b", set("b"), set("b"))).toEqual(set("a", "b", "c"));
  expect(chosenTied(now, "d", set("a"), set("d"))).toEqual(set("d"));
  expect(chosenTied(now, "a", set("d"), set("d", "a"))).toEqual(set("d", "a", "b", "c"));
  expect(chosenTied(now, "a", set("d", "a", "b", "c"), set("d", "b", "c"))).toEqual(set("d"));
});

test("copies are tied to each other, and not to what they were copied from", () => {
  const now = tied(page, ["a", "b"], counter("t"));
  const pasted = freelyPasted(
    placePage(now, squareFormat, collage([]).style),
    clipOf(now, ["a", "b"]).free,
    counter("n"),
  );
  expect(areTied(pasted.page, pasted.ids)).toBe(true);
  expect(areTied(pasted.page, ["a", ...pasted.ids])).toBe(false);
  expect(areTied(pasted.page, ["a", "b"])).toBe(true);
  const copy = copyPage(now, counter("q"));
  const [x, y] = freeTiles(copy);
  expect(areTied(copy, [x!.id, y!.id])).toBe(true);
  expect(x!.tieId).not.toBe(freeTiles(now)[0]!.tieId);
});
