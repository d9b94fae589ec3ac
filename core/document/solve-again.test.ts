import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { leavesOf, treeRects } from "#core/arrange";
import {
  alternativesOf,
  areKeptTogether,
  barePage,
  canSolveAgain,
  copyPage,
  frameRect,
  keepTogether,
  layTree,
  type Page,
  photoIdOf,
  refit,
  roomRect,
  type Tree,
  withLead,
  withLocked,
  withOrder,
} from "./index.ts";
import { collage, counter, squareFormat as format } from "./project.fixture.ts";
import { projectSchema } from "./schema/index.ts";

const aspects = [1.5, 0.67, 1.5, 1, 1.33, 0.67, 1.5, 1.78, 1.5];
const style = collage([1.5]).style;
const framed = (id: string) => ({ aspect: aspects[Number(id.slice(1))]!, focus: null });

function fitted(count: number): Page {
  const photos = aspects.slice(0, count).map((aspect, i) => ({ id: `p${i}`, aspect }));
  const laid = layTree(barePage(style, counter("page")), format, { photos, seed: 0, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return laid.value.page;
}
const aspectOf = (page: Page) => (tileId: string) => {
  const id = photoIdOf(page.tiles.find((t) => t.id === tileId)!);
  return id === undefined ? undefined : framed(id).aspect;
};
const again = (page: Page, seed: number) => refit(page, format, { seed, keepSet: false, aspectOf: aspectOf(page) });
const treeOf = (page: Page): Tree => {
  if (page.arrangement?.kind !== "tree") throw new Error("no tree");
  return page.arrangement;
};
const rectOf = (page: Page, id: string) => frameRect(page.tiles.find((t) => t.id === id)!.frame);

test("solved from the same seed it is the same page, from another the same photos", () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9 }), fc.nat(30), (count, seed) => {
      const page = fitted(count);
      const once = again(page, seed);
      expect(again(page, seed)).toEqual(once);
      expect(once.tiles.map(photoIdOf)).toEqual(page.tiles.map(photoIdOf));
      expect(leavesOf(treeOf(once).tree)).toHaveLength(count);
    }),
    { numRuns: 20 },
  );
});

test("even two or three photos have more than one arrangement to shuffle through", () => {
  for (const count of [2, 3, 4]) {
    const seen = new Set(Array.from({ length: 6 }, (_, seed) => JSON.stringify(again(fitted(count), seed).tiles)));
    expect(seen.size).toBeGreaterThan(2);
  }
});

test("with everything locked the page is as it was, and that can be told before", () => {
  const page = fitted(5);
  const all = withLocked(
    page,
    page.tiles.map((t) => t.id),
    true,
  );
  expect(canSolveAgain(all)).toBe(false);
  expect(again(all, 7)).toBe(all);
  expect(canSolveAgain(page)).toBe(true);
  expect(canSolveAgain({ ...page, tiles: [], arrangement: null })).toBe(false);
});

test("other ways leave a locked tile where it is, and neighbours beside each other", () => {
  const page = fitted(9);
  const [lockedId, a, b] = [page.tiles[4]!.id, page.tiles[0]!.id, page.tiles[7]!.id];
  const room = roomRect(page.look, format);
  const { gapMm } = page.look;
  const ways = alternativesOf(withLocked(page, [lockedId], true), format, framed, 0);
  expect(ways.length).toBeGreaterThan(1);
  for (const way of ways) {
    const r = treeRects(way.tree, room, gapMm).get(lockedId)!;
    const was = rectOf(page, lockedId);
    for (const k of ["x", "y", "w", "h"] as const) expect(r[k]).toBeCloseTo(was[k], 5);
  }
  const paired = keepTogether(page, format, [a, b]);
  for (const way of alternativesOf(paired, format, framed, 0).filter((w) => !w.loose)) {
    const rects = treeRects(way.tree, room, gapMm);
    const [p, q] = [rects.get(a)!, rects.get(b)!];
    const across = Math.max(p.x, q.x) - Math.min(p.x + p.w, q.x + q.w);
    const down = Math.max(p.y, q.y) - Math.min(p.y + p.h, q.y + q.h);
    expect(Math.max(across, down)).toBeCloseTo(gapMm, 4);
  }
});

test("what was asked for is kept with the page, and forgotten with the tiles that it was about", () => {
  const page = fitted(6);
  const ids = page.tiles.map((t) => t.id);
  const asked = withOrder(
    keepTogether(withLead(page, format, { tileId: ids[1]!, share: 0.4 }), format, [ids[2]!, ids[3]!]),
    format,
    "free",
  );
  expect(treeOf(again(asked, 3))).toMatchObject({
    lead: { tileId: ids[1], share: 0.4 },
    together: [[ids[2], ids[3]]],
    order: "free",
  });
  expect(areKeptTogether(asked, [ids[2]!])).toBe(true);
  expect(areKeptTogether(asked, [ids[0]!])).toBe(false);
  expect(treeOf(keepTogether(asked, format, [ids[3]!, ids[4]!])).together).toEqual([[ids[3], ids[4]]]);
  const photos = [0, 4, 5].map((i) => ({ id: `p${i}`, aspect: aspects[i]! }));
  const fewer = layTree(asked, format, { photos, seed: 0, newId: counter("x") });
  expect(fewer.ok && treeOf(fewer.value.page)).toMatchObject({ lead: null, together: [], order: "free" });
});

test("a copied page shares no tile with the first, in its rules neither", () => {
  const page = fitted(5);
  const ids = page.tiles.map((t) => t.id);
  const asked = keepTogether(withLead(page, format, { tileId: ids[0]!, share: 0.3 }), format, [ids[1]!, ids[2]!]);
  const copy = copyPage(asked, counter("copy"));
  const known = new Set(ids);
  expect(copy.tiles.some((t) => known.has(t.id))).toBe(false);
  const { tree, first, lead, together } = treeOf(copy);
  const named = [...leavesOf(tree), ...leavesOf(first)].map((l) => l.tileId);
  expect([...named, lead!.tileId, ...together.flat()].filter((id) => known.has(id))).toEqual([]);
  expect(copy.tiles.map((t) => frameRect(t.frame))).toEqual(page.tiles.map((t) => frameRect(t.frame)));
});

test("work that was kept before there were locks, whole photos and neighbours opens as it was", () => {
  const project = { ...collage([1.5]), pages: [fitted(3)] };
  const old = JSON.parse(JSON.stringify(project), (key, value) =>
    ["locked", "whole", "behind", "together", "order"].includes(key) ? undefined : value,
  );
  expect(projectSchema.parse(old)).toEqual(JSON.parse(JSON.stringify(project)));
});
