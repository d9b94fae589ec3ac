import { measures, type PlaceFinder } from "./places.ts";
import { fitsSomehow, type PackProblem } from "./problem.ts";
import { SlicedSheet } from "./slicing-sheet.ts";

const mostOfOneSize = 4;

/** A bare sheet of any kind filled in any order, as far as that goes; items of one size stand for each other. It stays bare where nothing fits. */
export function freshSheet(
  problem: PackProblem,
  /** The number of each item's size, and how many there are. */
  sizes: { readonly of: Int32Array; readonly count: number },
  finder: PlaceFinder,
  random: () => number,
): SlicedSheet {
  const { count, w, h, turns, kinds } = problem;
  const first = new Map<number, number>();
  const left = new Int16Array(sizes.count);
  for (let i = 0; i < count; i += 1) {
    left[sizes.of[i]!]! += 1;
    if (!first.has(sizes.of[i]!)) first.set(sizes.of[i]!, i);
  }
  const at = Math.floor(random() * kinds.length);
  const kind = kinds[at]!;
  const sheet = new SlicedSheet(at, kind.width, kind.height);
  finder.measure = measures[Math.floor(random() * measures.length)]!;
  for (const [size, item] of [...first].sort(() => random() - 0.5)) {
    const most = random() < 0.5 ? left[size]! : 1 + Math.floor(random() * mostOfOneSize);
    for (let k = 0; k < Math.min(most, left[size]!); k += 1) {
      finder.begin();
      if (!sheet.root) {
        if (!fitsSomehow(problem, item, kind)) break;
        finder.takeBare(sheet, w[item]!, h[item]!, turns[item] === 1);
      } else {
        finder.look(sheet, w[item]!, h[item]!, turns[item] === 1);
        if (!finder.sheet) break;
      }
      finder.put(item, w[item]!, h[item]!);
    }
  }
  return sheet;
}
