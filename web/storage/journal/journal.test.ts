import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { ModelDisk, PowerOff } from "../model-disk.fixture.ts";
import { fold, Journal } from "./journal.ts";
import { changeOf, decode, encode, headBytes, type Line, lineOf } from "./record.ts";
import { Room } from "./room.ts";
import { NoRoom } from "./sync-file.ts";

const line = (key: string, value: unknown): Line => lineOf({ store: "photos", key, value });
const records = [1, 2, 3, 4].map((seq) => encode({ seq, lines: [line(`p${seq}`, { n: seq, text: "é\n“" })] }));
const file = new Uint8Array(records.reduce((n, r) => n + r.length, 0));
let end = 0;
const ends = records.map((r) => {
  file.set(r, end);
  end += r.length;
  return end;
});

test("a change comes back as it went in, with keys of one and of two parts, and without a value as removed", () => {
  for (const change of [
    { store: "photos", key: "a", value: { words: "two\nlines" } },
    { store: "steps", key: ["w", 7] as const, value: [1, null] },
    { store: "pages", key: ["w", "p"] as const },
  ])
    expect(changeOf(lineOf(change))).toEqual(change);
});

test("a record has its length, number and checksum where the format says", () => {
  const bytes = encode({ seq: 258, lines: [{ key: '["a","b"]', value: "1" }] });
  expect(new TextDecoder().decode(bytes.subarray(0, 4))).toBe("TSJ1");
  expect([...bytes.subarray(4, 12)]).toEqual([12, 0, 0, 0, 2, 1, 0, 0]);
  expect(new TextDecoder().decode(bytes.subarray(headBytes))).toBe('["a","b"]\n1\n');
});

test("cut anywhere, the whole records before the cut are read and nothing else", () => {
  for (let cut = 0; cut <= file.length; cut += 1) {
    const { entries, end: read } = decode(file.slice(0, cut));
    const whole = ends.filter((e) => e <= cut).length;
    expect([entries.length, read]).toEqual([whole, whole === 0 ? 0 : ends[whole - 1]]);
  }
});

test("with any one byte changed, no record is read that was not written", () => {
  for (let at = 0; at < file.length; at += 1) {
    const bad = file.slice();
    bad[at]! ^= 0x55;
    const whole = ends.filter((e) => e <= at).length;
    expect(decode(bad).entries.map((e) => e.seq)).toEqual([1, 2, 3, 4].slice(0, whole));
  }
});

/** Deeds on a disk that stops somewhere; what was acknowledged has to be there afterwards, and nothing that was never asked. */
async function live(disk: ModelDisk, deeds: readonly (readonly [key: number, value: number])[], compactEvery: number) {
  const acknowledged = new Map<string, string>();
  let asked: Line | undefined;
  try {
    const { journal, found } = await Journal.open(disk);
    const state = fold(found.entries);
    for (const [i, [key, value]] of deeds.entries()) {
      asked = value === 0 ? { key: line(`k${key}`, 1).key, value: "" } : line(`k${key}`, value);
      try {
        journal.append([asked]);
      } catch (e) {
        if (disk.isOff || !(e instanceof NoRoom)) throw e;
        continue;
      }
      for (const into of [state, acknowledged])
        if (asked.value === "") into.delete(asked.key);
        else into.set(asked.key, asked.value);
      if (i % compactEvery === compactEvery - 1)
        await journal.compact([...state].map(([k, v]) => ({ key: k, value: v }))).catch((e: unknown) => {
          if (disk.isOff || !(e instanceof NoRoom)) throw e;
        });
      // Nothing more was asked; a compaction changes nothing.
      asked = undefined;
      if (!(await journal.present())) throw new Error("not present");
    }
  } catch (e) {
    if (!(e instanceof PowerOff) && !(e instanceof NoRoom)) throw e;
  }
  return { acknowledged, asked };
}

