import type { Photo } from "./facts.ts";
import type { NamedSpan } from "./schema/events.ts";
import { wallMs } from "./taken-at.ts";

export type { NamedSpan } from "./schema/events.ts";

export interface PhotoEvent {
  /** Of its first photo, which stays the same while photos come in behind it. */
  readonly key: string;
  readonly from: string;
  readonly to: string;
  readonly photoIds: readonly string[];
  readonly span: NamedSpan | undefined;
}

/** A night's sleep: a longer pause between two photos begins another event. */
const pauseMs = 7 * 3_600_000;

/** Events among photos sorted by time, found from the pauses; a name goes to the event that it overlaps the most. */
export function findEvents(
  photos: readonly Pick<Photo, "id" | "takenAt">[],
  names: readonly NamedSpan[],
): PhotoEvent[] {
  const groups: { from: string; to: string; ids: string[] }[] = [];
  for (const p of photos) {
    const last = groups.at(-1);
    if (last && wallMs(p.takenAt) - wallMs(last.to) <= pauseMs) {
      last.to = p.takenAt;
      last.ids.push(p.id);
    } else groups.push({ from: p.takenAt, to: p.takenAt, ids: [p.id] });
  }
  const ofGroup = new Map<number, NamedSpan>();
  for (const span of names) {
    const overlaps = groups.map((g) => overlapMs(g, span));
    const most = Math.max(...overlaps);
    if (most > 0) ofGroup.set(overlaps.indexOf(most), span);
  }
  return groups.map((g, i) => ({ key: g.ids[0]!, from: g.from, to: g.to, photoIds: g.ids, span: ofGroup.get(i) }));
}

/** A moment counts as a second, so that an event of one photo can have a name. */
function overlapMs(
  a: { readonly from: string; readonly to: string },
  b: { readonly from: string; readonly to: string },
): number {
  return Math.min(wallMs(a.to), wallMs(b.to)) - Math.max(wallMs(a.from), wallMs(b.from)) + 1000;
}
