import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { leastSheets } from "./bounds.ts";
import { placedItems } from "./cutting.ts";
import { withItem, withoutItem } from "./edit.ts";
import { ItemTooLargeError, type PackAsk, type Packed, Packing } from "./pack.ts";

type Item = PackAsk["items"][number];

const within = (random: () => number, least: number, most: number) => least + Math.floor(random() * (most - least + 1));

function packed(ask: Omit<PackAsk, "random">, steps: number, seed = 1): Packed {
  const packing = new Packing({ ...ask, random: seededRandom(seed) });
  packing.run(steps);
  return packing.best;
}

/** Throws where something lies outside, over another, is turned though it may not be, or is missing. */
function expectRight({ kinds, items }: Omit<PackAsk, "random">, { sheets, cost }: Packed): void {
  const seen = new Set<number>();
  for (const sheet of sheets) {
    const kind = kinds[sheet.kind]!;
    const placed = placedItems(sheet.cutting);
    for (const [i, p] of placed.entries()) {
      const item = items[p.item]!;
      expect(seen.has(p.item)).toBe(false);
      seen.add(p.item);
      expect([p.w, p.h]).toEqual(p.turned ? [item.h, item.w] : [item.w, item.h]);
      if (p.turned) expect(item.turns).toBe(true);
      expect(p.x >= 0 && p.y >= 0 && p.x + p.w <= kind.width + 1e-6 && p.y + p.h <= kind.height + 1e-6).toBe(true);
      for (const q of placed.slice(i + 1))
        expect(
          p.x + p.w <= q.x + 1e-6 || q.x + q.w <= p.x + 1e-6 || p.y + p.h <= q.y + 1e-6 || q.y + q.h <= p.y + 1e-6,
        ).toBe(true);
    }
    expect(comesApart(placed)).toBe(true);
  }
  expect(seen.size).toBe(items.length);
  expect(cost).toBeCloseTo(sheets.reduce((sum, s) => sum + kinds[s.kind]!.cost, 0));
}

/** Whether straight cuts from edge to edge free every piece, found from the pieces alone. */
function comesApart(rects: readonly { x: number; y: number; w: number; h: number }[]): boolean {
  if (rects.length < 2) return true;
  for (const [from, size] of [
    ["x", "w"],
    ["y", "h"],
  ] as const)
    for (const cut of rects.map((r) => r[from])) {
      const before = rects.filter((r) => r[from] + r[size] <= cut + 1e-6);
      const after = rects.filter((r) => r[from] >= cut - 1e-6);
      if (before.length > 0 && after.length > 0 && before.length + after.length === rects.length)
        return comesApart(before) && comesApart(after);
    }
  return false;
}

test("whatever is packed lies on its sheet, over nothing else, and comes apart with straight cuts", () => {
  for (let seed = 1; seed <= 40; seed += 1) {
    const random = seededRandom(seed);
    const kinds = Array.from({ length: within(random, 1, 3) }, () => ({
      width: within(random, 60, 140),
      height: within(random, 60, 140),
      cost: within(random, 1, 9) / 3,
    }));
    const items: Item[] = Array.from({ length: within(random, 1, 40) }, () => ({
      w: within(random, 5, 60),
      h: within(random, 5, 60),
      turns: random() < 0.5,
      group: seed % 4 === 0 ? within(random, 0, 5) : undefined,
    }));
    expectRight({ kinds, items }, packed({ kinds, items }, 80, seed));
  }
});

test("the same seed and as many steps give the same sheets", () => {
  const random = seededRandom(5);
  const items = Array.from({ length: 50 }, () => ({ w: within(random, 5, 60), h: within(random, 5, 60), turns: true }));
  const ask = { kinds: [{ width: 100, height: 100, cost: 1 }], items };
  expect(packed(ask, 200)).toEqual(packed(ask, 200));
});

