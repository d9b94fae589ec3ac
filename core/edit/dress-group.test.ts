import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  allTiles,
  type Change,
  commit,
  groupAt,
  lookOf,
  mainGroup,
  newTile,
  noHistory,
  type Project,
  placed,
  placePage,
  withGapThatFits,
  withGroup,
} from "#core/document";
import { allSides } from "#core/geometry";
import { firstWordStyles } from "#core/words";
import { applied, collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { dressed, groupGap, wholeGroup } from "./index.ts";

const project = collage([1.5, 1, 0.7, 1.2]);
const page = project.pages[0]!;
const tiles = firstPlaced(project).tiles;
const border = (widthMm: number) => ({ set: { border: { ...tiles[0]!.border, widthMm } } });

test("what a whole group is dressed in its group says, so that a tile which joins it looks the same; of some of its tiles each says it itself", () => {
  expect(
    wholeGroup(
      page,
      tiles.slice(1).map((t) => t.id),
    ),
  ).toBeUndefined();
  const some = applied(
    project,
    dressed(page, tiles.slice(1), () => border(2)),
  );
  expect(allTiles(some.pages[0]!).map((t) => t.border?.widthMm)).toEqual([undefined, 2, 2, 2]);
  const all = applied(
    some,
    dressed(some.pages[0]!, firstPlaced(some).tiles, () => border(5)),
  );
  expect(mainGroup(all.pages[0]!)?.border?.widthMm).toBe(5);
  expect(allTiles(all.pages[0]!).map((t) => t.border)).toEqual([undefined, undefined, undefined, undefined]);
  expect(firstPlaced(all).tiles.map((t) => t.border.widthMm)).toEqual([5, 5, 5, 5]);
  const group = mainGroup(all.pages[0]!)!;
  const more = withGroup(all.pages[0]!, {
    ...group,
    tiles: [...group.tiles.slice(0, 3), { ...newTile(undefined, counter("new")), id: group.tiles[3]!.id }],
  });
  expect(placed(all, more).tiles[3]!.border.widthMm).toBe(5);
  const bare = applied(
    all,
    dressed(all.pages[0]!, firstPlaced(all).tiles, () => ({ unset: ["border"] })),
  );
  expect(firstPlaced(bare).tiles.map((t) => t.border.widthMm)).toEqual([0, 0, 0, 0]);
});

test("words in a group wear what is set on all of it themselves, since they inherit nothing", () => {
  const words = {
    kind: "words",
    text: "Lindal",
    style: firstWordStyles.caption,
    role: "caption",
    from: null,
    card: null,
  } as const;
  const withWords = applied(project, [
    { type: "setTiles", pageId: page.id, items: [{ id: tiles[1]!.id, set: { filling: words } }] },
  ]);
  const all = applied(
    withWords,
    dressed(withWords.pages[0]!, firstPlaced(withWords).tiles, () => border(4)),
  );
  expect(firstPlaced(all).tiles.map((t) => t.border.widthMm)).toEqual([4, 4, 4, 4]);
  expect(allTiles(all.pages[0]!).map((t) => t.border?.widthMm)).toEqual([undefined, 4, undefined, undefined]);
});

test("a group has a gap of its own as wide as there is room for, and that of the page again", () => {
  const at = groupAt(firstPlaced(project))!;
  fc.assert(
    fc.property(fc.double({ min: -5, max: 400, noNaN: true }), (gapMm) => {
      const asked = groupGap(page.id, at, gapMm);
      if (!asked.ok) {
        expect(asked.code).toBe(gapMm < 0 ? "lessThanNothing" : "gapTooWide");
        if (gapMm >= 0) expect(Number(asked.facts.mostMm)).toBeLessThan(gapMm);
        return;
      }
      const set = applied(project, [asked.value]);
      const now = groupAt(firstPlaced(set))!;
      expect(now.gapMm).toBe(gapMm);
      for (const t of now.tiles) expect(Math.min(t.frame.width, t.frame.height)).toBeGreaterThan(0.5);
      const back = groupGap(page.id, now, undefined);
      expect(back.ok && groupAt(firstPlaced(applied(set, [back.value])))!.gapMm).toBe(project.style.gapMm);
    }),
  );
});

test("a margin leaves a group room for its own gap, or says how wide it may be; on a smaller page the gap gives way", () => {
  const margin = (mm: number) => [
    { type: "setPages" as const, items: [{ id: page.id, set: { margin: allSides(mm) } }] },
  ];
  const most = Number(refusedWith(groupGap(page.id, groupAt(firstPlaced(project))!, 500)));
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 0.95, noNaN: true }), (share) => {
      const gap = groupGap(page.id, groupAt(firstPlaced(project))!, share * most);
      const set = applied(project, [gap.ok ? gap.value : never()]);
      const mostMm = Number(refusedWith(changed(set, margin(140))));
      expect(changed(set, margin(mostMm)).ok).toBe(true);
      expect(changed(set, margin(mostMm + 0.01)).ok).toBe(false);
      // Without the gap of its own far more would fit.
      expect(changed(project, margin(mostMm + 5)).ok).toBe(true);
      const small = { ...project.format, widthMm: 120, heightMm: 120 };
      const fitted = withGapThatFits(set.pages[0]!, lookOf(set.pages[0]!, set.style), small);
      for (const t of placePage(fitted.page, small, set.style).groups[0]!.tiles)
        expect(Math.min(t.frame.width, t.frame.height)).toBeGreaterThan(0.5);
    }),
    { numRuns: 30 },
  );
});

const changed = (on: Project, changes: readonly Change[]) =>
  commit(
    { project: on, history: noHistory },
    { name: { code: "dressedPages", count: 1 }, changes, at: "2026-01-01T00:00:00.000Z" },
  );
const refusedWith = (r: { readonly ok: boolean }) => ("facts" in r ? (r.facts as { mostMm?: number }).mostMm : never());
const never = (): never => {
  throw new Error("not refused, or refused where it should not be");
};
