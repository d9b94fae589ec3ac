import { expect, test } from "@jest/globals";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { newOrnament, newPaper, ornamentFills, ornamentNames, ornamentSize, paperFills, paperNames } from "./index.ts";

/** What lies on somebody's page must not be drawn otherwise by the next version. */
const palettes = [[], ["#f4ead8", "#1b5e66", "#b2472a", "#c79a1e"]];

test("every paper is drawn as it was, in two palettes", () => {
  const under = { x: -7, y: 12, w: 60, h: 45 };
  const drawn = paperNames.map((name) => [
    name,
    fingerprint(palettes.map((p) => paperFills(newPaper(name, p), under))),
  ]);
  expect(Object.fromEntries(drawn)).toMatchSnapshot();
});

test("every ornament is as large, and everything takes as many colours, as when it came onto a page", () => {
  const colours = (of: { readonly colours: readonly string[] }) => `${of.colours.length} colours`;
  const ornaments = ornamentNames.map((name) => {
    const { w, h } = ornamentSize(name);
    return [name, `${w} × ${h} mm, ${colours(newOrnament(name, []))}`];
  });
  const papers = paperNames.map((name) => [name, colours(newPaper(name, []))]);
  expect(Object.fromEntries([...ornaments, ...papers])).toMatchSnapshot();
});

test("every ornament is drawn as it was, in two palettes", () => {
  const drawn = ornamentNames.map((name) => [
    name,
    fingerprint(palettes.map((p) => ornamentFills(newOrnament(name, p)))),
  ]);
  expect(Object.fromEntries(drawn)).toMatchSnapshot();
});
