import { type Cutting, type OneItem, Packing, placedItems, withItem, withoutItem } from "#core/packing";
import { seededRandom } from "#core/random";
import { ok, type Result, refused } from "#core/result";
import { mostPieces } from "./choices.ts";
import { costOf, usableSizes } from "./pack-sheets.ts";
import type { PlannedSheet, PrintSheets, SheetPlan, Want } from "./plan.ts";
import type { SheetSize } from "./sizes.ts";

export type MoveTrouble = "noRoom" | "noPlan" | "tooManyPieces";

const itemOf = (item: number, want: Want, spacingMm: number): OneItem => ({
  item,
  w: want.widthMm + spacingMm,
  h: want.heightMm + spacingMm,
  turns: want.turns,
});

const roomOf = (size: SheetSize, spacingMm: number) => ({
  width: size.widthMm - 2 * size.insetMm + spacingMm,
  height: size.heightMm - 2 * size.insetMm + spacingMm,
});

function withCost(plan: SheetPlan, sheets: readonly PlannedSheet[], given: PrintSheets): SheetPlan {
  return { ...plan, sheets, cost: sheets.reduce((sum, s) => sum + costOf(s, given), 0), proven: false };
}

/** Moves a piece to another sheet by hand, where there is room for it; a sheet with nothing left on it is gone. */
export function movedPiece(given: PrintSheets, item: number, toSheet: number): Result<SheetPlan, MoveTrouble> {
  const { plan, wants, ways } = given;
  const target = plan?.sheets[toSheet];
  const want = wants.find((w) => w.id === plan?.pieces[item]?.wantId);
  const size = usableSizes(given).find((s) => s.id === target?.size);
  if (!plan || !target || !want || !size) return refused("noPlan");
  const from = plan.sheets.findIndex((s) => placedItems(s.cutting).some((p) => p.item === item));
  if (from === toSheet) return ok(plan);
  const cutting =
    withItem(target.cutting, roomOf(size, ways.spacingMm), itemOf(item, want, ways.spacingMm)) ??
    laidAnew(given, target, size, item);
  if (!cutting) return refused("noRoom", { sheet: toSheet + 1 });
  const sheets = plan.sheets.flatMap((s, i): PlannedSheet[] => {
    if (i === toSheet) return [{ ...s, cutting }];
    if (i !== from) return [s];
    const left = withoutItem(s.cutting, item);
    return left ? [{ ...s, cutting: left }] : [];
  });
  return ok(withCost(plan, sheets, given));
}

const steps = 300;

/** Everything on a sheet and one item more, packed again onto one such sheet; nothing where that is not found. */
function laidAnew(given: PrintSheets, sheet: PlannedSheet, size: SheetSize, item: number): Cutting | undefined {
  const { plan, wants, ways } = given;
  const items = [...placedItems(sheet.cutting).map((p) => p.item), item];
  const asked = items.flatMap((i) => {
    const want = wants.find((w) => w.id === plan?.pieces[i]?.wantId);
    return want ? [itemOf(i, want, ways.spacingMm)] : [];
  });
  const packing = new Packing({
    kinds: [{ ...roomOf(size, ways.spacingMm), cost: 1 }],
    items: asked,
    random: seededRandom(1),
  });
  packing.run(steps);
  const [only, more] = packing.best.sheets;
  return only && !more && asked.length === items.length ? numbered(only.cutting, items) : undefined;
}

const numbered = (c: Cutting, items: readonly number[]): Cutting =>
  "item" in c ? { ...c, item: items[c.item]! } : { ...c, parts: c.parts.map((p) => numbered(p, items)) };

/** More copies of what may fill what is left over, as many as there is room for, in turn; and of each how many that is. */
export function filledUp(given: PrintSheets):
  | {
      readonly plan: SheetPlan;
      readonly more: ReadonlyMap<string, number>;
    }
  | undefined {
  const { plan, wants, ways } = given;
  if (!plan) return undefined;
  const sizes = new Map(usableSizes(given).map((s) => [s.id, s]));
  const fillers = wants.filter((w) => w.fills);
  const more = new Map<string, number>();
  const pieces = [...plan.pieces];
  const sheets = plan.sheets.map((sheet) => {
    const size = sizes.get(sheet.size);
    if (!size) return sheet;
    let cutting: Cutting = sheet.cutting;
    let left = [...fillers];
    while (left.length > 0 && pieces.length < mostPieces)
      left = left.filter((want) => {
        const next = withItem(cutting, roomOf(size, ways.spacingMm), itemOf(pieces.length, want, ways.spacingMm));
        if (!next || pieces.length >= mostPieces) return false;
        const copy = want.count + (more.get(want.id) ?? 0);
        more.set(want.id, copy - want.count + 1);
        pieces.push({ wantId: want.id, copy });
        cutting = next;
        return true;
      });
    return { ...sheet, cutting };
  });
  return { plan: { ...withCost(plan, sheets, given), pieces, proven: plan.proven }, more };
}
