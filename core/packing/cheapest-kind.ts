import type { PackProblem } from "./problem.ts";
import { itemsIn, type Part, partFits, SlicedSheet, turnedPart } from "./slicing-sheet.ts";

/** The same items on the cheapest kind of sheet that they fit on, the way they lie or turned as a whole. */
export function onCheapestKind({ kinds, turns }: PackProblem, sheet: SlicedSheet): SlicedSheet {
  const root = sheet.root!;
  const parts: Part[] = [];
  itemsIn(root, parts);
  const mayTurn = parts.every((p) => turns[p.item] === 1);
  let chosen = sheet.kind;
  for (const [i, kind] of kinds.entries()) {
    const how = partFits(root, kind.width, kind.height);
    if (kind.cost < kinds[chosen]!.cost && how && (how === "as it is" || mayTurn)) chosen = i;
  }
  if (chosen === sheet.kind) return sheet;
  const kind = kinds[chosen]!;
  const made = new SlicedSheet(chosen, kind.width, kind.height);
  const copy = sheet.copy().root!;
  made.root = partFits(root, kind.width, kind.height) === "turned" ? turnedPart(copy) : copy;
  made.settle();
  return made;
}
