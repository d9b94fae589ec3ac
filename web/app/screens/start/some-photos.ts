import type { Photo } from "#core/photo";

/** Some photos from all over the library, so that a picture is not made of one morning. */
export function someOf(photos: readonly Photo[], most: number): readonly Photo[] {
  const seen = photos.filter((p) => !p.hidden && p.section === "photos");
  if (seen.length <= most) return seen;
  return Array.from({ length: most }, (_, i) => seen[Math.floor(((i + 0.5) * seen.length) / most)]!);
}
