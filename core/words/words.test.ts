import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  caretAt,
  dayWords,
  type Face,
  firstWordStyles,
  isLanguage,
  layWords,
  offsetAt,
  offsetBeyond,
  selectionRects,
  spanWords,
  type WordStyle,
} from "./index.ts";

/** Every letter half an em wide, no kerning: what a line holds can be counted. */
const face: Face = {
  key: "even",
  ascent: 0.8,
  descent: 0.2,
  covers: (c) => c !== 0x2603,
  outline: () => [],
  shape: (text) => [...text].map((_, i) => ({ file: 0, id: 1, cluster: i, advance: 0.5, dx: 0, dy: 0 })),
};

/** After each space, and after each line end. */
const setter = {
  face: () => face,
  breaks(text: string) {
    const found = [...text.matchAll(/[ \n]+/g)].map((m) => ({ at: m.index + m[0].length, must: m[0].includes("\n") }));
    return found.at(-1)?.at === text.length ? found : [...found, { at: text.length, must: false }];
  },
};

/** Letters of 1 mm, lines of 2 mm. */
const style: WordStyle = { ...firstWordStyles.journal, sizePt: (2 * 72) / 25.4, leading: 1, insetMm: 0 };
const lay = (text: string, w: number, h: number, change: Partial<WordStyle> = {}) =>
  layWords({ text, style: { ...style, ...change } }, { w, h }, setter)!;
const linesOf = (text: string, laid: ReturnType<typeof lay>) => laid.lines.map((l) => text.slice(l.from, l.to));

test("words fill a line up to its end; spaces hang over, and a long word is broken", () => {
  const text = "one two three incomprehensible";
  expect(linesOf(text, lay(text, 7, 20))).toEqual(["one two", "three", "incompr", "ehensib", "le"]);
});

test("what finds no room is hidden and its words counted", () => {
  const text = "one two three four five six";
  const laid = lay(text, 7, 4.1);
  expect(linesOf(text, laid)).toEqual(["one two", "three"]);
  expect(laid.hidden).toBe(3);
  expect(lay(text, 7, 1).lines).toEqual([]);
  expect(lay(text, 7, 1).hidden).toBe(6);
});

test("a single line counts by its letters, not by all that its font leaves room for", () => {
  // Each letter reaches 0.7 em above the line and none below: 1.4 mm of the font's 2.
  const inked: Face = { ...face, outline: () => [["M", 0, 0], ["L", 0.4, -0.7], ["Z"]] };
  const of = (h: number, vertical: WordStyle["vertical"]) =>
    layWords({ text: "A", style: { ...style, vertical } }, { w: 9, h }, { ...setter, face: () => inked })!;
  expect([of(1.5, "middle").hidden, of(1.3, "middle").hidden]).toEqual([0, 1]);
  expect(of(1.8, "top").lines[0]!.baseline).toBeCloseTo(1.4);
  expect(of(1.8, "middle").lines[0]!.baseline).toBeCloseTo(1.6);
  expect(of(1.8, "bottom").lines[0]!.baseline).toBeCloseTo(1.8);
  expect(layWords({ text: "A\nB", style }, { w: 9, h: 1.8 }, { ...setter, face: () => inked })!.hidden).toBe(2);
});

test("alignment and vertical place put the lines where they belong", () => {
  const one = (change: Partial<WordStyle>) => lay("abcd", 10, 6, change).lines[0]!;
  expect(one({}).x).toBeCloseTo(0);
  expect(one({ align: "centre" }).x).toBeCloseTo(3);
  expect(one({ align: "right" }).x).toBeCloseTo(6);
  expect(one({ vertical: "top" }).baseline).toBeCloseTo(1.6);
  expect(one({ vertical: "middle" }).baseline).toBeCloseTo(3.6);
  expect(one({ vertical: "bottom" }).baseline).toBeCloseTo(5.6);
  expect(one({ insetMm: 2 }).x).toBeCloseTo(2);
  const [first, last] = lay("ab cd ef", 7, 6, { align: "justified" }).lines;
  expect(first!.width).toBeCloseTo(7);
  expect(last!.width).toBeCloseTo(2);
});

test("turned a quarter, words are set in the box as they are read", () => {
  expect(lay("abcd", 4, 9, { turn: 90 }).size).toEqual({ w: 9, h: 4 });
  expect(lay("abcd", 4, 9, { turn: 180 }).size).toEqual({ w: 4, h: 9 });
});

test("letters that the font lacks are named", () => {
  expect(lay("snow ☃ man ☃", 40, 9).missing).toEqual(["☃"]);
});

const anyText = fc.string({ unit: fc.constantFrom("a", "b", " ", "\n"), maxLength: 80 });

test("no letter is lost or doubled, whatever the box", () => {
  fc.assert(
    fc.property(anyText, fc.integer({ min: 1, max: 30 }), (text, w) => {
      const laid = lay(text, w, 1000);
      const said = laid.lines.map((l) => text.slice(l.from, l.to)).join("");
      expect(said.replace(/\s/g, "")).toBe(text.replace(/\s/g, ""));
      expect(laid.hidden).toBe(0);
      for (const [i, line] of laid.lines.entries())
        expect(line.from).toBeGreaterThanOrEqual(laid.lines[i - 1]?.to ?? 0);
    }),
  );
});

