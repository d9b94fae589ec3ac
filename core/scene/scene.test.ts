import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { newPaper } from "#core/artwork";
import { drawnTile, frameRect, type PlacedPage, type PlacedTile, placed } from "#core/document";
import { applyTo, type PathData, type Point } from "#core/geometry";
import { firstWordStyles } from "#core/words";
import { collage, firstPlaced, squareFormat } from "../document/project.fixture.ts";
import { scene, seenFrame } from "./index.ts";

const photos: Record<string, { aspect: number; focus: null }> = {
  p0: { aspect: 1.5, focus: null },
  p1: { aspect: 0.7, focus: null },
};
const two = collage([1.5, 0.7]);
const page = firstPlaced(two);
const [first, second] = page.tiles as [PlacedTile, PlacedTile];
/** The page in a work whose style says more. */
const styled = (more: Partial<typeof two.style>): PlacedPage =>
  placed({ ...two, style: { ...two.style, ...more } }, two.pages[0]!);
/** Only these on the page, as if an arrangement had put them there. */
const holding = (...tiles: readonly PlacedTile[]): PlacedPage => ({ ...page, tiles });

test("a page is its ground over all the bleed, then its photos", () => {
  const drawn = scene(page, { photo: (id) => photos[id] });
  expect(drawn.box).toEqual({ x: -3, y: -3, w: 310.8, h: 310.8 });
  expect(drawn.steps.map((s) => s.draw)).toEqual(["fill", "photo", "photo"]);
  expect(drawn.steps[0]).toMatchObject({
    colour: "#ffffff",
    path: [["M", -3, -3], ["L", 307.8, -3], ["L", 307.8, 307.8], ["L", -3, 307.8], ["Z"]],
  });
});

test("while a tile moves, papers, shadows and all that is drawn for other tiles are the very same steps", () => {
  const shadow = { falls: "under", strength: 0.4, colour: "#101820" } as const;
  const loose = (id: string, x: number): PlacedTile => ({
    ...first,
    ...{ id, groupId: undefined, shadow },
    frame: { centre: { x, y: 150 }, width: 40, height: 30, turn: 0 },
  });
  const on = styled({ paper: newPaper("dots", []) });
  const [still, moved] = [loose("still", 60), loose("moved", 200)];
  const facts = { photo: (id: string) => photos[id] };
  const before = scene({ ...on, tiles: [still, moved] }, facts).steps;
  const after = scene({ ...on, tiles: [still, { ...moved, frame: loose("moved", 210).frame }] }, facts).steps;
  expect(before.map((s) => s.draw)).toEqual(["fill", "paper", "shade", "photo", "shade", "photo"]);
  expect(after.map((s, i) => s === before[i])).toEqual([false, true, true, true, false, false]);
});

test("a border is a ring on top of its photo", () => {
  const bordered = styled({ border: { widthMm: 2, colour: "#102030" } });
  const { steps } = scene(bordered, { photo: (id) => photos[id] });
  expect(steps.map((s) => s.draw)).toEqual(["fill", "photo", "fill", "photo", "fill"]);
  expect(steps[2]).toMatchObject({ rule: "evenodd", colour: "#102030" });
});

test("an empty tile and an unknown photo draw nothing", () => {
  expect(scene(page, { photo: () => undefined }).steps).toHaveLength(1);
});

test("what a view names as its centre lies in the middle of the tile", () => {
  const tile = second;
  if (tile.filling.kind !== "photo") throw new Error(tile.filling.kind);
  const view = { ...tile.filling.view, byHand: true, zoom: 3, centre: { x: 0.4, y: 0.55 }, turn: 8 };
  const filled = holding({ ...tile, filling: { kind: "photo", view } });
  const step = scene(filled, { photo: (id) => photos[id] }).steps[1]!;
  if (step.draw !== "photo") throw new Error(step.draw);
  const middle = applyTo(step.matrix, view.centre);
  expect(middle.x).toBeCloseTo(tile.frame.centre.x);
  expect(middle.y).toBeCloseTo(tile.frame.centre.y);
});

