import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type SvgElement, shapesOfSvg } from "#core/drawings";
import { parsed } from "../drawings/parsed.fixture.ts";
import { drawingOfTemplate, drawnPage, shippedTemplates, type Template, templateOfDrawing, waitsFor } from "./index.ts";
import { checkTemplate } from "./schema/index.ts";

const counter = () => {
  let n = 0;
  return () => {
    n += 1;
    return `new${n}`;
  };
};
const back = (root: SvgElement): Template | undefined =>
  templateOfDrawing(
    root,
    shapesOfSvg(root, (c) => (/^#[0-9a-f]{6}$/.test(c) ? c : undefined)),
    {
      name: "From a drawing",
      newId: counter(),
      check: checkTemplate,
    },
  );

test("what goes out as a drawing comes back as the same template, of every kind that ships", () => {
  for (const t of shippedTemplates()) {
    const odd = { ...t, name: `A "name" & <more> ’s` };
    expect([t.name, back(parsed(drawingOfTemplate(odd)))]).toEqual([t.name, odd]);
  }
});

test("a shape that was moved elsewhere lies freely where it is now, and keeps what it waits for; its neighbours stay", () => {
  fc.assert(
    fc.property(fc.constantFrom(...shippedTemplates()), fc.nat(), fc.integer({ min: 3, max: 40 }), (t, which, by) => {
      const root = parsed(drawingOfTemplate(t));
      const tiles = drawnPage(t).tiles;
      const at = which % tiles.length;
      const moved = root.children.map((e, i) =>
        i === at + 2 ? { ...e, attributes: { ...e.attributes, transform: `translate(${by} ${-by})` } } : e,
      );
      const now = drawnPage(back({ ...root, children: moved })!);
      expect(now.tiles).toHaveLength(tiles.length);
      for (const was of tiles) {
        const is = now.tiles.find((p) => p.id === was.id)!;
        const d = was.id === tiles[at]!.id ? by : 0;
        // The box around what is drawn: an outline need not reach all sides of its frame.
        if (was.outline.kind === "rectangle" && was.frame.turn === 0) {
          expect(is.frame.centre.x - was.frame.centre.x).toBeCloseTo(d, 2);
          expect(is.frame.centre.y - was.frame.centre.y).toBeCloseTo(-d, 2);
          expect(is.frame.width).toBeCloseTo(was.frame.width, 2);
        }
        expect(waitsFor(is)).toBe(waitsFor(was));
        expect(is.filling).toEqual(was.filling);
      }
    }),
    { numRuns: 40 },
  );
});

test("what was taken out of the drawing is gone, what was added is a tile, and a hostile note is no template", () => {
  const t = shippedTemplates().find((s) => s.name === "Four panes")!;
  const root = parsed(drawingOfTemplate(t));
  const less = back({ ...root, children: root.children.toSpliced(2, 1) })!;
  expect(drawnPage(less).tiles).toHaveLength(3);
  const round: SvgElement = {
    name: "circle",
    attributes: { cx: "150", cy: "150", r: "40", fill: "none", stroke: "#ff0000" },
    children: [],
    text: "",
  };
  const more = back({ ...root, children: [...root.children, round] })!;
  expect(drawnPage(more).tiles).toHaveLength(5);
  expect(more.pieces[0]).toEqual(t.pieces[0]);
  for (const said of ["{", "null", '{"pieces":[]}', JSON.stringify({ ...t, pieces: "x" }), `"${"[".repeat(9999)}"`]) {
    const read = back({ ...root, attributes: { ...root.attributes, "data-tessip-template": said } })!;
    // Of no use as a note of ours, it is a drawing like any other.
    expect([said.slice(0, 20), drawnPage(read).tiles.length, read.name]).toEqual([
      said.slice(0, 20),
      4,
      "From a drawing",
    ]);
  }
});

test("of any drawing the shapes are tiles: unfilled ones wait for photos, filled ones have their colour, and where all are filled all wait", () => {
  const square = (x: number, fill: string): SvgElement => ({
    name: "rect",
    attributes: { x: String(x), y: "10", width: "30", height: "30", fill, stroke: "#000000" },
    children: [],
    text: "",
  });
  const page = (...children: SvgElement[]): SvgElement => ({
    name: "svg",
    attributes: { width: "200mm", height: "100mm", viewBox: "0 0 200 100" },
    children,
    text: "",
  });
  const mixed = back(page(square(10, "none"), square(60, "#336699")))!;
  expect(mixed.page).toEqual({ widthMm: expect.closeTo(200, 6), heightMm: expect.closeTo(100, 6) });
  expect(drawnPage(mixed).tiles.map((p) => p.filling.kind)).toEqual(["empty", "colour"]);
  expect(drawnPage(back(page(square(10, "#ddd000"), square(60, "#336699")))!).tiles.map(waitsFor)).toEqual([
    "photo",
    "photo",
  ]);
  expect(back(page())).toBeUndefined();
});
