import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import {
  arrangedTiles,
  type Filling,
  freeTiles,
  groupsOf,
  layTree,
  newFreeTile,
  newProject,
  type Project,
  placed,
  withFree,
} from "#core/document";
import { photoSchema } from "#core/photo/schema";
import { noSheets } from "#core/sheets";
import {
  emptied,
  fontsUsedBy,
  photoIdsOf,
  projectFileOf,
  projectJsonSchema,
  readProjectFile,
  withPhotoIds,
} from "./index.ts";

const format = { name: "30 cm", widthMm: 300, heightMm: 300, bleedMm: 3, safeMm: 5, ppi: 300, leastPpi: 150 };
let ids = 0;
const newId = () => {
  ids += 1;
  return `i${ids}`;
};

const photo = (id: string) =>
  photoSchema.parse({
    id,
    name: `${id}.jpg`,
    type: "image/jpeg",
    sizeBytes: 10,
    hash: "0".repeat(64),
    widthPx: 300,
    heightPx: 200,
    takenAt: "2025-05-01T10:00:00",
    takenFrom: "exif",
    caption: "",
    addedAt: "2025-05-02T10:00:00.000Z",
  });

function work(): Project {
  const bare = newProject({ name: "Year", unit: "mm", lab: null, format }, { newId, at: "2026-01-01T00:00:00.000Z" });
  const photos = ["a", "b", "c"].map((id) => ({ id, aspect: 1.5 }));
  const laid = layTree(placed(bare, bare.pages[0]!), { photos, seed: 0, newId });
  if (!laid.ok) throw new Error(laid.code);
  const page = laid.value.page;
  const [first] = arrangedTiles(page);
  const words = {
    kind: "words",
    text: "",
    style: bare.words.caption,
    role: "caption",
    from: { photoId: "d", what: "caption" },
    card: null,
  } as const;
  const backdrop = { view: { ...viewOf(first!), photoId: "e" }, veil: 0.5, across: "page" } as const;
  const frame = { centre: { x: 50, y: 50 }, width: 40, height: 10, turn: 0 };
  const source = { from: "photo", photoId: "f" } as const;
  const want = {
    id: "w",
    source,
    widthMm: 50,
    heightMm: 70,
    count: 1,
    bleedMm: 2,
    spareMm: 0,
    borderMm: 0,
    cornerMm: 0,
  };
  return {
    ...bare,
    sheets: { ...noSheets, wants: [{ ...want, turns: true, fills: false }] },
    pages: [{ ...withFree(page, newFreeTile(frame, words, newId)), backdrop }],
  };
}

function viewOf(tile: ReturnType<typeof arrangedTiles>[number]) {
  if (tile.filling.kind !== "photo") throw new Error("no photo");
  return tile.filling.view;
}

test("a work survives its file, every photo that it mentions is named", () => {
  const project = work();
  expect(photoIdsOf(project)).toEqual(["e", "a", "b", "c", "d", "f"]);
  const file = projectFileOf(project, [photo("a")], []);
  expect(readProjectFile(JSON.stringify(file))).toEqual({ ok: true, value: file });
});

test("photos take the ids that they have here, wherever they are mentioned", () => {
  const renamed = withPhotoIds(work(), (id) => `${id}2`);
  expect(photoIdsOf(renamed)).toEqual(["e2", "a2", "b2", "c2", "d2", "f2"]);
});

test("the fonts of a work are those of its words, their spans, its styles, its spine and its page numbers, each once", () => {
  const project = work();
  const font = (name: string) => ({ ...project.words.caption, font: name });
  const ofKinds = Object.values(project.words).map((w) => w.font);
  expect(new Set(fontsUsedBy(project))).toEqual(new Set(ofKinds));
  const spans = [
    { from: 0, to: 2, font: "of a span" },
    { from: 2, to: 3, bold: true },
  ];
  const words = {
    kind: "words",
    text: "abc",
    style: font("of a tile"),
    role: "caption",
    from: null,
    card: null,
    spans,
  };
  const frame = { centre: { x: 50, y: 50 }, width: 40, height: 10, turn: 0 };
  const page = withFree(project.pages[0]!, newFreeTile(frame, words as Filling, newId));
  const kinds = { ...project.words, title: font("of titles") };
  const spine = { text: "", style: font("of a spine"), runs: "across", colour: "#000000" } as const;
  const full: Project = { ...project, pages: [page], words: kinds, spine };
  const found = fontsUsedBy(full);
  expect(new Set(found).size).toBe(found.length);
  for (const name of ["of a tile", "of a span", "of titles", "of a spine"]) expect(found).toContain(name);
});

test("to begin another from it, all photos are gone and the places stay", () => {
  const project = work();
  const bare = emptied(project);
  expect(photoIdsOf(bare)).toEqual([]);
  const places = (of: Project) => placed(of, of.pages[0]!).groups.flatMap((g) => g.tiles.map((t) => [t.id, t.frame]));
  expect(places(bare)).toEqual(places(project));
  expect(freeTiles(bare.pages[0]!)).toEqual([]);
});

test("what is no project file, newer, or damaged is told apart", () => {
  const good = projectFileOf(work(), [], []);
  const code = (data: unknown) => {
    const read = readProjectFile(typeof data === "string" ? data : JSON.stringify(data));
    return read.ok ? "ok" : read.code;
  };
  expect(code(good)).toBe("ok");
  expect(code("PK nonsense")).toBe("notAProjectFile");
  expect(code({ kind: "something" })).toBe("notAProjectFile");
  expect(code({ ...good, version: 99 })).toBe("newerVersion");
  expect(code({ ...good, project: { ...good.project, pages: [] } })).toBe("damagedProject");
  expect(code({ ...good, project: { ...good.project, format: { ...good.project.format, widthMm: -1 } } })).toBe(
    "damagedProject",
  );
  const page = good.project.pages[0]!;
  const holding = (pieces: readonly object[]) => ({
    ...good,
    project: { ...good.project, pages: [{ ...page, pieces }] },
  });
  const [group] = groupsOf(page);
  const { room: _, ...roomless } = group!;
  expect(code(holding([group!]))).toBe("ok");
  expect(code(holding([roomless]))).toBe("damagedProject");
  expect(code(holding([{ ...group!, tiles: group!.tiles.slice(1) }]))).toBe("damagedProject");
  expect(code(holding([group!, group!]))).toBe("damagedProject");
  const frame = { centre: { x: 50, y: 50 }, width: 40, height: 10, turn: 0 };
  const free = (count: number) =>
    Array.from({ length: count }, (_, i) => newFreeTile(frame, { kind: "empty" }, () => `free${i}`));
  expect(code(holding(free(500)))).toBe("ok");
  expect(code(holding(free(501)))).toBe("damagedProject");
  expect(code(`{"format":"tessip-project","version":2,"project":${"[".repeat(30_000)}${"]".repeat(30_000)}}`)).toBe(
    "damagedProject",
  );
});

test("the schema that is published is the one that is checked", () => {
  expect(JSON.parse(readFileSync("docs/project.schema.json", "utf8"))).toEqual(
    JSON.parse(JSON.stringify(projectJsonSchema())),
  );
});
