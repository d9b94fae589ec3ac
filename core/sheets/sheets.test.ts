import { expect, test } from "@jest/globals";
import { placedItems } from "#core/packing";
import { seededRandom } from "#core/random";
import { type Cut, type LaidSheet, layOut } from "./cuts.ts";
import { filledUp, movedPiece } from "./edit-plan.ts";
import { packSheets, sheetsMark } from "./pack-sheets.ts";
import { noSheets, type PrintSheets, type Stock } from "./plan.ts";
import { printSheetsSchema } from "./schema/index.ts";
import { printer, printLab, prints, want } from "./sheets.fixture.ts";
import { sheetSizes } from "./sizes.ts";

function packed(given: Partial<PrintSheets>, steps = 60): PrintSheets {
  const sheets = { ...noSheets, ...given };
  const begun = packSheets(sheets, seededRandom(3));
  if (!begun.ok) throw new Error(begun.code);
  begun.value.packing.run(steps);
  return { ...sheets, plan: begun.value.plan() };
}

function laid(sheets: PrintSheets, at = 0): LaidSheet {
  const planned = sheets.plan!.sheets[at]!;
  const size = sheetSizes(sheets.stock!).find((s) => s.id === planned.size)!;
  const bleed = Math.max(...sheets.wants.map((w) => w.bleedMm));
  const insetMm = size.insetMm + (sheets.stock!.kind === "lab" ? 0 : bleed);
  const spareOf = (item: number) => sheets.wants.find((w) => w.id === sheets.plan!.pieces[item]!.wantId)!.spareMm;
  return layOut(planned.cutting, { ...planned, insetMm, spacingMm: sheets.ways.spacingMm, spareOf });
}

