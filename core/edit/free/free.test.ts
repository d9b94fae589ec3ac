import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type Frame, newFreeTile, type PlacedPage, placeAgain, withFree } from "#core/document";
import type { Point, Rect } from "#core/geometry";
import { bleedBox, safeBox } from "#core/lab";
import { collage, firstPlaced } from "../../document/project.fixture.ts";
import { aligned, alignments, madeAs, sharedOut } from "./align.ts";
import { alongEdges, inRowsAndColumns, mostCopies, roundAPoint } from "./copies.ts";
import {
  boundsOf,
  cornersOf,
  type Handle,
  leastFrameMm,
  movedBy,
  resized,
  scaledAbout,
  straightened,
  turnedAbout,
  turnToward,
} from "./frames.ts";
import { pulled } from "./gesture.ts";
import { clearOfTrim, type SnapLine, snapMove, snapPoint, snapTargets } from "./snapping.ts";

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyFrame: fc.Arbitrary<Frame> = fc.record({
  centre: fc.record({ x: mm(0, 300), y: mm(0, 300) }),
  width: mm(10, 120),
  height: mm(10, 120),
  turn: fc.constantFrom(0, 0, 90, -30, 17.5, 180),
});
const anyPoint = fc.record({ x: mm(-60, 60), y: mm(-60, 60) });
const anyHandle = fc
  .record({ x: fc.constantFrom<-1 | 0 | 1>(-1, 0, 1), y: fc.constantFrom<-1 | 0 | 1>(-1, 0, 1) })
  .filter((h) => h.x !== 0 || h.y !== 0);
const near = (p: Point, q: Point) => {
  expect(p.x).toBeCloseTo(q.x, 6);
  expect(p.y).toBeCloseTo(q.y, 6);
};
/** A point of a frame, from -1 to 1 across and down. */
const pointAt = (f: Frame, x: number, y: number): Point => {
  const [a, b, , d] = cornersOf(f) as [Point, Point, Point, Point];
  const [u, v] = [(x + 1) / 2, (y + 1) / 2];
  return { x: a.x + u * (b.x - a.x) + v * (d.x - a.x), y: a.y + u * (b.y - a.y) + v * (d.y - a.y) };
};
const across = (h: Handle): readonly [number, number] => [-h.x, -h.y];

test("a pulled side or corner follows the hand, and what lies across from it stays, however the frame is turned", () => {
  fc.assert(
    fc.property(anyFrame, anyHandle, anyPoint, (frame, handle, by) => {
      const next = resized(frame, handle, by);
      near(pointAt(next, ...across(handle)), pointAt(frame, ...across(handle)));
      const middle = resized(frame, handle, by, { aboutCentre: true });
      near(middle.centre, frame.centre);
      expect(Math.min(next.width, next.height)).toBeGreaterThanOrEqual(leastFrameMm);
      if (handle.x === 0) expect(next.width).toBe(frame.width);
      // Where nothing holds it back a corner is where the hand went.
      if (handle.x !== 0 && handle.y !== 0 && Math.min(next.width, next.height) > leastFrameMm) {
        const was = pointAt(frame, handle.x, handle.y);
        near(pointAt(next, handle.x, handle.y), { x: was.x + by.x, y: was.y + by.y });
        if (middle.width > leastFrameMm)
          expect(middle.width - frame.width).toBeCloseTo(2 * (next.width - frame.width), 6);
      }
      const kept = resized(frame, handle, by, { keepShape: true });
      expect(kept.width / kept.height).toBeCloseTo(frame.width / frame.height, 6);
      near(pointAt(kept, ...across(handle)), pointAt(frame, ...across(handle)));
    }),
  );
});

