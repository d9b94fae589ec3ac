import { Packing, placedItems } from "#core/packing";
import { seededRandom } from "#core/random";

interface Asked {
  readonly sheet: { readonly width: number; readonly height: number; readonly margin: number };
  readonly items: readonly { readonly id: string; readonly width: number; readonly height: number }[];
  readonly spacing: number;
  readonly rotate: boolean;
  readonly timeMs?: number;
}

const seed = 7;
/** Where the kit gives no time: a person's order takes as many. */
const usualSteps = 3000;

/** Packs as the packing kit asks for it. What lies between items is added to them and to the sheet, and taken off again. */
export function pack({ sheet, items, spacing, rotate, timeMs }: Asked) {
  const began = process.cpuUsage();
  const [width, height] = [sheet.width, sheet.height].map((side) => side - 2 * sheet.margin + spacing) as [
    number,
    number,
  ];
  const packing = new Packing({
    kinds: [{ width, height, cost: 1 }],
    items: items.map((i) => ({ w: i.width + spacing, h: i.height + spacing, turns: rotate })),
    random: seededRandom(seed),
  });
  if (timeMs === undefined) packing.run(usualSteps);
  else packing.run(Number.POSITIVE_INFINITY, () => spentMs(began) > timeMs * 0.98);
  return {
    sheets: packing.best.sheets.map(({ cutting }) => ({
      placements: placedItems(cutting).map(({ item, turned, x, y, w, h }) => ({
        id: items[item]!.id,
        x: x + sheet.margin,
        y: y + sheet.margin,
        w: w - spacing,
        h: h - spacing,
        rotated: turned,
      })),
    })),
  };
}

function spentMs(since: NodeJS.CpuUsage): number {
  const { user, system } = process.cpuUsage(since);
  return (user + system) / 1000;
}
