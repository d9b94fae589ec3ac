import type { SetGlyph } from "#core/words";

type Glyphs = readonly SetGlyph[];

/** The same letter on the same spot, whatever text it was set for. */
export const looksAs = (a: SetGlyph, b: SetGlyph): boolean =>
  a === b || (a.id === b.id && a.file === b.file && a.x === b.x && a.y === b.y && a.look === b.look);

/** Letters that follow each other on one baseline. */
export function lineGlyphs(glyphs: Glyphs): readonly Glyphs[] {
  const found: Glyphs[] = [];
  for (let from = 0; from < glyphs.length; ) {
    let to = from + 1;
    while (to < glyphs.length && glyphs[to]!.y === glyphs[from]!.y) to += 1;
    found.push(glyphs.slice(from, to));
    from = to;
  }
  return found;
}

/** The lines that only one of two texts has. */
export function linesApart(before: Glyphs, now: Glyphs): readonly Glyphs[] {
  const [a, b] = withoutCommonEnds(before, now).map(linesByStart);
  const same = (x: Glyphs | undefined, y: Glyphs) => x?.length === y.length && x.every((g, i) => looksAs(g, y[i]!));
  const apart = (of: ReadonlyMap<string, Glyphs>, other: ReadonlyMap<string, Glyphs>) =>
    [...of].flatMap(([place, line]) => (same(other.get(place), line) ? [] : [line]));
  return [...apart(a!, b!), ...apart(b!, a!)];
}

const linesByStart = (glyphs: Glyphs): ReadonlyMap<string, Glyphs> =>
  new Map(lineGlyphs(glyphs).map((line) => [`${line[0]!.x} ${line[0]!.y}`, line]));

/** Both from the first line to the last that may not be the same in both: paragraphs that stand as they stood have the very same glyphs. */
function withoutCommonEnds(a: Glyphs, b: Glyphs): readonly [Glyphs, Glyphs] {
  const shorter = Math.min(a.length, b.length);
  let alike = 0;
  while (alike < shorter && a[alike] === b[alike]) alike += 1;
  // The line of the last common letter may go on in another way.
  let from = alike;
  while (from > 0 && b[from - 1]!.y === b[alike - 1]!.y) from -= 1;
  alike = 0;
  while (alike < shorter - from && a.at(-1 - alike) === b.at(-1 - alike)) alike += 1;
  let after = alike;
  while (after > 0 && b.at(-after)!.y === b.at(-alike)!.y) after -= 1;
  return [a.slice(from, a.length - after), b.slice(from, b.length - after)];
}
