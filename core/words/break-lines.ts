/** A paragraph as far as breaking its lines goes. Lengths in mm; offsets in UTF-16 from its start. */
export interface Breakable {
  readonly text: string;
  /** Entry i is the width of all letters before i. */
  readonly sums: Float64Array;
  /** Entry i is how many spaces there are before i. */
  readonly spaces: Uint32Array;
  /** Whether a line may begin with this letter if it has to: not inside of what is drawn as one. */
  readonly begins: (at: number) => boolean;
  /** Where a line may end, in order; the last is the paragraph's end. `hyphen`: only with one. */
  readonly chances: readonly Chance[];
  /** Of the hyphen that is added to a divided word. */
  readonly hyphenMm: number;
}

export interface Chance {
  readonly at: number;
  readonly must: boolean;
  readonly hyphen?: boolean;
}

export interface LineRun {
  readonly from: number;
  /** Without the spaces that hang over its end. */
  readonly to: number;
  /** Where the next one begins. */
  readonly end: number;
  readonly hyphen?: boolean;
}

/** Rounding must not push a line out that was measured to fit. */
export const slack = 1e-6;

/** The width of a line by its number, 0 for the paragraph's first. */
type WidthOf = (line: number) => number;

const widthOf = ({ sums }: Breakable, from: number, to: number): number => sums[to]! - sums[from]!;

export function withoutSpaces(text: string, from: number, end: number): number {
  let to = end;
  while (to > from && /\s/u.test(text[to - 1]!)) to -= 1;
  return to;
}

const lineOf = ({ text }: Breakable, from: number, chance: Pick<Chance, "at" | "hyphen">): LineRun => ({
  from,
  to: withoutSpaces(text, from, chance.at),
  end: chance.at,
  ...(chance.hyphen ? { hyphen: true } : {}),
});

/** Each line as full as it can be, one after the other. Words are divided only where they are longer than a line. */
export function brokenOneByOne(p: Breakable, width: WidthOf): readonly LineRun[] {
  const runs: LineRun[] = [];
  let from = 0;
  let good: Chance | undefined;
  const close = (chance: Pick<Chance, "at" | "hyphen">) => {
    runs.push(lineOf(p, from, chance));
    from = chance.at;
    good = undefined;
  };
  for (const chance of p.chances) {
    const { at, must } = chance;
    const end = (a: Pick<Chance, "at" | "hyphen">) =>
      widthOf(p, from, withoutSpaces(p.text, from, a.at)) + (a.hyphen ? p.hyphenMm : 0);
    while (end(chance) > width(runs.length) + slack) {
      if (good) close(good);
      else {
        // Too long because of its hyphen alone: the word goes on.
        if (chance.hyphen && widthOf(p, from, at) <= width(runs.length) + slack) break;
        const cut = longestFitting(p, from, at, width(runs.length));
        if (cut >= at) break;
        close({ at: cut });
      }
    }
    if (end(chance) <= width(runs.length) + slack || !chance.hyphen) good = chance;
    if (must && at < p.text.length) close(chance);
  }
  if (from < p.text.length) close({ at: p.text.length });
  return runs;
}

/** At least one letter, however narrow the line, and never a part of one. */
function longestFitting(p: Breakable, from: number, most: number, width: number): number {
  let cut = from + 1;
  while (cut < most && !p.begins(cut)) cut += 1;
  for (let at = cut + 1; at <= most; at += 1) {
    if (at < most && !p.begins(at)) continue;
    if (widthOf(p, from, at) > width + slack) break;
    cut = at;
  }
  return cut;
}

export interface Whole {
  /** Spaces are stretched so that lines fill their width. */
  readonly justified: boolean;
  /** How far letters reach beyond the line's ends, mm. */
  readonly hangs: (line: LineRun) => number;
  readonly spaceMm: number;
}

/** As in TeX, on a scale where 100 is the most that still looks well. */
const lineCost = 10;
const hyphenCost = 60;
const twoHyphensCost = 12_000;
const unlikeCost = 6_000;
const dividedEndCost = 8_000;
const lonelyWordCost = 60_000;
const brokenWordCost = 1e8;

interface Node {
  readonly at: number;
  readonly hyphen: boolean;
  readonly looseness: number;
  readonly line: number;
  readonly cost: number;
  readonly before: Node | undefined;
  readonly run: LineRun | undefined;
}

/**
 * Lines broken so that the paragraph looks best as a whole: evenly filled, few words divided, no word alone on the last line. D. E. Knuth and M. F.
 * Plass, "Breaking paragraphs into lines", Software: Practice and Experience 11 (1981).
 */
