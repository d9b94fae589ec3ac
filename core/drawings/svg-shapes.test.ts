import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { flattened, type Ring, ringArea } from "#core/geometry";
import { type DrawnShape, type SvgElement, shapesOfSvg } from "./index.ts";

const el = (
  name: string,
  attributes: Record<string, string | number> = {},
  ...children: readonly SvgElement[]
): SvgElement => ({
  name,
  attributes: Object.fromEntries(Object.entries(attributes).map(([k, v]) => [k, String(v)])),
  children,
  text: name === "title" ? String(attributes.text ?? "") : "",
});
const colours: Record<string, string> = {
  red: "#ff0000",
  black: "#000000",
  "#0a0": "#00aa00",
  "rgb(1, 2, 3)": "#010203",
};
const read = (root: SvgElement) => shapesOfSvg(root, (c) => colours[c]);
/** A drawing of 200 by 100 mm whose units are millimetres. */
const drawing = (...children: readonly SvgElement[]) =>
  read(el("svg", { width: "200mm", height: "100mm", viewBox: "0 0 200 100" }, ...children));

const ringsOf = (s: DrawnShape): readonly Ring[] => flattened(s.path);
const areaOf = (s: DrawnShape) => Math.abs(ringsOf(s).reduce((sum, r) => sum + ringArea(r), 0));
function boxOf(s: DrawnShape) {
  const all = ringsOf(s).flat();
  const [xs, ys] = [all.map((p) => p.x), all.map((p) => p.y)];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)].map((v) => Math.round(v * 1e3) / 1e3);
}
const boxes = (d: ReturnType<typeof read>) => d.shapes.map(boxOf);

test("each basic shape has the area of arithmetic, wherever it lies and however it is moved, scaled and turned", () => {
  const n = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(n(8, 60), n(8, 40), n(-170, 170), n(0.3, 3), n(0, 50), (w, h, turn, k, x) => {
      const { shapes } = drawing(
        el(
          "g",
          { transform: `translate(${x} 5) rotate(${turn}, 3 4)` },
          el("rect", { x: 2, y: 3, width: w, height: h, transform: `scale(${k})` }),
          el("ellipse", { cx: 9, cy: 9, rx: w / 2, ry: h / 2 }),
          el("polygon", { points: `0,0 ${w},0 ${w} ${h}` }),
          el("path", { d: `M0 0h${w}v${h}h${-w}z` }),
          el("rect", { width: w, height: h, rx: Math.min(w, h) / 4 }),
        ),
      );
      const r = Math.min(w, h) / 4;
      const wanted = [w * h * k * k, (Math.PI * w * h) / 4, (w * h) / 2, w * h, w * h - (4 - Math.PI) * r * r];
      for (const [i, s] of shapes.entries()) expect(areaOf(s) / wanted[i]!).toBeCloseTo(1, 2);
    }),
  );
});

test("a circle is exact to a thousandth of a millimetre at 100 mm", () => {
  const [circle] = read(
    el("svg", { width: "300mm", height: "300mm", viewBox: "0 0 300 300" }, el("circle", { cx: 150, cy: 150, r: 100 })),
  ).shapes;
  for (const p of ringsOf(circle!)[0]!) expect(Math.abs(Math.hypot(p.x - 150, p.y - 150) - 100)).toBeLessThan(0.006);
});

test("units, percentages and view boxes come out in millimetres", () => {
  const inch = { width: "1in", height: "10mm" };
  expect(boxes(read(el("svg", { width: "4in", height: "2in" }, el("rect", { x: "1in", y: "1cm", ...inch }))))).toEqual([
    [25.4, 10, 50.8, 20],
  ]);
  expect(boxes(drawing(el("rect", { x: "50%", y: "50%", width: "25%", height: "50%" })))).toEqual([
    [100, 50, 150, 100],
  ]);
  // A square drawing in a wide viewport stands in its middle, at its left, or is stretched.
  const inside = (preserveAspectRatio: string) =>
    boxes(
      drawing(
        el(
          "svg",
          { width: 200, height: 100, viewBox: "0 0 10 10", preserveAspectRatio },
          el("rect", { width: 10, height: 10 }),
        ),
      ),
    );
  expect(inside("")).toEqual([[50, 0, 150, 100]]);
  expect(inside("xMinYMid meet")).toEqual([[0, 0, 100, 100]]);
  expect(inside("none")).toEqual([[0, 0, 200, 100]]);
  expect(inside("xMidYMid slice")).toEqual([[0, -50, 200, 150]]);
});

