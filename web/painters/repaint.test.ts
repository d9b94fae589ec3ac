import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type Frame, frameRect, type PlacedPage } from "#core/document";
import { enclosing, inset, type Rect, scaling } from "#core/geometry";
import { scene } from "#core/scene";
import { collage, firstPlaced } from "../../core/document/project.fixture.ts";
import type { Canvas2d } from "./canvas-2d.ts";
import { repaintScene } from "./repaint.ts";

const page = firstPlaced(collage([1, 1]));
const [first] = page.tiles;
const perMm = 2;
const toPixels = scaling(perMm, perMm);

/** Fields of colour that lie freely. */
const withFields = (frames: readonly Frame[]): PlacedPage => ({
  ...page,
  tiles: frames.map((frame, i) => ({
    ...first!,
    id: `f${i}`,
    frame,
    outline: { kind: "ellipse" },
    filling: { kind: "colour", colour: "#aa5522" },
  })),
});

/** A canvas that only remembers how often it was filled, and within which rectangles. */
function recorder() {
  const told = { fills: 0, clips: [] as Rect[] };
  let rect: Rect | undefined;
  const own = {
    canvas: { width: page.format.widthMm * perMm, height: page.format.heightMm * perMm },
    fill: () => {
      told.fills += 1;
    },
    rect: (x: number, y: number, w: number, h: number) => {
      rect = { x, y, w, h };
    },
    clip: () => {
      if (rect) told.clips.push(rect);
    },
  };
  const ctx = new Proxy(own, { get: (of, name) => Reflect.get(of, name) ?? (() => undefined), set: () => true });
  return { told, ctx: ctx as unknown as Canvas2d };
}

const frames = fc.record({
  // Wholly on the page wherever they are moved to.
  centre: fc.record({ x: fc.integer({ min: 45, max: 250 }), y: fc.integer({ min: 45, max: 250 }) }),
  width: fc.integer({ min: 4, max: 40 }),
  height: fc.integer({ min: 4, max: 40 }),
  turn: fc.constant(0),
});
const nothing = { picture: () => undefined, face: () => undefined };
const inPixels = ({ x, y, w, h }: Rect): Rect => ({ x: x * perMm, y: y * perMm, w: w * perMm, h: h * perMm });

const meet = (a: Rect, b: Rect): boolean =>
  a.x <= b.x + b.w && b.x <= a.x + a.w && a.y <= b.y + b.h && b.y <= a.y + a.h;

test("where one piece moved a little, what it covers now and covered before is painted again, and hardly more", () => {
  fc.assert(
    fc.property(
      fc.array(frames, { minLength: 1, maxLength: 6 }),
      fc.nat(),
      fc.integer({ min: -20, max: 20 }),
      fc.integer({ min: 1, max: 20 }),
      (all, which, dx, dy) => {
        const { told, ctx } = recorder();
        const at = which % all.length;
        const was = all[at]!;
        const now = { ...was, centre: { x: was.centre.x + dx, y: was.centre.y + dy } };
        const paint = (on: readonly Frame[]) =>
          repaintScene(ctx, scene(withFields(on), { photo: () => undefined }), toPixels, nothing, "high");
        paint(all);
        expect(told.clips).toEqual([]);
        const whole = told.fills;
        paint(all);
        expect(told.fills).toBe(whole);
        paint(all.with(at, now));
        const [clip, more] = told.clips;
        expect(more).toBeUndefined();
        const meant = inPixels(enclosing(frameRect(was), frameRect(now)));
        expect(clip!.x).toBeLessThanOrEqual(meant.x);
        expect(clip!.y).toBeLessThanOrEqual(meant.y);
        expect(clip!.x + clip!.w).toBeGreaterThanOrEqual(meant.x + meant.w);
        expect(clip!.y + clip!.h).toBeGreaterThanOrEqual(meant.y + meant.h);
        expect(clip!.w * clip!.h).toBeLessThan((meant.w + 8) * (meant.h + 8));
        // All that stands there beneath and above is painted as well, and nothing that lies elsewhere.
        const ground = whole - all.length;
        const comingInto = (part: Rect) => all.with(at, now).filter((f) => meet(inPixels(frameRect(f)), part)).length;
        const inPart = told.fills - whole - ground;
        expect(inPart).toBeGreaterThanOrEqual(comingInto(clip!));
        expect(inPart).toBeLessThanOrEqual(comingInto(inset(clip!, -4)));
        // At rest all of it is painted once more: edges that were painted twice look a little different.
        paint(all.with(at, now));
        expect(told.clips).toHaveLength(1);
        expect(told.fills).toBe(2 * whole + ground + inPart);
      },
    ),
  );
});

test("where most of the page is another, all of it is painted", () => {
  const { told, ctx } = recorder();
  const wide = { centre: { x: 150, y: 150 }, width: 250, height: 250, turn: 0 };
  for (const width of [250, 240])
    repaintScene(ctx, scene(withFields([{ ...wide, width }]), { photo: () => undefined }), toPixels, nothing, "low");
  expect(told.clips).toEqual([]);
});
