import type { Colour } from "#core/colour";
import { chain, type Matrix, type Rect, rotation, scaling, translation } from "#core/geometry";
import type { LineRun } from "./break-lines.ts";
import { hyphenOf, type LetterLook, type Paragraph, type Run } from "./paragraph.ts";
import type { WordStyle } from "./schema/fonts.ts";

/** A glyph where it is set, in mm from the words' top left, on its baseline. */
export interface SetGlyph {
  readonly file: number;
  readonly id: number;
  readonly x: number;
  readonly y: number;
  /** The letters that it stands for, where it stands for several, or is not the usual form of its letter. */
  readonly letters?: string;
  /** Which of the words' looks it has, where that is not the first. */
  readonly look?: number;
  /** Turned on its place, in radians, clockwise. */
  readonly turn?: number;
}

/** From a glyph's own em to the words that it stands in. */
export const glyphMatrix = (g: SetGlyph, sizeMm: number): Matrix =>
  g.turn
    ? chain(translation(g.x, g.y), rotation(g.turn), scaling(sizeMm, sizeMm))
    : chain(translation(g.x, g.y), scaling(sizeMm, sizeMm));

/** A place between two letters: `at` from the beginning of its line in the text, `x` in mm. The letter after it reaches to `end`, which lies to the left where it is read that way. */
export interface Stop {
  readonly at: number;
  readonly x: number;
  readonly end?: number;
}

/** A field of colour behind letters, or a line under them. */
export interface Bar extends Rect {
  readonly colour: Colour;
  readonly behind: boolean;
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
  readonly bars?: readonly Bar[];
}

export interface LinePlace {
  /** Where the line begins and how long it may be. */
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  readonly top: number;
  readonly height: number;
}

export interface LineText {
  readonly paragraph: Paragraph;
  /** Where the paragraph begins in the text. */
  readonly offset: number;
  readonly run: LineRun;
  /** It ends its paragraph, so that it is not stretched. */
  readonly last: boolean;
  readonly style: WordStyle;
  /** The number of a look among those of the words. */
  readonly lookAt: (look: LetterLook) => number;
}

/** Which share of itself a letter reaches beyond the end of a line, and before its beginning. */
const hangsRight: ReadonlyMap<string, number> = new Map([
  ...[...`.,-‐'’"”»`].map((c) => [c, 0.7] as const),
  ...[..."–—;:!?"].map((c) => [c, 0.4] as const),
]);
const hangsLeft: ReadonlyMap<string, number> = new Map([...`'‘"“„«‚`].map((c) => [c, 0.7] as const));

/** How far the first and the last letter of a line reach beyond its ends, mm. */
export function hangOf(
  p: Paragraph,
  run: LineRun,
  style: WordStyle,
): { readonly left: number; readonly right: number } {
  if (!style.hanging || p.rtl || run.to <= run.from || style.align === "centre") return { left: 0, right: 0 };
  const [first, last] = [run.from, run.to - 1];
  return {
    left: p.own[first]! * (hangsLeft.get(p.text[first]!) ?? 0),
    right: run.hyphen ? p.hyphenMm * 0.7 : p.own[last]! * (hangsRight.get(p.text[last]!) ?? 0),
  };
}

interface Piece {
  readonly run: Run;
  readonly index: number;
  readonly from: number;
  readonly to: number;
}

/** The runs of a line from left to right (UAX #9, rule L2). */
function seenPieces(p: Paragraph, { from, to }: LineRun): readonly Piece[] {
  const pieces = p.runs.flatMap((run, index): Piece[] =>
    run.to > from && run.from < to ? [{ run, index, from: Math.max(run.from, from), to: Math.min(run.to, to) }] : [],
  );
  const most = Math.max(0, ...pieces.map((s) => s.run.level));
  for (let level = most; level >= 1; level -= 1)
    for (let i = 0; i < pieces.length; i += 1) {
      let j = i;
      while (j < pieces.length && pieces[j]!.run.level >= level) j += 1;
      if (j > i + 1) pieces.splice(i, j - i, ...pieces.slice(i, j).reverse());
      i = Math.max(i, j - 1);
    }
  return pieces;
}

const unseen = /[\s\u2060]/u;

