import type { Ring } from "#core/geometry";
import type { Grid } from "./grid.ts";

/** Squared mm from each pixel's middle to the nearest line of the rings; beyond `reachMm` nothing is looked at, and that is what it says. */
export function nearness(rings: readonly Ring[], { x, y, w, h, sx, sy }: Grid, reachMm: number): Float32Array {
  const near = new Float32Array(w * h).fill(reachMm * reachMm);
  const [dx, dy] = [1 / sx, 1 / sy];
  for (const ring of rings)
    for (let i = 0; i < ring.length; i += 1) {
      const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
      const ux = b.x - a.x;
      const uy = b.y - a.y;
      const inv = 1 / (ux * ux + uy * uy || 1e-12);
      const [left, right] = a.x < b.x ? [a.x, b.x] : [b.x, a.x];
      const [top, foot] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
      const x0 = Math.max(0, Math.floor((left - reachMm - x) * sx));
      const x1 = Math.min(w, Math.ceil((right + reachMm - x) * sx));
      const y0 = Math.max(0, Math.floor((top - reachMm - y) * sy));
      const y1 = Math.min(h, Math.ceil((foot + reachMm - y) * sy));
      for (let row = y0; row < y1; row += 1) {
        const py = (row + 0.5) * dy + y - a.y;
        for (let col = x0; col < x1; col += 1) {
          const px = (col + 0.5) * dx + x - a.x;
          const along = (px * ux + py * uy) * inv;
          let t = along;
          if (along < 0) t = 0;
          else if (along > 1) t = 1;
          const ex = px - t * ux;
          const ey = py - t * uy;
          const q = ex * ex + ey * ey;
          if (q < near[row * w + col]!) near[row * w + col] = q;
        }
      }
    }
  return near;
}
