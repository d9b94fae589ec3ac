import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatFromCard, type PageFormat } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import {
  applyChange,
  barePage,
  coverChanges,
  coverParts,
  firstCover,
  formatOf,
  frameRect,
  freeTiles,
  type Group,
  groupsOf,
  layTree,
  newBook,
  newFreeTile,
  newGroup,
  type Page,
  type Project,
  pageChanges,
  placed,
  placePage,
  type Room,
  roomRect,
  treeIn,
} from "./index.ts";
import { anyChange, applied, counter, mixedProject, squareFormat } from "./project.fixture.ts";

const mixed = mixedProject();
const { style } = mixed;

test("rooms that share an edge lie exactly one gap apart, and together fill what the margins leave", () => {
  const cut = fc.double({ min: 0.05, max: 0.95, noNaN: true });
  const mm = fc.double({ min: 0, max: 30, noNaN: true });
  const formats: readonly PageFormat[] = [
    squareFormat,
    { ...squareFormat, folds: [{ atMm: 0, hiddenMm: 6 }] },
    formatOf({ ...mixed, kind: "book" }, { id: "spread", span: 2 }),
  ];
  fc.assert(
    fc.property(
      cut,
      mm,
      fc.record({ top: mm, right: mm, bottom: mm, left: mm }),
      fc.constantFrom(...formats),
      fc.constantFrom("page" as const, "left" as const, "right" as const),
      (at, gapMm, margin, format, of) => {
        const look = { gapMm, margin };
        const room = (left: number, right: number, top = 0, bottom = 1): Room => ({
          kind: "share",
          of,
          share: { left, right, top, bottom },
        });
        const rect = (r: Room) => roomRect(r, look, format);
        const [whole, a, b] = [rect(room(0, 1)), rect(room(0, at)), rect(room(at, 1))];
        expect(b.x - (a.x + a.w)).toBeCloseTo(gapMm, 9);
        expect([a.x, a.y, a.h]).toEqual([whole.x, whole.y, whole.h]);
        expect(b.x + b.w).toBeCloseTo(whole.x + whole.w, 9);
        const [over, under] = [rect(room(0, 1, 0, at)), rect(room(0, 1, at, 1))];
        expect(under.y - (over.y + over.h)).toBeCloseTo(gapMm, 9);
      },
    ),
  );
});

test("a group in a part of the page is solved for it exactly, and bleeds only where its room touches the trim", () => {
  const look = { ...style, margin: { top: 0, right: 0, bottom: 0, left: 0 }, gapMm: 4 };
  const right: Room = { kind: "share", of: "page", share: { left: 0.5, top: 0, right: 1, bottom: 1 } };
  const tree = { kind: "tree", loose: false, seed: 0, lead: null, together: [], order: "mostly" } as const;
  const leaf = (tileId: string) => ({ tileId, aspect: 1 });
  const group = newGroup(
    { ...tree, tree: { way: "stack", parts: [leaf("a"), leaf("b")] } },
    ["a", "b"].map((id) => ({ id, filling: { kind: "empty" } })),
    () => "g",
    right,
  );
  const on = placePage({ ...barePage(() => "p"), pieces: [group] }, squareFormat, look);
  const [a, b] = on.tiles.map((t) => frameRect(t.frame));
  const middle = (squareFormat.widthMm + 4) / 2;
  expect([a!.x, a!.y, a!.x + a!.w]).toEqual([
    expect.closeTo(middle, 9),
    -3,
    expect.closeTo(squareFormat.widthMm + 3, 9),
  ]);
  expect(b!.y - (a!.y + a!.h)).toBeCloseTo(4, 9);
  expect(b!.y + b!.h).toBeCloseTo(squareFormat.heightMm + 3, 9);
});

test("what makes one state of a page of another leads there exactly, and back, whatever was done to it", () => {
  let fine = 0;
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 6 }), fc.array(anyChange, { maxLength: 6 }), (some, others) => {
      const pageOf = (project: Project): Page | undefined => project.pages.find((p) => p.id === "m1");
      const [was, is] = [pageOf(applied(mixed, some)), pageOf(applied(mixed, others))];
      if (!was || !is) return;
      const changes = pageChanges(was, is);
      fine += changes.filter((c) => c.type !== "replacePage").length;
      const start: Project = { ...mixed, pages: [was] };
      let now = start;
      for (const change of changes) {
        const next = applyChange(now, change);
        if (!next.ok) throw new Error(next.code);
        now = next.value;
      }
      expect(now.pages[0]).toEqual(is);
    }),
    { numRuns: 300 },
  );
  expect(fine).toBeGreaterThan(60);
});

