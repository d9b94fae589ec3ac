import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { bent, unbent } from "./bend.ts";
import {
  caretAt,
  type Face,
  firstWordStyles,
  glyphMatrix,
  type LaidWords,
  layWords,
  offsetAt,
  offsetBeyond,
  type Span,
  selectionRects,
  type Typesetter,
  type WordStyle,
} from "./index.ts";

/** Every letter half an em wide; capitals are right-to-left letters here, and figures are borrowed. */
const face = (key: string): Face => ({
  key,
  ascent: 0.8,
  descent: 0.2,
  covers: (c) => (key.startsWith("noto-sans-4") ? c === 0x3b1 : c < 0x250 || (c >= 0x5d0 && c < 0x5f0) || c === 0x2022),
  outline: () => [["M", 0, 0], ["L", 0.4, -0.7], ["Z"]],
  shape: (text, how) => {
    const glyphs = [...text].map((c, i) => ({
      file: 0,
      id: c.charCodeAt(0),
      cluster: i,
      advance: 0.5,
      dx: 0,
      dy: 0,
    }));
    return how?.rtl ? glyphs.reverse() : glyphs;
  },
});
const faces = new Map<string, Face>();
const setter: Typesetter = {
  face: (key) => {
    if (!faces.has(key)) faces.set(key, face(key));
    return faces.get(key);
  },
  breaks: (text) => {
    const found = [...text.matchAll(/ +|\u00ad/g)].map((m) => ({ at: m.index + m[0].length, must: false }));
    return found.at(-1)?.at === text.length ? found : [...found, { at: text.length, must: false }];
  },
  levels: (text) => {
    const rtl = /[\u05d0-\u05ea]/;
    const base = rtl.test([...text].find((c) => rtl.test(c) || /[a-z]/.test(c)) ?? "") ? 1 : 0;
    return {
      levels: Uint8Array.from([...text], (c) => (rtl.test(c) ? 1 : /[a-z]/.test(c) && base === 1 ? 2 : base)),
      base,
    };
  },
  hyphens: (word, language) => (language === "en" ? [4].filter((at) => at < word.length) : []),
};

/** Letters of 1 mm, lines of 2 mm. */
const style: WordStyle = { ...firstWordStyles.journal, sizePt: (2 * 72) / 25.4, leading: 1, insetMm: 0 };
const lay = (
  text: string,
  w: number,
  h: number,
  change: Partial<WordStyle> = {},
  spans?: readonly Span[],
  goesOn = false,
) => layWords({ text, style: { ...style, ...change }, spans, language: "en", goesOn }, { w, h }, setter)!;
const linesOf = (text: string, laid: LaidWords) => laid.lines.map((l) => text.slice(l.from, l.to));

test("letters of a stretch have their own size, height over the line, face and colour, and the line makes room for the largest", () => {
  const laid = lay("ab cd ef", 30, 30, { trackingEm: 0 }, [
    { from: 3, to: 5, sizePt: style.sizePt * 2, bold: true, colour: "#aa0000", underline: true },
    { from: 6, to: 7, raised: "up", highlight: "#ffee00" },
  ]);
  const [line] = laid.lines;
  expect(line!.stops.map((s) => s.x)).toEqual([0, 1, 2, 3, 5, 7, 8, 8.6, 9.6].map((x) => expect.closeTo(x, 9)));
  expect(line!.height).toBeCloseTo(4);
  const looks = line!.glyphs.map((g) => laid.looks[g.look ?? 0]!);
  expect(looks.map((l) => l.face)).toEqual([
    "source-sans-3-400",
    "source-sans-3-400",
    "source-sans-3-700",
    "source-sans-3-700",
    "source-sans-3-400",
    "source-sans-3-400",
  ]);
  expect(looks[2]).toMatchObject({ colour: "#aa0000", sizeMm: expect.closeTo(4, 9) });
  expect(line!.baseline - line!.glyphs[4]!.y).toBeCloseTo(2 * 0.36);
  expect(looks[4]!.sizeMm).toBeCloseTo(1.2);
  const [behind, under] = [true, false].map((b) => line!.bars!.find((bar) => bar.behind === b)!);
  expect([behind!.x, behind!.w, under!.x, under!.w].map((v) => Math.round(v * 10))).toEqual([80, 6, 30, 40]);
  expect(under!.y).toBeGreaterThan(line!.baseline);
  expect(behind!.y + behind!.h).toBeGreaterThan(line!.baseline - 0.72);
});

