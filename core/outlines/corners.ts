import { kappa } from "#core/geometry";
import type { Corner } from "./corner.ts";
import { drawn } from "./drawn.ts";

const first: Corner = { cut: "round", mm: 8 };

/** A rectangle whose corners are cut each in its own way: from the top left on, clockwise. */
export const corners = drawn<{ readonly each: readonly [Corner, Corner, Corner, Corner] }>(
  ({ x, y, w, h }, to, { each }) => {
    const most = Math.min(w, h) / 2;
    const at = [
      [x, y, 0, 1, 1, 0],
      [x + w, y, -1, 0, 0, 1],
      [x + w, y + h, 0, -1, -1, 0],
      [x, y + h, 1, 0, 0, -1],
    ] as const;
    for (const [i, [cx, cy, inX, inY, outX, outY]] of at.entries()) {
      const { cut, mm } = each[i]!;
      const r = Math.min(most, mm);
      const [ax, ay, bx, by] = [cx + inX * r, cy + inY * r, cx + outX * r, cy + outY * r];
      if (i === 0) to.moveTo(ax, ay);
      else to.lineTo(ax, ay);
      if (r === 0) continue;
      const k = kappa * r;
      if (cut === "bevel") to.lineTo(bx, by);
      else if (cut === "round") to.bezierCurveTo(ax - inX * k, ay - inY * k, bx - outX * k, by - outY * k, bx, by);
      // Around the corner itself: the arc bends inwards.
      else to.bezierCurveTo(ax + outX * k, ay + outY * k, bx + inX * k, by + inY * k, bx, by);
    }
    to.closePath();
  },
  { each: [first, first, first, first] },
);
