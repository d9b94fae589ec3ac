import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  laidOut,
  pannedBy,
  paperScale,
  pixelScale,
  reachesOut,
  seenPart,
  wholeSeen,
  type Zoom,
  zoomedBy,
} from "./zoom.ts";

const padPx = 30;
const length = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const looking = fc.record({
  content: fc.record({ w: length(50, 1000), h: length(50, 1000) }),
  room: fc.record({ w: length(400, 2000), h: length(300, 1200) }),
  pad: fc.constant({ w: padPx, h: padPx }),
  ppi: fc.constantFrom(150, 300, 400),
  devicePixelRatio: fc.constantFrom(1, 1.5, 2),
});
const zoom = fc.record({
  level: fc.oneof(fc.constantFrom("whole" as const, "width" as const), length(0.01, 60)),
  centre: fc.record({ x: length(-1, 2), y: length(-1, 2) }),
});

test("however it is zoomed and moved, the page lies in whole pixels and its edges never leave the window behind them", () => {
  fc.assert(
    fc.property(looking, zoom, (at, how) => {
      const laid = laidOut(at, how);
      expect([laid.leftPx, laid.topPx].every(Number.isInteger)).toBe(true);
      expect(laid.widthPx / laid.scale).toBeCloseTo(at.content.w, 6);
      for (const [from, px, room] of [
        [laid.leftPx, laid.widthPx, at.room.w],
        [laid.topPx, laid.heightPx, at.room.h],
      ] as const) {
        const fits = px <= room - 2 * padPx;
        // Small ones lie in the middle; of large ones no edge comes further in than the mat is wide.
        if (fits) expect(Math.abs(from - (room - from - px))).toBeLessThanOrEqual(3 + at.content.h / at.content.w);
        else {
          expect(from).toBeLessThanOrEqual(padPx + 1);
          expect(from + px).toBeGreaterThanOrEqual(room - padPx - 1);
        }
      }
    }),
  );
});

test("the whole page is seen at first, and as wide as the window when that is asked for", () => {
  fc.assert(
    fc.property(looking, (at) => {
      const whole = laidOut(at, wholeSeen);
      expect(reachesOut(whole, at.room)).toBe(false);
      expect(laidOut(at, { ...wholeSeen, level: "width" }).widthPx).toBeCloseTo(Math.floor(at.room.w - 2 * padPx), 0);
    }),
  );
});

test("what is under the pointer stays there when one comes closer, as long as the page is larger than the window", () => {
  const room = { w: 900, h: 600 };
  const at = { content: { w: 300, h: 300 }, room, pad: { w: padPx, h: padPx }, ppi: 300, devicePixelRatio: 1 };
  fc.assert(
    fc.property(length(3, 8), length(1.05, 1.6), length(0.3, 0.7), length(0.3, 0.7), (level, factor, u, v) => {
      const laid = laidOut(at, { level, centre: { x: 0.5, y: 0.5 } });
      const pointer = { x: u * room.w, y: v * room.h };
      const under = (l: typeof laid) => [(pointer.x - l.leftPx) / l.widthPx, (pointer.y - l.topPx) / l.heightPx];
      const next = laidOut(at, zoomedBy(at, laid, factor, pointer));
      expect(next.scale / laid.scale).toBeCloseTo(factor, 1);
      const [was, is] = [under(laid), under(next)];
      expect(is[0]!).toBeCloseTo(was[0]!, 2);
      expect(is[1]!).toBeCloseTo(was[1]!, 2);
    }),
  );
});

test("moved there and back it lies as before, and closer has an end", () => {
  const room = { w: 900, h: 600 };
  const at = { content: { w: 300, h: 300 }, room, pad: { w: padPx, h: padPx }, ppi: 300, devicePixelRatio: 1 };
  const laid = laidOut(at, { level: 6, centre: { x: 0.5, y: 0.5 } });
  const there = laidOut(at, pannedBy(laid, room, { x: 40, y: -25 }));
  expect([there.leftPx - laid.leftPx, there.topPx - laid.topPx]).toEqual([40, -25]);
  expect(laidOut(at, pannedBy(there, room, { x: -40, y: 25 }))).toEqual(laid);
  let now: Zoom = wholeSeen;
  for (let i = 0; i < 40; i += 1) now = zoomedBy(at, laidOut(at, now), 1.5, { x: 0, y: 0 });
  expect(laidOut(at, now).scale).toBeCloseTo(4 * pixelScale(300, 1), 1);
  for (let i = 0; i < 60; i += 1) now = zoomedBy(at, laidOut(at, now), 0.7, { x: 0, y: 0 });
  expect(laidOut(at, now).scale).toBeCloseTo(laidOut(at, wholeSeen).scale / 2, 1);
});

test("as large as on paper is ninety-six pixels to the inch, and each printed pixel is one of the screen's", () => {
  expect(paperScale * 25.4).toBeCloseTo(96);
  expect(pixelScale(300, 2) * 25.4).toBeCloseTo(150);
});

test("what is in sight is all of the box that lies in the window, and the box itself where it all does", () => {
  const room = { w: 900, h: 600 };
  const box = { x: -3, y: -3, w: 306, h: 206 };
  expect(seenPart(box, 10, 20, 2, room)).toBe(box);
  fc.assert(
    fc.property(length(-4000, 800), length(-3000, 500), length(3, 12), (left, top, scale) => {
      const part = seenPart(box, left, top, scale, room);
      for (const [x, y] of [
        [0, 0],
        [room.w, room.h],
        [450, 300],
        [1, 599],
      ] as const) {
        const p = { x: box.x + (x - left) / scale, y: box.y + (y - top) / scale };
        const inBox = p.x >= box.x && p.x <= box.x + box.w && p.y >= box.y && p.y <= box.y + box.h;
        if (!inBox) continue;
        expect(p.x).toBeGreaterThanOrEqual(part.x - 1e-6);
        expect(p.x).toBeLessThanOrEqual(part.x + part.w + 1e-6);
        expect(p.y).toBeGreaterThanOrEqual(part.y - 1e-6);
        expect(p.y).toBeLessThanOrEqual(part.y + part.h + 1e-6);
      }
      expect(part.w * scale).toBeLessThanOrEqual(room.w + 2);
      expect(part.h * scale).toBeLessThanOrEqual(room.h + 2);
    }),
  );
});
