import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { unzipSync } from "fflate";
import { crc32, listZip, packedStart, type StoredEntry, storedZip } from "./index.ts";

function archive(files: readonly (readonly [path: string, content: Uint8Array])[]): Uint8Array<ArrayBuffer> {
  const entries = files.map(([path, content]): StoredEntry => ({ path, bytes: content.length, crc: crc32(content) }));
  const { headers, directory } = storedZip(entries);
  return new Uint8Array(Buffer.concat([...files.flatMap(([, content], i) => [headers[i]!, content]), directory]));
}

const anyFiles = fc
  .array(
    fc.tuple(
      fc.string({ unit: fc.constantFrom("a", "b.", "é", "日", "😀", "-"), minLength: 1, maxLength: 12 }),
      fc.uint8Array({ maxLength: 60 }),
    ),
    {
      maxLength: 8,
    },
  )
  .map((list) => [...new Map(list.map(([name, content]) => [name.replace(/[/\\]/g, "_"), content]))]);

test("what was stored is read back by another reader, and by our own", async () => {
  await fc.assert(
    fc.asyncProperty(anyFiles, async (files) => {
      const zip = archive(files);
      expect(
        Object.entries(unzipSync(zip))
          .map(([n, c]) => [n, [...c]])
          .sort(),
      ).toEqual(files.map(([n, c]) => [n, [...c]]).sort());
      const entries = await listZip(async (from, to) => zip.slice(from, to), zip.length);
      expect(entries.map((e) => e.bytes)).toEqual(files.map(([, c]) => c.length));
      for (const [i, e] of entries.entries()) {
        const start = packedStart(e, zip.slice(e.offset, e.offset + 30));
        expect([...zip.slice(start, start + e.bytes)]).toEqual([...files[i]![1]]);
      }
    }),
    { numRuns: 50 },
  );
});

test("the checksum is that of zip, in one go or in parts", () => {
  const text = new TextEncoder().encode("123456789");
  expect(crc32(text)).toBe(0xcbf43926);
  expect(crc32(text.slice(4), crc32(text.slice(0, 4)))).toBe(0xcbf43926);
});

test("beyond 4 GB sizes and places stand in the wide fields, and are found there", async () => {
  const size = 5_000_000_000;
  const entries = [
    { path: "a", bytes: size, crc: 1 },
    { path: "b", bytes: 7, crc: 2 },
  ];
  const { headers, directory } = storedZip(entries);
  // The header before a file of that size says it too, where others read from the front.
  const local = new DataView(headers[0]!.buffer, headers[0]!.byteOffset);
  const extra = 30 + local.getUint16(26, true);
  expect([local.getUint16(extra, true), local.getUint16(extra + 2, true)]).toEqual([1, 16]);
  expect([4, 12].map((at) => Number(local.getBigUint64(extra + at, true)))).toEqual([size, size]);
  expect(headers[0]!.length).toBe(extra + 20);
  const total = headers[0]!.length + size + headers[1]!.length + 7 + directory.length;
  const read = async (from: number, to: number) => {
    const start = total - directory.length;
    const some = new Uint8Array(to - from);
    some.set(directory.slice(Math.max(0, from - start), to - start), Math.max(0, start - from));
    return some;
  };
  const found = await listZip(read, total);
  expect(found.map((e) => [e.path, e.bytes, e.offset])).toEqual([
    ["a", size, 0],
    ["b", 7, headers[0]!.length + size],
  ]);
  expect(packedStart(found[1]!, headers[1]!)).toBe(found[1]!.offset + headers[1]!.length);
});