/** Items that were cut out of sheets, so that as many sheets are enough. */
function cutUp(random: () => number, width: number, height: number, cuts: number): Item[] {
  const parts = [{ w: width, h: height }];
  for (let k = 0; k < cuts; k += 1) {
    const at = within(random, 0, parts.length - 1);
    const { w, h } = parts[at]!;
    const across = w > h;
    const cut = within(random, 1, (across ? w : h) - 1);
    parts.splice(at, 1, across ? { w: cut, h } : { w, h: cut }, across ? { w: w - cut, h } : { w, h: h - cut });
  }
  return parts.map((p) => ({ ...p, turns: true }));
}

test("what was cut out of sheets finds room on as many again, and is known to be the least", () => {
  let exact = 0;
  for (let seed = 1; seed <= 12; seed += 1) {
    const random = seededRandom(seed);
    const items = [...cutUp(random, 120, 90, 5), ...cutUp(random, 120, 90, 4)];
    const best = packed({ kinds: [{ width: 120, height: 90, cost: 1 }], items }, 1500, seed);
    expect(best.cost).toBeLessThanOrEqual(3);
    if (best.cost === 2 && best.proven) exact += 1;
  }
  expect(exact).toBeGreaterThanOrEqual(9);
});

test("many cards of few sizes: two on each print, with one cut between them", () => {
  const items = Array.from({ length: 61 }, () => ({ w: 76.2, h: 101.6, turns: true }));
  const best = packed({ kinds: [{ width: 152.4, height: 101.6, cost: 0.19 }], items }, 100);
  expect(best).toMatchObject({ proven: true });
  expect(best.sheets).toHaveLength(31);
});

/** The least cost by trying every way to share a few items among sheets, each filled in every order and way. */
function cheapestByForce({ kinds, items }: Omit<PackAsk, "random">): number {
  const priceOf = new Map<number, number>();
  const all = 2 ** items.length - 1;
  for (let set = 1; set <= all; set += 1) {
    const some = items.filter((_, i) => set & (2 ** i));
    const prices = kinds.filter((k) => allFit(some, k.width, k.height)).map((k) => k.cost);
    if (prices.length > 0) priceOf.set(set, Math.min(...prices));
  }
  const least = new Float64Array(all + 1).fill(Number.POSITIVE_INFINITY);
  least[0] = 0;
  for (let set = 1; set <= all; set += 1)
    for (let part = set; part > 0; part = (part - 1) & set) {
      const price = priceOf.get(part);
      if (price !== undefined) least[set] = Math.min(least[set]!, price + least[set & ~part]!);
    }
  return least[all]!;
}

/** By every straight cut that frees an item or splits the items in two. */
function allFit(some: readonly Item[], w: number, h: number): boolean {
  const [one] = some;
  if (!one) return true;
  if (some.reduce((sum, i) => sum + i.w * i.h, 0) > w * h + 1e-9) return false;
  if (some.length === 1) return (one.w <= w && one.h <= h) || (one.turns && one.h <= w && one.w <= h);
  for (let set = 1; set < 2 ** some.length - 1; set += 2) {
    const [a, b] = [some.filter((_, i) => set & (2 ** i)), some.filter((_, i) => !(set & (2 ** i)))];
    for (const cut of cutsOf(a, w)) if (allFit(a, cut, h) && allFit(b, w - cut, h)) return true;
    for (const cut of cutsOf(a, h)) if (allFit(a, w, cut) && allFit(b, w, h - cut)) return true;
  }
  return false;
}

/** Cuts at sums of sides: any other could be moved to one. */
function cutsOf(items: readonly Item[], most: number): readonly number[] {
  let sums = new Set([0]);
  for (const { w, h } of items) sums = new Set([...sums].flatMap((s) => [s, s + w, s + h]));
  return [...sums].filter((s) => s > 0 && s < most);
}

