import { createHash } from "node:crypto";
import { expect, test } from "@jest/globals";
import { lightFor, plan, sceneFor } from "./plan.ts";
import { grainTile, render } from "./render.ts";

test("the sample is a library with its troubles: many sizes, turns, bursts, captions, and some without a date", () => {
  const all = plan();
  expect(all.length).toBeGreaterThanOrEqual(140);
  expect(new Set(all.map((p) => p.file)).size).toBe(all.length);
  const megapixels = all.map((p) => (p.widthPx * p.heightPx) / 1e6);
  expect(Math.max(...megapixels)).toBeGreaterThan(11);
  expect(megapixels.filter((m) => m < 0.1)).toHaveLength(2);
  expect(all.some((p) => p.widthPx / p.heightPx >= 4)).toBe(true);
  expect(new Set(all.map((p) => p.orientation))).toEqual(new Set([1, 3, 6, 8]));
  expect(all.filter((p) => p.sway > 0).length).toBeGreaterThan(8);
  expect(all.filter((p) => p.takenAt === undefined)).toHaveLength(4);
  expect(all.filter((p) => p.shot.caption).length).toBeGreaterThan(25);
});

test("the same photo is drawn with the same bytes, and the next one with others", async () => {
  const grain = await grainTile();
  const [a, b] = plan();
  const small = { widthPx: 120, heightPx: 80, sway: 0 };
  const draw = async (p: typeof a) =>
    createHash("sha256")
      .update(await render(sceneFor(p!), lightFor(p!), p!.seed, small, grain))
      .digest("hex");
  expect(await draw(a)).toBe(await draw(a));
  expect(await draw(a)).not.toBe(await draw(b));
});