export function brokenAsWhole(p: Breakable, width: WidthOf, how: Whole): readonly LineRun[] {
  const chances = withEmergencies(p, Math.min(width(0), width(1)));
  const words = p.text.split(/\s+/u).filter(Boolean).length;
  let open: Node[] = [{ at: 0, hyphen: false, looseness: 1, line: 0, cost: 0, before: undefined, run: undefined }];
  for (const [i, chance] of chances.entries()) {
    const last = chance.at === p.text.length;
    const to = withoutSpaces(p.text, 0, chance.at);
    const after = last || chance.must || how.justified ? undefined : chances[i + 1];
    const divided = chance.hyphen ? { hyphen: true } : {};
    const best = new Map<number, Node>();
    const still: Node[] = [];
    for (const node of open) {
      // More goes in, and half of it would be bare: of lines with a ragged edge that is never the best one.
      if (after && widthOf(p, node.at, after.at) + p.hyphenMm < width(node.line) / 2) {
        still.push(node);
        continue;
      }
      const run: LineRun = { from: node.at, to: Math.max(node.at, to), end: chance.at, ...divided };
      const fit = fitOf(p, run, width(node.line), how, last || chance.must);
      if (!fit) {
        // Without its hyphen it may go in, and a letter more as well.
        if (chance.hyphen && widthOf(p, run.from, run.to) < width(node.line)) still.push(node);
        continue;
      }
      still.push(node);
      let cost = (lineCost + fit.badness) ** 2;
      if (chance.hyphen) cost += hyphenCost ** 2 + (node.hyphen ? twoHyphensCost : 0);
      if (chance.emergency) cost += brokenWordCost;
      if (Math.abs(fit.looseness - node.looseness) > 1) cost += unlikeCost;
      if (last && node.hyphen) cost += dividedEndCost;
      if (last && words > 3 && p.spaces[run.to] === p.spaces[run.from]) cost += lonelyWordCost;
      const next: Node = {
        at: chance.at,
        hyphen: chance.hyphen === true,
        looseness: fit.looseness,
        line: node.line + 1,
        cost: node.cost + cost,
        before: node,
        run,
      };
      // Only the first line is of another width, so that later ones need not be told apart.
      const known = best.get(next.looseness);
      if (!known || next.cost < known.cost) best.set(next.looseness, next);
    }
    // A line that has to end here takes all that came before; what no longer fits is never tried again.
    open = chance.must && !last ? [...best.values()] : [...still, ...best.values()];
    if (last) {
      const end = [...best.values()].sort((a, b) => a.cost - b.cost)[0];
      return end ? runsTo(end) : brokenOneByOne(p, width);
    }
  }
  return [];
}

function runsTo(end: Node): LineRun[] {
  const runs: LineRun[] = [];
  for (let node: Node | undefined = end; node?.run; node = node.before) runs.unshift(node.run);
  return runs;
}

/** Nothing where the letters do not go into the line. */
function fitOf(
  p: Breakable,
  run: LineRun,
  width: number,
  { justified, hangs, spaceMm }: Whole,
  ends: boolean,
): { readonly badness: number; readonly looseness: number } | undefined {
  const natural = widthOf(p, run.from, run.to) + (run.hyphen ? p.hyphenMm : 0) - hangs(run);
  const spare = width - natural;
  const spaces = justified ? (p.spaces[run.to]! - p.spaces[run.from]!) * spaceMm : 0;
  if (spare < -slack - spaces * mostShrunk) return undefined;
  if (ends && spare >= 0) return { badness: 0, looseness: 1 };
  // An edge that is ragged anyway has no line that is too loose; what counts is how far lines are from each other.
  if (!justified)
    return { badness: 100 * Math.max(0, spare / Math.max(width * 0.12, spaceMm * 4)) ** 1.5, looseness: 1 };
  const give = spaces * (spare < 0 ? mostShrunk : 0.5);
  const ratio = give > 0 ? spare / give : spare > slack ? 6 : 0;
  // Beyond what looks well, the emptier line is still the worse.
  const badness = Math.min(10_000, 100 * Math.abs(ratio) ** 3) * (1 + Math.max(0, spare) / width);
  return { badness, looseness: ratio < -0.5 ? 0 : ratio <= 0.5 ? 1 : ratio <= 1 ? 2 : 3 };
}

/** The share of itself that a space may give up. */
export const mostShrunk = 0.25;

/** A word that is longer than a line may be broken wherever a letter begins, at a price that nothing else comes near. */
function withEmergencies(p: Breakable, width: number): readonly (Chance & { readonly emergency?: true })[] {
  const all: (Chance & { readonly emergency?: true })[] = [];
  let from = 0;
  for (const chance of p.chances) {
    const to = withoutSpaces(p.text, from, chance.at);
    if (widthOf(p, from, to) + (chance.hyphen ? p.hyphenMm : 0) > width)
      for (let at = from + 1; at < to; at += 1) if (p.begins(at)) all.push({ at, must: false, emergency: true });
    all.push(chance);
    from = chance.at;
  }
  return all;
}
