import type { Rect } from "#core/geometry";

const nearly = 1e-6;

/**
 * What is wrong with tiles that should fill a room exactly, each gap the same: undefined where nothing is. Rectangles
 * grown by half a gap tile the room grown by half a gap: as many square mm, and none over another.
 */
export function tilingFault(rects: readonly Rect[], room: Rect, gap: number): string | undefined {
  for (const [i, r] of rects.entries()) {
    if (!(Math.min(r.w, r.h) > 0)) return `tile ${i} has no area`;
    const inside =
      r.x >= room.x - nearly &&
      r.y >= room.y - nearly &&
      r.x + r.w <= room.x + room.w + nearly &&
      r.y + r.h <= room.y + room.h + nearly;
    if (!inside) return `tile ${i} lies outside the room`;
    for (const [j, b] of rects.entries()) {
      if (j <= i) continue;
      const across = Math.max(r.x, b.x) - Math.min(r.x + r.w, b.x + b.w);
      const down = Math.max(r.y, b.y) - Math.min(r.y + r.h, b.y + b.h);
      if (Math.max(across, down) < gap - nearly) return `tiles ${i} and ${j} are ${Math.max(across, down)} apart`;
    }
  }
  const area = rects.reduce((sum, r) => sum + (r.w + gap) * (r.h + gap), 0);
  const whole = (room.w + gap) * (room.h + gap);
  return Math.abs(area / whole - 1) <= nearly ? undefined : `${(100 * area) / whole} % of the room is filled`;
}
