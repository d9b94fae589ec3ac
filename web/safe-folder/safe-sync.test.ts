import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { photoSchema } from "#core/photo/schema";
import { collage } from "../../core/document/project.fixture.ts";
import type { Change } from "../storage/journal/record.ts";
import { sha256 } from "../storage/sha256.ts";
import { LineTables } from "../storage/tables.ts";
import { FolderError, type SafeFiles } from "./safe-files.ts";
import { SafeSync } from "./safe-sync.ts";

/** A folder in memory that can stop in the middle of a round. */
class MemoryFolder implements SafeFiles {
  readonly files = new Map<string, Blob>();
  writesLeft = Number.POSITIVE_INFINITY;
  async list(folder: string) {
    const own = [...this.files].filter(([p]) => p.slice(0, p.lastIndexOf("/")) === folder);
    return new Map(own.map(([p, b]) => [p.slice(folder.length + 1), b.size]));
  }
  async folders(folder: string) {
    const own = [...this.files.keys()].filter((p) => p.startsWith(`${folder}/`));
    return [...new Set(own.map((p) => p.split("/")[1]!))];
  }
  async read(path: string) {
    return this.files.get(path);
  }
  async write(path: string, content: Blob) {
    this.writesLeft -= 1;
    if (this.writesLeft < 0) throw new FolderError("folderFull");
    this.files.set(path, content);
  }
}

let count = 0;

/** A browser of its own: its records, its originals, its safe sync. */
function computer(label: string) {
  const tables = new LineTables();
  const originals = new Map<string, Blob>();
  const open = new Set<string>();
  const given = () => ({
    lines: () => tables.lines,
    commit: async (changes: readonly Change[]) => tables.put(changes),
    original: async (hash: string) => originals.get(hash),
    keepOriginal: async (hash: string, blob: Blob) => {
      originals.set(hash, blob);
      return true;
    },
    openWorks: async () => open,
    newWriter: () => {
      count += 1;
      return `writer${String(count).padStart(4, "0")}`;
    },
    newId: () => {
      count += 1;
      return `${label}${count}`;
    },
    now: () => "2026-01-01T00:00:00.000Z",
    label,
    words: { aboutFolder: "Kept", aboutWork: "To read", otherCopy: ["Copy: ", ", of elsewhere"] as const },
  });
  let sync = new SafeSync(given());
  return {
    tables,
    originals,
    open,
    run: (files: SafeFiles) => sync.run(files),
    restart: () => {
      sync = new SafeSync(given());
    },
    async photo(id: string, text: string, more: object = {}) {
      const original = new Blob([text]);
      const hash = await sha256(await original.arrayBuffer());
      originals.set(hash, original);
      // The same bytes are never kept twice.
      const [known] = (await tables.by("photos", "byHash", hash)) as { id: string }[];
      const value = photoSchema.parse({
        id: known?.id ?? id,
        name: `${text}.jpg`,
        type: "image/jpeg",
        sizeBytes: original.size,
        hash,
        widthPx: 3,
        heightPx: 2,
        takenAt: "2026-01-01T10:00:00",
        takenFrom: "exif",
        caption: "",
        addedAt: "2026-01-02T10:00:00.000Z",
        ...more,
      });
      tables.put([{ store: "photos", key: value.id, value }]);
    },
    work(id: string, name: string, photoIds: readonly string[] = []) {
      const page = { id: "p", photos: photoIds.map((photoId) => ({ photoId })), name };
      const project = { ...collage([1]), id, name, pages: [] };
      tables.put([
        { store: "projects", key: id, value: { id, project, pageIds: ["p"], done: 1, savedAt: name, firstStep: 0 } },
        { store: "pages", key: [id, "p"], value: page },
        { store: "steps", key: [id, 0], value: { name: { code: "renamed", count: 1 }, changes: [{ photoIds }] } },
      ]);
    },
    remove(id: string) {
      tables.put([
        { store: "projects", key: id },
        { store: "pages", key: [id, "p"] },
        { store: "steps", key: [id, 0] },
      ]);
    },
    async names() {
      const all = (await tables.all("projects")) as { project: { name: string } }[];
      return all.map((w) => w.project.name).sort();
    },
    async captions() {
      const all = (await tables.all("photos")) as { name: string; caption: string; stars: number }[];
      return all.map((p) => `${p.name} ${p.caption} ${p.stars}`).sort();
    },
  };
}

