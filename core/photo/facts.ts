import type { Photo } from "./schema/facts.ts";

export type { Photo, PhotoInput } from "./schema/facts.ts";

export const aspectOf = (p: Pick<Photo, "widthPx" | "heightPx">): number => p.widthPx / p.heightPx;

/** By the time taken; then by name, with numbers in it by their value, so that a camera's own order holds. */
export function byTimeTaken(a: Photo, b: Photo): number {
  if (a.takenAt !== b.takenAt) return a.takenAt < b.takenAt ? -1 : 1;
  return names.compare(a.name, b.name) || (a.id < b.id ? -1 : 1);
}

const names = new Intl.Collator("en", { numeric: true });

/** What framing has to know of a photo, and what words may be drawn from it. */
export const photoShape = (
  p: Photo,
): {
  readonly aspect: number;
  readonly focus: Photo["focus"];
  readonly caption: string;
  readonly takenAt: string;
} => ({ aspect: aspectOf(p), focus: p.focus, caption: p.caption, takenAt: p.takenAt });
