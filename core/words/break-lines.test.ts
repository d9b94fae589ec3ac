import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type Breakable, brokenAsWhole, brokenOneByOne, type LineRun } from "./break-lines.ts";

/** Letters of two widths; a hyphen of 1 may end each third letter of a word. */
function paragraphOf(text: string, divided = false): Breakable {
  const sums = new Float64Array(text.length + 1);
  const spaces = new Uint32Array(text.length + 1);
  for (let i = 0; i < text.length; i += 1) {
    sums[i + 1] = sums[i]! + (text[i] === "m" ? 2 : 1);
    spaces[i + 1] = spaces[i]! + (text[i] === " " ? 1 : 0);
  }
  const chances = [...text.matchAll(/ +/g)].map((m) => ({ at: m.index + m[0].length, must: false }));
  const hyphens = divided
    ? [...text.matchAll(/[a-z]{6,}/g)].flatMap((m) =>
        [3, 6, 9].filter((k) => k < m[0].length - 2).map((k) => ({ at: m.index + k, must: false, hyphen: true })),
      )
    : [];
  const all = [...chances.filter((c) => c.at < text.length), ...hyphens, { at: text.length, must: false }];
  return { text, sums, spaces, begins: () => true, chances: all.sort((a, b) => a.at - b.at), hyphenMm: 1 };
}

const whole = { justified: false, hangs: () => 0, spaceMm: 1 };
const word = fc.string({ minLength: 1, maxLength: 11, unit: fc.constantFrom(..."aemo") });
const anyText = fc.array(word, { minLength: 1, maxLength: 40 }).map((w) => w.join(" "));
const width = (p: Breakable, r: LineRun) => p.sums[r.to]! - p.sums[r.from]! + (r.hyphen ? 1 : 0);
const rough = (p: Breakable, runs: readonly LineRun[], w: number) =>
  runs.slice(0, -1).reduce((sum, r) => sum + (w - width(p, r)) ** 3, 0);

test("however lines are broken they hold all of the text in order, and none is too long", () => {
  fc.assert(
    fc.property(
      anyText,
      fc.boolean(),
      fc.integer({ min: 4, max: 60 }),
      fc.integer({ min: 0, max: 3 }),
      (text, divided, w, indent) => {
        const p = paragraphOf(text, divided);
        const widthOf = (line: number) => (line === 0 ? w - indent : w);
        for (const runs of [brokenOneByOne(p, widthOf), brokenAsWhole(p, widthOf, whole)]) {
          expect(runs.map((r) => r.from)).toEqual([0, ...runs.slice(0, -1).map((r) => r.end)]);
          expect(runs.at(-1)!.end).toBe(text.length);
          for (const [i, r] of runs.entries()) {
            expect(text.slice(r.to, r.end).trim()).toBe("");
            if (r.to - r.from > 1) expect(width(p, r)).toBeLessThanOrEqual(widthOf(i) + 1e-6);
            if (r.hyphen) expect(p.chances.some((c) => c.at === r.end && c.hyphen)).toBe(true);
          }
        }
      },
    ),
  );
});

test("broken as a whole, the right edge is smoother than line by line", () => {
  const short = fc.array(fc.string({ minLength: 1, maxLength: 8, unit: fc.constantFrom(..."aeo") }), {
    minLength: 12,
    maxLength: 60,
  });
  let [greedy, total] = [0, 0];
  fc.assert(
    fc.property(short, fc.integer({ min: 24, max: 50 }), (words, w) => {
      const p = paragraphOf(words.join(" "));
      const oneByOne = brokenOneByOne(p, () => w);
      const { from, to } = oneByOne.at(-1)!;
      // Where a word would stand alone, keeping it company has its price.
      if (!p.text.slice(from, to).includes(" ")) return;
      greedy += rough(p, oneByOne, w);
      total += rough(
        p,
        brokenAsWhole(p, () => w, whole),
        w,
      );
    }),
    { numRuns: 200 },
  );
  expect(total).toBeLessThan(greedy * 0.98);
});

test("no word stands alone on the last line where it can have another beside it", () => {
  const p = paragraphOf("aaaa aaaa aaaa aaaa aaaa aaaa aaaa aaaa aaaa");
  const last = (runs: readonly LineRun[]) => p.text.slice(runs.at(-1)!.from, runs.at(-1)!.to);
  expect(last(brokenOneByOne(p, () => 19))).toBe("aaaa");
  expect(last(brokenAsWhole(p, () => 19, whole))).toBe("aaaa aaaa");
  const four = paragraphOf("aaaa aaaa aaaa aaaa");
  expect(last(brokenAsWhole(four, () => 14, whole))).toBe("aaaa aaaa");
  // A title of three words fills its lines as far as it can.
  const three = paragraphOf("aaaa aaaa aaaa");
  expect(last(brokenAsWhole(three, () => 9, whole))).toBe("aaaa");
});

test("in filled lines spaces give and take, and words are divided where that fills them better", () => {
  const text = "aaaaaa aaaaaaaaa aaaaaaaaaa aaaaaaaaa aaaaaaaaaa aaa aaaaaaaaaa";
  const filled = { ...whole, justified: true };
  const spread = (p: Breakable) => {
    const runs = brokenAsWhole(p, () => 20, filled);
    return Math.max(...runs.slice(0, -1).map((r) => Math.abs(20 - width(p, r))));
  };
  expect(spread(paragraphOf(text, true))).toBeLessThan(spread(paragraphOf(text)));
  const tight = paragraphOf("aaaa aaaa aaaa aaaa aaaa aaaa");
  // Four words with their spaces take 19: they are drawn together where the others would stand too wide.
  expect(width(tight, brokenAsWhole(tight, () => 18.5, filled)[0]!)).toBe(19);
  expect(width(tight, brokenAsWhole(tight, () => 18, filled)[0]!)).toBe(14);
});
