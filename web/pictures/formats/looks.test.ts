import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { BlockMeans, block } from "./looks.ts";

const look = (width: number, height: number, rows: Uint8ClampedArray<ArrayBuffer>): BlockMeans => {
  const means = new BlockMeans(width, height, block);
  const half = Math.floor(height / 2);
  means.add(rows.slice(0, half * width * 4), 0);
  means.add(rows.slice(half * width * 4), half);
  return means;
};

test("a channel that is off is told by how much, however wide the picture is", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5000 }),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 0, max: 255 }),
      fc.constantFrom(0, 1, 2),
      fc.integer({ min: 1, max: 90 }),
      (width, height, seed, channel, off) => {
        const drawn = Uint8ClampedArray.from({ length: width * height * 4 }, (_, i) =>
          i % 4 === 3 ? 255 : (seed + 37 * i + (i >> 9)) % 160,
        );
        const read = drawn.map((v, i) => (i % 4 === channel ? v + off : v));
        expect(look(width, height, drawn).apart(look(width, height, read))).toBeCloseTo(off, 9);
        expect(look(width, height, drawn).apart(look(width, height, drawn))).toBe(0);
      },
    ),
    { numRuns: 40 },
  );
});

test("a line of another colour at the right rim of a wide picture is seen in its own cell", () => {
  const [width, height] = [2400, 8];
  const drawn = new Uint8ClampedArray(width * height * 4).fill(200);
  const read = drawn.map((v, i) => ((i / 4) % width >= width - 30 ? 0 : v));
  expect(look(width, height, drawn).apart(look(width, height, read))).toBeCloseTo((200 * 30) / (37 * block), 6);
});
