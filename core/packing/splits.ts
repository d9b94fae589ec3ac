import type { PackProblem } from "./problem.ts";
import { itemsIn, type Part, type SlicedSheet } from "./slicing-sheet.ts";

/** How many sheets more than one the groups of items lie on, all groups together. */
export function splitsOf(problem: PackProblem, sheets: readonly SlicedSheet[]): number {
  const seen = new Set<string>();
  const groups = new Set<number>();
  const parts: Part[] = [];
  for (const [at, sheet] of sheets.entries()) {
    parts.length = 0;
    itemsIn(sheet.root!, parts);
    for (const { item } of parts) {
      const group = problem.group[item]!;
      if (group < 0) continue;
      groups.add(group);
      seen.add(`${at} ${group}`);
    }
  }
  return seen.size - groups.size;
}
