import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { autoFramed, drawnTile, type PlacedTile, type View } from "#core/document";
import { applyTo } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { strokesLeaveAt } from "#core/masks";
import type { Outline } from "#core/outlines";
import { type Brush, brushedStroke, calmOf, fadeAround, strokeToPage } from "./index.ts";

const format: PageFormat = {
  ...{ name: "a page", widthMm: 300, heightMm: 200, bleedMm: 3, safeMm: 5 },
  ...{ ppi: 300, leastPpi: 200 },
};
const photoTile = (turn: number, view: Partial<View> = {}, outline: Outline = { kind: "rectangle" }): PlacedTile => ({
  ...drawnTile(
    "t",
    { centre: { x: 140, y: 90 }, width: 120, height: 80, turn },
    { kind: "photo", view: { ...autoFramed("p"), ...view } },
  ),
  outline,
});

const brush: Brush = { does: "hide", radiusMm: 8, hardness: 0.3, strength: 1 };

test("a stroke hides what the hand went over, at any turn, zoom and mirroring, in a photo of any shape", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(0, 7, 90, 201),
      fc.double({ min: 1, max: 4, noNaN: true }),
      fc.boolean(),
      fc.double({ min: 0.4, max: 2.5, noNaN: true }),
      (turn, zoom, flip, aspect) => {
        const tile = photoTile(turn, { zoom, flip, byHand: true, turn: 4 });
        const toPage = strokeToPage(tile, { aspect, focus: null }, format)!;
        const line = Array.from({ length: 60 }, (_, i) => ({ x: 120 + i / 2, y: 90 + 6 * Math.sin(i / 9) }));
        const stroke = brushedStroke(line, brush, toPage)!;
        expect(stroke.points.length).toBeLessThan(30);
        const radius = stroke.points[0]![2] * Math.hypot(toPage.a, toPage.b);
        const unitMm = Math.hypot(toPage.a, toPage.b);
        expect(Math.abs(radius - brush.radiusMm)).toBeLessThan(0.51 * unitMm);
        for (const p of line) {
          const nearest = Math.min(
            ...stroke.points.map(([x, y]) => {
              const at = applyTo(toPage, { x, y });
              return Math.hypot(at.x - p.x, at.y - p.y);
            }),
          );
          expect(nearest).toBeLessThan(16);
        }
        // Its middle line stays where it was drawn, to less than can be seen of so soft a brush.
        const [first, last] = [stroke.points[0]!, stroke.points.at(-1)!].map(([x, y]) => applyTo(toPage, { x, y }));
        expect(Math.hypot(first!.x - line[0]!.x, first!.y - line[0]!.y)).toBeLessThan(0.72 * unitMm);
        expect(Math.hypot(last!.x - line.at(-1)!.x, last!.y - line.at(-1)!.y)).toBeLessThan(0.72 * unitMm);
        for (const [x, y] of stroke.points) expect(strokesLeaveAt([stroke], { x, y })).toBeCloseTo(0, 5);
      },
    ),
    { numRuns: 40 },
  );
});

test("a drawn line is simplified to less than a brush's softness shows", () => {
  const tile = photoTile(0);
  const toPage = strokeToPage(tile, { aspect: 1.5, focus: null }, format)!;
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 14, noNaN: true }),
      fc.double({ min: 0, max: 0.8, noNaN: true }),
      fc.double({ min: 3, max: 20, noNaN: true }),
      (radiusMm, hardness, wave) => {
        const line = Array.from({ length: 90 }, (_, i) => ({ x: 95 + i, y: 90 + wave * Math.sin(i / 15) }));
        const kept = brushedStroke(line, { ...brush, radiusMm, hardness }, toPage)!;
        const points = line.map((p) => {
          const unit = 8192 / 120;
          return [Math.round((p.x - 80) * unit), Math.round((p.y - 50) * unit), kept.points[0]![2]] as const;
        });
        const drawn = { ...kept, points };
        expect(kept.points.length).toBeLessThan(points.length);
        for (let i = 0; i < 40; i += 1) {
          const at = { x: 900 + i * 160, y: 2730 + ((i * 977) % 2400) - 1200 };
          expect(Math.abs(strokesLeaveAt([kept], at) - strokesLeaveAt([drawn], at))).toBeLessThan(0.16);
        }
      },
    ),
    { numRuns: 30 },
  );
});

