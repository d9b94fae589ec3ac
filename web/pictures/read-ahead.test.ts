import { expect, jest, test } from "@jest/globals";
import { ReadAhead } from "./read-ahead.ts";

const megabyte = 1e6;

/** A file that notes when it is read by itself, and may refuse. */
class Watched extends Blob {
  alone = 0;
  readonly refuses: boolean;
  constructor(parts: BlobPart[], refuses = false) {
    super(parts);
    this.refuses = refuses;
  }
  override async arrayBuffer(): Promise<ArrayBuffer> {
    this.alone += 1;
    if (this.refuses) throw new DOMException("gone", "NotReadableError");
    return super.arrayBuffer();
  }
}

const filled = (n: number, size = megabyte): Watched => new Watched([new Uint8Array(size).fill(n)]);

test("every file comes back with its own bytes, read beside others as long as they are asked for in order, some or all", async () => {
  const all = Array.from({ length: 40 }, (_, i) => i);
  for (const asked of [all, all.filter((i) => i % 3 === 1), [2, 3, 4, 36, 37, 38], [39]]) {
    const files = all.map((i) => [`${i}`, filled(i, megabyte + i)] as const);
    const ahead = new ReadAhead(files);
    for (const i of asked) {
      const bytes = await ahead.read(...files[i]!);
      expect([i, bytes.length, bytes[0], bytes.at(-1)]).toEqual([i, megabyte + i, i, i]);
    }
    expect(files.filter(([, f]) => f.alone > 0)).toEqual([]);
    // Once more, out of turn, and what is in no order at all.
    const again = asked[0]!;
    expect((await ahead.read(...files[again]!))[0]).toBe(again);
    expect(files.flatMap(([id, f]) => (f.alone > 0 ? [id] : []))).toEqual([`${again}`]);
    expect((await ahead.read("another", filled(77)))[0]).toBe(77);
  }
});

test("a file that cannot be read says so itself, and the others are there", async () => {
  const whole = jest.spyOn(Blob.prototype, "arrayBuffer").mockRejectedValueOnce(new Error("one of them"));
  const files = [
    ["a", filled(1)],
    ["b", new Watched(["b"], true)],
    ["c", filled(3)],
  ] as const;
  const ahead = new ReadAhead(files);
  expect((await ahead.read(...files[0]))[0]).toBe(1);
  await expect(ahead.read(...files[1])).rejects.toThrow("gone");
  expect((await ahead.read(...files[2]))[0]).toBe(3);
  whole.mockRestore();
});
