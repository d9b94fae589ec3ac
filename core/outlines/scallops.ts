import { drawn } from "./drawn.ts";

/** How far a scallop reaches out, as a share of its width. */
const bulge = 0.35;

/** Whole scallops along each side, as near to `sizeMm` wide as they come out. */
export const scallops = drawn<{ readonly sizeMm: number }>(
  ({ x, y, w, h }, to, { sizeMm }) => {
    const deep = bulge * Math.min(sizeMm, w / 3, h / 3);
    const [left, top, right, foot] = [x + deep, y + deep, x + w - deep, y + h - deep];
    const along = (length: number) => Math.max(2, Math.round(length / sizeMm));
    // A cubic whose two handles stand out by four thirds reaches out by one.
    const out = (4 / 3) * deep;
    to.moveTo(left, top);
    const side = (dx: number, dy: number, length: number, nx: number, ny: number, from: readonly [number, number]) => {
      const n = along(length);
      const step = length / n;
      for (let i = 0; i < n; i += 1) {
        const [ax, ay] = [from[0] + dx * step * i, from[1] + dy * step * i];
        const [bx, by] = [ax + dx * step, ay + dy * step];
        to.bezierCurveTo(ax + nx * out, ay + ny * out, bx + nx * out, by + ny * out, bx, by);
      }
    };
    side(1, 0, right - left, 0, -1, [left, top]);
    side(0, 1, foot - top, 1, 0, [right, top]);
    side(-1, 0, right - left, 0, 1, [right, foot]);
    side(0, -1, foot - top, -1, 0, [left, foot]);
    to.closePath();
  },
  { sizeMm: 12 },
);