export function setLine(f: LineText, at: LinePlace): Line {
  const { paragraph: p, run, style, offset } = f;
  const hyphen = run.hyphen ? hyphenGlyphs(f) : undefined;
  const hang = hangOf(p, run, style);
  const tracked = trackedAfter(f);
  const natural = p.sums[run.to]! - p.sums[run.from]! + (hyphen?.width ?? 0) - tracked;
  const tab = style.leaders ? p.text.lastIndexOf("\t", run.to - 1) : -1;
  const leads = tab >= run.from;
  const fills = style.align === "justified" && !f.last && !leads;
  const spaces = p.spaces[run.to]! - p.spaces[run.from]!;
  const lacking = at.width - natural + hang.left + hang.right;
  const stretch = fills && spaces > 0 ? (style.whole ? lacking : Math.max(0, lacking)) / spaces : 0;
  const led = leads ? Math.max(0, lacking) : 0;
  const width = natural + stretch * spaces + led;
  const spare = at.width - width;
  // "Left" is where reading begins.
  const [start, end] = [-hang.left, spare + hang.right];
  const [atStart, atEnd] = p.rtl ? [end, start] : [start, end];
  const x0 = at.x + (style.align === "centre" ? spare / 2 : style.align === "right" ? atEnd : atStart);
  const letter = (i: number) =>
    p.sums[i + 1]! - p.sums[i]! + (p.text[i] === " " ? stretch : 0) + (leads && i === tab ? led : 0);
  // Of each letter of the line, by its place in it.
  const count = run.to - run.from;
  const [begins, ends, lefts] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const bars: Bar[] = [];
  let x = x0;
  const pieces = seenPieces(p, run);
  for (const piece of pieces) {
    const left = x;
    const rtl = piece.run.level % 2 === 1;
    let right = left;
    for (let i = piece.from; i < piece.to; i += 1) right += letter(i);
    let pen = rtl ? right : left;
    for (let i = piece.from; i < piece.to; i += 1) {
      const k = i - run.from;
      begins[k] = pen;
      pen += rtl ? -letter(i) : letter(i);
      ends[k] = pen;
      lefts[k] = rtl ? pen : begins[k]!;
    }
    x = right;
    bars.push(...barsOf(piece.run, at, left, right - left));
  }
  const glyphs: SetGlyph[] = [];
  let pen: { readonly cluster: number; x: number } = { cluster: -1, x: x0 };
  // From left to right, as whoever reads a file takes letters to stand.
  const places = new Map(pieces.map((piece, i) => [piece.index, i]));
  const seen = glyphsOn(p, run);
  let [lastLook, lookNumber]: [LetterLook | undefined, number] = [undefined, 0];
  if (pieces.length > 1) seen.sort((i, j) => places.get(p.glyphs[i]!.run)! - places.get(p.glyphs[j]!.run)! || i - j);
  for (const i of seen) {
    const g = p.glyphs[i]!;
    const { look } = p.runs[g.run]!;
    // Several glyphs of one letter follow each other; a new letter starts where it begins.
    if (g.cluster !== pen.cluster) pen = { cluster: g.cluster, x: lefts[g.cluster - run.from]! };
    if (!unseen.test(p.text[g.cluster]!)) {
      const baseline = look.riseMm === 0 ? at.baseline : at.baseline - look.riseMm;
      const set: { -readonly [K in keyof SetGlyph]: SetGlyph[K] } = {
        file: g.file,
        id: g.id,
        x: pen.x + g.dx * look.sizeMm,
        y: baseline - g.dy * look.sizeMm,
      };
      const { face, level, to } = p.runs[g.run]!;
      const letters = lettersOf(p, i, Math.min(run.to, to));
      // Another form of a letter is one by which nobody could tell what it stands for.
      const other = face.plain?.(g.file, letters.codePointAt(0) ?? 0) !== g.id && face.plain !== undefined;
      const told = letters.length > 1 || (letters !== "" && (level % 2 === 1 || other));
      if (told) set.letters = letters;
      if (look !== lastLook) [lastLook, lookNumber] = [look, f.lookAt(look)];
      if (lookNumber > 0) set.look = lookNumber;
      glyphs.push(set);
    }
    pen.x += g.advance * look.sizeMm;
  }
  if (leads) {
    const [from, to] = [begins[tab - run.from]!, ends[tab - run.from]!].sort((a, b) => a - b) as [number, number];
    const after = glyphs.findIndex((g) => g.x >= to);
    glyphs.splice(after < 0 ? glyphs.length : after, 0, ...leaderDots(f, from, to, at));
  }
  // What is divided is read from left to right; its hyphen stands where the line ends.
  for (const g of hyphen?.glyphs ?? []) glyphs.push({ ...g, x: x + g.x, y: at.baseline });
  const stops = stopsOf(run, p, begins, ends, p.rtl ? x0 : x);
  return {
    from: run.from + offset,
    to: run.to + offset,
    x: x0,
    width,
    baseline: at.baseline,
    top: at.top,
    height: at.height,
    glyphs,
    stops,
    ...(bars.length > 0 ? { bars } : {}),
  };
}

/** Which glyphs of a paragraph stand on a line. */
function glyphsOn({ glyphs, ordered }: Paragraph, { from, to }: LineRun): number[] {
  const on: number[] = [];
  let i = ordered ? firstFrom(glyphs, from) : 0;
  for (; i < glyphs.length; i += 1) {
    const { cluster } = glyphs[i]!;
    if (cluster >= from && cluster < to) on.push(i);
    else if (ordered && cluster >= to) break;
  }
  return on;
}

