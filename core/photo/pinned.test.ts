import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { detailOf, findPiles, type Grey, interestOf, lookOf } from "./index.ts";

function grey(width: number, height: number, seed: number): Grey {
  const random = seededRandom(seed);
  const [x0, y0, r] = [width * random(), height * random(), 4 + 12 * random()];
  const values = Float64Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    return 90 + 0.8 * x + (Math.hypot(x - x0, y - y0) < r ? 90 : 0) + 6 * random();
  });
  return { width, height, values };
}

test("what a photo looks like, where the eye goes and what is piled come out the same", () => {
  const pictures = Array.from({ length: 12 }, (_, i) => grey(48 + (i % 3) * 8, 40, i + 1));
  expect(pictures.map(lookOf)).toMatchSnapshot();
  expect(fingerprint(pictures.map(detailOf))).toMatchSnapshot();
  const points = pictures.map(({ width, height, values }) => {
    const plane = Float32Array.from(values);
    return interestOf({ width, height, planes: [plane, plane.map((v) => 255 - v), plane.map((v) => v / 3)] });
  });
  expect(fingerprint(points)).toMatchSnapshot();
  const random = seededRandom(4);
  const photos = Array.from({ length: 80 }, (_, i) => ({
    id: `p${i}`,
    takenAt: new Date(Date.UTC(2025, 4, 1, 9, 0, 20 * i)).toISOString().slice(0, 19),
    pile: null,
    likeness: { look: lookOf(grey(48, 40, 1 + Math.floor(i / 4))), tint: "#808080", detail: 10 * random() },
  }));
  expect(findPiles(photos as unknown as Parameters<typeof findPiles>[0]).map((p) => p.join(" "))).toMatchSnapshot();
});
