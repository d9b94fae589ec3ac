import { aspectOf, type Photo } from "#core/photo";

export interface Placed {
  readonly photo: Photo;
  readonly w: number;
}

/** A line of the photo wall: the heading of a day, or photos of one height side by side. */
export type WallRow =
  | { readonly kind: "day"; readonly day: string; readonly count: number; readonly h: number }
  | { readonly kind: "photos"; readonly placed: readonly Placed[]; readonly h: number };

const headingPx = 46;

/**
 * Photos as rows that fill `width`, a heading before each day. A row is closed when one more photo would make it lower
 * than `aim` by more than it is higher now; the last row of a day keeps the wanted height. Sizes in CSS pixels.
 */
export function wallRows(photos: readonly Photo[], width: number, aim: number, gap: number): WallRow[] {
  const rows: WallRow[] = [];
  for (const [day, ofDay] of byDay(photos)) {
    rows.push({ kind: "day", day, count: ofDay.length, h: headingPx });
    let row: Photo[] = [];
    let aspects = 0;
    const close = (full: boolean) => {
      const h = full
        ? (width - gap * (row.length - 1)) / aspects
        : Math.min(aim, (width - gap * (row.length - 1)) / aspects);
      rows.push({ kind: "photos", h, placed: row.map((photo) => ({ photo, w: shownAspect(photo) * h })) });
      row = [];
      aspects = 0;
    };
    for (const photo of ofDay) {
      row.push(photo);
      aspects += shownAspect(photo);
      if (aspects * aim + gap * (row.length - 1) >= width) close(true);
    }
    if (row.length > 0) close(false);
  }
  return rows;
}

/** Panoramas and slips are shown cropped, so that they do not make a row of their own a line high. */
const shownAspect = (photo: Photo): number => Math.min(3, Math.max(0.5, aspectOf(photo)));

function byDay(photos: readonly Photo[]): Map<string, Photo[]> {
  const days = new Map<string, Photo[]>();
  for (const photo of photos) {
    const day = photo.takenAt.slice(0, 10);
    const list = days.get(day);
    if (list) list.push(photo);
    else days.set(day, [photo]);
  }
  return days;
}

/** The photo that an arrow key leads to: along the list, or to the nearest in the row above or below. */
export function neighbour(
  rows: readonly WallRow[],
  from: string,
  key: "ArrowLeft" | "ArrowRight" | "ArrowUp" | "ArrowDown",
): string | undefined {
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