interface Piece {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

const near = (a: number, b: number) => Math.abs(a - b) < 0.03;

/** Cuts a sheet as a person would, cut by cut; throws where one does not go from edge to edge of a piece in hand. */
function cutApart(paper: Piece, cuts: readonly Cut[]): Piece[] {
  const pieces = [paper];
  for (const c of cuts) {
    const down = c.way === "down";
    const at = pieces.findIndex((p) =>
      down
        ? near(p.y, c.fromMm) && near(p.y + p.h, c.toMm) && c.atMm > p.x && c.atMm < p.x + p.w
        : near(p.x, c.fromMm) && near(p.x + p.w, c.toMm) && c.atMm > p.y && c.atMm < p.y + p.h,
    );
    const p = pieces[at];
    if (!p) throw new Error(`cut ${c.number} goes through no piece from edge to edge`);
    expect(c.setMm).toBeCloseTo(c.atMm - (down ? p.x : p.y), 1);
    const [a, b] = down
      ? [
          { ...p, w: c.setMm },
          { ...p, x: p.x + c.setMm, w: p.w - c.setMm },
        ]
      : [
          { ...p, h: c.setMm },
          { ...p, y: p.y + c.setMm, h: p.h - c.setMm },
        ];
    pieces.splice(at, 1, a, b);
  }
  return pieces;
}

test("the cuts, made one after the other, leave each card as a piece of its own, as large as it is wanted or a little more", () => {
  for (let seed = 1; seed <= 30; seed += 1) {
    const random = seededRandom(seed);
    const any = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
    const spacingMm = seed % 3 === 0 ? any(1, 8) : 0;
    const wants = Array.from({ length: any(1, 7) }, (_, i) =>
      want(`w${i}`, any(30, 95), any(30, 95), {
        count: any(1, 3),
        spareMm: any(0, 3),
        bleedMm: seed % 2 === 0 ? 2 : 0,
        turns: random() < 0.7,
      }),
    );
    const stock: Stock = seed % 2 === 0 ? printer : { ...prints, sizeIds: ["4x6", "8x10"] };
    const sheets = packed({ wants, stock, ways: { ...noSheets.ways, spacingMm } });
    let cards = 0;
    for (const [i, planned] of sheets.plan!.sheets.entries()) {
      const { cards: these, cuts } = laid(sheets, i);
      const pieces = cutApart({ x: 0, y: 0, w: planned.widthMm, h: planned.heightMm }, cuts);
      expect(cuts.map((c) => c.number)).toEqual(cuts.map((_, k) => k + 1));
      for (const { item, turned, cell, x, y, w, h } of these) {
        const own = wants.find((o) => o.id === sheets.plan!.pieces[item]!.wantId)!;
        expect([w, h].map((n) => n.toFixed(3))).toEqual(
          (turned ? [own.heightMm, own.widthMm] : [own.widthMm, own.heightMm]).map((n) => n.toFixed(3)),
        );
        expect(
          pieces.some((p) => near(p.x, cell.x) && near(p.y, cell.y) && near(p.w, cell.w) && near(p.h, cell.h)),
        ).toBe(true);
        expect(cell.w - w).toBeLessThanOrEqual(own.spareMm + 0.02);
        expect(cell.h - h).toBeLessThanOrEqual(own.spareMm + 0.02);
        expect(x - cell.x).toBeCloseTo((cell.w - w) / 2, 5);
        expect(y - cell.y).toBeCloseTo((cell.h - h) / 2, 5);
        cards += 1;
      }
    }
    expect(cards).toBe(wants.reduce((sum, w) => sum + w.count, 0));
  }
});

test("cards of one spread come onto one sheet where that is asked for and costs nothing", () => {
  const pages = ["a", "b", "c"];
  const wants = [0, 1, 2, 3].flatMap((n) =>
    pages.map((pageId) =>
      want(`${pageId}${n}`, 95, 70, { turns: false, source: { from: "insert", pageId, tileId: `t${n}` } }),
    ),
  );
  const { plan } = packed({ wants, stock: printer, ways: { ...noSheets.ways, together: true } }, 600);
  expect(plan!.sheets).toHaveLength(2);
  for (const pageId of pages) {
    const on = plan!.sheets.filter(({ cutting }) =>
      placedItems(cutting).some((p) => plan!.pieces[p.item]!.wantId.startsWith(pageId)),
    );
    expect([pageId, on.length]).toEqual([pageId, 1]);
  }
});

test("two cards of 3 × 4 inches on a print of 4 × 6 come apart with one cut, also where each is a little smaller", () => {
  for (const less of [0, 2]) {
    const wants = [want("a", 76.2 - less, 101.6 - less, { count: 2, spareMm: less })];
    const { plan, ...rest } = packed({ wants, stock: prints });
    expect(plan).toMatchObject({ cost: 0.2, proven: true });
    const { cards, cuts } = laid({ ...rest, plan });
    expect(cuts).toHaveLength(1);
    expect(cuts[0]).toMatchObject({ setMm: expect.closeTo(76.2, 6), waste: undefined });
    for (const { cell } of cards) expect(Math.min(cell.w, cell.h)).toBeCloseTo(76.2, 6);
  }
});

test("where it must not be larger, what is left over is cut off, once for a whole row", () => {
  const { cuts } = laid(
    packed({ wants: [want("a", 50, 200, { count: 3, turns: false })], stock: { ...prints, sizeIds: ["8x10"] } }),
  );
  expect(cuts.map((c) => c.waste)).toEqual(["rest", "rest", undefined, undefined]);
});

test("from a roll only as much is cut off as the cards take, and that is what it costs", () => {
  const roll: Stock = { kind: "roll", widthMm: 300, longestMm: 2000, marginMm: 5, pricePerMetre: 12, ppi: 300 };
  const { plan } = packed({ wants: [want("a", 140, 90, { count: 8, turns: false })], stock: roll }, 300);
  expect(plan!.sheets.reduce((sum, s) => sum + s.heightMm, 0)).toBeCloseTo(4 * 90 + 2 * 5 * plan!.sheets.length, 3);
  expect(plan!.cost).toBeCloseTo((12 * plan!.sheets.reduce((sum, s) => sum + s.heightMm, 0)) / 1000, 6);
});

test("prices of nothing: the least paper is used, and nothing is said of a cost", () => {
  const bare = { ...printLab, sizes: printLab.sizes.map((s) => ({ ...s, price: 0 })) };
  const stock: Stock = { kind: "lab", card: bare, sizeIds: ["4x6", "8x10"] };
  const { plan } = packed({ wants: [want("a", 101.6, 152.4, { count: 2 })], stock });
  expect(plan!.cost).toBe(0);
  expect(plan!.sheets.map((s) => s.size.slice(0, 3))).toEqual(["4x6", "4x6"]);
});

test("what cannot be packed is refused with its reason", () => {
  const code = (given: Partial<PrintSheets>) => {
    const begun = packSheets({ ...noSheets, ...given }, seededRandom(1));
    return begun.ok ? "packed" : begun.code;
  };
  const one = [want("a", 50, 50)];
  expect(code({ stock: prints })).toBe("nothingWanted");
  expect(code({ wants: [want("a", 50, 50, { count: 0 })], stock: prints })).toBe("nothingWanted");
  expect(code({ wants: one })).toBe("noSheets");
  expect(code({ wants: one, stock: { ...prints, sizeIds: [] } })).toBe("noSheets");
  expect(code({ wants: one, stock: { ...printer, marginMm: 150 } })).toBe("nothingPrintable");
  expect(code({ wants: [want("a", 300, 300)], stock: prints })).toBe("cardTooLarge");
  expect(code({ wants: [want("a", 150, 100, { turns: false })], stock: { ...printer, widthMm: 120 } })).toBe(
    "cardTooLarge",
  );
  expect(
    code({
      wants: [want("a", 50, 50, { count: 500 })].flatMap((w) => Array.from({ length: 9 }, () => w)),
      stock: prints,
    }),
  ).toBe("tooManyPieces");
});

test("two thousand cards are packed, as many on each sheet as there is room for", () => {
  const { plan } = packed({ wants: [0, 1, 2, 3].map((i) => want(`w${i}`, 60, 40, { count: 500 })), stock: printer }, 5);
  expect(plan!.sheets.reduce((sum, s) => sum + placedItems(s.cutting).length, 0)).toBe(2000);
  expect(plan!.sheets.length).toBeLessThan(105);
});

test("a card is moved by hand to a sheet with room, and a sheet with nothing on it is gone", () => {
  const sheets = packed({ wants: [want("a", 76.2, 101.6, { count: 3 })], stock: prints });
  const [full, half] = sheets.plan!.sheets.map((s) => placedItems(s.cutting).length === 2) as [boolean, boolean];
  const [from, to] = full && !half ? [0, 1] : [1, 0];
  const item = placedItems(sheets.plan!.sheets[from]!.cutting)[0]!.item;
  const moved = movedPiece(sheets, item, to);
  if (!moved.ok) throw new Error(moved.code);
  expect(placedItems(moved.value.sheets[to]!.cutting)).toHaveLength(2);
  const last = placedItems(moved.value.sheets[from]!.cutting)[0]!.item;
  expect(movedPiece({ ...sheets, plan: moved.value }, last, to)).toMatchObject({ ok: false, code: "noRoom" });
  const lone = packed({ wants: [want("a", 40, 60), want("b", 40, 60)], stock: prints });
  const apart = {
    ...lone,
    plan: {
      ...lone.plan!,
      sheets: [0, 1].map((i) => ({ ...lone.plan!.sheets[0]!, cutting: { item: i, turned: false, w: 40, h: 60 } })),
    },
  };
  const joined = movedPiece(apart, 1, 0);
  expect(joined.ok && joined.value.sheets).toHaveLength(1);
});

test("what is left over is filled with copies of what may fill it", () => {
  const sheets = packed({ wants: [want("a", 100, 100), want("b", 50, 40, { fills: true, count: 0 })], stock: prints });
  const filled = filledUp(sheets)!;
  expect(filled.more.get("b")).toBe(2);
  expect(placedItems(filled.plan.sheets[0]!.cutting)).toHaveLength(3);
  expect(filledUp({ ...sheets, plan: filled.plan, wants: sheets.wants })!.more.size).toBe(0);
});

test("a plan is out of date when what it was made for changes, and survives being kept", () => {
  const sheets = packed({ wants: [want("a", 76.2, 101.6)], stock: prints });
  expect(sheets.plan!.mark).toBe(sheetsMark(sheets));
  for (const change of [{ count: 2 }, { widthMm: 70 }, { turns: false }])
    expect(sheetsMark({ ...sheets, wants: sheets.wants.map((w) => ({ ...w, ...change })) })).not.toBe(
      sheets.plan!.mark,
    );
  expect(printSheetsSchema.parse(JSON.parse(JSON.stringify(sheets)))).toEqual(sheets);
});