test("where a caret stands, a click finds it again", () => {
  fc.assert(
    fc.property(anyText, fc.nat(), fc.integer({ min: 3, max: 30 }), (text, n, w) => {
      const laid = lay(text, w, 1000);
      const stops = laid.lines.flatMap((l) => l.stops.map((s) => ({ ...s, at: l.from + s.at, line: l })));
      if (stops.length === 0) return;
      const stop = stops[n % stops.length]!;
      const found = offsetAt(laid, { x: stop.x, y: stop.line.top + stop.line.height / 2 });
      expect(found).toBe(stop.at);
    }),
  );
});

test("up and down keep to the same height of the line; beyond the ends lies the text's end", () => {
  const text = "one two three";
  const laid = lay(text, 7, 20);
  expect(offsetBeyond(laid, 2, 1, text.length)).toBe(10);
  expect(offsetBeyond(laid, 10, -1, text.length)).toBe(2);
  expect(offsetBeyond(laid, 10, 1, text.length)).toBe(13);
  expect(offsetBeyond(laid, 2, -1, text.length)).toBe(0);
  expect(caretAt(laid, 8)!.top).toBeGreaterThan(caretAt(laid, 7)!.top);
  expect(selectionRects(laid, 1, 10).map((r) => [r.x, r.w])).toEqual([
    [1, 6],
    [0, 2],
  ]);
});

test("days are said as short as they can be", () => {
  const spans = (language: string) => [
    dayWords("2025-05-03T10:00:00", language),
    spanWords("2025-05-03T10:00:00", "2025-05-03T23:00:00", language),
    spanWords("2025-05-03T10:00:00", "2025-05-09T10:00:00", language),
    spanWords("2025-05-30T10:00:00", "2025-06-02T10:00:00", language),
    spanWords("2024-12-30T10:00:00", "2025-01-02T10:00:00", language),
  ];
  const english = ["3 May 2025", "3 May 2025", "3–9 May 2025", "30 May – 2 June 2025", "December 2024 – January 2025"];
  const german = [
    "3. Mai 2025",
    "3. Mai 2025",
    "3.–9. Mai 2025",
    "30. Mai – 2. Juni 2025",
    "Dezember 2024 – Januar 2025",
  ];
  expect([spans("en-GB"), spans("de")]).toEqual([english, german]);
  expect(["en-GB", "zh-Hant-TW", "en-12", "nothing at all", ""].map(isLanguage)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});

test("stretched lines reach both edges by their spaces alone; the last of a paragraph is left as it is", () => {
  fc.assert(
    fc.property(anyText, fc.integer({ min: 4, max: 30 }), (text, w) => {
      const [plain, wide] = [lay(text, w, 1000), lay(text, w, 1000, { align: "justified" })];
      expect(linesOf(text, wide)).toEqual(linesOf(text, plain));
      for (const [i, line] of wide.lines.entries()) {
        const on = text.slice(line.from, line.to);
        const gaps = [...on].filter((c) => c === " ").length;
        const ends = i === wide.lines.length - 1 || text.slice(line.to, wide.lines[i + 1]!.from).includes("\n");
        const natural = plain.lines[i]!;
        const more = ends || gaps === 0 ? 0 : w - natural.width;
        expect(line.width).toBeCloseTo(natural.width + more);
        // A letter stands as far from where it stood as there are spaces before it; each letter stays as wide.
        for (const [k, glyph] of line.glyphs.entries()) {
          const was = natural.glyphs[k]!;
          const letter = line.stops.findIndex((s) => Math.abs(s.x - glyph.x) < 1e-6);
          const before = [...on.slice(0, letter)].filter((c) => c === " ").length;
          expect(glyph.x - was.x).toBeCloseTo(gaps === 0 ? 0 : (more * before) / gaps);
        }
      }
    }),
    { numRuns: 60 },
  );
});

test("a selection covers each letter that is in it once, line by line, and no other", () => {
  fc.assert(
    fc.property(anyText, fc.nat(), fc.nat(), fc.integer({ min: 3, max: 20 }), (text, a, b, w) => {
      const laid = lay(text, w, 1000);
      const [from, to] = [a % (text.length + 1), b % (text.length + 1)].sort((p, q) => p - q) as [number, number];
      const rects = selectionRects(laid, from, to);
      for (const line of laid.lines)
        for (const [k, stop] of line.stops.slice(0, -1).entries()) {
          const middle = (stop.x + line.stops[k + 1]!.x) / 2;
          const covering = rects.filter((r) => r.y === line.top && middle > r.x && middle < r.x + r.w);
          const at = line.from + stop.at;
          expect([at, covering.length]).toEqual([at, at >= from && at < to ? 1 : 0]);
        }
    }),
  );
});
