import { findEvents, type NamedSpan, type Photo, type PhotoFilter, type Pile } from "#core/photo";
import type { WallGroup } from "./rows.ts";

export interface PileMark {
  readonly count: number;
  readonly open: boolean;
}

/** Photos without those that lie under the top of a gathered pile, and a mark for each top. */
export function gathered(
  photos: readonly Photo[],
  piles: readonly Pile[],
  open: ReadonlySet<string>,
): { readonly photos: readonly Photo[]; readonly marks: ReadonlyMap<string, PileMark> } {
  const here = new Set(photos.map((p) => p.id));
  const under = new Set<string>();
  const marks = new Map<string, PileMark>();
  for (const pile of piles) {
    // Where a filter hides the top, the next one stands for the pile.
    const [top, ...rest] = pile.filter((id) => here.has(id));
    if (top === undefined || rest.length === 0) continue;
    const spread = pile.some((id) => open.has(id));
    marks.set(top, { count: rest.length + 1, open: spread });
    if (!spread) for (const id of rest) under.add(id);
  }
  return { photos: under.size === 0 ? photos : photos.filter((p) => !under.has(p.id)), marks };
}

/** By event where the order is by time; one group without a heading otherwise. */
export function wallGroups(
  photos: readonly Photo[],
  spans: readonly NamedSpan[],
  order: PhotoFilter["order"],
): WallGroup[] {
  if (photos.length === 0) return [];
  if (order !== "oldest" && order !== "newest") return [{ event: undefined, photos }];
  const byTime = order === "oldest" ? photos : [...photos].reverse();
  const byId = new Map(photos.map((p) => [p.id, p]));
  const groups = findEvents(byTime, spans).map((event) => ({
    event,
    photos: event.photoIds.map((id) => byId.get(id)!),
  }));
  return order === "oldest" ? groups : groups.reverse().map((g) => ({ ...g, photos: [...g.photos].reverse() }));
}