test("units are those of CSS, and each transform does what SVG says", () => {
  const widthOf = (width: string) => boxes(drawing(el("rect", { width, height: 1 })))[0]![2]!;
  // In a drawing whose units are millimetres: a pixel of 1/96 inch is one of them.
  const inch = {
    in: 96,
    cm: 96 / 2.54,
    mm: 96 / 25.4,
    q: 96 / 101.6,
    pt: 96 / 72,
    pc: 16,
    px: 1,
    em: 16,
    ex: 8,
    "": 1,
  };
  for (const [unit, wide] of Object.entries(inch))
    expect([unit, widthOf(`2${unit}`)]).toEqual([unit, expect.closeTo(2 * wide, 3)]);
  const boxOfSquare = (transform: string) => boxes(drawing(el("rect", { width: 10, height: 10, transform })))[0];
  const tan = (deg: number) => Math.round(1e4 * Math.tan((deg * Math.PI) / 180)) / 1e3;
  expect(boxOfSquare("skewX(30)")).toEqual([0, 0, expect.closeTo(10 + tan(30), 6), 10]);
  expect(boxOfSquare("skewY(20)")).toEqual([0, 0, 10, expect.closeTo(10 + tan(20), 6)]);
  expect(boxOfSquare("matrix(1 2 3 4 5 6)")).toEqual([5, 6, 45, 66]);
  expect(boxOfSquare("translate(4)")).toEqual([4, 0, 14, 10]);
  expect(boxOfSquare("scale(2 3)")).toEqual([0, 0, 20, 30]);
  expect(boxOfSquare("rotate(90)")).toEqual([-10, 0, 0, 10]);
  expect(boxOfSquare("rotate(180, 10, 10)")).toEqual([10, 10, 20, 20]);
  expect(boxOfSquare("wobble(3) matrix(1 2)")).toEqual([0, 0, 10, 10]);
});

test("what is used again is there again: symbols in their own view, and nothing that uses itself", () => {
  const d = drawing(
    el("defs", {}, el("rect", { id: "r", width: 10, height: 10 })),
    el("symbol", { id: "s", viewBox: "0 0 1 1" }, el("rect", { width: 1, height: 1 })),
    el("use", { href: "#r", x: 20, y: 30 }),
    el("use", { href: "#s", x: 50, y: 0, width: 40, height: 40 }),
    el("g", { id: "loop" }, el("use", { href: "#loop" })),
    el("use", { href: "https://example.org/x.svg#r" }),
  );
  expect(boxes(d)).toEqual([
    [20, 30, 30, 40],
    [50, 0, 90, 40],
  ]);
});

test("fills, strokes, names and opacity come along; what is not shown does not", () => {
  const d = drawing(
    el(
      "g",
      { fill: "red", opacity: 0.5 },
      el("rect", { id: "a", width: 10, height: 10, style: "stroke: #0a0; stroke-width: 2" }),
    ),
    el("rect", { width: 5, height: 5, fill: "none", stroke: "rgb(1, 2, 3)" }, el("title", { text: " The boat " })),
    el("rect", { width: 5, height: 5, fill: "url(#gradient)" }),
    el("rect", { width: 5, height: 5, display: "none" }),
    el("clipPath", {}, el("rect", { width: 5, height: 5 })),
  );
  expect(d.shapes.map(({ name, fill, stroke, opacity }) => ({ name, fill, stroke, opacity }))).toEqual([
    { name: "a", fill: "#ff0000", stroke: { widthMm: expect.closeTo(2, 6), colour: "#00aa00" }, opacity: 0.5 },
    { name: "The boat", fill: undefined, stroke: { widthMm: expect.closeTo(1, 6), colour: "#010203" }, opacity: 1 },
    { name: "", fill: "#d9d2c4", stroke: undefined, opacity: 1 },
  ]);
});

test("a hole stays a hole by either rule", () => {
  const ring = "M0 0h40v40h-40z M10 10h20v20h-20z";
  const [even, filled] = drawing(el("path", { d: ring, "fill-rule": "evenodd" }), el("path", { d: ring })).shapes;
  expect(areaOf(even!)).toBeCloseTo(1600 - 400, 1);
  // By the nonzero rule the inner square runs the same way, and is filled; its rings are kept as they are.
  expect(ringsOf(filled!).map((r) => Math.sign(ringArea(r)))).toEqual([1, 1]);
});

test("what cannot be a tile is counted: open lines, text, pictures, and paths that make no sense", () => {
  const d = drawing(
    el("path", { d: "M0 0L10 10L20 0", fill: "none", stroke: "black" }),
    el("polyline", { points: "0,0 5,5 9,0", fill: "none" }),
    el("path", { d: "M0 0L10 10L20 0", fill: "red" }),
    el("path", { d: "M0 0 L 1e400 3 L 4 4 Z" }),
    el("path", { d: "M 0 0 nonsense" }),
    el("path", { d: "M5 5 L 9 5 Z" }),
    el("path", { d: "" }),
    el("text", {}),
    el("image", { href: "x.png" }),
    el("script", {}),
  );
  expect(d.shapes).toHaveLength(1);
  expect(d.leftOut).toMatchObject({ open: 3, words: 1, pictures: 1 });
  expect(d.leftOut.broken).toBeGreaterThanOrEqual(2);
  expect(read(el("svg", { width: "nonsense" })).shapes).toEqual([]);
});
