import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { newOrnament, newPaper, ornamentNames, ornamentSize, type Paper } from "#core/artwork";
import { commit, noHistory, type PlacedPage, type PlacedTile, undo } from "#core/document";
import { applyTo, flattened, inverse } from "#core/geometry";
import { collage, firstPlaced } from "../document/project.fixture.ts";
import { type DrawStep, scene } from "./index.ts";

const project = collage([1.5, 0.7]);
const page = firstPlaced(project);
const [first] = page.tiles as [PlacedTile];
const facts = { photo: () => undefined };
const frames = fc.record({
  centre: fc.record({
    x: fc.double({ min: 20, max: 180, noNaN: true }),
    y: fc.double({ min: 20, max: 180, noNaN: true }),
  }),
  width: fc.double({ min: 5, max: 90, noNaN: true }),
  height: fc.double({ min: 5, max: 90, noNaN: true }),
  turn: fc.double({ min: -179, max: 179, noNaN: true }),
});
type Frame = PlacedTile["frame"];
const tile = (frame: Frame, filling: PlacedTile["filling"]): PlacedTile => ({
  ...first,
  groupId: undefined,
  cornerMm: 0,
  border: { widthMm: 0, colour: "#ffffff" },
  frame,
  filling,
});
const drawn = (t: PlacedTile): readonly DrawStep[] =>
  scene({ ...page, tiles: [t] } as PlacedPage, facts).steps.slice(1);
const paperOf = (frame: Frame, paper: Paper) => {
  const [step] = drawn(tile(frame, { kind: "paper", paper }));
  if (step?.draw !== "paper") throw new Error("no paper");
  return step;
};
const tartan = newPaper("tartan", []);
/** A corner of a frame, as it is turned. */
const corner = ({ centre, width, height, turn }: Frame) => {
  const t = (turn * Math.PI) / 180;
  const [x, y] = [-width / 2, -height / 2];
  return { x: centre.x + x * Math.cos(t) - y * Math.sin(t), y: centre.y + x * Math.sin(t) + y * Math.cos(t) };
};

test("a paper lies from its tile's corner, turned with it or upright; one sheet lies alike under all tiles", () => {
  fc.assert(
    fc.property(frames, frames, (a, b) => {
      const own = paperOf(a, tartan).place;
      const at = applyTo(own, { x: 0, y: 0 });
      expect(Math.hypot(at.x - corner(a).x, at.y - corner(a).y)).toBeLessThan(1e-6);
      expect(Math.atan2(own.b, own.a)).toBeCloseTo(
        Math.atan2(Math.sin((a.turn * Math.PI) / 180), Math.cos((a.turn * Math.PI) / 180)),
        6,
      );
      const upright = paperOf(a, { ...tartan, upright: true }).place;
      expect([upright.b, upright.c]).toEqual([0, 0]);
      const sheet = { ...tartan, runsOn: true as const, scale: 1.5, turn: 20, shift: { x: 3, y: -2 } };
      expect(paperOf(a, sheet).place).toEqual(paperOf(b, sheet).place);
      expect(applyTo(paperOf(a, sheet).place, { x: 0, y: 0 })).toEqual({ x: 3, y: -2 });
    }),
  );
});

test("a paper's shapes reach under all of its tile", () => {
  fc.assert(
    fc.property(
      frames,
      fc.double({ min: 0.3, max: 4, noNaN: true }),
      fc.double({ min: -90, max: 90, noNaN: true }),
      (frame, scale, turn) => {
        const step = paperOf(frame, { ...newPaper("dots", []), scale, turn });
        const back = inverse(step.place);
        const seen = flattened(step.clip)
          .flat()
          .map((p) => applyTo(back, p));
        const { at } = step.fills[0]!;
        for (const p of seen) {
          const near = at.some(
            (o) => p.x >= o.x - 1e-6 && p.x <= o.x + 12 + 1e-6 && p.y >= o.y - 1e-6 && p.y <= o.y + 12 + 1e-6,
          );
          expect(near).toBe(true);
        }
      },
    ),
    { numRuns: 40 },
  );
});

test("an ornament fills its tile, and mirrored it is the same from the other side", () => {
  fc.assert(
    fc.property(frames, fc.constantFrom(...ornamentNames), (frame, name) => {
      const ornament = newOrnament(name, []);
      const at = { ...frame, turn: 0 };
      const points = (flip: boolean) =>
        drawn(tile(at, { kind: "ornament", ornament: flip ? { ...ornament, flip: true } : ornament })).flatMap((s) =>
          s.draw === "fill" ? flattened(s.path).flat() : [],
        );
      const [plain, mirrored] = [points(false), points(true)];
      const { w, h } = ornamentSize(name);
      const [slackX, slackY] = [at.width / w, at.height / h];
      const farthest = (of: "x" | "y") => plain.reduce((far, p) => Math.max(far, Math.abs(p[of] - at.centre[of])), 0);
      expect(farthest("x")).toBeLessThan(at.width / 2 + slackX);
      expect(farthest("y")).toBeLessThan(at.height / 2 + slackY);
      const sum = (all: typeof plain, of: "x" | "y") => all.reduce((s, p) => s + p[of], 0) / all.length;
      expect(sum(mirrored, "x") + sum(plain, "x")).toBeCloseTo(2 * at.centre.x, 3);
      expect(sum(mirrored, "y")).toBeCloseTo(sum(plain, "y"), 3);
    }),
    { numRuns: 60 },
  );
});

test("papers and ornaments follow the palette in one step, on pages, in tiles and in the style, and back", () => {
  const red = ["#fff0e0", "#aa2211", "#220a06", "#5577aa", "#99aa33"];
  const own = { ...tartan, ownColours: true as const };
  const [a, b] = project.pages[0]!.pieces.flatMap((p) => (p.kind === "group" ? p.tiles : []));
  const start = {
    ...project,
    style: { ...project.style, paper: newPaper("dots", []) },
    pages: project.pages.map((p) => ({ ...p, paper: tartan })),
  };
  const items = [
    { id: a!.id, set: { filling: { kind: "paper", paper: own } as const } },
    { id: b!.id, set: { filling: { kind: "ornament", ornament: newOrnament("tag-ringed", []) } as const } },
  ];
  const at = "2026-05-01T00:00:00.000Z";
  const name = { code: "changedPalette", count: 1 } as const;
  const dressed = commit(
    { project: start, history: noHistory },
    { name, at, changes: [{ type: "setTiles", pageId: start.pages[0]!.id, items }] },
  );
  if (!dressed.ok) throw new Error("not dressed");
  const done = commit(dressed.value, { name, at, changes: [{ type: "setProject", palette: red }] });
  if (!done.ok) throw new Error("not done");
  const after = done.value.project;
  expect(after.style.paper).toEqual(newPaper("dots", red));
  expect(after.pages[0]!.paper).toEqual(newPaper("tartan", red));
  const fillings = after.pages[0]!.pieces.flatMap((p) => (p.kind === "group" ? p.tiles : [])).map((t) => t.filling);
  expect(fillings).toContainEqual({ kind: "paper", paper: own });
  expect(fillings).toContainEqual({ kind: "ornament", ornament: newOrnament("tag-ringed", red) });
  const back = undo(done.value);
  expect(back.ok && back.value.project).toEqual(dressed.value.project);
});