test("a field of colour fills its outline; what shows beside a whole photo lies under it", () => {
  if (second.filling.kind !== "photo") throw new Error("no photo");
  const whole = { ...second.filling.view, byHand: true, whole: true, zoom: 0, behind: "#102030" };
  const filled = holding(
    { ...first, filling: { kind: "colour", colour: "#b2472a" } },
    { ...second, filling: { kind: "photo", view: whole } },
  );
  const { steps } = scene(filled, { photo: (id) => photos[id] });
  expect(steps.map((s) => s.draw)).toEqual(["fill", "fill", "fill", "photo"]);
  expect(steps.flatMap((s) => (s.draw === "fill" ? [s.colour] : []))).toEqual(["#ffffff", "#b2472a", "#102030"]);
  const bare = holding({ ...second, filling: { kind: "photo", view: { ...whole, behind: null } } });
  expect(scene(bare, { photo: (id) => photos[id] }).steps.map((s) => s.draw)).toEqual(["fill", "photo"]);
});

test("only a tile without corners says that a rectangle is all there is to cut out", () => {
  const plains = (p: PlacedPage) =>
    scene(p, { photo: (id) => photos[id] }).steps.flatMap((s) => (s.draw === "photo" ? [s.plain] : []));
  expect(plains(page)).toEqual(page.tiles.map((t) => frameRect(t.frame)));
  expect(plains(styled({ cornerMm: 4 }))).toEqual([undefined, undefined]);
});

const pointsOf = (path: PathData) =>
  path.flatMap((s) =>
    Array.from({ length: (s.length - 1) >> 1 }, (_, i) => ({ x: s[2 * i + 1] as number, y: s[2 * i + 2] as number })),
  );

function boundsOf(points: readonly Point[]) {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, w: Math.max(...xs) - x, h: Math.max(...ys) - y };
}

/** Tiles side by side, one of them drawn first, whose edges meet exactly. */
function meeting(x: number, y: number, upright: boolean): PlacedPage {
  const at = (left: number, top: number) => ({ centre: { x: left + 20, y: top + 15 }, width: 40, height: 30, turn: 0 });
  return holding({ ...first, frame: at(x, y) }, { ...second, frame: upright ? at(x, y + 30) : at(x + 40, y) });
}

test("of two tiles that touch the lower one, and its photo, goes on a little under the upper one and nowhere else", () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 200 }), fc.integer({ min: 5, max: 200 }), fc.boolean(), (x, y, upright) => {
      const { steps } = scene(meeting(x, y, upright), { photo: (id) => photos[id] });
      const [, lower, upper] = steps;
      if (lower?.draw !== "photo" || upper?.draw !== "photo") throw new Error("no photos");
      const [low, up] = [boundsOf(pointsOf(lower.clip)), boundsOf(pointsOf(upper.clip))];
      expect(low.w + low.h).toBeCloseTo(70.1);
      expect(up.w + up.h).toBeCloseTo(70);
      const end = applyTo(lower.matrix, { x: 1, y: 1 });
      expect(end.x).toBeGreaterThanOrEqual(low.x + low.w - 1e-6);
      expect(end.y).toBeGreaterThanOrEqual(low.y + low.h - 1e-6);
    }),
  );
});

test("in full bleed round corners and borders are measured from the cut, and the sides go on to the end of the bleed", () => {
  const side = squareFormat.widthMm;
  const full = { centre: { x: side / 2, y: side / 2 }, width: side + 6, height: side + 6, turn: 0 };
  const border = { widthMm: 4, colour: "#102030" } as const;
  const bled = holding({ ...first, frame: full, cornerMm: 10, border });
  const [, picture, ring] = scene(bled, { photo: (id) => photos[id] }).steps;
  if (picture?.draw !== "photo" || ring?.draw !== "fill") throw new Error("no ring");
  const outer = ring.path.slice(0, ring.path.findIndex((s) => s[0] === "Z") + 1);
  expect(boundsOf(pointsOf(outer))).toEqual({ x: -3, y: -3, w: side + 6, h: side + 6 });
  // The corner's arc ends on the cut, ten millimetres from it.
  expect(outer).toContainEqual(expect.arrayContaining(["C"]));
  expect(pointsOf(outer)).toContainEqual({ x: 10, y: 0 });
  expect(pointsOf(outer)).not.toContainEqual({ x: 0, y: 0 });
  const hole = boundsOf(pointsOf(ring.path.slice(outer.length)));
  // The photo ends under its border, not at the border's own edge.
  const shown = boundsOf(pointsOf(picture.clip));
  expect([shown.x, shown.y]).toEqual([3.9, 3.9]);
  expect([hole.x, hole.y, hole.w, hole.h]).toEqual([4, 4, side - 8, side - 8]);
});

