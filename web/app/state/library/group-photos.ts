import { group } from "d3-array";
import type { Photo, PhotoEvent } from "#core/photo";

export type Grouping = { readonly by: "event" } | { readonly by: "count"; readonly each: number };

/** Photos in the order given, as those that go onto one page together; events are those of the whole library. */
export function grouped(
  photos: readonly Photo[],
  how: Grouping,
  events: readonly PhotoEvent[],
): readonly (readonly Photo[])[] {
  if (how.by === "event") {
    const eventOf = new Map(events.flatMap((e) => e.photoIds.map((id) => [id, e.key] as const)));
    return [...group(photos, (p) => eventOf.get(p.id)).values()];
  }
  const each = Math.max(1, how.each);
  return Array.from({ length: Math.ceil(photos.length / each) }, (_, i) => photos.slice(i * each, (i + 1) * each));
}