test("several turn and grow as one sheet would, and come back", () => {
  fc.assert(
    fc.property(fc.array(anyFrame, { minLength: 1, maxLength: 6 }), anyPoint, mm(-170, 170), (frames, about, by) => {
      const turned = turnedAbout(frames, about, by);
      for (const [i, f] of frames.entries()) {
        const t = turned[i]!;
        expect(Math.hypot(t.centre.x - about.x, t.centre.y - about.y)).toBeCloseTo(
          Math.hypot(f.centre.x - about.x, f.centre.y - about.y),
          6,
        );
        expect(Math.abs(straightened(t.turn - f.turn - by))).toBeLessThan(0.02);
        near(turnedAbout([t], about, -by)[0]!.centre, f.centre);
      }
      const twice = scaledAbout(frames, about, 2);
      const [was, now] = [boundsOf(frames), boundsOf(twice)];
      expect([now.w, now.h]).toEqual([expect.closeTo(2 * was.w, 6), expect.closeTo(2 * was.h, 6)]);
      near({ x: now.x - about.x, y: now.y - about.y }, { x: 2 * (was.x - about.x), y: 2 * (was.y - about.y) });
      expect(Math.min(...scaledAbout(frames, about, 0).map((f) => Math.min(f.width, f.height)))).toBeCloseTo(
        leastFrameMm,
      );
    }),
  );
});

test("the turn grip points where the hand is, straight where it nearly is, and in steps", () => {
  const centre = { x: 50, y: 50 };
  expect(turnToward(centre, { x: 50, y: 0 }, undefined)).toBe(0);
  expect(turnToward(centre, { x: 100, y: 51 }, undefined)).toBe(90);
  expect(turnToward(centre, { x: 100, y: 0 }, undefined)).toBe(45);
  expect(turnToward(centre, { x: 62, y: 0 }, 15)).toBe(15);
  expect([straightened(190), straightened(-190), straightened(720), straightened(180)]).toEqual([-170, 170, 0, 180]);
});

/** A page with nothing arranged on it and tiles that lie freely. */
function pageWith(...frames: readonly Frame[]): PlacedPage {
  const first = firstPlaced(collage([]));
  const bare = placeAgain(first, { ...first.page, pieces: [] });
  let n = 0;
  return frames.reduce(
    (on, frame) =>
      placeAgain(
        on,
        withFree(
          on.page,
          newFreeTile(frame, { kind: "empty" }, () => `f${n++}`),
        ),
      ),
    bare,
  );
}
const upright = (x: number, y: number, width: number, height: number): Frame => ({
  centre: { x: x + width / 2, y: y + height / 2 },
  width,
  height,
  turn: 0,
});
const rect = (f: Frame): Rect => boundsOf([f]);
const hundredth = (mm: number) => Math.round(100 * mm) / 100;

test("what is moved near a line comes to lie on it with a side or its middle, and says on which; the page's own lines go first", () => {
  const other = upright(40, 40, 50, 30);
  const on = pageWith(other);
  const targets = snapTargets(on, new Set());
  const r = rect(upright(0, 0, 20, 20));
  const to = (x: number, y: number) => snapMove(r, { x, y }, targets, 2);
  // Its left side on the other's left, its top on the other's foot.
  expect(to(41, 71.5)).toMatchObject({ by: { x: 40, y: 70 } });
  expect(to(41, 71.5).lines.map((l) => [l.axis, l.at, l.kind])).toEqual([
    ["x", 40, "tile"],
    ["y", 70, "tile"],
  ]);
  // Its middle on the middle of the page.
  const { widthMm, heightMm } = on.format;
  expect(to(widthMm / 2 - 9, heightMm / 2 - 11).by).toEqual({ x: widthMm / 2 - 10, y: heightMm / 2 - 10 });
  expect(to(widthMm / 2 - 9, 120).lines.map((l) => l.kind)).toContain("centre");
  // Out of reach it goes where the hand is.
  expect(snapMove(r, { x: 33, y: 120 }, targets, 0.5)).toEqual({ by: { x: 33, y: 120 }, lines: [], gaps: [] });
  expect(snapTargets(on, new Set([on.tiles.at(-1)!.id])).others).toEqual([]);
  // A line is drawn as far as both reach.
  expect(to(41, 100).lines[0]).toMatchObject({ from: 40, to: 120 });
});

