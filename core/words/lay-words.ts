import type { Size } from "#core/geometry";
import { mmPerInch } from "#core/units";
import type { Face, Glyph, Typesetter } from "./face.ts";
import type { WordStyle } from "./fonts.ts";
import { capHeight, inkBox } from "./letters.ts";
import type { InkCentring } from "./settings.ts";

export const mmOfPt = (pt: number): number => (pt * mmPerInch) / 72;

/** A glyph where it is set, in mm from the words' top left, on its baseline. */
export interface SetGlyph {
  readonly file: number;
  readonly id: number;
  readonly x: number;
  readonly y: number;
  /** The letters that it stands for, where it stands for several. */
  readonly letters?: string;
}

/** A place between two letters: `at` in the text, `x` in mm. */
export interface Stop {
  readonly at: number;
  readonly x: number;
}

export interface Line {
  /** Which part of the text stands on it, without the spaces that hang over its end. */
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  readonly top: number;
  readonly height: number;
  readonly glyphs: readonly SetGlyph[];
  /** Where a caret can stand, in reading order. */
  readonly stops: readonly Stop[];
}

/** Words set in a box of `size`, which is as the words are read: before they are turned. Mm throughout. */
export interface LaidWords {
  readonly size: Size;
  readonly sizeMm: number;
  readonly lines: readonly Line[];
  /** Words on lines that found no room. */
  readonly hidden: number;
  /** Letters that the font does not have. */
  readonly missing: readonly string[];
}

/** Rounding must not push a line out that was measured to fit. */
const slack = 1e-6;

interface Run {
  readonly from: number;
  readonly to: number;
  readonly end: number;
}

/**
 * Shapes words and breaks them into lines, once for all painters. A word longer than a line is broken where it must be;
 * spaces at a line's end hang over. Lines that do not fit below the last are left out and counted.
 */
export function layWords(
  text: string,
  style: WordStyle,
  box: Size,
  face: Face,
  setter: Pick<Typesetter, "breaks">,
): LaidWords {
  if (style.ink && text.trim() !== "") return laidByInk(text, style, box, face, style.ink);
  const upright = style.turn === 0 || style.turn === 180;
  const size = upright ? box : { w: box.h, h: box.w };
  const sizeMm = mmOfPt(style.sizePt);
  const inset = Math.min(style.insetMm, size.w / 2, size.h / 2);
  const width = size.w - 2 * inset;
  const pitch = sizeMm * style.leading;
  const glyphs = shaped(text, face);
  const advances = advancesBy(text, glyphs, sizeMm);
  const runs = linesOf(text, advances, width, setter);
  const room = size.h - 2 * inset;
  // What counts is the letters' own height: a tight leading may overlap lines, but the last one has to show whole.
  const letters = (face.ascent + face.descent) * sizeMm;
  const holds = letters > room + slack ? 0 : 1 + Math.floor((room - Math.max(letters, pitch) + slack) / pitch);
  // A font's height leaves room for marks above and tails below that one line may not have.
  const ink = holds === 0 && runs.length === 1 ? inkOf(glyphs, face) : undefined;
  const inkFits = ink !== undefined && (ink.above + ink.below) * sizeMm <= room + slack;
  const least = room >= letters || inkFits ? 1 : 0;
  const shown = runs.slice(0, Math.max(0, Math.min(runs.length, Math.max(holds, least))));
  const tall = Math.max(pitch, letters) + (shown.length - 1) * pitch;
  const spare = Math.max(0, room - tall);
  const top = inset + (style.vertical === "top" ? 0 : style.vertical === "middle" ? spare / 2 : spare);
  const lean = style.vertical === "top" ? 0 : style.vertical === "middle" ? 0.5 : 1;
  const first = inkFits
    ? inset + ink.above * sizeMm + lean * (room - (ink.above + ink.below) * sizeMm)
    : top + (Math.max(pitch, letters) - letters) / 2 + face.ascent * sizeMm;
  const lines = shown.map((run, i) =>
    setLine(
      run,
      { glyphs, advances, text, sizeMm, style, inset, width, last: i === runs.length - 1 || endsParagraph(text, run) },
      {
        baseline: first + i * pitch,
        top: first + i * pitch - face.ascent * sizeMm - (pitch - letters) / 2,
        height: pitch,
      },
    ),
  );
  const rest = shown.length < runs.length ? text.slice(runs[shown.length]!.from) : "";
  return { size, sizeMm, lines, hidden: countWords(rest), missing: missingIn(text, face) };
}

