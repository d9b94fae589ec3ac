import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { noShadow, type PlacedPage, type PlacedTile, type Shadow } from "#core/document";
import { applyTo, type Point } from "#core/geometry";
import { maskPixels } from "#core/masks";
import { firstWordStyles } from "#core/words";
import { setter } from "../check/check.fixture.ts";
import { collage, firstPlaced } from "../document/project.fixture.ts";
import { type DrawStep, maskMatrix, type PlacedMask, type SceneFacts, scene, sceneLayers } from "./index.ts";
import { levelsOf, thrownBy } from "./shadow.ts";

const page = firstPlaced(collage([1.5, 0.7]));
const [first, second] = page.tiles as [PlacedTile, PlacedTile];
const facts: SceneFacts = { photo: () => ({ aspect: 1.5, focus: null }), setter };
const holding = (...tiles: readonly PlacedTile[]): PlacedPage => ({ ...page, tiles });
const under: Shadow = { ...noShadow, falls: "under" };
/** A field of colour that lies freely, 60 × 40 mm. */
const free = (id: string, x: number, y: number, more: Partial<PlacedTile> = {}): PlacedTile => ({
  ...first,
  id,
  groupId: undefined,
  frame: { centre: { x, y }, width: 60, height: 40, turn: 0 },
  filling: { kind: "colour", colour: "#b2472a" },
  shadow: under,
  ...more,
});
const drawn = (tile: PlacedTile): readonly DrawStep[] => scene(holding(tile), facts).steps.slice(1);
const shade = (steps: readonly DrawStep[]) => {
  const found = steps.find((s) => s.draw === "shade");
  if (!found) throw new Error("no shade");
  return found;
};

const pixels = new WeakMap<PlacedMask, ReturnType<typeof maskPixels>>();

/** How strong a mask is at a point of the page; nothing beyond its own box. */
function at(soft: PlacedMask, p: Point): number {
  const known = pixels.get(soft) ?? maskPixels(soft.mask);
  pixels.set(soft, known);
  const { bytes, w, h } = known;
  const m = maskMatrix(soft);
  const det = m.a * m.d - m.b * m.c;
  const [dx, dy] = [p.x - m.e, p.y - m.f];
  const [u, v] = [(m.d * dx - m.c * dy) / det, (m.a * dy - m.b * dx) / det];
  if (u < 0 || v < 0 || u >= 1 || v >= 1) return 0;
  return bytes[Math.floor(v * h) * w + Math.floor(u * w)]! / 255;
}

test("a shadow lies away from the light, further and softer the higher the tile and the lower the light", () => {
  const degrees = fc.integer({ min: 0, max: 359 });
  fc.assert(
    fc.property(
      degrees,
      fc.integer({ min: 15, max: 80 }),
      fc.integer({ min: 1, max: 8 }),
      (fromDeg, heightDeg, level) => {
        const light = { fromDeg, heightDeg };
        const { x, y, blurMm } = thrownBy(under, light, level);
        const from = (fromDeg * Math.PI) / 180;
        expect(x * Math.sin(from) - y * Math.cos(from)).toBeLessThan(0);
        expect(x * Math.cos(from) + y * Math.sin(from)).toBeCloseTo(0, 9);
        const higher = thrownBy(under, light, level + 1);
        expect(Math.hypot(higher.x, higher.y)).toBeGreaterThan(Math.hypot(x, y));
        expect(higher.blurMm).toBeGreaterThan(blurMm);
        const lower = thrownBy(under, { ...light, heightDeg: heightDeg - 1 }, level);
        expect(Math.hypot(lower.x, lower.y)).toBeGreaterThan(Math.hypot(x, y));
        expect(lower.blurMm).toBe(blurMm);
      },
    ),
  );
  const own = { x: 1, y: -2, blurMm: 3 };
  expect(thrownBy({ ...under, own }, page.look.light, 3)).toBe(own);
});