test("what the cut leaves of a tile: only sides that end with the bleed move", () => {
  const frame = { centre: { x: 50, y: 50 }, width: 106, height: 60, turn: 0 };
  expect(seenFrame(frame, squareFormat)).toEqual({ ...frame, centre: { x: 51.5, y: 50 }, width: 103 });
  for (const other of [
    { ...frame, turn: 4 },
    { ...frame, width: 100 },
    { ...frame, width: 112 },
  ])
    expect(seenFrame(other, squareFormat)).toBe(other);
});

test("words stand over the border of their tile, and a border lies under them", () => {
  const glyph = { file: 0, id: 3, cluster: 0, advance: 0.5, dx: 0, dy: 0 };
  const face = {
    key: "any",
    ascent: 1,
    descent: 0.3,
    shape: (text: string) => [...text].map((_, cluster) => ({ ...glyph, cluster })),
    covers: () => true,
    outline: () => [["M", 0, 0], ["L", 0.4, -0.7], ["Z"]] as PathData,
  };
  const setter = { face: () => face, breaks: (text: string) => [{ at: text.length, must: false }] };
  const filling = {
    kind: "words",
    text: "Ada",
    style: firstWordStyles.caption,
    role: "caption",
    from: null,
    card: null,
  } as const;
  const said = holding({ ...first, filling, border: { widthMm: 3, colour: "#102030" } });
  const { steps } = scene(said, { photo: () => undefined, setter: setter as never });
  expect(steps.map((s) => s.draw)).toEqual(["fill", "fill", "words"]);

  // Each look is a step of its own; what a line says is said once.
  const spans = [{ from: 1, to: 2, colour: "#aa0000", highlight: "#ffee00", underline: true }];
  const outline = { colour: "#ffffff", widthMm: 0.5 };
  const dressed = { ...filling, spans, style: { ...filling.style, outline } } as const;
  const drawn = scene(holding({ ...first, filling: dressed }), {
    photo: () => undefined,
    setter: setter as never,
  }).steps;
  const words = drawn.flatMap((s) => (s.draw === "words" ? [s] : []));
  expect(words.map((s) => [s.text, s.colour, s.glyphs.length])).toEqual([
    ["Ada", filling.style.colour, 1],
    ["", "#aa0000", 1],
    ["", filling.style.colour, 1],
  ]);
  expect(words.every((s) => s.outline === outline)).toBe(true);
  // Behind the letters lies their field of colour, and over them the line under them.
  expect(drawn.map((s) => (s.draw === "fill" ? s.colour : s.draw)).slice(1)).toEqual([
    "#ffee00",
    "words",
    "words",
    "words",
    "#aa0000",
  ]);
  const mirrored = scene(holding({ ...first, filling: { ...filling, mirrored: true } }), {
    photo: () => undefined,
    setter: setter as never,
  }).steps.find((s) => s.draw === "words");
  const plain = steps.find((s) => s.draw === "words");
  if (mirrored?.draw !== "words" || plain?.draw !== "words") throw new Error("no words");
  expect([mirrored.matrix.a, mirrored.matrix.d]).toEqual([-plain.matrix.a, plain.matrix.d]);
  // About the tile's middle: what stood so far to its left stands as far to its right.
  const { x } = first.frame.centre;
  expect(mirrored.matrix.e - x).toBeCloseTo(x - plain.matrix.e, 6);
});

