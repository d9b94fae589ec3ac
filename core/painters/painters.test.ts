import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import { placed } from "#core/document";
import { bleedBox } from "#core/lab";
import { type DrawStep, scene } from "#core/scene";
import { factsOf, holding, lying, photo, tile } from "../check/check.fixture.ts";
import { collage, squareFormat } from "../document/project.fixture.ts";
import { oraStack, pdfContent, printersMarks, svgOf } from "./index.ts";
import { bareNames, bareSupply } from "./painters.fixture.ts";

const project = collage([1]);
const known = factsOf([photo("p")]);
const identity = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

const partOf = (steps: readonly DrawStep[]) => ({ place: identity, clip: bleedBox(squareFormat), steps });
const sheetOf = (drawn: readonly DrawStep[]) => ({
  place: identity,
  clip: bleedBox(squareFormat),
  layers: [{ steps: drawn }],
});
const steps = (background: string): readonly DrawStep[] =>
  scene(
    placed(project, {
      ...lying("page", [
        tile("c", { x: 50, y: 60, w: 100, h: 80 }, { kind: "colour", colour: "#b2472a" }),
        tile("p", { x: 160, y: 60, w: 90, h: 60 }, holding("p")),
      ]),
      background,
    }),
    known,
  ).steps;

test("an SVG drawn by another program has each colour where its tile lies", async () => {
  const box = bleedBox(squareFormat);
  const supply = bareSupply;
  const svg = svgOf({ box, title: "A & <b>\u0000", parts: [sheetOf(steps("#102030"))] }, supply);
  const { data, info } = await sharp(Buffer.from(svg))
    .resize(312, 312)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => {
    const i =
      3 *
      (Math.round(((y - box.y) / box.h) * info.height) * info.width + Math.round(((x - box.x) / box.w) * info.width));
    return [...data.subarray(i, i + 3)];
  };
  expect(at(20, 20)).toEqual([0x10, 0x20, 0x30]);
  expect(at(100, 100)).toEqual([0xb2, 0x47, 0x2a]);
  expect(svg).toContain("<title>A &#38; &#60;b&#62;</title>");
});

test("a PDF's content opens and closes everything, and leaves out what it has no file of", () => {
  const content = pdfContent({ parts: [partOf(steps("#ffffff"))], toPoints: identity, marks: undefined }, bareNames);
  const count = (op: RegExp) => content.match(op)?.length ?? 0;
  expect(count(/\bq\b/g)).toBe(count(/\bQ\b/g));
  expect(content).not.toContain("Do");
  const placed = pdfContent(
    {
      parts: [partOf(steps("#ffffff"))],
      toPoints: identity,
      marks: { lines: [[0, 0, 1, 1]], dashed: [[5, 0, 5, 1]], register: [{ x: 3, y: 3 }] },
    },
    { ...bareNames, photo: () => ({ name: "P9", toUnit: identity }) },
  );
  expect(placed).toContain("/P9 Do");
  expect(placed).toMatch(/0 0 m 1 1 l S/);
  // The cross of a register mark reaches as far on all four sides.
  expect(placed).toMatch(/1 3 m 5 3 l S\n3 1 m 3 5 l S/);
  expect(placed).toMatch(/\[1 0.6\] 0 d\n5 0 m 5 1 l S/);
});

test("marks for cut, fold and inks lie outside of all that is printed, in line with the cut and the fold", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 900, noNaN: true }),
      fc.double({ min: 20, max: 900, noNaN: true }),
      fc.double({ min: 0, max: 10, noNaN: true }),
      (w, h, bleedMm) => {
        const spine = { atMm: w / 2, widthMm: w / 10 };
        const marks = printersMarks({ x: 0, y: 0, w, h }, bleedMm, { foldsMm: [w / 2], spine });
        expect([marks.lines.length, marks.dashed.length, marks.register.length]).toEqual([10, 2, 4]);
        // The spine's bars join the outer ends of the fold's marks.
        const ends = [...marks.dashed].flatMap(([, a, , b]) => [a, b]);
        const bars = marks.lines.slice(-2);
        expect(bars.map(([x, , to]) => [x, to])).toEqual([0, 0].map(() => [w / 2, w / 2 + w / 10]));
        expect(bars.map(([, y]) => y)).toEqual([Math.min(...ends), Math.max(...ends)]);
        for (const { x, y } of marks.register) {
          const off = Math.max(-x, x - w, -y, y - h);
          expect(off).toBeGreaterThanOrEqual(bleedMm + 2);
        }
        for (const [x0, y0, x1, y1] of [...marks.lines.slice(0, -2), ...marks.dashed]) {
          const upright = x0 === x1 && (x0 === 0 || x0 === w || x0 === w / 2);
          const level = y0 === y1 && (y0 === 0 || y0 === h);
          expect(upright || level).toBe(true);
          const out = (v: number, most: number) => v < -bleedMm || v > most + bleedMm;
          expect(upright ? out(y0, h) && out(y1, h) : out(x0, w) && out(x1, w)).toBe(true);
        }
      },
    ),
  );
});

test("layers are listed from front to back, whatever their names", () => {
  const size = { widthPx: 20, heightPx: 10, ppi: 300 };
  const layer = (name: string, i: number) => ({ name, path: `data/${i}.png`, x: 0, y: 0 });
  const stack = oraStack(size, ["ground", 'a "b" & <c>\u0007'].map(layer));
  expect([...stack.matchAll(/src="([^"]+)"/g)].map((m) => m[1])).toEqual(["data/1.png", "data/0.png"]);
  expect(stack).toContain('name="a &#34;b&#34; &#38; &#60;c&#62; "');
  expect(stack).toContain('w="20" h="10" xres="300"');
});

test("a tile that is see-through is drawn as one thing and then let through: its border does not show what it holds", async () => {
  const border = { widthMm: 20, colour: "#0000ff" };
  const red = {
    ...tile("c", { x: 50, y: 60, w: 100, h: 80 }, { kind: "colour", colour: "#ff0000" }),
    border,
    opacity: 0.25,
  };
  const drawn = scene(placed(project, { ...lying("page", [red]), background: "#ffffff" }), known).steps;
  const supply = bareSupply;
  const box = bleedBox(squareFormat);
  const svg = svgOf({ box, title: "", parts: [sheetOf(drawn)] }, supply);
  const { data, info } = await sharp(Buffer.from(svg))
    .resize(312, 312)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const at = (x: number, y: number) => {
    const [px, py] = [((x - box.x) / box.w) * info.width, ((y - box.y) / box.h) * info.height].map(Math.round);
    return [...data.subarray(3 * (py! * info.width + px!), 3 * (py! * info.width + px!) + 3)];
  };
  const near = (is: number[], wanted: number[]) => is.every((v, i) => Math.abs(v - wanted[i]!) <= 2);
  expect(
    [at(100, 100), at(55, 100), at(30, 30)].map((c, i) =>
      near(
        c,
        [
          [255, 191, 191],
          [191, 191, 255],
          [255, 255, 255],
        ][i]!,
      ),
    ),
  ).toEqual([true, true, true]);
  const groups: string[] = [];
  const names = { ...bareNames, group: (content: string) => `G${groups.push(content)}` };
  const content = pdfContent({ parts: [partOf(drawn)], toPoints: identity }, names);
  expect(content).toContain("q /A0.25 gs /G1 Do Q");
  expect(groups).toHaveLength(1);
  expect(groups[0]!.match(/ rg /g)).toHaveLength(2);
  const gone = scene(placed(project, lying("page", [{ ...red, opacity: 0 }])), known).steps;
  expect(gone.map((s) => s.draw)).toEqual(["fill"]);
});