/** A picture that is busy on one side of a line and even on the other. */
function halfBusy(w: number, h: number) {
  const rgba = new Uint8ClampedArray(w * h * 4);
  for (let i = 0; i < w * h; i += 1) {
    const x = i % w;
    rgba.fill(x > w / 2 ? ((x + Math.floor(i / w)) % 2) * 220 : 120, 4 * i, 4 * i + 3);
  }
  return rgba;
}

test("what fades by itself is clear along the whole edge, deep where the photo is calm, shallow where it is not, and leaves every head whole", () => {
  const calm = calmOf(halfBusy(96, 64), 96, 64);
  expect(calm.detail[32 * 96 + 20]).toBe(0);
  expect(calm.detail[32 * 96 + 70]).toBeGreaterThan(0.8);
  const face = fc.record({
    x: fc.double({ min: 0.05, max: 0.8, noNaN: true }),
    y: fc.double({ min: 0.12, max: 0.7, noNaN: true }),
    w: fc.constant(0.12),
    h: fc.constant(0.18),
  });
  fc.assert(
    fc.property(
      fc.array(face, { maxLength: 3 }),
      fc.constantFrom<Outline>({ kind: "rectangle" }, { kind: "ellipse" }),
      fc.constantFrom(0, 20),
      (faces, outline, turn) => {
        const tile = photoTile(turn, { zoom: 1, centre: { x: 0.5, y: 0.5 }, byHand: true }, outline);
        const focus = { faces, point: { x: 0.5, y: 0.5 }, from: "faces" as const };
        const found = fadeAround(tile, { aspect: 1.5, focus }, calm, format);
        expect(found.every((s) => s.found)).toBe(true);
        expect(found).toHaveLength(outline.kind === "ellipse" ? 1 : 4);
        const unit = 8192 / 120;
        const left = (x: number, y: number) => strokesLeaveAt(found, { x: (60 + x) * unit, y: (40 + y) * unit });
        const inside = (k: number): readonly (readonly [number, number])[] =>
          Array.from({ length: 40 }, (_, i) => {
            const a = (2 * Math.PI * i) / 40;
            const [c, s] = [Math.cos(a), Math.sin(a)];
            const far = outline.kind === "ellipse" ? 1 : 1 / Math.max(Math.abs(c), Math.abs(s));
            return [60 * k * far * c, 40 * k * far * s];
          });
        const farFromHeads = ([x, y]: readonly [number, number]) =>
          faces.every((f) => Math.hypot(60 + x - 120 * (f.x + f.w / 2), 40 + y - 80 * (f.y + f.h / 2)) > 45);
        for (const p of inside(1)) if (farFromHeads(p)) expect(left(...p)).toBeLessThan(0.02);
        for (const f of faces)
          for (const [dx, dy] of [
            [0, 0],
            [1, 0],
            [0, 1],
            [1, 1],
            [0.5, 0.5],
          ] as const)
            expect(left(120 * (f.x + dx * f.w) - 60, 80 * (f.y + dy * f.h) - 40)).toBeCloseTo(1, 4);
        if (faces.length === 0 && outline.kind === "rectangle") {
          expect(left(-45, 0)).toBeLessThan(0.7);
          expect(left(50, 0)).toBe(1);
        }
      },
    ),
    { numRuns: 40 },
  );
});

test("what fades by itself comes as near to a head as it may, and no nearer", () => {
  const calm = calmOf(new Uint8ClampedArray(96 * 64 * 4).fill(120), 96, 64);
  // 24 to 38 mm from the photo's left edge, in the middle of its height.
  const faces = [{ x: 0.2, y: 0.4, w: 0.12, h: 0.18 }];
  const focus = { faces, point: { x: 0.5, y: 0.5 }, from: "faces" as const };
  const found = fadeAround(photoTile(0), { aspect: 1.5, focus }, calm, format);
  const leaves = (mm: number) => strokesLeaveAt(found, { x: (mm * 8192) / 120, y: (40 * 8192) / 120 });
  // A head is larger than the face found in it: by 45 % in its width.
  const head = 24 - (0.45 / 2) * 14.4;
  expect(leaves(head)).toBeGreaterThan(0.999);
  expect(leaves(head - 2)).toBeLessThan(0.999);
  expect(leaves(0)).toBeLessThan(0.02);
});
