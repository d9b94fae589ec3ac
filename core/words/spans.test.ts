import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { firstWordStyles, type Span, type SpanLook, spanAt, spansAfter, spansWithin, withSpan } from "./index.ts";
import { spansSchema } from "./schema/index.ts";

const style = firstWordStyles.journal;
const anyLook: fc.Arbitrary<SpanLook> = fc.record(
  {
    bold: fc.constantFrom(true, false, undefined),
    colour: fc.constantFrom("#aa0000", style.colour, undefined),
    sizePt: fc.constantFrom(20, style.sizePt, undefined),
    raised: fc.constantFrom("up" as const, undefined),
    list: fc.constantFrom("dots" as const, undefined),
  },
  { requiredKeys: [] },
);
const long = 24;
const stretch = fc.tuple(fc.nat(long), fc.nat(long)).map(([a, b]) => ({ from: Math.min(a, b), to: Math.max(a, b) }));
const looksOf = (spans: readonly Span[] | undefined, length: number) =>
  Array.from({ length }, (_, i) => JSON.stringify(spanAt(spans, i)));
const dressed = (steps: readonly (readonly [{ from: number; to: number }, SpanLook])[]) =>
  steps.reduce<readonly Span[] | undefined>((now, [where, look]) => withSpan(now, where, look, style), undefined);
const anySpans = fc.array(fc.tuple(stretch, anyLook), { maxLength: 6 }).map(dressed);

test("a stretch is dressed letter by letter, whatever was there; what the words look like anyway is not said", () => {
  fc.assert(
    fc.property(anySpans, stretch, anyLook, (spans, where, look) => {
      const now = withSpan(spans, where, look, style);
      if (now) expect(spansSchema.safeParse(now).success).toBe(true);
      for (let i = 0; i < long; i += 1) {
        const before = spanAt(spans, i);
        if (i < where.from || i >= where.to) expect(spanAt(now, i)).toEqual(before);
        else {
          const wanted = { ...style, ...before, ...look };
          const seen = { ...style, ...spanAt(now, i) };
          for (const k of ["bold", "colour", "sizePt", "raised", "list"] as const)
            expect([k, seen[k]]).toEqual([k, wanted[k] ?? style[k as "bold"]]);
        }
      }
      const joined = now?.some(
        (s, i) => i > 0 && now[i - 1]!.to === s.from && looksOf(now, long)[s.from] === looksOf(now, long)[s.from - 1],
      );
      expect(joined ?? false).toBe(false);
    }),
  );
});

test("letters keep their look while others are typed, taken away and replaced", () => {
  // No letter twice, so that it is plain which of them were typed.
  const before = "abcdefghijklmnopqrstuvwx";
  fc.assert(
    fc.property(anySpans, stretch, fc.constantFrom("", "1", "123"), (spans, { from, to }, typed) => {
      const after = before.slice(0, from) + typed + before.slice(to);
      const looks = looksOf(spans, long);
      const now = looksOf(spansAfter(spans, before, after), after.length);
      expect(now.slice(0, from)).toEqual(looks.slice(0, from));
      expect(now.slice(from + typed.length)).toEqual(looks.slice(to));
      const as = (to > from ? looks[from] : looks[from - 1]) ?? "{}";
      expect(now.slice(from, from + typed.length)).toEqual([...typed].map(() => as));
    }),
  );
});

test("what is cut out of a text keeps its looks, counted from there", () => {
  fc.assert(
    fc.property(anySpans, stretch, (spans, { from, to }) => {
      expect(looksOf(spansWithin(spans, from, to), to - from)).toEqual(looksOf(spans, long).slice(from, to));
    }),
  );
});