test("a shadow falls beside the tile on the side away from the light, however the tile is turned", () => {
  fc.assert(
    fc.property(fc.integer({ min: -180, max: 180 }), fc.constantFrom(45, 135, 225, 315), (turn, fromDeg) => {
      const tile = free("a", 150, 150, { frame: { centre: { x: 150, y: 150 }, width: 60, height: 60, turn } });
      const lit = { ...holding(tile), look: { ...page.look, light: { fromDeg, heightDeg: 30 } } };
      const { soft } = shade(scene(lit, facts).steps);
      const from = (fromDeg * Math.PI) / 180;
      const away = { x: -Math.sin(from), y: Math.cos(from) };
      let edge = 0;
      while (at(soft, { x: 150 + away.x * edge, y: 150 + away.y * edge }) > 0.5) edge += 0.2;
      let lightEdge = 0;
      while (at(soft, { x: 150 - away.x * lightEdge, y: 150 - away.y * lightEdge }) > 0.5) lightEdge += 0.2;
      expect(edge - lightEdge).toBeGreaterThan(3);
    }),
    { numRuns: 12 },
  );
});

test("tiles of a group throw theirs before any of them is drawn; one that lies freely right under itself", () => {
  const [a, b] = [
    { ...first, shadow: under },
    { ...second, shadow: under },
  ];
  const layers = sceneLayers(holding(a, b, free("c", 100, 100), free("d", 110, 110)), facts);
  expect(
    layers.map(
      ({ tile, steps }) =>
        `${tile?.id === a.id ? "a" : tile?.id === b.id ? "b" : (tile?.id ?? "-")} ${steps.map((s) => s.draw)}`,
    ),
  ).toEqual(["- fill", "- shade,shade", "a photo", "b photo", "- shade", "c fill", "- shade", "d fill"]);
  const [c, d] = [layers[4]!, layers[6]!].map((l) => shade(l.steps).soft);
  const shift = (soft: PlacedMask, x: number) => applyTo(soft.place, { x: 0, y: 0 }).x - x;
  expect(shift(d!, 110)).toBeGreaterThan(shift(c!, 100));
});

test("what lies on others is higher by one than the highest of them; tiles of a group and words carry nobody", () => {
  const levels = (...tiles: readonly PlacedTile[]) => [...levelsOf(tiles).values()];
  expect(levels(free("a", 50, 50), free("b", 60, 60), free("c", 70, 70), free("d", 250, 250))).toEqual([1, 2, 3, 1]);
  expect(levels(first, second, free("a", 150, 150))).toEqual([1, 1, 2]);
  const words = {
    kind: "words",
    text: "Lock",
    style: firstWordStyles.caption,
    role: "caption",
    from: null,
    card: null,
  } as const;
  expect(levels(free("a", 50, 50), free("b", 50, 50, { filling: words }), free("c", 50, 50))).toEqual([1, 2, 2]);
});

test("a tile that lets something through shows nothing of its own shadow; empty ones and those that are not there throw none", () => {
  const tile = free("a", 150, 150);
  const clear = drawn({ ...tile, tile: { ...tile.tile, opacity: 0.5 } });
  expect(clear.map((s) => s.draw)).toEqual(["shade", "begin", "fill", "end"]);
  expect(shade(clear)).toMatchObject({ alpha: noShadow.strength / 2 });
  // The rectangle around it, and its own outline.
  expect(shade(clear).clip?.filter((s) => s[0] === "M")).toHaveLength(2);
  expect(shade(drawn(tile)).clip).toBeUndefined();
  expect(drawn({ ...tile, filling: { kind: "empty" } })).toEqual([]);
  expect(drawn({ ...tile, tile: { ...tile.tile, opacity: 0 } })).toEqual([]);
  expect(drawn({ ...tile, shadow: { ...under, strength: 0 } }).map((s) => s.draw)).toEqual(["fill"]);
  const gone = { ...first, shadow: under };
  expect(scene(holding(gone), { photo: () => undefined }).steps).toHaveLength(1);
});