test("a turned tile is drawn as the upright one, turned about its middle: outline, photo, border and corners", () => {
  const tile = first;
  fc.assert(
    fc.property(
      fc.double({ min: -180, max: 180, noNaN: true }),
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 6, noNaN: true }),
      (turn, cornerMm, widthMm) => {
        const frame = { ...tile.frame, centre: { x: 150, y: 140 }, width: 90, height: 60 };
        const border = { widthMm, colour: "#102030" };
        const drawn = (turned: number) => {
          const free = drawnTile("free", { ...frame, turn: turned }, tile.filling, { cornerMm, border });
          return scene(holding(free), { photo: (id) => photos[id] }).steps.slice(1);
        };
        const [upright, turned] = [drawn(0), drawn(turn)];
        const radians = (turn * Math.PI) / 180;
        const turnedBy = (p: Point): Point => ({
          x: 150 + (p.x - 150) * Math.cos(radians) - (p.y - 140) * Math.sin(radians),
          y: 140 + (p.x - 150) * Math.sin(radians) + (p.y - 140) * Math.cos(radians),
        });
        const close = (a: readonly Point[], b: readonly Point[]) => {
          expect(a.length).toBe(b.length);
          for (const [i, p] of a.entries()) expect(Math.hypot(p.x - b[i]!.x, p.y - b[i]!.y)).toBeLessThan(1e-6);
        };
        expect(turned.map((s) => s.draw)).toEqual(upright.map((s) => s.draw));
        for (const [i, step] of turned.entries()) {
          const was = upright[i]!;
          if (step.draw === "fill" && was.draw === "fill") close(placesOf(step.path), placesOf(was.path).map(turnedBy));
          if (step.draw !== "photo" || was.draw !== "photo") continue;
          close(placesOf(step.clip), placesOf(was.clip).map(turnedBy));
          const corners = [
            { x: 0, y: 0 },
            { x: 1, y: 0 },
            { x: 0, y: 1 },
          ];
          close(
            corners.map((c) => applyTo(step.matrix, c)),
            corners.map((c) => turnedBy(applyTo(was.matrix, c))),
          );
        }
      },
    ),
  );
});

/** All points of an outline, those that only bend it as well. */
const placesOf = (path: PathData): Point[] =>
  path.flatMap((s) => {
    const numbers = s.slice(1) as number[];
    return Array.from({ length: numbers.length / 2 }, (_, i) => ({ x: numbers[2 * i]!, y: numbers[2 * i + 1]! }));
  });

test("a journaling card's lines are as far apart as its words, stand under the first line, and stay inside", () => {
  const style = { ...firstWordStyles.journal, sizePt: 12, leading: 1.5, insetMm: 4, vertical: "middle" as const };
  const pitch = ((12 * 25.4) / 72) * 1.5;
  const frame = { centre: { x: 100, y: 100 }, width: 80, height: 60, turn: 0 };
  const card = (lines: "none" | "ruled" | "squared") => {
    const filling = {
      kind: "words" as const,
      text: "",
      style,
      role: "journal" as const,
      from: null,
      card: { ground: "#fffdf5", lines, ink: "#b0c0d0" },
    };
    const steps = scene(holding(drawnTile("card", frame, filling)), { photo: () => undefined }).steps;
    return steps.flatMap((s) => (s.draw === "fill" && s.colour === "#b0c0d0" ? [placesOf(s.path)] : []));
  };
  expect(card("none")).toEqual([]);
  const ruled = card("ruled");
  const tops = ruled.map((line) => Math.min(...line.map((p) => p.y)));
  expect(tops[0]).toBeCloseTo(70 + 4 + pitch);
  for (const [i, top] of tops.slice(1).entries()) expect(top - tops[i]!).toBeCloseTo(pitch);
  expect(tops.at(-1)!).toBeLessThanOrEqual(130 - 2);
  expect(tops.at(-1)! + pitch).toBeGreaterThan(130 - 2);
  for (const line of ruled)
    expect([Math.min(...line.map((p) => p.x)), Math.max(...line.map((p) => p.x))]).toEqual([64, 136]);
  const squared = card("squared");
  const upright = squared.slice(ruled.length).map((line) => Math.min(...line.map((p) => p.x)));
  expect(upright).toHaveLength(1 + Math.floor(72 / pitch));
  for (const [i, x] of upright.entries()) expect(x).toBeCloseTo(64 + i * pitch);
});
