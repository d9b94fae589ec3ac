import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  allTiles,
  type Change,
  commit,
  type Editing,
  mapTiles,
  newFreeTile,
  noHistory,
  type Project,
  storiesOf,
  undo,
  type Words,
  withFree,
  withoutFree,
} from "#core/document";
import { laidWords } from "#core/scene";
import { firstWordStyles, spanAt } from "#core/words";
import { setter } from "../check/check.fixture.ts";
import { bookOf } from "./books.fixture.ts";
import { boxForMore, storyFlows } from "./index.ts";
import { plainWords } from "./word-edits.ts";

const facts = { photo: () => undefined, setter };
const text = Array.from({ length: 90 }, (_, i) => `word${i}`).join(" ");
const style = { ...firstWordStyles.journal, insetMm: 0 };

/** A story through boxes so high, one on each page. */
function storyThrough(heights: readonly number[]): Editing {
  const project = bookOf([0, 0, 0]);
  const pages = project.pages.map((page, i) => {
    const height = heights[i];
    if (height === undefined) return page;
    const words: Words = {
      ...plainWords(style, "journal", i === 0 ? text : ""),
      spans: i === 0 ? [{ from: 6, to: 400, bold: true }] : undefined,
      next: i + 1 < heights.length ? `b${i + 1}` : undefined,
      grows: undefined,
    };
    const frame = { centre: { x: 90, y: 90 }, width: 70, height, turn: 0 };
    return withFree(
      page,
      newFreeTile(frame, words, () => `b${i}`),
    );
  });
  return { project: { ...project, pages }, history: noHistory };
}

const wordsOf = (project: Project, id: string): Words | undefined => {
  const tile = project.pages.flatMap((p) => allTiles(p)).find((t) => t.id === id);
  return tile?.filling.kind === "words" ? tile.filling : undefined;
};
const parts = (project: Project) => ["b0", "b1", "b2"].flatMap((id) => wordsOf(project, id)?.text ?? []);
const done = (now: Editing, changes: readonly Change[]): Editing => {
  const next = commit(now, { name: { code: "wrote", count: 1 }, changes, at: "", follow: storyFlows(setter) });
  if (!next.ok) throw new Error(next.code);
  return next.value;
};
test("a story goes on in a box that waits for words, on its page or the next, and in no other", () => {
  const { project } = storyThrough([20]);
  const box = (id: string, filling: Words) =>
    newFreeTile({ centre: { x: 90, y: 150 }, width: 60, height: 20, turn: 0 }, filling, () => id);
  const bare = plainWords(style, "journal");
  const on = (i: number, id: string, filling: Words): Project => ({
    ...project,
    pages: project.pages.map((p, k) => (k === i ? withFree(p, box(id, filling)) : p)),
  });
  const found = (of: Project) => boxForMore(of, of.pages[0]!.id, "b0")?.tileId;
  expect(found(project)).toBeUndefined();
  expect(found(on(0, "here", bare))).toBe("here");
  expect(found(on(1, "next", bare))).toBe("next");
  expect(found(on(2, "far", bare))).toBeUndefined();
  expect(found(on(0, "full", { ...bare, text: "mine" }))).toBeUndefined();
  expect(found(on(0, "photo", { ...bare, from: { photoId: "p", what: "caption" } }))).toBeUndefined();
  const { project: through } = storyThrough([20, 20]);
  expect(boxForMore(through, through.pages[0]!.id, "b0")).toBeUndefined();
});

const page = (project: Project, i: number) => project.pages[i]!;
const sized = (now: Editing, i: number, height: number): Editing =>
  done(now, [
    {
      type: "setTiles",
      pageId: page(now.project, i).id,
      items: [{ id: `b${i}`, set: { frame: { centre: { x: 90, y: 90 }, width: 70, height, turn: 0 } } }],
    },
  ]);

test("a story fills its boxes in order, however they are sized; nothing is lost, and all of it is undone as one step", () => {
  const height = fc.integer({ min: 8, max: 70 });
  fc.assert(
    fc.property(height, height, height, (a, b, c) => {
      const start = storyThrough([a, b, c]);
      const flowed = sized(start, 0, a + 0.001);
      expect(parts(flowed.project).join("")).toBe(text);
      for (const id of ["b0", "b1"]) {
        const words = wordsOf(flowed.project, id)!;
        expect(laidWords(words, { width: 70, height: id === "b0" ? a + 0.001 : b }, facts)!.hidden).toBe(0);
      }
      // Letters keep their looks wherever they come to stand.
      let at = 0;
      for (const id of ["b0", "b1", "b2"]) {
        const words = wordsOf(flowed.project, id)!;
        for (let i = 0; i < words.text.length; i += 17)
          expect(spanAt(words.spans, i).bold ?? false).toBe(at + i >= 6 && at + i < 400);
        at += words.text.length;
      }
      const back = undo(flowed);
      expect(back.ok && parts(back.value.project)).toEqual(parts(start.project));
    }),
    { numRuns: 40 },
  );
});

test("words of a box that is taken away go on in the next, or stand in the one before", () => {
  const flowed = sized(storyThrough([20, 20, 20]), 0, 21);
  const middle = page(flowed.project, 1);
  const without = done(flowed, [{ type: "replacePage", page: withoutFree(middle, ["b1"]) }]);
  expect(parts(without.project).join("")).toBe(text);
  expect(storiesOf(without.project).map((s) => s.map((b) => b.tileId))).toEqual([["b0", "b2"]]);
  const last = page(without.project, 2);
  const alone = done(without, [{ type: "replacePage", page: withoutFree(last, ["b2"]) }]);
  expect(parts(alone.project)).toEqual([text]);
  expect(wordsOf(alone.project, "b0")).not.toHaveProperty("next", "b2");
  const headless = done(flowed, [{ type: "replacePage", page: withoutFree(page(flowed.project, 0), ["b0"]) }]);
  expect(parts(headless.project).join("")).toBe(text);
});

test("a part that begins or ends within a paragraph is set as one, and a box belongs to one story only", () => {
  const flowed = sized(storyThrough([20, 30]), 0, 21);
  expect([wordsOf(flowed.project, "b0")!.cut, wordsOf(flowed.project, "b1")!.cut]).toEqual([
    { end: true },
    { start: true },
  ]);
  const justified = { ...wordsOf(flowed.project, "b0")!, style: { ...style, align: "justified" as const } };
  const lines = (cut: Words["cut"]) => laidWords({ ...justified, cut }, { width: 70, height: 21 }, facts)!.lines;
  expect(lines({ end: true }).at(-1)!.width).toBeGreaterThan(lines(undefined).at(-1)!.width);
  const indented = { ...justified, style: { ...style, firstLineMm: 5 } };
  const first = (cut: Words["cut"]) => laidWords({ ...indented, cut }, { width: 70, height: 21 }, facts)!.lines[0]!.x;
  expect([first(undefined), first({ start: true })]).toEqual([5, 0]);
  const twice = mapTiles(page(flowed.project, 0), (t) => t);
  const copy = {
    ...flowed.project,
    pages: [...flowed.project.pages, { ...twice, id: "copy", pieces: twice.pieces.map((p) => ({ ...p, id: "b9" })) }],
  };
  expect(storiesOf(copy).map((s) => s.map((b) => b.tileId))).toEqual([["b0", "b1"]]);
});