test("a photo that does not fill its tile throws a shadow of its own shape, and a border outside counts", () => {
  if (first.filling.kind !== "photo") throw new Error("no photo");
  const view = { ...first.filling.view, byHand: true, whole: true, zoom: 0 };
  const frame = { centre: { x: 150, y: 150 }, width: 60, height: 120, turn: 0 };
  const whole = free("a", 150, 150, { frame, filling: { kind: "photo", view } });
  const { soft } = shade(drawn(whole));
  // 60 × 40 mm of it are photo.
  expect(at(soft, { x: 150, y: 150 })).toBe(1);
  expect(at(soft, { x: 150, y: 190 })).toBe(0);
  const bordered = free("b", 150, 150, { border: { widthMm: 8, colour: "#000000", lies: "outside" } });
  const wide = shade(drawn(bordered)).soft;
  expect(at(wide, { x: 150 + 37, y: 150 })).toBeGreaterThan(0.8);
  expect(at(shade(drawn(free("b", 150, 150))).soft, { x: 150 + 37, y: 150 })).toBe(0);
});

test("the shadow inside a tile is clipped to it, lies over what is in it, and is darkest on the side of the light", () => {
  const steps = drawn(free("a", 150, 150, { shadow: { ...under, falls: "inside", liftMm: 4 } }));
  expect(steps.map((s) => s.draw)).toEqual(["fill", "shade"]);
  const { soft, clip } = shade(steps);
  expect(clip).toHaveLength(5);
  expect(at(soft, { x: 120.5, y: 150 })).toBeGreaterThan(0.8);
  expect(at(soft, { x: 179.5, y: 165 })).toBeLessThan(0.1);
});

test("soft edges draw a tile as one, through a mask that hides its rim and follows its turn", () => {
  const even = { top: 6, right: 6, bottom: 6, left: 6 };
  const frame = { centre: { x: 150, y: 150 }, width: 60, height: 40, turn: 30 };
  const steps = drawn(
    free("a", 150, 150, { frame, soft: even, shadow: noShadow, border: { widthMm: 2, colour: "#000000" } }),
  );
  expect(steps.map((s) => s.draw)).toEqual(["begin", "fill", "fill", "end"]);
  const begin = steps[0]!;
  if (begin.draw !== "begin" || !begin.soft) throw new Error("no mask");
  const turned = (x: number, y: number) => applyTo(begin.soft!.place, { x, y });
  expect(at(begin.soft, turned(0, 0))).toBe(1);
  expect(at(begin.soft, turned(29.9, 0))).toBeLessThan(0.02);
  expect(at(begin.soft, turned(27, 0))).toBeCloseTo(0.5, 1);
  expect(begin.reach.w).toBeGreaterThan(60 * Math.cos(Math.PI / 6) + 40 * Math.sin(Math.PI / 6));
  // A side that does not fade goes on into the bleed.
  const bled = free("b", 0, 0, {
    frame: { centre: { x: 50, y: 150 }, width: 106, height: 60, turn: 0 },
    soft: { top: 0, right: 20, bottom: 0, left: 0 },
    shadow: noShadow,
  });
  const [step] = drawn(bled);
  if (step?.draw !== "begin" || !step.soft) throw new Error("no mask");
  expect(at(step.soft, { x: -2.9, y: 150 })).toBe(1);
  expect(at(step.soft, { x: 93, y: 150 })).toBeCloseTo(0.5, 1);
});

test("a border lies inside, across or outside the outline, with a finer line within", () => {
  const rings = (border: PlacedTile["border"]) =>
    drawn(free("a", 150, 150, { border, shadow: noShadow }))
      .slice(1)
      .map((s) => (s.draw === "fill" ? s.path.flatMap((p) => (p[0] === "M" || p[0] === "L" ? [150 - p[1]] : [])) : []))
      .map((xs) => [Math.max(...xs.slice(0, 4)), Math.max(...xs.slice(4))]);
  const [black, widthMm] = ["#000000", 4];
  expect(rings({ widthMm, colour: black })).toEqual([[30, 26]]);
  expect(rings({ widthMm, colour: black, lies: "across" })).toEqual([[32, 28]]);
  // A little of it lies inside, so that nothing shows between the two.
  expect(rings({ widthMm, colour: black, lies: "outside" })).toEqual([[34, expect.closeTo(29.9)]]);
  const second = { gapMm: 1, widthMm: 0.5, colour: "#ffffff" };
  expect(rings({ widthMm, colour: black, second })).toEqual([
    [30, 26],
    [25, 24.5],
  ]);
});
