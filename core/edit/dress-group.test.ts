import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allTiles, groupAt, mainGroup, newTile, placed, withGroup } from "#core/document";
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
