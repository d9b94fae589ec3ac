import { type TimeInterval, utcDay, utcMonday, utcMonth } from "d3-time";
import { type Photo, wallMs } from "#core/photo";

export interface TimeBin {
  readonly from: Date;
  readonly to: Date;
  readonly step: "day" | "week" | "month";
  readonly count: number;
  readonly placed: number;
  readonly firstId: string | undefined;
}

const dayMs = 86_400_000;

/** A day of room before the first and after the last, so that no bar is cut; undefined without photos. */
export function spanOf(photos: readonly Photo[]): readonly [Date, Date] | undefined {
  const [first, last] = [photos[0], photos.at(-1)];
  if (!first || !last) return undefined;
  return [utcDay.floor(new Date(wallMs(first.takenAt) - dayMs)), utcDay.ceil(new Date(wallMs(last.takenAt) + dayMs))];
}

/** Days while there is room for a bar each, then weeks, then months. */
function stepFor([from, to]: readonly [Date, Date]): TimeBin["step"] {
  const days = (to.getTime() - from.getTime()) / dayMs;
  return days <= 200 ? "day" : days <= 1000 ? "week" : "month";
}

const intervals: Record<TimeBin["step"], TimeInterval> = { day: utcDay, week: utcMonday, month: utcMonth };

/** Photos (sorted by time) counted by day, week or month; empty ones are left out, so that gaps show. */
export function binPhotos(
  photos: readonly Photo[],
  domain: readonly [Date, Date],
  isPlaced: (id: string) => boolean,
): TimeBin[] {
  const name = stepFor(domain);
  const step = intervals[name];
  const found = new Map<number, { count: number; placed: number; firstId: string }>();
  for (const p of photos) {
    const at = new Date(wallMs(p.takenAt));
    if (at < domain[0] || at > domain[1]) continue;
    const key = step.floor(at).getTime();
    const bin = found.get(key) ?? { count: 0, placed: 0, firstId: p.id };
    bin.count += 1;
    if (isPlaced(p.id)) bin.placed += 1;
    found.set(key, bin);
  }
  return [...found].map(([key, bin]) => ({
    ...bin,
    step: name,
    from: new Date(key),
    to: step.offset(new Date(key), 1),
  }));
}