test("one piece more is one change, and of a tile that was filled only its filling is kept", () => {
  const page = mixed.pages[1]!;
  const frame = { centre: { x: 9, y: 9 }, width: 5, height: 5, turn: 0 };
  const more = { ...page, pieces: [...page.pieces, newFreeTile(frame, { kind: "empty" }, () => "more")] };
  expect(pageChanges(page, more)).toMatchObject([{ type: "insertPieces", pieces: [{ at: 3 }] }]);
  const group = groupsOf(page)[0]!;
  const tiles = group.tiles.with(0, { ...group.tiles[0]!, filling: { kind: "empty" } });
  const filled = { ...page, pieces: page.pieces.with(0, { ...group, tiles }) };
  expect(pageChanges(page, filled)).toEqual([
    { type: "setTiles", pageId: page.id, items: [{ id: group.tiles[0]!.id, set: { filling: { kind: "empty" } } }] },
  ]);
  expect(pageChanges(page, page)).toEqual([]);
});

test("what is remembered of placed pages is what placing a copy of them afresh gives; what did not change stays the same object", () => {
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 5 }), fc.constantFrom(2, 5), (changes, gapMm) => {
      let now = mixed;
      for (const change of changes) {
        const next = applyChange(now, change);
        if (!next.ok) continue;
        const before = now.pages.map((p) => placed(now, p));
        now = next.value;
        for (const page of now.pages) {
          const on = placed(now, page);
          const afresh = placePage(structuredClone(page), structuredClone(on.format), now.style);
          expect(on.tiles.map(({ tile: _, ...t }) => t)).toEqual(afresh.tiles.map(({ tile: _, ...t }) => t));
          const was = before.find((b) => b.page === page);
          if (was) expect(on).toBe(was);
        }
      }
      const styled = { ...now, style: { ...now.style, gapMm } };
      for (const page of styled.pages) {
        // What is kept is read beside what is only tried out, again and again.
        const kept = placed(now, page);
        const on = placed(styled, page);
        expect(placed(now, page) === kept && placed(styled, page) === on).toBe(true);
        const afresh = placePage(structuredClone(page), on.format, styled.style);
        expect(on.tiles.map((t) => t.frame)).toEqual(afresh.tiles.map((t) => t.frame));
      }
    }),
    { numRuns: 120 },
  );
});

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));

test("pieces of a cover stay with their panel when the spine grows or shrinks", () => {
  const bare = newBook(
    { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
    { newId: counter("p"), at: "" },
  );
  const made = firstCover(bare, { id: "p0", aspect: 1.5 }, counter("c"))!;
  const covered = applied(bare, coverChanges(made));
  const laid = layTree(placed(covered, covered.cover!), {
    photos: [1.5, 1].map((aspect, i) => ({ id: `f${i}`, aspect })),
    seed: 0,
    newId: counter("t"),
  });
  if (!laid.ok) throw new Error(laid.code);
  const front: Room = { kind: "share", of: "front", share: { left: 0, top: 0.5, right: 1, bottom: 1 } };
  const cover = {
    ...laid.value.page,
    pieces: laid.value.page.pieces.map((p) => (p.kind === "group" ? { ...p, room: front } : p)),
  };
  const project = applied(covered, [{ type: "replacePage", page: cover }]);
  expect(treeIn(groupsOf(project.cover!)[0] as Group)).toBeDefined();
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 60 }), (more) => {
      const pages = Array.from({ length: more }, (_, i) => ({ page: barePage(() => `more${i}`), at: 3 }));
      const grown = applied(project, [{ type: "insertPages", pages }]);
      const [was, now] = [coverParts(project)!, coverParts(grown)!];
      const panel = (of: typeof was) => of.panels.find((p) => p.part === "front")!;
      const by = panel(now).x - panel(was).x;
      const before = placed(project, project.cover!).tiles;
      const after = placed(grown, grown.cover!).tiles;
      expect(after.map((t) => t.id)).toEqual(before.map((t) => t.id));
      for (const [i, t] of after.entries()) {
        expect(t.frame.centre.x - before[i]!.frame.centre.x).toBeCloseTo(by, 6);
        expect(t.frame.width).toBeCloseTo(before[i]!.frame.width, 6);
      }
      // Only what lies freely had to be told so.
      expect(groupsOf(grown.cover!)).toEqual(groupsOf(project.cover!));
      expect(freeTiles(grown.cover!).length).toBe(2);
    }),
    { numRuns: 20 },
  );
});
