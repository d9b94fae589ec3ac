import { type PackAsk, type Packed, Packing } from "#core/packing";
import { ok, type Result, refused } from "#core/result";
import { mostPieces } from "./choices.ts";
import { type PrintSheets, piecesOf, type SheetPlan, type Want } from "./plan.ts";
import { type SheetSize, sheetCost, sheetSizes } from "./sizes.ts";

export type SheetTrouble = "nothingWanted" | "tooManyPieces" | "noSheets" | "nothingPrintable" | "cardTooLarge";

/** A packing that goes on and on, and the plan as it stands. */
export interface SheetPacking {
  readonly packing: Packing;
  plan(): SheetPlan;
}

/** What has to lie at each edge of a sheet of one's own before a card begins: its margin, and the card's bleed within it. */
const insetOf = (size: SheetSize, bleedMm: number): number =>
  size.outerMm > 0 || (size.insetMm === 0 && bleedMm === 0) ? size.insetMm : size.insetMm + bleedMm;

/** With the inset that cards with such a bleed need. */
export function usableSizes(sheets: Pick<PrintSheets, "stock" | "wants">): SheetSize[] {
  if (!sheets.stock) return [];
  const bleedMm = Math.max(0, ...sheets.wants.filter((w) => w.count > 0).map((w) => w.bleedMm));
  return sheetSizes(sheets.stock).map((s) => ({ ...s, insetMm: insetOf(s, bleedMm) }));
}

const usable = (s: SheetSize): readonly [w: number, h: number] => [
  s.widthMm - 2 * s.insetMm,
  s.heightMm - 2 * s.insetMm,
];

/** Starts to pack what is wanted. Refused where there is nothing, no sheet, or a card that is larger than every sheet. */
export function packSheets(sheets: PrintSheets, random: () => number): Result<SheetPacking, SheetTrouble> {
  const pieces = piecesOf(sheets.wants);
  if (pieces.length === 0) return refused("nothingWanted");
  if (pieces.length > mostPieces) return refused("tooManyPieces", { most: mostPieces, pieces: pieces.length });
  const all = usableSizes(sheets);
  if (all.length === 0) return refused("noSheets");
  const sizes = all.filter((s) => Math.min(...usable(s)) > 0);
  if (sizes.length === 0) return refused("nothingPrintable");
  const { spacingMm, together } = sheets.ways;
  const byId = new Map(sheets.wants.map((w) => [w.id, w]));
  const large = sheets.wants.find((w) => w.count > 0 && !sizes.some((s) => fitsOn(w, s)));
  if (large) return refused("cardTooLarge", { widthMm: large.widthMm, heightMm: large.heightMm, wantId: large.id });
  const groups = new Map<string, number>();
  const groupOf = (w: Want): number | undefined => {
    if (!together || w.source.from !== "insert") return undefined;
    if (!groups.has(w.source.pageId)) groups.set(w.source.pageId, groups.size);
    return groups.get(w.source.pageId);
  };
  const ask: PackAsk = {
    kinds: sizes.map((s) => {
      const [w, h] = usable(s);
      return { width: w + spacingMm, height: h + spacingMm, cost: sheetCost(s) };
    }),
    items: pieces.map(({ wantId }) => {
      const want = byId.get(wantId)!;
      const { widthMm, heightMm, turns } = want;
      return { w: widthMm + spacingMm, h: heightMm + spacingMm, turns, group: groupOf(want) };
    }),
    random,
  };
  const packing = new Packing(ask);
  return ok({ packing, plan: () => planOf(packing.best, sizes, pieces, sheets) });
}

const fitsOn = ({ widthMm, heightMm, turns }: Want, size: SheetSize): boolean => {
  const [w, h] = usable(size);
  const inside = (a: number, b: number) => a <= w + 1e-7 && b <= h + 1e-7;
  return inside(widthMm, heightMm) || (turns && inside(heightMm, widthMm));
};

function planOf(
  packed: Packed,
  sizes: readonly SheetSize[],
  pieces: SheetPlan["pieces"],
  given: PrintSheets,
): SheetPlan {
  const sheets = packed.sheets.map(({ kind, cutting }) => {
    const size = sizes[kind]!;
    // From a roll only what is needed is cut off.
    const heightMm = given.stock?.kind === "roll" ? cutting.h - given.ways.spacingMm + 2 * size.insetMm : size.heightMm;
    return { size: size.id, widthMm: size.widthMm, heightMm, cutting };
  });
  const cost = sheets.reduce((sum, s) => sum + costOf(s, given), 0);
  return { pieces, sheets, cost, proven: packed.proven, mark: sheetsMark(given) };
}

/** What a planned sheet costs: its price, or that of as much of a roll. */
export function costOf(sheet: SheetPlan["sheets"][number], { stock }: Pick<PrintSheets, "stock">): number {
  if (!stock) return 0;
  if (stock.kind === "roll") return (stock.pricePerMetre * sheet.heightMm) / 1000;
  return sheetSizes(stock).find((s) => s.id === sheet.size)?.price ?? 0;
}

/** Of all that a packing rests on, as a short text: another packing is needed where it changes. */
export function sheetsMark({ wants, stock, ways }: Pick<PrintSheets, "wants" | "stock" | "ways">): string {
  const rests = [
    wants.map((w) => [w.id, w.widthMm, w.heightMm, w.count, w.bleedMm, w.turns]),
    stock && sheetSizes(stock).map((s) => [s.id, s.widthMm, s.heightMm, s.insetMm, s.price]),
    ways.spacingMm,
    ways.together,
  ];
  let [a, b] = [0x811c9dc5, 0x01000193];
  for (const c of JSON.stringify(rests)) {
    const code = c.codePointAt(0)!;
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b + code, 0x85ebca6b) ^ (b >>> 13);
  }
  return [a, b].map((n) => (n >>> 0).toString(16).padStart(8, "0")).join("");
}