test("room between letters, between paragraphs and before first lines; a centred line does not lean by its last letter's room", () => {
  const tracked = lay("abcd", 20, 9, { trackingEm: 0.5, align: "centre" }).lines[0]!;
  expect(tracked.width).toBeCloseTo(4 + 3);
  expect(tracked.x).toBeCloseTo(6.5);
  const laid = lay("ab\ncd ef", 5, 20, { paragraphLines: 0.5, firstLineMm: 1 });
  expect(laid.lines.map((l) => [l.x, l.baseline])).toEqual(
    [
      [1, expect.closeTo(1.6)],
      [1, expect.closeTo(4.6)],
      [0, expect.closeTo(6.6)],
    ].map(([x, y]) => [typeof x === "number" ? expect.closeTo(x) : x, y]),
  );
  // At the foot of a box the last line ends there, room between paragraphs included.
  const low = lay("ab\ncd", 5, 20, { paragraphLines: 0.5, vertical: "bottom" });
  expect(low.lines.map((l) => l.baseline)).toEqual([expect.closeTo(16.6), expect.closeTo(19.6)]);
});

test("items of a list are numbered anew in each list and stand beside their marker", () => {
  const text = "ab\ncd ef\n\ngh";
  const list = (kind: "dots" | "numbers") => lay(text, 6, 30, {}, [{ from: 0, to: text.length, list: kind }]);
  const dots = list("dots");
  expect(dots.lines.map((l) => l.glyphs[0]?.id)).toEqual([0x2022, 0x2022, 101, undefined, 0x2022]);
  expect(dots.lines[2]!.x).toBeCloseTo(dots.lines[1]!.x);
  expect(dots.lines[0]!.glyphs[0]!.x).toBeLessThan(dots.lines[0]!.x);
  const numbers = lay("a\nb\nc\nd", 9, 30, {}, [
    { from: 0, to: 4, list: "numbers" },
    { from: 6, to: 7, list: "numbers" },
  ]);
  expect(numbers.lines.map((l) => String.fromCharCode(l.glyphs[0]!.id))).toEqual(["1", "2", "c", "1"]);
});

test("columns fill one after the other; a paragraph leaves no line alone at the foot or the head of one", () => {
  const words = Array.from({ length: 10 }, (_, i) => `w${i}`);
  const text = words.join(" ");
  const laid = lay(text, 11, 8, { columns: 2, columnGapMm: 1 });
  expect(linesOf(text, laid)).toEqual(["w0 w1", "w2 w3", "w4 w5", "w6 w7", "w8 w9"]);
  // They end as level as they can, and fill up where there is more.
  expect(laid.lines.map((l) => l.x)).toEqual([0, 0, 0, 6, 6]);
  expect(laid.lines[3]!.baseline).toBeCloseTo(laid.lines[0]!.baseline);
  expect(lay(`${text} ${text}`, 11, 8, { columns: 2, columnGapMm: 1 }).lines.map((l) => l.x)).toEqual([
    0, 0, 0, 0, 6, 6, 6, 6,
  ]);
  const whole = lay(text, 11, 8, { columns: 2, columnGapMm: 1, whole: true });
  expect(whole.lines.map((l) => l.x)).toEqual([0, 0, 0, 6, 6]);
  expect(lay(text, 11, 1, { columns: 2, whole: true }).lines).toEqual([]);
  const later = "w0 w1\nw2 w3 w4 w5";
  expect(lay(later, 5, 4, { whole: true }, undefined, true).lines).toHaveLength(1);
  expect(lay(later, 5, 4, { whole: true }).lines).toHaveLength(2);
});

