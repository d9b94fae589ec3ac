import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { SetGlyph } from "#core/words";
import { lineGlyphs, linesApart, looksAs } from "./glyph-lines.ts";

type Line = readonly SetGlyph[];

const rows = fc.array(fc.array(fc.nat(3), { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 12 });

/** Lines of two columns, one under the other. */
const placed = (ids: readonly (readonly number[])[]): readonly Line[] =>
  ids.map((line, i) => line.map((id, k) => ({ file: 0, id, x: (i < 12 ? 0 : 50) + k, y: i % 12 })));

test("lines apart are those that stand in one text only, however much of both is the same", () => {
  fc.assert(
    fc.property(rows, fc.nat(), fc.nat(3), rows, fc.boolean(), (ids, at, count, others, anew) => {
      const before = placed(ids);
      const alike = (x: Line | undefined, y: Line) => x?.length === y.length && x.every((g, i) => looksAs(g, y[i]!));
      // What stands as it stood may be the very same objects, or others that look the same.
      const now = placed(ids.toSpliced(at % (ids.length + 1), count, ...others.slice(0, count))).map((line, i) =>
        !anew && alike(before[i], line) ? before[i]! : line,
      );
      const found = linesApart(before.flat(), now.flat());
      const apart = [
        ...before.filter((line, i) => !alike(now[i], line)),
        ...now.filter((line, i) => !alike(before[i], line)),
      ];
      expect(found).toEqual(apart);
      expect(lineGlyphs(now.flat())).toEqual(now);
    }),
  );
});