test("lines of a tile: the sides and middles of its box, and where it is turned each of its corners", () => {
  const lines = (turn: number) => {
    const targets = snapTargets(pageWith({ ...upright(40, 60, 50, 30), turn }), new Set());
    const ofTile = (all: readonly SnapLine[]) => all.filter((l) => l.kind === "tile");
    return [...ofTile(targets.x), ...ofTile(targets.y)].map((l) => [l.axis, ...[l.at, l.from, l.to].map(hundredth)]);
  };
  const straight = [
    ["x", 40, 60, 90],
    ["x", 65, 60, 90],
    ["x", 90, 60, 90],
    ["y", 60, 40, 90],
    ["y", 75, 40, 90],
    ["y", 90, 40, 90],
  ];
  expect(lines(0)).toEqual(straight);
  expect(lines(180)).toEqual(straight);
  // Half its sides, 25 and 15 mm, turned by 30° about (65, 75).
  const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
  const corners = [-25, 25].flatMap((u) => [-15, 15].map((v) => [65 + c * u - s * v, 75 + s * u + c * v] as const));
  const turned = lines(30);
  expect(turned).toHaveLength(6 + 8);
  for (const [x, y] of corners.map((at) => at.map(hundredth)))
    expect(turned).toEqual(
      expect.arrayContaining([
        ["x", x, y, y],
        ["y", y, x, x],
      ]),
    );
});

test("a snapped move is never further from the hand than the reach, and each line that is told is touched", () => {
  fc.assert(
    fc.property(fc.array(anyFrame, { maxLength: 8 }), anyFrame, anyPoint, mm(0, 5), (others, frame, by, reach) => {
      const targets = snapTargets(pageWith(...others), new Set());
      const r = rect(frame);
      const snapped = snapMove(r, by, targets, reach);
      expect(Math.abs(snapped.by.x - by.x)).toBeLessThanOrEqual(reach + 1e-9);
      expect(Math.abs(snapped.by.y - by.y)).toBeLessThanOrEqual(reach + 1e-9);
      const [x, y] = [r.x + snapped.by.x, r.y + snapped.by.y];
      for (const l of snapped.lines) {
        const places = l.axis === "x" ? [x, x + r.w / 2, x + r.w] : [y, y + r.h / 2, y + r.h];
        expect(Math.min(...places.map((p) => Math.abs(p - l.at)))).toBeLessThan(1e-5);
      }
      for (const g of snapped.gaps) for (const { from, to } of g.gaps) expect(to - from).toBeCloseTo(g.gapMm, 5);
      // The nearest of all lines was taken, where one was.
      const off = Math.abs(snapped.by.x - by.x);
      for (const l of targets.x)
        for (const p of [r.x + by.x, r.x + by.x + r.w / 2, r.x + by.x + r.w])
          if (Math.abs(l.at - p) <= reach) expect(off).toBeLessThanOrEqual(Math.abs(l.at - p) + 1e-6);
    }),
    { numRuns: 200 },
  );
});

test("between two others the gaps become the same; behind two, the gap that is between those", () => {
  const on = pageWith(upright(20, 100, 30, 30), upright(111, 100, 30, 30));
  const targets = snapTargets(on, new Set());
  const between = snapMove(rect(upright(0, 103, 37, 20)), { x: 62.6, y: 0.3 }, targets, 1);
  expect(between.by.x).toBeCloseTo(62);
  expect(between.gaps[0]).toMatchObject({ axis: "x", gapMm: 12 });
  const row = snapTargets(pageWith(upright(20, 100, 30, 30), upright(57, 101, 30, 30)), new Set());
  const behind = snapMove(rect(upright(0, 104, 23, 20)), { x: 94.6, y: 0.4 }, row, 1);
  expect(behind.by.x).toBeCloseTo(94);
  expect(behind.gaps[0]!.gaps.map((g) => [g.from, g.to])).toEqual([
    [50, 57],
    [87, 94],
  ]);
});

test("a pulled corner snaps on the axes that it is pulled along", () => {
  const targets = snapTargets(pageWith(upright(40, 40, 50, 30)), new Set());
  expect(snapPoint({ x: 89.5, y: 71 }, { x: true, y: true }, targets, 2)).toMatchObject({ at: { x: 90, y: 70 } });
  expect(snapPoint({ x: 89.5, y: 71 }, { x: true, y: false }, targets, 2)).toMatchObject({ at: { x: 90, y: 71 } });
});