function firstFrom(glyphs: Paragraph["glyphs"], from: number): number {
  let [low, high] = [0, glyphs.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (glyphs[middle]!.cluster < from) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** From dot to dot, and from the words to the first and the last, as shares of the size. */
const dotPitch = 0.5;
const dotGap = 0.35;

/** A row of dots from one place of a line to another. On every line they stand under each other. */
function leaderDots({ paragraph: p, run, lookAt }: LineText, from: number, to: number, at: LinePlace): SetGlyph[] {
  const own = p.runs.find((r) => r.from < run.to && run.to <= r.to) ?? p.runs[0]!;
  const [dot] = own.face.shape(".");
  if (!dot) return [];
  const { sizeMm } = own.look;
  const pitch = dotPitch * sizeMm;
  const n = lookAt(own.look);
  const dots: SetGlyph[] = [];
  const end = at.x + at.width;
  for (let k = Math.ceil((end - to) / pitch + dotGap / dotPitch); end - k * pitch >= from + dotGap * sizeMm; k += 1)
    dots.unshift({
      file: dot.file,
      id: dot.id,
      x: end - k * pitch - (dot.advance * sizeMm) / 2,
      y: at.baseline,
      ...(n > 0 ? { look: n } : {}),
    });
  return dots;
}

/** Room that was added after the last letter, where it separates nothing. */
function trackedAfter({ paragraph: p, run, style }: LineText): number {
  const last = p.runs.find((r) => r.from < run.to && run.to <= r.to);
  return style.trackingEm && last && run.to > run.from ? style.trackingEm * last.look.sizeMm : 0;
}

function hyphenGlyphs({ paragraph: p, run, lookAt }: LineText): {
  readonly glyphs: readonly SetGlyph[];
  readonly width: number;
} {
  const last = p.runs.find((r) => r.from < run.to && run.to <= r.to) ?? p.runs[0]!;
  const n = lookAt(last.look);
  let x = 0;
  const glyphs = hyphenOf(last).map((g): SetGlyph => {
    const set = { file: g.file, id: g.id, x: x + g.dx * last.look.sizeMm, y: 0, ...(n > 0 ? { look: n } : {}) };
    x += g.advance * last.look.sizeMm;
    return set;
  });
  return { glyphs, width: x };
}

/** As shares of the size. */
const underlineAt = 0.11;
const underlineWide = 0.055;

function barsOf({ look, face }: Run, at: LinePlace, x: number, w: number): Bar[] {
  const bars: Bar[] = [];
  if (w <= 0) return bars;
  if (look.highlight) {
    const y = at.baseline - face.ascent * look.sizeMm;
    bars.push({ x, y, w, h: (face.ascent + face.descent) * look.sizeMm, colour: look.highlight, behind: true });
  }
  if (look.underline) {
    const y = at.baseline - look.riseMm + underlineAt * look.sizeMm;
    bars.push({ x, y, w, h: underlineWide * look.sizeMm, colour: look.colour, behind: false });
  }
  return bars;
}

/** What a glyph stands for; nothing where several stand for the same letters. They are in the order of the text or against it. */
function lettersOf({ glyphs, text }: Paragraph, i: number, end: number): string {
  const { cluster, run } = glyphs[i]!;
  const [before, after] = [glyphs[i - 1], glyphs[i + 1]];
  const a = before?.run === run ? before.cluster : -1;
  const b = after?.run === run ? after.cluster : -1;
  if (a === cluster || b === cluster) return "";
  return text.slice(cluster, Math.min(end, a > cluster ? a : end, b > cluster ? b : end));
}

/** A caret stands before each letter and after the last; inside a ligature at even parts of it. */
function stopsOf(run: LineRun, p: Paragraph, begins: Float64Array, ends: Float64Array, end: number): Stop[] {
  const stops: Stop[] = [];
  let any = false;
  for (let start = run.from; start < run.to; ) {
    let next = start + 1;
    while (next < run.to && !p.heads[next]) next += 1;
    if (!p.heads[start]) {
      start = next;
      continue;
    }
    any = true;
    const [x0, x1] = [begins[start - run.from]!, ends[next - 1 - run.from]!];
    const letters = next - start === 1 ? [p.text[start]!] : [...p.text.slice(start, next)];
    let at = start;
    for (const [k, letter] of letters.entries()) {
      const [x, to] = [x0 + ((x1 - x0) * k) / letters.length, x0 + ((x1 - x0) * (k + 1)) / letters.length];
      if (!/\p{M}/u.test(letter)) stops.push({ at: at - run.from, x, ...(to < x ? { end: to } : {}) });
      at += letter.length;
    }
    start = next;
  }
  // Past the last letter that is read: at the end of the line, or to the left of it.
  stops.push({ at: run.to - run.from, x: any ? ends[run.to - 1 - run.from]! : end });
  return stops;
}
