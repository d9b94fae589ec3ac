import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { layersOfStack, type SvgElement } from "./index.ts";

const el = (name: string, attributes: Record<string, string>, ...children: readonly SvgElement[]): SvgElement => ({
  name,
  attributes,
  children,
  text: "",
});
const layer = (src: string, more: Record<string, string> = {}) => el("layer", { src, ...more });

test("layers come from the back, as faint and as hidden as the groups that they are in", () => {
  const read = layersOfStack(
    el(
      "image",
      { w: "600", h: "400", xres: "300" },
      el(
        "stack",
        {},
        layer("top.png", { name: "Top", x: "5", y: "-7", opacity: "0.5" }),
        el("stack", { opacity: "0.5", visibility: "hidden" }, layer("a.png"), layer("b.png", { opacity: "0.5" })),
        layer("ground.png"),
      ),
    ),
  )!;
  expect(read).toMatchObject({ widthPx: 600, heightPx: 400, ppi: 300 });
  expect(read.layers.map((l) => [l.src, l.x, l.y, l.opacity, l.visible])).toEqual([
    ["ground.png", 0, 0, 1, true],
    ["b.png", 0, 0, 0.25, false],
    ["a.png", 0, 0, 0.5, false],
    ["top.png", 5, -7, 0.5, true],
  ]);
});

test("whatever a stack says, what is read of it are numbers that can be laid out", () => {
  const word = fc.oneof(fc.string(), fc.constantFrom("", "NaN", "1e9", "-4", "Infinity", "0x10", "2.6"));
  fc.assert(
    fc.property(word, word, word, word, word, (w, x, opacity, xres, visibility) => {
      const read = layersOfStack(
        el("image", { w, h: "10", xres }, el("stack", {}, layer("a.png", { x, opacity, visibility }))),
      );
      if (!read) return;
      const [only] = read.layers;
      expect(Number.isInteger(only!.x) && Math.abs(only!.x) <= 1e6).toBe(true);
      expect(only!.opacity >= 0 && only!.opacity <= 1).toBe(true);
      expect(read.widthPx > 0 && read.widthPx <= 200_000).toBe(true);
      expect(read.ppi === undefined || (read.ppi > 0 && read.ppi < 10_000)).toBe(true);
    }),
  );
});

test("no more layers are read than a page could hold, and no deeper", () => {
  const many = el("stack", {}, ...Array.from({ length: 5000 }, (_, i) => layer(`${i}.png`)));
  expect(layersOfStack(el("image", { w: "9", h: "9" }, many))!.layers).toHaveLength(300);
  let deep = layer("deep.png");
  for (let i = 0; i < 100; i += 1) deep = el("stack", {}, deep);
  expect(layersOfStack(el("image", { w: "9", h: "9" }, deep))!.layers).toHaveLength(0);
  expect(layersOfStack(el("svg", { w: "9", h: "9" }, many))).toBeUndefined();
});
