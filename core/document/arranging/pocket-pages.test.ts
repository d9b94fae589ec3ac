import { expect, test } from "@jest/globals";
import { firstFraming, photoMatrix } from "#core/fit";
import { applyTo } from "#core/geometry";
import { shippedPatterns } from "#core/pockets";
import {
  applyChange,
  arrangedOn,
  arrangedTiles,
  autoFramed,
  type Change,
  findPlaced,
  frameRect,
  framingOf,
  frontAndBack,
  mapTiles,
  newPockets,
  openingsOf,
  type Page,
  type Project,
  placeAgain,
  placed,
  printFiles,
  throughPockets,
} from "../index.ts";
import { counter } from "../project.fixture.ts";

const pattern = shippedPatterns.find((p) => p.id === "12-twelve-upright")!;
const work = () =>
  newPockets({ name: "Pages", unit: "in", pattern }, { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" });

test("front and back of a leaf hold the same pockets, mirrored; facing pages are a back and a front", () => {
  const project = work();
  const [front, back] = project.pages;
  expect(frontAndBack(project, front!.id)).toEqual([front, back]);
  const tilesOf = (page: Page | undefined) => arrangedOn(placed(project, page!));
  for (const [i, tile] of tilesOf(front).entries()) {
    const r = frameRect(tile.frame);
    const mirrored = tilesOf(back)
      .map((t) => frameRect(t.frame))
      .filter((o) => Math.abs(o.x + r.x + r.w - pattern.widthMm) < 1e-6);
    expect([i, mirrored.some((o) => Math.abs(o.y - r.y) < 1e-6)]).toEqual([i, true]);
  }
  expect(openingsOf(project.pages, true).map((o) => [o.left?.id, o.right?.id])).toEqual([
    [undefined, front!.id],
    [back!.id, undefined],
  ]);
});

test("one photo through several pockets shows each what lies behind it, as through panes", () => {
  const project = work();
  const on = placed(project, project.pages[0]!);
  const ids = arrangedTiles(on.page)
    .slice(0, 6)
    .map((t) => t.id);
  const { format } = on;
  const seen = placeAgain(on, throughPockets(on, ids, { id: "big", aspect: 1.8 }));
  const corners = ids.map((id) => {
    const tile = findPlaced(seen, id)!;
    if (tile.filling.kind !== "photo") throw new Error("no photo");
    const framing = framingOf(tile.filling.view, { aspect: 1.8, focus: null }, tile, format);
    const m = photoMatrix(1.8, frameRect(tile.frame), framing);
    return [applyTo(m, { x: 0, y: 0 }), applyTo(m, { x: 1, y: 1 })];
  });
  for (const [a, b] of corners) {
    expect(a!.x).toBeCloseTo(corners[0]![0]!.x, 4);
    expect(a!.y).toBeCloseTo(corners[0]![0]!.y, 4);
    expect(b!.x).toBeCloseTo(corners[0]![1]!.x, 4);
    expect(b!.y).toBeCloseTo(corners[0]![1]!.y, 4);
  }
  expect(throughPockets(on, ids.slice(0, 1), { id: "big", aspect: 1 })).toBe(on.page);
});

test("each card is a file of its own, in its own size with its bleed; whole pages are files of the page's size", () => {
  const project = work();
  const cardIds = arrangedTiles(project.pages[0]!).map((t) => t.id);
  const filled = mapTiles(project.pages[0]!, (t) =>
    t.id === cardIds[2] || t.id === cardIds[5]
      ? { ...t, filling: { kind: "photo", view: { ...autoFramed("a"), ...firstFraming } } }
      : t,
  );
  const now = { ...project, pages: project.pages.with(0, filled) };
  const cards = printFiles(now, () => undefined);
  expect(cards.map((f) => [f.number, f.pocket])).toEqual([
    [1, 3],
    [1, 6],
  ]);
  for (const { format } of cards)
    expect([format.widthMm.toFixed(1), format.heightMm.toFixed(1), format.bleedMm]).toEqual(["76.2", "101.6", 2]);
  const id = cardIds[2]!;
  const bleeding = (item: Extract<Change, { type: "setTiles" }>["items"][number], of: Project = now) =>
    applyChange(of, { type: "setTiles", pageId: now.pages[0]!.id, items: [item] });
  const own = bleeding({ id, set: { cardBleedMm: 6 } });
  if (!own.ok) throw new Error(own.code);
  const [grown, other] = printFiles(own.value, () => undefined);
  expect([grown!.format.bleedMm, other!.format.bleedMm]).toEqual([6, 2]);
  // The card itself is cut as before: only what goes on around it grew.
  expect(grown!.format.widthMm).toBe(cards[0]!.format.widthMm);
  expect(frameRect(grown!.parts[0]!.page.tiles[0]!.frame).w).toBeCloseTo(cards[0]!.format.widthMm + 12, 6);
  expect(bleeding({ id, unset: ["cardBleedMm"] }, own.value)).toEqual({ ok: true, value: now });
  const pages = printFiles({ ...now, pockets: { ...now.pockets!, output: "pages" } }, () => undefined);
  expect(pages.map((f) => f.format.widthMm)).toEqual([pattern.widthMm, pattern.widthMm]);
  expect(pages[0]!.parts[0]!.page.tiles.length).toBe(12 + 4 * 12);
});
