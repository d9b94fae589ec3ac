import { aspectOf, type Photo } from "./facts.ts";

/** What a person wants to see of the library. */
export interface PhotoFilter {
  readonly place: "anywhere" | "unplaced" | "placed";
  readonly leastStars: number;
  readonly shape: "any" | "wide" | "tall" | "square";
  /** Only those with fewer pixels than this along their longer side; 0 for all. */
  readonly smallerThanPx: number;
  readonly text: string;
  /** Wall times, both included. */
  readonly span: { readonly from: string; readonly to: string } | undefined;
  readonly hiddenToo: boolean;
  readonly order: "oldest" | "newest" | "name" | "stars" | "largest";
}

export const noFilter: PhotoFilter = {
  place: "anywhere",
  leastStars: 0,
  shape: "any",
  smallerThanPx: 0,
  text: "",
  span: undefined,
  hiddenToo: false,
  order: "oldest",
};

/** Whether anything but the order and what is hidden narrows the view. */
export const narrows = (s: PhotoFilter): boolean =>
  s.place !== "anywhere" ||
  s.leastStars > 0 ||
  s.shape !== "any" ||
  s.smallerThanPx > 0 ||
  s.text.trim() !== "" ||
  s.span !== undefined;

/** Photos that pass, in the wanted order; the same array back when all do. `photos` are sorted by time. */
export function sift(
  photos: readonly Photo[],
  filter: PhotoFilter,
  isPlaced: (id: string) => boolean,
): readonly Photo[] {
  const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean);
  const passing = photos.filter((p) => passes(p, filter, words, isPlaced));
  const kept = passing.length === photos.length ? photos : passing;
  switch (filter.order) {
    case "oldest":
      return kept;
    case "newest":
      return [...kept].reverse();
    case "name":
      return [...kept].sort((a, b) => byName.compare(a.name, b.name));
    case "stars":
      return [...kept].sort((a, b) => b.stars - a.stars);
    case "largest":
      return [...kept].sort((a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx);
  }
}

const byName = new Intl.Collator("en", { numeric: true });

function passes(p: Photo, s: PhotoFilter, words: readonly string[], isPlaced: (id: string) => boolean): boolean {
  if (p.hidden && !s.hiddenToo) return false;
  if (s.place !== "anywhere" && isPlaced(p.id) !== (s.place === "placed")) return false;
  if (p.stars < s.leastStars) return false;
  if (s.shape !== "any" && shapeOf(p) !== s.shape) return false;
  if (s.smallerThanPx > 0 && Math.max(p.widthPx, p.heightPx) >= s.smallerThanPx) return false;
  // A brushed span ends in whole seconds; a photo's own may have parts of one.
  if (s.span && (p.takenAt < s.span.from || p.takenAt.slice(0, 19) > s.span.to)) return false;
  return words.length === 0 || words.every((w) => searched(p).includes(w));
}

/** Remembered: each letter typed looks through all of them again. */
function searched(p: Photo): string {
  const known = texts.get(p);
  if (known !== undefined) return known;
  const text = `${p.caption} ${p.name}`.toLowerCase();
  texts.set(p, text);
  return text;
}

const texts = new WeakMap<Photo, string>();

/** Within a twentieth of square counts as square: that is how it looks. */
function shapeOf(p: Photo): "wide" | "tall" | "square" {
  const aspect = aspectOf(p);
  return aspect > 1.05 ? "wide" : aspect < 0.95 ? "tall" : "square";
}
