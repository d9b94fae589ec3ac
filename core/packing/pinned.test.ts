import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { leastSheets } from "./bounds.ts";
import { type PackAsk, Packing, placedItems } from "./index.ts";

const within = (random: () => number, least: number, most: number) => least + Math.floor(random() * (most - least + 1));

/** Orders as keepers have them: a few sizes many times, many sizes once, wallets and large ones, with and without turning. */
function askOf(seed: number): Omit<PackAsk, "random"> {
  const random = seededRandom(seed);
  const kinds = Array.from({ length: 1 + (seed % 3) }, (_, k) => ({
    width: 200 + 50 * k,
    height: 250 + 50 * k,
    cost: 1 + 0.6 * k,
  }));
  const sizes = Array.from({ length: seed % 2 === 0 ? 3 : 25 }, () => ({
    w: within(random, 25, 130),
    h: within(random, 25, 130),
  }));
  const items = Array.from({ length: 10 + 8 * (seed % 5) }, () => ({
    ...sizes[within(random, 0, sizes.length - 1)]!,
    turns: random() < 0.7,
    group: seed % 4 === 0 ? within(random, 0, 4) : undefined,
  }));
  return { kinds, items };
}

test("the same items are packed the same, step by step, and the bounds below are the same", () => {
  const seeds = Array.from({ length: 12 }, (_, i) => i + 1);
  const packed = seeds.map((seed) => {
    const packing = new Packing({ ...askOf(seed), random: seededRandom(seed) });
    const begun = packing.best.cost;
    packing.run(seed % 2 === 0 ? 900 : 200);
    const { sheets, cost } = packing.best;
    return [begun, cost, sheets.map((s) => [s.kind, placedItems(s.cutting)])];
  });
  expect(fingerprint(packed)).toMatchSnapshot();
  const bounds = seeds.map((seed) => {
    const { kinds, items } = askOf(seed);
    return leastSheets({
      width: kinds[0]!.width,
      height: kinds[0]!.height,
      count: items.length,
      w: Float64Array.from(items, (item) => item.w),
      h: Float64Array.from(items, (item) => item.h),
      turns: Uint8Array.from(items, (item) => (item.turns ? 1 : 0)),
    });
  });
  expect(bounds).toMatchSnapshot();
});
