import { expect, test } from "@jest/globals";
import { choose, chooseAll, nothingChosen } from "./choose.ts";

const list = ["a", "b", "c", "d", "e"];
const plain = { shift: false, ctrl: false };
const ids = (c: { ids: ReadonlySet<string> }) => [...c.ids].sort().join("");

test("a click chooses one, ctrl adds and takes away, shift chooses up to there", () => {
  const b = choose(nothingChosen, list, "b", plain);
  expect(ids(b)).toBe("b");
  expect(ids(choose(b, list, "d", { shift: true, ctrl: false }))).toBe("bcd");
  expect(ids(choose(b, list, "a", { shift: true, ctrl: false }))).toBe("ab");
  const bd = choose(b, list, "d", { shift: false, ctrl: true });
  expect(ids(bd)).toBe("bd");
  expect(ids(choose(bd, list, "b", { shift: false, ctrl: true }))).toBe("d");
  expect(ids(choose(bd, list, "e", { shift: true, ctrl: true }))).toBe("bde");
  expect(ids(choose(b, list, "b", plain))).toBe("");
  expect(ids(chooseAll(list))).toBe("abcde");
});

test("a range from an anchor that is gone chooses the clicked one alone", () => {
  expect(ids(choose({ ids: new Set(["x"]), anchor: "x" }, list, "c", { shift: true, ctrl: false }))).toBe("c");
});
