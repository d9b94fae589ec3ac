import { expect, test } from "@jest/globals";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  contained,
  containedRect,
  coveringSize,
  dragged,
  effectivePpi,
  firstFraming,
  firstFramingFor,
  photoMatrix,
  pinched,
  printedSize,
  settled,
  turnParts,
  zoomed,
} from "./index.ts";

test("photos are fitted, moved, zoomed, turned and pinched to the same places", () => {
  const random = seededRandom(11);
  const between = (a: number, b: number) => a + (b - a) * random();
  const all = Array.from({ length: 60 }, () => {
    const aspect = between(0.3, 3.2);
    const rect = { x: between(0, 20), y: between(0, 20), w: between(15, 140), h: between(15, 140) };
    const tile = { w: rect.w, h: rect.h };
    const framing = {
      ...firstFraming,
      x: between(-0.2, 1.2),
      y: between(-0.2, 1.2),
      zoom: between(0.8, 4),
      turn: between(-30, 30),
    };
    const face = () => ({ x: between(0, 0.8), y: between(0, 0.8), w: between(0.03, 0.2), h: between(0.04, 0.2) });
    const focus = {
      faces: Array.from({ length: Math.floor(4 * random()) }, face),
      point: { x: random(), y: random() },
      from: "faces" as const,
    };
    const [p, q] = [
      { x: between(0, 30), y: between(0, 30) },
      { x: between(40, 90), y: between(40, 90) },
    ];
    return [
      contained(aspect, tile),
      containedRect(aspect, rect),
      coveringSize(aspect, tile, framing.turn),
      settled(aspect, tile, framing),
      photoMatrix(aspect, rect, framing),
      dragged(aspect, tile, framing, { x: between(-9, 9), y: between(-9, 9) }),
      zoomed(aspect, tile, framing, between(1, 5)),
      pinched(aspect, rect, framing, [p, q], [q, { x: p.x + 3, y: p.y - 4 }]),
      firstFramingFor({ aspect, focus }, tile),
      firstFramingFor({ aspect, focus }, tile, { top: 3, right: 0, bottom: 2, left: 1 }),
      turnParts(framing.turn * 7),
      printedSize(aspect, tile, framing),
      effectivePpi({ widthPx: 3000, heightPx: 3000 / aspect }, tile, framing),
    ];
  });
  expect(fingerprint(all)).toMatchSnapshot();
});