test("everything in a folder opens on another computer, under the ids that the photos have there", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  await a.photo("pa", "heron", { caption: "By the lock" });
  a.work("w", "A year", ["pa"]);
  await b.photo("pb", "heron");
  expect(await a.run(folder)).toMatchObject({ works: [], missing: [] });
  expect(await b.run(folder)).toMatchObject({ works: ["A year"], photos: 0 });
  expect(await b.names()).toEqual(["A year"]);
  const pages = (await b.tables.under("pages", "w"))[0]![1];
  expect(pages).toMatchObject({ photos: [{ photoId: "pb" }] });
  expect((await b.tables.under("steps", "w"))[0]![1]).toMatchObject({ changes: [{ photoIds: ["pb"] }] });
  expect(await b.captions()).toEqual(["heron.jpg By the lock 0"]);
  const readable = [...folder.files.keys()].find((p) => p.endsWith("/work.json"))!;
  expect(readable).toBe("works/a-year-w/work.json");
  expect(JSON.parse(await folder.files.get(readable)!.text())).toMatchObject({
    name: "A year",
    photos: [{ caption: "By the lock", name: "heron.jpg" }],
  });
});

test("own fonts come along with their files; one whose file is gone is still known by its name", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  const keep = async (id: string, name: string, file: string | undefined) => {
    const hash = await sha256(new TextEncoder().encode(file ?? "gone"));
    if (file) a.originals.set(hash, new Blob([file]));
    const face = { bold: false, italic: false, hash, sizeBytes: 5, embedding: "free" };
    a.tables.put([{ store: "fonts", key: id, value: { id, name, faces: [face] } }]);
    return hash;
  };
  const here = await keep(`own-${"a".repeat(16)}`, "Hand", "letters");
  await keep(`own-${"b".repeat(16)}`, "Lost", undefined);
  await a.photo("pa", "heron");
  expect((await a.run(folder)).missing).toEqual(["Lost"]);
  expect(folder.files.has(`originals/${here}.ttf`)).toBe(true);
  expect((await b.run(folder)).missing).toEqual(["Lost"]);
  expect(await b.originals.get(here)?.text()).toBe("letters");
  expect(((await b.tables.all("fonts")) as { name: string }[]).map((f) => f.name).sort()).toEqual(["Hand", "Lost"]);
});

test("notes that were written on two computers at once are there on both, and then both are quiet", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  const note = (id: string, n: number) => ({
    id,
    n,
    at: "2026-01-01T00:00:00Z",
    by: { key: "k", name: "Hilde" },
    does: "note",
    place: { on: "book" },
    text: id,
    mark: "",
  });
  const keep = (on: typeof a, events: readonly unknown[], sameAs?: string) =>
    on.tables.put([{ store: "notes", key: "w", value: { id: "w", events, ...(sameAs ? { sameAs } : {}) } }]);
  const idsOn = async (on: typeof a) =>
    ((await on.tables.get("notes", "w")) as { events: { id: string }[] }).events.map((e) => e.id);
  await a.photo("pa", "heron");
  keep(a, [note("one", 1)]);
  keep(b, [note("two", 1)], "elsewhere");
  for (const on of [a, b, a, b]) await on.run(folder);
  expect(await idsOn(a)).toEqual(["one", "two"]);
  expect(await idsOn(b)).toEqual(["one", "two"]);
  keep(a, [note("one", 1), note("two", 1), note("three", 2)], "elsewhere");
  keep(b, [note("one", 1), note("two", 1), note("four", 2)], "elsewhere");
  for (const on of [b, a, b, a]) await on.run(folder);
  expect(await idsOn(a)).toEqual(["one", "two", "four", "three"]);
  expect(await idsOn(b)).toEqual(await idsOn(a));
  const files = folder.files.size;
  for (const on of [a, b, a]) expect((await on.run(folder)).written).toBe(0);
  expect(folder.files.size).toBe(files);
  // A record that is none is left where it is.
  b.tables.put([{ store: "notes", key: "w", value: { id: "w", events: [{ ...note("bad", 3), n: "x" }] } }]);
  for (const on of [b, a]) await on.run(folder);
  expect(await idsOn(a)).toEqual(["one", "two", "four", "three"]);
});

test("when nothing changes, nothing is written, on either computer, however often they look", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  await a.photo("pa", "heron");
  await b.photo("pb", "heron", { stars: 3 });
  a.work("w", "One", ["pa"]);
  b.work("v", "Two", ["pb"]);
  for (let i = 0; i < 3; i += 1) {
    await a.run(folder);
    await b.run(folder);
  }
  const before = new Map(folder.files);
  for (const c of [a, b, a, b]) {
    c.restart();
    expect((await c.run(folder)).written).toBe(0);
  }
  expect([...folder.files]).toEqual([...before]);
  expect(await a.captions()).toEqual(["heron.jpg  3"]);
});

