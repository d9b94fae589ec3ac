import { type LineRun, slack } from "./break-lines.ts";
import { lettersOf, type Waiting } from "./waiting-lines.ts";

/** How many lines go into a column of a height. */

/**
 * How many lines from `from` on go into a room. What counts is letters: a tight leading may overlap lines, and the last one only has to show its ink, since a
 * font leaves room for marks above and tails below that a line may not have.
 */
export function fitting(lines: readonly Waiting[], from: number, room: number, goesOn: boolean): number {
  const first = lines[from]!;
  const lead = Math.max(first.pitch, lettersOf(first));
  let count = 0;
  let tall = 0;
  for (let i = from; i < lines.length; i += 1) {
    const line = lines[i]!;
    const bottom = i === from ? lead : tall + line.before + line.pitch;
    const fits =
      i === from
        ? lettersOf(first) <= room + slack || (lines.length === 1 && inkHeight(first) <= room + slack)
        : bottom <= room + slack || bottom - lastSpare(line) <= room + slack;
    if (!fits) break;
    tall = bottom;
    count += 1;
  }
  return goesOn && count > 0 && from + count < lines.length ? withoutLonely(lines, from, count) : count;
}

/** The least height at which columns hold all lines, so that they end level; the room itself where it is too small for them. */
export function levelRoom(lines: readonly Waiting[], columns: number, room: number, whole: boolean): number {
  const holds = (height: number) => {
    let next = 0;
    for (let column = 0; column < columns && next < lines.length; column += 1)
      next += fitting(lines, next, height, column < columns - 1 && whole);
    return next >= lines.length;
  };
  if (!holds(room)) return room;
  let [low, high] = [0, room];
  for (let i = 0; i < 12; i += 1) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** How much of a last line's height is not needed: what lies under its ink. */
function lastSpare(line: Waiting): number {
  const half = (line.pitch - lettersOf(line)) / 2;
  return half + line.descent - Math.max(0, inkOf(line).below);
}

/** No paragraph leaves its first line alone at the foot of a box, or takes only its last one into the next, and no word is divided between them. */
function withoutLonely(lines: readonly Waiting[], from: number, count: number): number {
  let kept = count;
  const next = lines[from + kept]!;
  if (next.last && !next.first && kept > 2) kept -= 1;
  if (lines[from + kept - 1]!.run.hyphen && kept > 2) kept -= 1;
  const end = lines[from + kept - 1]!;
  if (end.first && !end.last && kept > 1) kept -= 1;
  return kept;
}

interface InkReach {
  readonly above: number;
  readonly below: number;
}

const inkKnown = new WeakMap<LineRun, InkReach>();

/** How far the letters themselves reach above the baseline and below it, in mm. */
export function inkOf(line: Waiting): InkReach {
  const ink = inkKnown.get(line.run) ?? measuredInk(line);
  inkKnown.set(line.run, ink);
  return ink;
}

function measuredInk({ paragraph: { glyphs, runs }, run }: Waiting): InkReach {
  let [above, below] = [0, 0];
  for (const g of glyphs) {
    if (g.cluster < run.from || g.cluster >= run.to) continue;
    const { face, look } = runs[g.run]!;
    for (const s of face.outline(g.file, g.id))
      for (let i = 2; i < s.length; i += 2) {
        above = Math.max(above, -(s[i] as number) * look.sizeMm + look.riseMm);
        below = Math.max(below, (s[i] as number) * look.sizeMm - look.riseMm);
      }
  }
  return { above, below };
}

const inkHeight = (line: Waiting): number => {
  const { above, below } = inkOf(line);
  return above + below;
};