/** One line whose ink is centred, whatever room its letters are set with. */
function laidByInk(text: string, style: WordStyle, box: Size, face: Face, ink: InkCentring): LaidWords {
  const size = style.turn === 0 || style.turn === 180 ? box : { w: box.h, h: box.w };
  const sizeMm = mmOfPt(style.sizePt);
  const word = text.trim().replace(/\s/g, " ");
  const glyphs = face.shape(word);
  const at = inkBox(glyphs, face);
  const x0 = size.w / 2 - (at.x + at.w / 2) * sizeMm;
  const middle = ink === "alone" ? at.y + at.h / 2 : -capHeight(face) / 2;
  const baseline = size.h / 2 - middle * sizeMm;
  let x = x0;
  const set: SetGlyph[] = [];
  for (const g of glyphs) {
    set.push({ file: g.file, id: g.id, x: x + g.dx * sizeMm, y: baseline - g.dy * sizeMm });
    x += g.advance * sizeMm;
  }
  // What has to be seen of it is its ink.
  const [top, height] = [baseline + at.y * sizeMm, at.h * sizeMm];
  const stops: Stop[] = [
    { at: 0, x: x0 },
    { at: text.length, x },
  ];
  const [left, width] = [x0 + at.x * sizeMm, at.w * sizeMm];
  const line: Line = { from: 0, to: text.length, x: left, width, baseline, top, height, glyphs: set, stops };
  return { size, sizeMm, lines: [line], hidden: 0, missing: missingIn(text, face) };
}

/** How far the letters themselves reach above the baseline and below it, in em. */
function inkOf(glyphs: readonly Glyph[], face: Face): { readonly above: number; readonly below: number } {
  let [above, below] = [0, 0];
  for (const g of glyphs)
    for (const s of face.outline(g.file, g.id))
      for (let i = 2; i < s.length; i += 2) {
        above = Math.max(above, -(s[i] as number));
        below = Math.max(below, s[i] as number);
      }
  return { above, below };
}

export const countWords = (text: string): number => text.split(/\s+/u).filter(Boolean).length;

const isControl = (c: string) => c === "\n" || c === "\r" || c === "\t";

/** Line ends have no glyph, and a tab is as wide as a space. */
function shaped(text: string, face: Face): readonly Glyph[] {
  return face.shape(text.replace(/[\n\r\t]/g, " "));
}

/** Width of the text before each offset's letter, in mm: entry i is the sum of all clusters that begin before i. */
function advancesBy(text: string, glyphs: readonly Glyph[], sizeMm: number): Float64Array {
  const own = new Float64Array(text.length + 1);
  for (const g of glyphs)
    if (!isControl(text[g.cluster] ?? "") || text[g.cluster] === "\t") own[g.cluster]! += g.advance * sizeMm;
  const sums = new Float64Array(text.length + 1);
  for (let i = 0; i < text.length; i += 1) sums[i + 1] = sums[i]! + own[i]!;
  return sums;
}

const widthOf = (sums: Float64Array, from: number, to: number): number => sums[to]! - sums[from]!;

function linesOf(text: string, sums: Float64Array, width: number, setter: Pick<Typesetter, "breaks">): Run[] {
  const runs: Run[] = [];
  let from = 0;
  let good = 0;
  const close = (end: number) => {
    runs.push({ from, to: withoutSpaces(text, from, end), end });
    from = end;
    good = end;
  };
  for (const { at, must } of setter.breaks(text)) {
    while (widthOf(sums, from, withoutSpaces(text, from, at)) > width + slack) {
      if (good > from) close(good);
      else {
        const end = longestFitting(text, sums, from, at, width);
        if (end >= at) break;
        close(end);
      }
    }
    good = at;
    if (must && at < text.length) close(at);
  }
  if (from < text.length) close(text.length);
  // A line end as the last thing opens a line that is still bare; so does no text at all.
  if (text === "" || text.endsWith("\n")) runs.push({ from: text.length, to: text.length, end: text.length });
  return runs;
}

function withoutSpaces(text: string, from: number, end: number): number {
  let to = end;
  while (to > from && /\s/u.test(text[to - 1]!)) to -= 1;
  return to;
}

/** At least one letter, however narrow the line; never between the halves of one. */
function longestFitting(text: string, sums: Float64Array, from: number, most: number, width: number): number {
  let at = from + 1;
  for (; at < most; at += 1) if (widthOf(sums, from, at + 1) > width + slack) break;
  const [high, low] = [text.charCodeAt(at - 1), text.charCodeAt(at)];
  const halves = high >= 0xd800 && high <= 0xdbff && low >= 0xdc00 && low <= 0xdfff;
  return halves ? (at - 1 > from ? at - 1 : at + 1) : at;
}

