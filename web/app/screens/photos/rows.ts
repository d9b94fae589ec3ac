import { aspectOf, type Photo, type PhotoEvent } from "#core/photo";

export interface Placed {
  readonly photo: Photo;
  readonly w: number;
}

/** A line of the photo wall: the heading of an event, or photos of one height side by side. */
export type WallRow =
  | { readonly kind: "event"; readonly event: PhotoEvent; readonly h: number }
  | { readonly kind: "photos"; readonly placed: readonly Placed[]; readonly h: number };

const headingPx = 50;

/** Photos that belong together, with the event they are of where the order is by time. */
export interface WallGroup {
  readonly event: PhotoEvent | undefined;
  readonly photos: readonly Photo[];
}

/**
 * Groups as rows that fill `width`, a heading before each event. A row is closed as soon as its photos, at the height
 * `aim`, fill it, and is then made exactly as wide as the wall; the last of a group keeps that height. In CSS pixels.
 */
export function wallRows(groups: readonly WallGroup[], width: number, aim: number, gap: number): WallRow[] {
  const rows: WallRow[] = [];
  for (const { event, photos } of groups) {
    if (event) rows.push({ kind: "event", event, h: headingPx });
    let row: Photo[] = [];
    let aspects = 0;
    const close = () => {
      const h = Math.min(aim, (width - gap * (row.length - 1)) / aspects);
      rows.push({ kind: "photos", h, placed: row.map((photo) => ({ photo, w: shownAspect(photo) * h })) });
      row = [];
      aspects = 0;
    };
    for (const photo of photos) {
      row.push(photo);
      aspects += shownAspect(photo);
      if (aspects * aim + gap * (row.length - 1) >= width) close();
    }
    if (row.length > 0) close();
  }
  return rows;
}

/** Panoramas and slips are shown cropped, so that they do not make a row of their own a line high. */
const shownAspect = (photo: Photo): number => Math.min(3, Math.max(0.5, aspectOf(photo)));

type Arrow = "ArrowLeft" | "ArrowRight" | "ArrowUp" | "ArrowDown";

/** The photo that an arrow key leads to: along the list, or to the nearest in the row above or below. */
export function neighbour(rows: readonly WallRow[], from: string, key: Arrow): string | undefined {
  const lines = rows.flatMap((r) => (r.kind === "photos" ? [r.placed] : []));
  const line = lines.findIndex((l) => l.some((p) => p.photo.id === from));
  if (line < 0) return lines[0]?.[0]?.photo.id;
  const at = lines[line]!.findIndex((p) => p.photo.id === from);
  if (key === "ArrowLeft") return (lines[line]![at - 1] ?? lines[line - 1]?.at(-1))?.photo.id;
  if (key === "ArrowRight") return (lines[line]![at + 1] ?? lines[line + 1]?.[0])?.photo.id;
  const next = lines[line + (key === "ArrowUp" ? -1 : 1)];
  if (!next) return undefined;
  const middle = (placed: readonly Placed[], i: number) =>
    placed.slice(0, i).reduce((x, p) => x + p.w, 0) + placed[i]!.w / 2;
  const x = middle(lines[line]!, at);
  const best = next.map((_, i) => Math.abs(middle(next, i) - x));
  return next[best.indexOf(Math.min(...best))]!.photo.id;
}