test("over a mix of sizes and prices the cost is within two hundredths of the least that there is", () => {
  const kinds = [
    { width: 60, height: 40, cost: 0.19 },
    { width: 70, height: 50, cost: 0.29 },
    { width: 100, height: 80, cost: 0.85 },
  ];
  let [sum, least] = [0, 0];
  for (let seed = 1; seed <= 12; seed += 1) {
    const random = seededRandom(seed);
    const items = Array.from({ length: 6 }, () => ({
      w: 5 * within(random, 3, 9),
      h: 5 * within(random, 3, 8),
      turns: random() < 0.7,
    }));
    const ask = { kinds, items };
    const [found, best] = [packed(ask, 1500, seed).cost, cheapestByForce(ask)];
    expect(found).toBeGreaterThanOrEqual(best - 1e-9);
    expect(found).toBeLessThanOrEqual(best * 1.02 + 1e-9);
    sum += found;
    least += best;
  }
  expect(sum / least).toBeLessThan(1.01);
});

test("no bound says more sheets than are enough", () => {
  for (let seed = 1; seed <= 60; seed += 1) {
    const random = seededRandom(seed);
    const items = Array.from({ length: 3 }, () => cutUp(random, 100, 70, 4)).flat();
    const sizes = {
      width: 100,
      height: 70,
      count: items.length,
      w: Float64Array.from(items, (i) => i.w),
      h: Float64Array.from(items, (i) => i.h),
      turns: new Uint8Array(items.length).fill(1),
    };
    expect(leastSheets(sizes)).toBe(3);
  }
});

test("large pieces of which no two share a sheet are counted one by one", () => {
  const large = { width: 100, height: 100, count: 4, turns: new Uint8Array(4).fill(1) };
  expect(leastSheets({ ...large, w: Float64Array.of(60, 60, 60, 60), h: Float64Array.of(51, 51, 51, 51) })).toBe(4);
});

test("items that belong together come onto one sheet where that costs nothing more", () => {
  const group = (n: number) => Array.from({ length: 4 }, () => ({ w: 50, h: 50, turns: true, group: n }));
  const mixed = [0, 1, 2, 3].flatMap((k) => [0, 1, 2].map((n) => group(n)[k]!));
  const { sheets } = packed({ kinds: [{ width: 100, height: 100, cost: 1 }], items: mixed }, 400);
  expect(sheets).toHaveLength(3);
  for (const { cutting } of sheets) expect(new Set(placedItems(cutting).map((p) => mixed[p.item]!.group)).size).toBe(1);
});

test("nothing needs no sheet, and what no sheet can hold is named", () => {
  expect(packed({ kinds: [{ width: 10, height: 10, cost: 1 }], items: [] }, 10)).toMatchObject({ sheets: [], cost: 0 });
  const ask = { kinds: [{ width: 10, height: 20, cost: 1 }], items: [{ w: 20, h: 10, turns: false }] };
  expect(() => packed(ask, 10)).toThrow(ItemTooLargeError);
  expect(packed({ ...ask, items: [{ w: 20, h: 10, turns: true }] }, 10).sheets).toHaveLength(1);
});

test("a hand takes an item out and puts it on another sheet, where it fits", () => {
  const ask = {
    kinds: [{ width: 100, height: 60, cost: 1 }],
    items: [20, 30, 40].map((w) => ({ w, h: 60, turns: false })),
  };
  const { cutting } = packed(ask, 10).sheets[0]!;
  const without = withoutItem(cutting, 1)!;
  expect(
    placedItems(without)
      .map((p) => p.item)
      .sort(),
  ).toEqual([0, 2]);
  const again = withItem(without, ask.kinds[0]!, { item: 7, w: 60, h: 35, turns: true })!;
  expect(placedItems(again)).toContainEqual(expect.objectContaining({ item: 7, turned: true, w: 35 }));
  expect(comesApart(placedItems(again))).toBe(true);
  expect(withItem(without, ask.kinds[0]!, { item: 7, w: 60, h: 35, turns: false })).toBeUndefined();
  expect(withoutItem(withoutItem(without, 0)!, 2)).toBeUndefined();
  expect(withItem(undefined, ask.kinds[0]!, { item: 0, w: 10, h: 10, turns: true })).toMatchObject({ item: 0 });
});