test("whenever the machine stops, and however little room there is, everything acknowledged is read again", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.nat(5), fc.nat(3)), { maxLength: 14 }),
      fc.integer({ min: 1, max: 60 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.integer({ min: 2, max: 6 }),
      fc.oneof(fc.constant(Number.POSITIVE_INFINITY), fc.integer({ min: 60, max: 700 })),
      async (deeds, calls, partial, compactEvery, room) => {
        const disk = new ModelDisk();
        disk.callsLeft = calls;
        disk.partial = partial;
        disk.room = room;
        const { acknowledged, asked } = await live(disk, deeds, compactEvery);
        disk.restart();
        disk.room = Number.POSITIVE_INFINITY;
        const { found } = await Journal.open(disk);
        const state = fold(found.entries);
        // The one that was under way may have come through or not.
        if (asked && state.get(asked.key) !== acknowledged.get(asked.key)) {
          expect(state.get(asked.key) ?? "").toBe(asked.value);
          if (asked.value === "") acknowledged.delete(asked.key);
          else acknowledged.set(asked.key, asked.value);
        }
        expect([...state].sort()).toEqual([...acknowledged].sort());
        expect(found.hole).toBe(false);
      },
    ),
    { numRuns: 400 },
  );
});

test("damage in the middle is told, the beginning is read, and the file as it was is put aside", async () => {
  const disk = new ModelDisk();
  const { journal } = await Journal.open(disk);
  for (let i = 0; i < 5; i += 1) journal.append([line(`p${i}`, i)]);
  const name = [...disk.files.keys()][0]!;
  const bytes = disk.files.get(name)!;
  bytes[Math.floor(bytes.length / 2)]! ^= 1;
  const { found } = await Journal.open(disk);
  expect(found.hole).toBe(true);
  expect(fold(found.entries).size).toBeLessThan(5);
  expect([...disk.files.keys()].some((n) => n.startsWith("damaged-"))).toBe(true);
});

test("a journal whose file was thrown away under it knows", async () => {
  const disk = new ModelDisk();
  const { journal } = await Journal.open(disk);
  expect(await journal.present()).toBe(true);
  disk.wipe();
  journal.append([line("a", 1)]);
  expect(await journal.present()).toBe(false);
});

test("room is told by what fits, and the ballast gives some of it back", async () => {
  const disk = new ModelDisk();
  disk.room = 30_000_000;
  const room = new Room(disk);
  expect(await room.forDatabase(1000)).toBe(true);
  await room.layBallast();
  expect(disk.files.get("ballast")!.length).toBe(4_194_304);
  disk.room = 100;
  expect(await room.forDatabase(1000)).toBe(false);
  // A database that writes a record needs more than the record: four megabytes at least.
  disk.room = 3_000_000;
  expect(await room.forDatabase(1)).toBe(false);
  disk.room = 4_300_000;
  expect(await room.forDatabase(1)).toBe(true);
  expect(await room.forDatabase(2_500_000)).toBe(false);
  disk.room = 100;
  await room.dropBallast();
  expect(disk.room).toBe(100 + 4_194_304);
});

test("a journal is to be written anew once it is four times as long as what stands, and not while it is short", async () => {
  const disk = new ModelDisk();
  const { journal } = await Journal.open(disk);
  const megabyte = (n: number) => ({ key: `["pages","${n}"]`, value: JSON.stringify("x".repeat(1_000_000)) });
  const megabytesUntilGrown = () => {
    for (let n = 0; !journal.hasGrown && n < 40; n += 1) journal.append([megabyte(n)]);
    return Math.floor(journal.bytes / 1e6);
  };
  expect(megabytesUntilGrown()).toBe(8);
  await journal.compact([megabyte(0), megabyte(1), megabyte(2), megabyte(3)]);
  // Four and a seal, four times.
  expect(megabytesUntilGrown()).toBe(17);
  // There is no room for a new generation: the next try is far off.
  disk.room = 0;
  await expect(journal.compact([megabyte(0)])).rejects.toBeInstanceOf(NoRoom);
  expect(journal.hasGrown).toBe(false);
  journal.close();
  const again = (await Journal.open(disk)).journal;
  expect(again.hasGrown).toBe(false);
});
