import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { drawnTile } from "#core/document";
import { stretchesUnder } from "./touching.ts";

const tile = (id: string, x: number, y: number, w: number, h: number) =>
  drawnTile(
    id,
    { centre: { x: x + w / 2, y: y + h / 2 }, width: w, height: h, turn: 0 },
    { kind: "colour", colour: "#123456" },
  );

const side = fc.double({ min: 5, max: 60, noNaN: true });
const off = fc.double({ min: -40, max: 40, noNaN: true });

test("of two tiles that touch, the lower one goes on under the upper one along all of the edge that they share, and only there", () => {
  fc.assert(
    fc.property(
      side,
      side,
      side,
      side,
      off,
      fc.constantFrom("right", "left", "foot", "top"),
      (w, h, w2, h2, by, edge) => {
        const a = { x: 50, y: 50, w, h };
        const b =
          edge === "right"
            ? { x: a.x + w, y: a.y + by }
            : edge === "left"
              ? { x: a.x - w2, y: a.y + by }
              : edge === "foot"
                ? { x: a.x + by, y: a.y + h }
                : { x: a.x + by, y: a.y - h2 };
        const lower = tile("a", a.x, a.y, w, h);
        const upper = tile("b", b.x, b.y, w2, h2);
        const [stretch, more] = stretchesUnder([lower, upper]).get(lower) ?? [];
        expect(more).toBeUndefined();
        const beside = edge === "right" || edge === "left";
        const [from, to] = beside
          ? [Math.max(a.y, b.y), Math.min(a.y + h, b.y + h2)]
          : [Math.max(a.x, b.x), Math.min(a.x + w, b.x + w2)];
        fc.pre(Math.abs(to - from - 0.1) > 1e-6);
        if (to - from < 0.1) return void expect(stretch).toBeUndefined();
        const line = { right: a.x + w, left: a.x, foot: a.y + h, top: a.y }[edge]!;
        const wanted = beside
          ? { x: line - 0.1, y: from, w: 0.2, h: to - from }
          : { x: from, y: line - 0.1, w: to - from, h: 0.2 };
        for (const key of ["x", "y", "w", "h"] as const) expect(stretch![key]).toBeCloseTo(wanted[key], 6);
        // The one on top stays as it is, and tiles with a gap between them as well.
        expect(stretchesUnder([lower, upper]).get(upper)).toBeUndefined();
        const away = tile("b", b.x + (beside ? 0 : 500), b.y + (beside ? 500 : 0), w2, h2);
        expect(stretchesUnder([lower, away]).size).toBe(0);
      },
    ),
  );
});
