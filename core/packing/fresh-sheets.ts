import { measures, PlaceFinder } from "./places.ts";
import { fitsSomehow, type PackProblem } from "./problem.ts";
import { SlicedSheet } from "./slicing-sheet.ts";

const rounds = 200;
const blink = 0.01;
/** Of a size that is not filled up with, at most so many. */
const few = 4;

/** Bare sheets filled with items in any order of their sizes, for a cover to choose from. `size`: the number of each item's size. */
export function* freshSheets(problem: PackProblem, size: Int32Array, chance: () => number): Generator<SlicedSheet> {
  const { count, w, h, turns, kinds } = problem;
  const first = new Map<number, number>();
  const held = new Map<number, number>();
  for (let i = 0; i < count; i += 1) {
    held.set(size[i]!, (held.get(size[i]!) ?? 0) + 1);
    if (!first.has(size[i]!)) first.set(size[i]!, i);
  }
  const finder = new PlaceFinder(chance);
  finder.blink = blink;
  for (let round = 0; round < rounds; round += 1) {
    const at = Math.floor(chance() * kinds.length);
    const kind = kinds[at]!;
    const sheet = new SlicedSheet(at, kind.width, kind.height);
    finder.measure = measures[Math.floor(chance() * measures.length)]!;
    const inAnyOrder = [...first].map((entry) => ({ entry, by: chance() })).sort((a, b) => a.by - b.by);
    for (const {
      entry: [number, item],
    } of inAnyOrder) {
      const all = held.get(number)!;
      const most = chance() < 0.5 ? all : Math.min(all, 1 + Math.floor(chance() * few));
      for (let k = 0; k < most; k += 1) {
        finder.begin();
        if (sheet.root) finder.look(sheet, w[item]!, h[item]!, turns[item] === 1);
        else if (fitsSomehow(problem, item, kind)) finder.takeBare(sheet, w[item]!, h[item]!, turns[item] === 1);
        if (!finder.sheet) break;
        finder.put(item, w[item]!, h[item]!);
      }
    }
    if (sheet.root) yield sheet;
  }
}
