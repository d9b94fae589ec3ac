import { lineBreaks, type TreeNode, widestGap } from "#core/arrange";
import type { Rect } from "#core/geometry";
import type { Rows } from "../page/page.ts";
import type { ArrangementKind } from "./kind.ts";

const across = (row: Rows["rows"][number]): number => row.reduce((sum, t) => sum + t.aspect, 0);

/** Rows of one height that all fill the room's width: the tiles of a row share it by their photos' shapes. */
export const rows: ArrangementKind<Rows> = {
  tileIds: (a) => a.rows.flatMap((row) => row.map((t) => t.tileId)),
  renamed: (a, idOf) => ({ ...a, rows: a.rows.map((row) => row.map((t) => ({ ...t, tileId: idOf(t.tileId) }))) }),
  place(a, room, gapMm) {
    const placed = new Map<string, Rect>();
    const h = (room.h - gapMm * (a.rows.length - 1)) / a.rows.length;
    for (const [i, row] of a.rows.entries()) {
      const share = (room.w - gapMm * (row.length - 1)) / across(row);
      let { x } = room;
      for (const { tileId, aspect } of row) {
        placed.set(tileId, { x, y: room.y + i * (h + gapMm), w: aspect * share, h });
        x += aspect * share + gapMm;
      }
    }
    return placed;
  },
  widestGap(a, room, leastMm) {
    // The narrowest tile of a row is the first to end up too narrow.
    const inRows = a.rows.map((row) => {
      const least = Math.min(...row.map((t) => t.aspect)) / across(row);
      return row.length === 1 ? Number.POSITIVE_INFINITY : (room.w - leastMm / least) / (row.length - 1);
    });
    return Math.max(0, Math.min(widestGap(room, 1, a.rows.length, leastMm), ...inRows));
  },
  asTree(a, room) {
    const parts = a.rows.map((row): TreeNode => (row.length === 1 ? row[0]! : { way: "side", parts: row }));
    if (parts.length === 1) return parts[0];
    const shares = parts.map(() => 1 / parts.length);
    return { way: "stack", parts, set: { shares, aspect: room.w / room.h } };
  },
  bleeds: true,
};

/** Photos broken into as many rows as crop the least, in their order. */
export function bestRows<T extends { readonly aspect: number }>(
  photos: readonly T[],
  room: Rect,
  gapMm: number,
): readonly (readonly T[])[] {
  let best: { readonly rows: readonly (readonly T[])[]; readonly crop: number } | undefined;
  for (let count = 1; count <= photos.length; count += 1) {
    const h = (room.h - gapMm * (count - 1)) / count;
    if (h <= 0) break;
    const ends = lineBreaks(
      photos.map((p) => p.aspect),
      count,
    );
    const broken = ends.map((end, i) => photos.slice(ends[i - 1] ?? 0, end));
    const crop = broken.reduce((sum, row) => {
      const wanted = row.reduce((w, p) => w + p.aspect * h, 0);
      const has = room.w - gapMm * (row.length - 1);
      return sum + (has <= 0 ? row.length : row.length * (1 - Math.min(wanted / has, has / wanted)));
    }, 0);
    if (!best || crop < best.crop) best = { rows: broken, crop };
  }
  return best?.rows ?? [];
}
