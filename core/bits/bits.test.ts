import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { bitsIn } from "./index.ts";

test("bits are counted as in the number written out, of signed and unsigned ones", () => {
  fc.assert(
    fc.property(fc.nat(0xffffffff), (mask) => {
      const written = mask.toString(2).replaceAll("0", "").length;
      expect([bitsIn(mask), bitsIn(mask | 0)]).toEqual([written, written]);
    }),
    { examples: [[0], [0xffffffff], [0x80000000], [1]] },
  );
});