test("what finds no room goes on from there in another box, and nothing is set twice", () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom("a", "bbb", "cc", "dddddddd", "e\nf"), { minLength: 1, maxLength: 30 }),
      fc.integer({ min: 3, max: 12 }),
      fc.integer({ min: 2, max: 9 }),
      fc.boolean(),
      (words, w, h, whole) => {
        const text = words.join(" ");
        const change = whole ? ({ whole: true } as const) : {};
        const inStyle = { ...style, ...change };
        let from = 0;
        let shown = "";
        for (let box = 0; box < 200 && from < text.length; box += 1) {
          const laid = layWords({ text, style: inStyle, from, goesOn: true }, { w, h }, setter)!;
          expect(laid.lines.length).toBeGreaterThan(0);
          shown += laid.lines.map((l) => text.slice(l.from, l.to)).join("");
          expect(laid.shownTo).toBeGreaterThan(from);
          from = laid.shownTo;
        }
        expect(shown.replace(/\s/g, "")).toBe(text.replace(/\s/g, ""));
      },
    ),
  );
});

test("right-to-left words stand from the right, others among them go the other way, and carets follow", () => {
  const text = "\u05d0\u05d1 ab \u05d2";
  const laid = lay(text, 20, 9);
  const [line] = laid.lines;
  expect(laid.rtl).toBe(true);
  expect(line!.glyphs.map((g) => [g.id, Math.round(g.x)])).toEqual([
    [0x5d2, 13],
    [0x61, 15],
    [0x62, 16],
    [0x5d1, 18],
    [0x5d0, 19],
  ]);
  // Files say of each such letter which it is, and no more than that.
  expect(line!.glyphs.map((g) => g.letters)).toEqual(["\u05d2", undefined, undefined, "\u05d1", "\u05d0"]);
  expect(line!.stops.map((s) => Math.round(s.x))).toEqual([20, 19, 18, 15, 16, 15, 14, 13]);
  expect(Math.round(caretAt(laid, 0)!.x)).toBe(20);
  expect(offsetAt(laid, { x: 18.1, y: 1 })).toBe(2);
  expect(selectionRects(laid, 0, 2).map((r) => [Math.round(r.x), Math.round(r.w)])).toEqual([[18, 2]]);
  // Two letters of each direction: what is read together need not stand together.
  expect(
    selectionRects(laid, 1, 4)
      .map((r) => Math.round(r.w))
      .reduce((a, b) => a + b, 0),
  ).toBe(3);
  expect(lay(text, 20, 9, { align: "right" }).lines[0]!.x).toBeCloseTo(0);
  const mixed = lay("ab \u05d0\u05d1", 20, 9);
  expect(mixed.rtl).toBe(false);
  expect(mixed.lines[0]!.glyphs.map((g) => Math.round(g.x))).toEqual([0, 1, 3, 4]);
  expect(mixed.lines[0]!.glyphs.map((g) => g.id)).toEqual([0x61, 0x62, 0x5d1, 0x5d0]);
});

test("pieces of a line are turned around level by level, the deepest first (UAX #9, L2)", () => {
  const seen = (text: string, base: 0 | 1, levels: readonly number[]) => {
    const mixed: Typesetter = { ...setter, levels: () => ({ levels: Uint8Array.from(levels), base }) };
    const laid = layWords({ text, style, language: "en" }, { w: 30, h: 9 }, mixed)!;
    return laid.lines[0]!.glyphs.map((g) => String.fromCharCode(g.id)).join("");
  };
  // Figures among letters from right to left, and those among others.
  expect(seen("ab\u05d0\u05d112\u05d2\u05d3cd", 0, [0, 0, 1, 1, 2, 2, 1, 1, 0, 0])).toBe(
    "ab\u05d3\u05d212\u05d1\u05d0cd",
  );
  // In a line from the right the outer words are a level deeper, and all of it is turned around once more.
  expect(seen("ef\u05d0\u05d112\u05d2\u05d3gh", 1, [2, 2, 1, 1, 2, 2, 1, 1, 2, 2])).toBe(
    "gh\u05d3\u05d212\u05d1\u05d0ef",
  );
});