test("of a work that both changed, both states stay, and on both computers the same two", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  a.work("w", "First");
  await a.run(folder);
  await b.run(folder);
  a.work("w", "Changed at home");
  b.work("w", "Changed away");
  await a.run(folder);
  const said = await b.run(folder);
  expect(said.copies).toHaveLength(1);
  await a.run(folder);
  await b.run(folder);
  expect(await a.names()).toEqual(await b.names());
  const names = await a.names();
  expect(names).toHaveLength(2);
  const copy = names.find((n) => n.startsWith("Copy: "));
  expect(names.map((n) => (n === copy ? n.slice("Copy: ".length, -", of elsewhere".length) : n)).sort()).toEqual([
    "Changed at home",
    "Changed away",
  ]);
});

test("a work that is open here is left alone, and comes when it is closed", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  a.work("w", "First");
  await a.run(folder);
  await b.run(folder);
  a.work("w", "Newer");
  await a.run(folder);
  b.open.add("w");
  expect(await b.run(folder)).toMatchObject({ works: [], waiting: ["First"] });
  expect(await b.names()).toEqual(["First"]);
  b.open.clear();
  expect(await b.run(folder)).toMatchObject({ works: ["Newer"], waiting: [] });
});

test("a file that was carried over in part is not taken for what its name says", async () => {
  const [a, b, folder] = [computer("a"), computer("b"), new MemoryFolder()];
  a.work("w", "First");
  await a.run(folder);
  const pages = [...folder.files.keys()].filter((p) => p.startsWith("works/") && !p.endsWith("work.json"));
  for (const path of pages) folder.files.set(path, folder.files.get(path)!.slice(0, -1));
  expect(await b.run(folder)).toMatchObject({ works: [] });
  expect(await b.names()).toEqual([]);
  a.restart();
  await a.run(folder);
  expect((await b.run(folder)).works).toEqual(["First"]);
});

test("a copied profile takes a name of its own, and nothing of either is lost", async () => {
  const [a, folder] = [computer("a"), new MemoryFolder()];
  a.work("w", "First");
  await a.run(folder);
  const copy = computer("copy");
  for (const [key, value] of a.tables.lines) copy.tables.lines.set(key, value);
  copy.work("w", "By the copy");
  await copy.run(folder);
  a.work("v", "By the first");
  await a.run(folder);
  await copy.run(folder);
  await a.run(folder);
  for (const c of [a, copy]) expect(await c.names()).toEqual(expect.arrayContaining(["By the copy", "By the first"]));
});

test("two computers, any edits, rounds in any order that stop anywhere: no edit is lost and both end alike", async () => {
  const deed = fc.record({
    who: fc.nat(1),
    what: fc.constantFrom("edit", "new", "remove", "star", "sync", "killed", "restart"),
    at: fc.nat(30),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { minLength: 4, maxLength: 22 }), async (deeds) => {
      const [folder, both] = [new MemoryFolder(), [computer("a"), computer("b")] as const];
      const last = new Map<string, string>();
      let n = 0;
      for (const { who, what, at } of deeds) {
        const c = both[who]!;
        const ids = ((await c.tables.keys("projects")) as string[]).sort();
        const id = what === "new" ? `w${n}` : ids[at % Math.max(1, ids.length)];
        n += 1;
        if (what === "star") await c.photo(`${who}p`, "heron", { caption: `said ${n}` });
        else if (what === "sync") await c.run(folder);
        else if (what === "restart") c.restart();
        else if (what === "killed") {
          folder.writesLeft = at;
          await c.run(folder).catch(() => {});
          folder.writesLeft = Number.POSITIVE_INFINITY;
          c.restart();
        } else if (what === "remove") {
          if (id) c.remove(id);
          if (id) last.delete(id);
        } else if (id) {
          c.work(id, `edit ${n},`);
          last.set(id, `edit ${n},`);
        }
      }
      for (let i = 0; i < 4; i += 1) for (const c of both) await c.run(folder);
      expect(await both[0].names()).toEqual(await both[1].names());
      expect(await both[0].captions()).toEqual(await both[1].captions());
      // Nobody changed it after that, so it has to be there, in its work or in the copy.
      const names = (await both[0].names()).join("\n");
      for (const edit of last.values()) expect(names).toContain(edit);
    }),
    {
      numRuns: 80,
      examples: [
        // Stopped when the library was here, but not yet where it had come from; then its only caption grew over there.
        [
          [
            { who: 0, what: "star", at: 0 },
            { who: 0, what: "sync", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 1, what: "new", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 1, what: "killed", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 0, what: "star", at: 0 },
          ],
        ],
        // Stopped after a copy was made, and then the work was changed again.
        [
          [
            { who: 0, what: "new", at: 0 },
            { who: 0, what: "sync", at: 0 },
            { who: 1, what: "killed", at: 0 },
            { who: 1, what: "sync", at: 0 },
            { who: 0, what: "edit", at: 0 },
            { who: 0, what: "killed", at: 2 },
            { who: 0, what: "edit", at: 0 },
          ],
        ],
      ],
    },
  );
});
