import { allTiles, photoIdOf } from "#core/document";
import type { ProjectRule } from "../rule.ts";

/** Pages whose photos were taken before those of a page in front of them: the fewest that would have to move. */
export const outOfTime: ProjectRule<{ readonly code: "outOfTime"; readonly before: string; readonly after: string }> = {
  looksAt: "project",
  find: (project, { photos }) => {
    if (project.kind !== "book") return [];
    const takenAt = new Map(photos.filter((p) => p.section === "photos").map((p) => [p.id, p.takenAt]));
    const timed = project.pages.flatMap((page) => {
      const times = allTiles(page)
        .flatMap((t) => takenAt.get(photoIdOf(t) ?? "") ?? [])
        .sort();
      const middle = times[Math.floor(times.length / 2)];
      return middle === undefined ? [] : [{ page, middle }];
    });
    const kept = longestRising(timed.map((t) => t.middle));
    return timed.flatMap(({ page, middle }, i) => {
      if (kept.has(i)) return [];
      const earlier = timed.slice(0, i).findLast((_, k) => kept.has(k));
      const later = timed.find((_, k) => k > i && kept.has(k));
      return [
        {
          code: "outOfTime",
          severity: "hint",
          before: later?.middle ?? earlier?.middle ?? middle,
          after: middle,
          spots: [{ pageId: page.id, tileIds: [] }],
          fixes: [],
        },
      ];
    });
  },
  fixes: {},
};

/** Places of a longest run that never falls (patience sorting). */
export function longestRising(values: readonly string[]): ReadonlySet<number> {
  const tops: number[] = [];
  const under: (number | undefined)[] = [];
  for (const [i, v] of values.entries()) {
    let [low, high] = [0, tops.length];
    while (low < high) {
      const mid = (low + high) >> 1;
      if (values[tops[mid]!]! <= v) low = mid + 1;
      else high = mid;
    }
    under[i] = tops[low - 1];
    tops[low] = i;
  }
  const kept = new Set<number>();
  for (let i = tops.at(-1); i !== undefined; i = under[i]) kept.add(i);
  return kept;
}