test("a letter that the font lacks is lent by one that has it, and told; one that nobody has is told otherwise", () => {
  const laid = lay("a\u03b1 \u4e00", 20, 9);
  expect([laid.borrowed, laid.missing, laid.waiting]).toEqual([["\u03b1"], ["\u4e00"], false]);
  expect(laid.lines[0]!.glyphs.map((g) => laid.looks[g.look ?? 0]!.face)).toEqual([
    "source-sans-3-400",
    "noto-sans-400",
    "source-sans-3-400",
  ]);
  const without: Typesetter = { ...setter, face: (key) => (key.startsWith("noto") ? undefined : setter.face(key)) };
  expect(layWords({ text: "\u03b1", style }, { w: 9, h: 9 }, without)!.waiting).toBe(true);
});

test("words are divided with a hyphen where their language lets them, and where a person said so", () => {
  const text = "one abcdefgh";
  expect(linesOf(text, lay(text, 9, 20, { hyphens: true }))).toEqual(["one abcd", "efgh"]);
  const divided = lay(text, 9, 20, { hyphens: true }).lines[0]!;
  expect([divided.glyphs.at(-1)!.id, divided.width]).toEqual([0x2d, expect.closeTo(9)]);
  expect(linesOf(text, lay(text, 9, 20))).toEqual(["one", "abcdefgh"]);
  const soft = "one abc\u00addefghijk";
  const laid = lay(soft, 9, 20);
  expect(linesOf(soft, laid)).toEqual(["one abc\u00ad", "defghijk"]);
  expect(laid.lines[0]!.glyphs.map((g) => String.fromCharCode(g.id)).join("")).toBe("oneabc-");
});

test("commas and quotation marks hang over the ends of a line, so that letters stand in line", () => {
  const hung = lay("“abc ef,", 8, 9, { hanging: true }).lines[0]!;
  expect(hung.x).toBeCloseTo(-0.7);
  const right = lay("abc ef,", 8, 9, { hanging: true, align: "right" }).lines[0]!;
  expect(right.x + right.width).toBeCloseTo(8.7);
});

test("on an arc each letter stands upright on the circle, all of it inside the box, and points find their way back", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(30, 120, 180, 270, 360, -60, -180),
      fc.double({ min: 20, max: 80, noNaN: true }),
      fc.double({ min: 20, max: 80, noNaN: true }),
      (bend, w, h) => {
        const laid = lay("abcdef", w, h, { bend, align: "centre" });
        const { bend: arc, lines } = laid;
        for (const g of lines[0]!.glyphs) {
          const m = glyphMatrix(g, laid.sizeMm);
          // The foot of each letter's middle is as far from the circle's middle as all others.
          const foot = { x: m.a * 0.25 + m.e, y: m.b * 0.25 + m.f };
          expect(Math.hypot(foot.x - arc!.centre.x, foot.y - arc!.centre.y)).toBeCloseTo(arc!.radius, 6);
          expect(Math.min(foot.x, foot.y, w - foot.x, h - foot.y)).toBeGreaterThan(-0.5);
        }
        const p = { x: w / 2 + 3, y: lines[0]!.baseline - 1 };
        const back = unbent(arc!, bent(arc!, p));
        expect([back.x, back.y]).toEqual([expect.closeTo(p.x, 6), expect.closeTo(p.y, 6)]);
        expect(offsetAt(laid, bent(arc!, { x: lines[0]!.stops[2]!.x, y: lines[0]!.baseline }))).toBe(2);
        expect(selectionRects(laid, 1, 3)).toHaveLength(2);
      },
    ),
  );
});

test("up and down a line the caret stays where it was across", () => {
  const laid = lay("abcd efgh ijkl", 5, 20);
  expect(offsetBeyond(laid, 2, 1, 14)).toBe(7);
  expect(offsetBeyond(laid, 12, -1, 14)).toBe(7);
});
