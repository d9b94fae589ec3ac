import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { leavesOf, treeRects } from "#core/arrange";
import {
  alternativesOf,
  areKeptTogether,
  arrangedOn,
  arrangedTiles,
  barePage,
  canSolveAgain,
  copyPage,
  findPlaced,
  firstTree,
  frameRect,
  type Group,
  groupAt,
  keepTogether,
  layTree,
  mainGroup,
  onGroup,
  type Page,
  type PlacedGroup,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  placePage,
  refit,
  type Tree,
  treeIn,
  withLead,
  withLocked,
  withOrder,
} from "../index.ts";
import { collage, counter, squareFormat as format } from "../project.fixture.ts";

const aspects = [1.5, 0.67, 1.5, 1, 1.33, 0.67, 1.5, 1.78, 1.5];
const style = collage([1.5]).style;
const framed = (id: string) => ({ aspect: aspects[Number(id.slice(1))]!, focus: null });

function fitted(count: number): PlacedPage {
  const photos = aspects.slice(0, count).map((aspect, i) => ({ id: `p${i}`, aspect }));
  const bare = placePage(barePage(counter("page")), format, style);
  const laid = layTree(bare, { photos, seed: 0, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return placeAgain(bare, laid.value.page);
}
const aspectOf = (on: PlacedPage) => (tileId: string) => {
  const id = photoIdOf(findPlaced(on, tileId)!);
  return id === undefined ? undefined : framed(id).aspect;
};
/** The page with its one group edited. */
const edited = (on: PlacedPage, edit: (at: PlacedGroup) => Group): PlacedPage =>
  placeAgain(on, onGroup(on, groupAt(on), edit));
const again = (on: PlacedPage, seed: number) =>
  edited(on, (at) => refit(at, { seed, keepSet: false, aspectOf: aspectOf(on) }));
const locked = (on: PlacedPage, ids: readonly string[]) => placeAgain(on, withLocked(on.page, ids, true));
const idsOn = (on: PlacedPage) => arrangedTiles(on.page).map((t) => t.id);
const treeOf = ({ page }: Pick<PlacedPage, "page">): Tree => {
  const tree = treeIn(mainGroup(page));
  if (!tree) throw new Error("no tree");
  return tree;
};
const rectOf = (on: PlacedPage, id: string) => frameRect(findPlaced(on, id)!.frame);

test("solved from the same seed it is the same page, from another the same photos", () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9 }), fc.nat(30), (count, seed) => {
      const page = fitted(count);
      const once = again(page, seed);
      expect(again(page, seed).page).toEqual(once.page);
      expect(arrangedOn(once).map(photoIdOf)).toEqual(arrangedOn(page).map(photoIdOf));
      expect(leavesOf(treeOf(once).tree)).toHaveLength(count);
    }),
    { numRuns: 20 },
  );
});

test("even two or three photos have more than one arrangement to shuffle through", () => {
  for (const count of [2, 3, 4]) {
    const seen = new Set(
      Array.from({ length: 6 }, (_, seed) => JSON.stringify(again(fitted(count), seed).tiles.map((t) => t.frame))),
    );
    expect(seen.size).toBeGreaterThan(2);
  }
});

test("with everything locked the page is as it was, and that can be told before", () => {
  const page = fitted(5);
  const all = locked(page, idsOn(page));
  expect(canSolveAgain(all.page)).toBe(false);
  expect(again(all, 7).page).toBe(all.page);
  expect(canSolveAgain(page.page)).toBe(true);
  expect(canSolveAgain({ ...page.page, pieces: [] })).toBe(false);
});

test("other ways leave a locked tile where it is, and neighbours beside each other", () => {
  const page = fitted(9);
  const [a, , , , lockedId, , , b] = idsOn(page) as [string, string, string, string, string, string, string, string];
  const { room, gapMm } = groupAt(page)!;
  const ways = alternativesOf(groupAt(locked(page, [lockedId]))!, framed, 0);
  expect(ways.length).toBeGreaterThan(1);
  for (const way of ways) {
    const r = treeRects(way.tree, room, gapMm).get(lockedId)!;
    const was = rectOf(page, lockedId);
    for (const k of ["x", "y", "w", "h"] as const) expect(r[k]).toBeCloseTo(was[k], 5);
  }
  const paired = edited(page, (at) => keepTogether(at, [a, b]));
  for (const way of alternativesOf(groupAt(paired)!, framed, 0).filter((w) => !w.loose)) {
    const rects = treeRects(way.tree, room, gapMm);
    const [p, q] = [rects.get(a)!, rects.get(b)!];
    const across = Math.max(p.x, q.x) - Math.min(p.x + p.w, q.x + q.w);
    const down = Math.max(p.y, q.y) - Math.min(p.y + p.h, q.y + q.h);
    expect(Math.max(across, down)).toBeCloseTo(gapMm, 4);
  }
});

test("what was asked for is kept with the page, and forgotten with the tiles that it was about", () => {
  const page = fitted(6);
  const ids = idsOn(page);
  const led = edited(page, (at) => withLead(at, { tileId: ids[1]!, share: 0.4 }));
  const paired = edited(led, (at) => keepTogether(at, [ids[2]!, ids[3]!]));
  const asked = edited(paired, (at) => withOrder(at, "free"));
  expect(treeOf(again(asked, 3))).toMatchObject({
    lead: { tileId: ids[1], share: 0.4 },
    together: [[ids[2], ids[3]]],
    order: "free",
  });
  expect(areKeptTogether(mainGroup(asked.page), [ids[2]!])).toBe(true);
  expect(areKeptTogether(mainGroup(asked.page), [ids[0]!])).toBe(false);
  expect(treeOf(edited(asked, (at) => keepTogether(at, [ids[3]!, ids[4]!]))).together).toEqual([[ids[3], ids[4]]]);
  const photos = [0, 4, 5].map((i) => ({ id: `p${i}`, aspect: aspects[i]! }));
  const fewer = layTree(asked, { photos, seed: 0, newId: counter("x") });
  expect(fewer.ok && treeOf(fewer.value)).toMatchObject({ lead: null, together: [], order: "free" });
});

test("a copied page shares no tile with the first, in its rules neither", () => {
  const page = fitted(5);
  const ids = idsOn(page);
  const led = edited(page, (at) => withLead(at, { tileId: ids[0]!, share: 0.3 }));
  const asked = again(
    edited(led, (at) => keepTogether(at, [ids[1]!, ids[2]!])),
    3,
  );
  const copy: Page = copyPage(asked.page, counter("copy"));
  const known = new Set([...ids, mainGroup(asked.page)!.id]);
  expect([...arrangedTiles(copy), mainGroup(copy)!].some((t) => known.has(t.id))).toBe(false);
  const { tree, lead, together } = treeOf({ page: copy });
  const named = [...leavesOf(tree), ...leavesOf(firstTree(mainGroup(copy)!)!)].map((l) => l.tileId);
  expect([...named, lead!.tileId, ...together.flat()].filter((id) => known.has(id))).toEqual([]);
  expect(arrangedOn(placeAgain(asked, copy)).map((t) => t.frame)).toEqual(arrangedOn(asked).map((t) => t.frame));
});