test("a side that is pulled near another tile's size takes just that size, about its middle too and upside down, unless a line is there", () => {
  const n = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
  const handles = [
    { x: 1, y: 0 },
    { x: -1, y: 0 },
    { x: 0, y: 1 },
    { x: 0, y: -1 },
    { x: 1, y: 1 },
    { x: -1, y: 1 },
  ] as const;
  fc.assert(
    fc.property(
      fc.constantFrom(...handles),
      n(-1.9, 1.9),
      n(-1.9, 1.9),
      fc.boolean(),
      fc.constantFrom(0, 180),
      (handle, offX, offY, aboutCentre, turn) => {
        const like = { mm: 44, at: { from: 0, to: 44, across: 9 } };
        const targets = { x: [], y: [], others: [], sizes: { x: [like], y: [{ ...like, mm: 27 }] } };
        const frame: Frame = { centre: { x: 100, y: 100 }, width: 60, height: 40, turn };
        const way = (turn === 0 ? 1 : -1) * (aboutCentre ? 0.5 : 1);
        const by = { x: handle.x * way * (-16 + offX), y: handle.y * way * (-13 + offY) };
        const how = { targets, reachMm: 2, keepShape: false, aboutCentre, step: undefined };
        const { frames, gaps } = pulled({ grip: { what: "size", handle }, frames: new Map([["a", frame]]), by }, how);
        const next = frames.get("a")!;
        expect(next.width).toBeCloseTo(handle.x === 0 ? 60 : 44, 9);
        expect(next.height).toBeCloseTo(handle.y === 0 ? 40 : 27, 9);
        expect(gaps).toHaveLength(Math.abs(handle.x) + Math.abs(handle.y));
        const still = pulled(
          { grip: { what: "size", handle }, frames: new Map([["a", frame]]), by },
          { ...how, reachMm: 0 },
        );
        if (handle.x !== 0) expect(still.frames.get("a")!.width).toBeCloseTo(44 + offX, 9);
      },
    ),
  );
  // A line of the page goes first.
  const line: SnapLine = { axis: "x", at: 115, kind: "guide", from: 0, to: 200 };
  const targets = {
    x: [line],
    y: [],
    others: [],
    sizes: { x: [{ mm: 44, at: { from: 0, to: 44, across: 0 } }], y: [] },
  };
  const frame: Frame = { centre: { x: 100, y: 100 }, width: 60, height: 40, turn: 0 };
  const { frames } = pulled(
    { grip: { what: "size", handle: { x: 1, y: 0 } }, frames: new Map([["a", frame]]), by: { x: -15.5, y: 0 } },
    { targets, reachMm: 2, keepShape: false, aboutCentre: false, step: undefined },
  );
  expect(frames.get("a")!.width).toBeCloseTo(45, 9);
});

test("a tile that ends close to the trim goes over it or inside the safe line, whichever is nearer; others stay", () => {
  const { format } = pageWith();
  const [bleed, safe] = [bleedBox(format), safeBox(format)];
  const at = (x: number) => clearOfTrim(upright(x, 50, 40, 30), format);
  expect(at(-1)).toMatchObject({ to: "bleed" });
  expect(rect(at(-1)!.frame).x).toBeCloseTo(bleed.x);
  expect(at(1.9)).toMatchObject({ to: safe.x - 1.9 < 1.9 - bleed.x ? "safe" : "bleed" });
  expect(rect(at(1.9)!.frame).w).toBeCloseTo(40);
  for (const x of [bleed.x, safe.x, 2.5, 40]) expect(at(x)).toBeUndefined();
  // Both sides close to it: it is stretched over both.
  const whole = clearOfTrim(upright(0.5, 0.5, format.widthMm - 1, 60), format)!;
  expect([rect(whole.frame).x, rect(whole.frame).w]).toEqual([expect.closeTo(bleed.x), expect.closeTo(bleed.w)]);
  expect(clearOfTrim({ ...upright(-1, 50, 40, 30), turn: 20 }, format)).toBeUndefined();
});