const endsParagraph = (text: string, run: Run): boolean => /[\n\r]/.test(text.slice(run.to, run.end));

interface LineFacts {
  readonly glyphs: readonly Glyph[];
  readonly advances: Float64Array;
  readonly text: string;
  readonly sizeMm: number;
  readonly style: WordStyle;
  readonly inset: number;
  readonly width: number;
  /** It ends a paragraph, so that it is not stretched. */
  readonly last: boolean;
}

/** What a glyph stands for; nothing where several stand for the same letters. They are in the order of the text or against it. */
function lettersOf({ glyphs, text }: LineFacts, i: number, end: number): string {
  const { cluster } = glyphs[i]!;
  const beside = [glyphs[i - 1]?.cluster, glyphs[i + 1]?.cluster];
  if (beside.includes(cluster)) return "";
  const after = beside.filter((c) => c !== undefined && c > cluster) as number[];
  return text.slice(cluster, Math.min(end, ...after));
}

function setLine(run: Run, f: LineFacts, at: Pick<Line, "baseline" | "top" | "height">): Line {
  const natural = widthOf(f.advances, run.from, run.to);
  const spaces = countSpaces(f.text, run);
  const stretch = f.style.align === "justified" && !f.last && spaces > 0 ? Math.max(0, f.width - natural) / spaces : 0;
  const width = natural + stretch * spaces;
  const spare = f.width - width;
  const x0 = f.inset + (f.style.align === "centre" ? spare / 2 : f.style.align === "right" ? spare : 0);
  // Where the letter at each offset begins, spaces stretched; those of a ligature share its width evenly.
  const begins = new Map<number, number>();
  let x = x0;
  for (let i = run.from; i < run.to; i += 1) {
    begins.set(i, x);
    x += f.advances[i + 1]! - f.advances[i]! + (f.text[i] === " " ? stretch : 0);
  }
  begins.set(run.to, x);
  const glyphs: SetGlyph[] = [];
  let pen: { readonly cluster: number; x: number } = { cluster: -1, x: x0 };
  for (const [i, g] of f.glyphs.entries()) {
    if (g.cluster < run.from || g.cluster >= run.to) continue;
    // Several glyphs of one letter follow each other; a new letter starts where it begins.
    if (g.cluster !== pen.cluster) pen = { cluster: g.cluster, x: begins.get(g.cluster)! };
    if (!/\s/u.test(f.text[g.cluster]!)) {
      const set = { file: g.file, id: g.id, x: pen.x + g.dx * f.sizeMm, y: at.baseline - g.dy * f.sizeMm };
      const letters = lettersOf(f, i, run.to);
      glyphs.push(letters.length > 1 ? { ...set, letters } : set);
    }
    pen.x += g.advance * f.sizeMm;
  }
  return { from: run.from, to: run.to, x: x0, width, ...at, glyphs, stops: stopsOf(run, f, begins) };
}

function countSpaces(text: string, run: Run): number {
  let n = 0;
  for (let i = run.from; i < run.to; i += 1) if (text[i] === " ") n += 1;
  return n;
}

/** A caret stands before each letter and after the last; inside a ligature at even parts of it. */
function stopsOf(run: Run, f: LineFacts, begins: ReadonlyMap<number, number>): Stop[] {
  const heads = f.glyphs.map((g) => g.cluster).filter((c) => c >= run.from && c < run.to);
  const clusters = [...new Set(heads)].sort((a, b) => a - b);
  const stops: Stop[] = [];
  for (const [i, start] of clusters.entries()) {
    const end = clusters[i + 1] ?? run.to;
    const [x0, x1] = [begins.get(start)!, begins.get(end)!];
    const letters = [...f.text.slice(start, end)];
    let at = start;
    for (const [k, letter] of letters.entries()) {
      if (!/\p{M}/u.test(letter)) stops.push({ at, x: x0 + ((x1 - x0) * k) / letters.length });
      at += letter.length;
    }
  }
  stops.push({ at: run.to, x: begins.get(run.to)! });
  return stops;
}

function missingIn(text: string, face: Face): string[] {
  const found = new Set<string>();
  for (const letter of text) if (!/\s/u.test(letter) && !face.covers(letter.codePointAt(0)!)) found.add(letter);
  return [...found];
}
