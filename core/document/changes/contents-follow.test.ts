import { expect, test } from "@jest/globals";
import { firstWordStyles, type WordRole } from "#core/words";
import {
  allTiles,
  commit,
  contentsOf,
  contentsText,
  freeTiles,
  newFreeTile,
  noHistory,
  type Page,
  type Project,
  type Words,
  withFree,
} from "../index.ts";
import { type applied, collage } from "../project.fixture.ts";

const say = (id: string, role: WordRole, text: string, y: number, more: Partial<Words> = {}) =>
  newFreeTile(
    { centre: { x: 100, y }, width: 80, height: 10, turn: 0 },
    { kind: "words", text, style: firstWordStyles[role], role, from: null, card: null, ...more },
    () => id,
  );
const page = (id: string, ...tiles: ReturnType<typeof say>[]): Page =>
  tiles.reduce<Page>((p, t) => withFree(p, t), { ...collage([1]).pages[0]!, id, pieces: [] });

const start: Project = {
  ...collage([1]),
  pages: [
    page("a", say("list", "journal", "", 100, { contents: "titles" })),
    page(
      "b",
      say("low", "title", "Home \n again", 150),
      say("high", "title", "Away", 20),
      say("h", "heading", "By boat", 60),
    ),
    page("c", say("none", "title", "  ", 20), say("cap", "caption", "No title", 50)),
    page("d", say("end", "title", "The end", 20)),
  ],
};
const after = (project: Project, changes: Parameters<typeof applied>[1]): Project => {
  const done = commit(
    { project, history: noHistory },
    { name: { code: "arranged", count: 1 }, changes, at: "2026-01-01T00:00:00.000Z" },
  );
  if (!done.ok) throw new Error(done.code);
  return done.value.project;
};
const listed = (project: Project) => {
  const tile = project.pages.flatMap(allTiles).find((t) => t.id === "list");
  return tile?.filling.kind === "words" ? tile.filling.text.replaceAll("\t\u2060", " .. ").split("\n") : [];
};

test("contents are the titles of all pages from top to bottom, with the numbers that their pages have", () => {
  expect(contentsOf(start).map((e) => [e.title, e.page, e.heading])).toEqual([
    ["Away", 2, false],
    ["By boat", 2, true],
    ["Home again", 2, false],
    ["The end", 4, false],
  ]);
  expect(contentsText(contentsOf(start), "headings").split("\n")).toHaveLength(4);
});

test("a table of contents follows what is written, moved and taken away, and nothing else", () => {
  const write = (id: string, text: string, on: string, project: Project) => {
    const tile = freeTiles(project.pages.find((p) => p.id === on)!).find((t) => t.id === id)!;
    const filling = { ...(tile.filling as Words), text };
    return after(project, [{ type: "setTiles", pageId: on, items: [{ id, set: { filling } }] }]);
  };
  const first = write("end", "And so home", "d", start);
  expect(listed(first)).toEqual(["Away .. 2", "Home again .. 2", "And so home .. 4"]);
  const moved = after(first, [{ type: "movePages", pageIds: ["d"], to: 0 }]);
  expect(listed(moved)[0]).toBe("And so home .. 1");
  expect(listed(moved).at(-1)).toBe("Home again .. 3");
  const gone = after(first, [{ type: "removePages", pageIds: ["b"] }]);
  expect(listed(gone)).toEqual(["And so home .. 3"]);
  // What somebody wrote over follows no more.
  const own = write(
    "list",
    "My own list",
    "a",
    after(first, [
      {
        type: "setTiles",
        pageId: "a",
        items: [
          {
            id: "list",
            set: { filling: { ...(freeTiles(first.pages[0]!)[0]!.filling as Words), contents: undefined } },
          },
        ],
      },
    ]),
  );
  expect(listed(write("end", "Later", "d", own))).toEqual(["My own list"]);
});
