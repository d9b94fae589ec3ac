import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { type PacePhoto, pacePlan, type Slot, wantedPages, weightOf } from "./index.ts";

function library(count: number, seed: number): PacePhoto[] {
  const random = seededRandom(seed);
  let [at, event] = [0, 0];
  return Array.from({ length: count }, (_, i) => {
    const pause = random() < 0.08 ? 30 + 40 * random() : 3 * random() ** 4;
    at += pause * 3_600_000;
    if (pause > 7) event += 1;
    const aspect = [0.67, 0.75, 1.33, 1.5, 1.5, 2.8][Math.floor(6 * random())]!;
    return {
      id: `p${i}`,
      aspect,
      atMs: at,
      event,
      stars: random() < 0.2 ? Math.ceil(5 * random()) : 0,
      faces: random() < 0.4 ? 0.06 * random() : 0,
    };
  });
}

const slots = (pages: number, first: "left" | "right"): Slot[] =>
  Array.from({ length: pages }, (_, k) => {
    const side = (k % 2 === 0) === (first === "left") ? "left" : "right";
    return { side, faced: side === "left" && k + 1 < pages };
  });

test("the same photos come onto the same pages, with the same leaders", () => {
  const cases = [
    [12, 6, "left"],
    [30, 8, "right"],
    [90, 20, "left"],
    [240, 40, "right"],
    [400, 24, "left"],
    [9, 20, "left"],
  ] as const;
  const plans = cases.map(([count, pages, first], i) =>
    pacePlan({ photos: library(count, i + 1), slots: slots(pages, first) }),
  );
  expect(fingerprint(plans)).toMatchSnapshot();
  expect(plans.map((plan) => plan.map((p) => p.photoIds.length).join(" "))).toMatchSnapshot();
  expect(fingerprint(library(60, 9).map(weightOf))).toMatchSnapshot();
  expect([1, 12, 60, 300, 2000].map((n) => wantedPages(library(n, 3)))).toMatchSnapshot();
});
