import { expect, test } from "@jest/globals";
import { arrangedTiles, autoFramed, mapTiles, newPockets, type Project } from "#core/document";
import { firstFraming } from "#core/fit";
import { shippedPatterns } from "#core/pockets";
import { seededRandom } from "#core/random";
import { packSheets } from "#core/sheets";
import { photo } from "../../../../core/check/check.fixture.ts";
import { counter } from "../../../../core/document/project.fixture.ts";
import { prints } from "../../../../core/sheets/sheets.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import type { Services } from "../../services.ts";
import { ProjectSession } from "../session/project-session.ts";
import {
  changeSheets,
  changeWants,
  dropWants,
  fillLeftOver,
  isPacked,
  movePiece,
  outdatedCards,
  packNow,
  sheetsOf,
  wantGroups,
  wantInserts,
  wantPages,
  wantPhotos,
} from "./print-sheets.ts";

const at = "2026-01-01T00:00:00.000Z";
const pattern = shippedPatterns.find((p) => p.id === "12-twelve-upright")!;

/** A leaf of twelve pockets on each side, the first `full` of its front with a photo. */
function opened(full: number): ProjectSession {
  const bare = newPockets({ name: "Cards", unit: "in", pattern }, { newId: counter("p"), at });
  const front = bare.pages[0]!;
  const ids = arrangedTiles(front).map((t) => t.id);
  const filled = mapTiles(front, (t) =>
    ids.indexOf(t.id) < full ? { ...t, filling: { kind: "photo", view: { ...autoFramed("a"), ...firstFraming } } } : t,
  );
  const project: Project = { ...bare, pages: bare.pages.with(0, filled) };
  return new ProjectSession(
    { project, steps: [], done: 0, savedAt: at, sent: undefined },
    { store: openMemoryStore(), now: () => at },
  );
}

const photos = new Map([photo("a"), photo("tall", { widthPx: 3000, heightPx: 4000 })].map((p) => [p.id, p]));
const deps = () => ({
  newId: counter("w"),
  library: { state: { getState: () => ({ byId: photos }) } } as unknown as Services["library"],
});
const now = (s: ProjectSession) => sheetsOf(s.state.getState().project);

/** The worker that packs, without a thread. */
const arranging = {
  run: async (_job: string, { sheets }: { readonly sheets: ReturnType<typeof now> }) => {
    const packing = packSheets(sheets, seededRandom(7));
    if (!packing.ok) throw new Error(packing.code);
    packing.value.packing.run(200);
    return packing.value.plan();
  },
} as unknown as Services["arranging"];
const pack = (s: ProjectSession) =>
  packNow({ arranging }, s, { signal: new AbortController().signal, onSoFar: () => {} });

test("cards of the pockets are wanted once each; what was said of one stays, and one that changed is told of", () => {
  const session = opened(3);
  expect(wantInserts(deps(), session)).toBe(3);
  const [first, second] = now(session).wants;
  changeWants(session, new Set([first!.id]), { count: 4, borderMm: 2 });
  const { project } = session.state.getState();
  const front = project.pages[0]!;
  session.commit({ code: "emptiedTiles", count: 1 }, [
    {
      type: "setTiles",
      pageId: front.id,
      items: [{ id: arrangedTiles(front)[1]!.id, set: { filling: { kind: "empty" } } }],
    },
  ]);
  expect(outdatedCards(session.state.getState().project)).toBe(1);
  expect(wantInserts(deps(), session)).toBe(2);
  expect(outdatedCards(session.state.getState().project)).toBe(0);
  const wants = now(session).wants;
  expect(wants.map((w) => [w.count, w.borderMm])).toEqual([
    [4, 2],
    [1, 0],
  ]);
  expect(wants.some((w) => w.id === second!.id)).toBe(false);
});

test("a card with a bleed of its own is wanted with it", () => {
  const session = opened(2);
  const front = session.state.getState().project.pages[0]!;
  session.commit({ code: "changedBleed", count: 1 }, [
    { type: "setTiles", pageId: front.id, items: [{ id: arrangedTiles(front)[1]!.id, set: { cardBleedMm: 5 } }] },
  ]);
  wantInserts(deps(), session);
  expect(now(session).wants.map((w) => w.bleedMm)).toEqual([2, 5]);
});

test("pages are wanted once, photos lie as they are; wants of one kind and size stand together", () => {
  const session = opened(2);
  const services = deps();
  wantPages(services, session);
  wantPages(services, session);
  wantPhotos(services, session, ["a", "tall"], { shortMm: 100, longMm: 150 });
  wantPhotos(services, session, ["a"], { shortMm: 100, longMm: 150 });
  const groups = wantGroups(now(session).wants);
  expect(groups.map((g) => [g.wants[0]!.source.from, g.count])).toEqual([
    ["page", 2],
    ["photo", 2],
    ["photo", 1],
  ]);
  expect(groups.slice(1).map((g) => [g.wants[0]!.widthMm, g.wants[0]!.heightMm])).toEqual([
    [150, 100],
    [100, 150],
  ]);
  dropWants(session, new Set(groups[0]!.wants.map((w) => w.id)));
  session.undo();
  expect(wantGroups(now(session).wants)).toHaveLength(3);
});

test("a plan is out of date when what is wanted changes, and good again when that is undone", async () => {
  const session = opened(5);
  wantInserts(deps(), session);
  changeSheets(session, { stock: prints });
  await pack(session);
  expect(isPacked(now(session))).toBe(true);
  changeWants(session, new Set([now(session).wants[0]!.id]), { count: 2 });
  expect(isPacked(now(session))).toBe(false);
  session.undo();
  expect(isPacked(now(session))).toBe(true);
});

test("a piece moved by hand is on the other sheet, or nothing changed; what is left over is filled", async () => {
  const session = opened(5);
  wantInserts(deps(), session);
  changeSheets(session, { stock: prints });
  await pack(session);
  const on = () => now(session).plan!.sheets.map((s) => JSON.stringify(s).match(/"item":\d+/g)!.length);
  const before = on();
  const from = before.indexOf(Math.max(...before));
  const [item] = JSON.stringify(now(session).plan!.sheets[from]).match(/"item":\d+/)!;
  const moves = before.map((_, to) => to !== from && movePiece(session, Number(item.slice(7)), to));
  expect(on().reduce((a, b) => a + b, 0)).toBe(5);
  if (!moves.includes(true)) expect(on()).toEqual(before);
  changeWants(session, new Set(now(session).wants.map((w) => w.id)), { fills: true });
  await pack(session);
  const room = on().reduce((a, b) => a + b, 0);
  const more = fillLeftOver(session);
  expect(on().reduce((a, b) => a + b, 0)).toBe(room + more);
  expect(now(session).wants.reduce((sum, w) => sum + w.count, 0)).toBe(5 + more);
  expect(isPacked(now(session))).toBe(true);
});