test("aligned, sides or middles agree; shared out, all gaps are the same and the outermost stay", () => {
  fc.assert(
    fc.property(
      fc.array(anyFrame, { minLength: 3, maxLength: 7 }),
      fc.constantFrom("x" as const, "y" as const),
      (frames, axis) => {
        const to = boundsOf(frames);
        for (const how of alignments) {
          const places = aligned(frames, to, how).map((f) => {
            const r = rect(f);
            return {
              left: r.x - to.x,
              right: r.x + r.w - to.x - to.w,
              centre: r.x + r.w / 2 - to.x - to.w / 2,
              top: r.y - to.y,
              bottom: r.y + r.h - to.y - to.h,
              middle: r.y + r.h / 2 - to.y - to.h / 2,
            }[how];
          });
          for (const p of places) expect(p).toBeCloseTo(0, 6);
        }
        const along = (f: Frame) =>
          (axis === "x" ? [rect(f).x, rect(f).w] : [rect(f).y, rect(f).h]) as [number, number];
        const middle = (f: Frame) => along(f)[0] + along(f)[1] / 2;
        const order = frames.map((_, i) => i).sort((i, k) => middle(frames[i]!) - middle(frames[k]!));
        const shared = sharedOut(frames, axis);
        const spans = order.map((i) => along(shared[i]!));
        const gaps = spans.slice(1).map(([from], i) => from - spans[i]![0] - spans[i]![1]);
        for (const g of gaps) expect(g).toBeCloseTo(gaps[0]!, 6);
        for (const i of [order[0]!, order.at(-1)!]) expect(along(shared[i]!)[0]).toBeCloseTo(along(frames[i]!)[0], 6);
        for (const f of madeAs(frames, frames[0]!, "height")) expect(f.height).toBe(frames[0]!.height);
      },
    ),
  );
});

test("copies stand a step apart in columns and rows, or turned round a point, and there are never more than anybody means", () => {
  const frame = upright(10, 10, 20, 10);
  const grid = inRowsAndColumns(frame, { columns: 3, rows: 2, step: { x: 25, y: 15 } });
  expect(grid).toHaveLength(5);
  expect(grid.at(-1)!.centre).toEqual(movedBy(frame, { x: 50, y: 15 }).centre);
  const about = { x: 100, y: 15 };
  const ring = roundAPoint(frame, { about, count: 4 });
  expect(ring.map((f) => f.turn)).toEqual([90, 180, -90]);
  expect(boundsOf([frame, ...ring]).w).toBeCloseTo(180);
  expect(roundAPoint(frame, { about, count: 3, degrees: 90 }).map((f) => f.turn)).toEqual([45, 90]);
  expect(inRowsAndColumns(frame, { columns: 40, rows: 40, step: { x: 1, y: 1 } })).toHaveLength(mostCopies);
  expect(roundAPoint(frame, { about, count: 4000 })).toHaveLength(mostCopies);
});

test("copies round an edge stand in a row on each side, evenly, and none lies on another", () => {
  const size = fc.double({ min: 4, max: 60, noNaN: true });
  const long = fc.double({ min: 50, max: 400, noNaN: true });
  fc.assert(
    fc.property(size, size, long, long, fc.double({ min: 0, max: 20, noNaN: true }), (width, height, w, h, gap) => {
      const around = { x: 10, y: 20, w, h };
      const all = alongEdges({ centre: { x: 0, y: 0 }, width, height, turn: 0 }, around, gap);
      // Counted and expected once: there are hundreds of thousands of pairs.
      let [offEdge, over] = [0, 0];
      for (const [i, a] of all.entries()) {
        const upright = a.turn % 180 === 0;
        const [x, y] = [a.centre.x - around.x, a.centre.y - around.y];
        if (Math.abs(Math.min(x, y, w - x, h - y)) > 1e-6) offEdge += 1;
        for (const b of all.slice(i + 1)) {
          const other = b.turn % 180 === 0;
          const across = ((upright ? width : height) + (other ? width : height)) / 2;
          const down = ((upright ? height : width) + (other ? height : width)) / 2;
          const [dx, dy] = [Math.abs(a.centre.x - b.centre.x), Math.abs(a.centre.y - b.centre.y)];
          // Opposite sides may be nearer than the tiles are high.
          const apart = dx > across - 1e-6 || dy > down - 1e-6;
          if (!apart && (a.turn === b.turn || upright !== other)) over += 1;
        }
      }
      expect([offEdge, over]).toEqual([0, 0]);
      const top = all.filter((f) => f.turn === 0).map((f) => f.centre.x);
      const steps = top.slice(1).map((x, i) => x - top[i]!);
      for (const s of steps) expect(s).toBeCloseTo(steps[0]!, 6);
      expect(top.length).toBe(Math.min(Math.max(0, Math.floor((w - height) / Math.max(1, width + gap))), all.length));
    }),
  );
});
