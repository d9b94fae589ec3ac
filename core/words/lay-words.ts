import type { Size } from "#core/geometry";
import { arcIn, type Bend, bendOf, bentGlyph } from "./bend.ts";
import { type LineRun, slack } from "./break-lines.ts";
import type { Face, Typesetter } from "./face.ts";
import { fitting, inkOf, levelRoom } from "./fill-columns.ts";
import { faceKey } from "./fonts.ts";
import { capHeight, inkBox } from "./letters.ts";
import { type LetterLook, lookOf } from "./paragraph.ts";
import type { WordStyle } from "./schema/fonts.ts";
import { type Line, type LinePlace, type SetGlyph, type Stop, setLine } from "./set-line.ts";
import type { InkCentring } from "./settings.ts";
import { mmOfPt } from "./units.ts";
import { lettersOf, type Waiting, type WordsToLay, waitingLines } from "./waiting-lines.ts";

/** Words set in a box of `size`, which is as the words are read: before they are turned. Mm throughout. */
export interface LaidWords {
  readonly size: Size;
  readonly sizeMm: number;
  readonly lines: readonly Line[];
  /** Words on lines that found no room. */
  readonly hidden: number;
  /** Where in the text that begins which found no room. */
  readonly shownTo: number;
  /** Letters that no font has. */
  readonly missing: readonly string[];
  /** Letters that another font lends. */
  readonly borrowed: readonly string[];
  /** How its letters look; the first is that of the words, others are those of stretches and of fonts that lend. */
  readonly looks: readonly LetterLook[];
  /** Read from right to left, by its first letters. */
  readonly rtl: boolean;
  /** A font that it needs is still being fetched; until then another stands in. */
  readonly waiting: boolean;
  /** Lines are those before they were bent; their glyphs stand on the arc. */
  readonly bend?: Bend;
}

/**
 * Shapes words and breaks them into lines, once for all painters. A word longer than a line is broken where it must be;
 * spaces at a line's end hang over. Lines that do not fit below the last are left out and counted. Undefined while the words' font is not there.
 */
export function layWords(words: WordsToLay, box: Size, setter: Typesetter): LaidWords | undefined {
  const { text, style, from = 0 } = words;
  const face = setter.face(faceKey(style));
  if (!face) return undefined;
  if (style.ink && text.trim() !== "") return laidByInk(text, style, box, face, style.ink);
  const upright = style.turn === 0 || style.turn === 180;
  const size = upright ? box : { w: box.h, h: box.w };
  const sizeMm = mmOfPt(style.sizePt);
  const inset = Math.min(style.insetMm, size.w / 2, size.h / 2);
  const letters = { above: face.ascent * sizeMm, below: face.descent * sizeMm };
  const arc = style.bend ? arcIn(style.bend, { w: size.w - 2 * inset, h: size.h - 2 * inset }, letters) : undefined;
  const columns = arc ? 1 : (style.columns ?? 1);
  const inner = arc ? arc.length : size.w - 2 * inset;
  const gap = columns === 1 ? 0 : Math.min(style.columnGapMm ?? 5, inner / columns);
  const width = (inner - (columns - 1) * gap) / columns;
  const room = size.h - 2 * inset;
  const left = arc ? size.w / 2 - arc.length / 2 : inset;
  const lines = waitingLines(words, width, face, setter, arc ? Infinity : columns * room);
  const looks = [lookOf(style, {}, faceKey(style))];
  const shown: Line[] = [];
  let next = 0;
  const whole = style.whole === true;
  const level = columns > 1 ? levelRoom(lines, columns, room, whole) : room;
  for (let column = 0; column < columns && next < lines.length; column += 1) {
    const more = column < columns - 1 || words.goesOn === true;
    // An arc holds one line after the other, whatever its box.
    const count = arc ? lines.length : fitting(lines, next, level, more && whole);
    const set = stacked(lines.slice(next, next + count), words, looks, {
      x: left + column * (width + gap),
      width,
      top: inset,
      room,
      lean: style.vertical === "top" ? 0 : style.vertical === "middle" ? 0.5 : 1,
    });
    shown.push(...set);
    next += count;
  }
  const rest = lines[next];
  const paragraphs = [...new Set(lines.map((l) => l.paragraph))];
  const laid: LaidWords = {
    size,
    sizeMm,
    lines: shown,
    hidden: rest ? countWords(text.slice(rest.offset + rest.run.from)) : 0,
    shownTo: rest ? rest.offset + rest.run.from : text.length,
    missing: [...new Set(paragraphs.flatMap((p) => p.missing))],
    borrowed: [...new Set(paragraphs.flatMap((p) => p.borrowed))],
    looks,
    rtl: paragraphs.find((p) => p.text.length > 0)?.rtl ?? false,
    waiting: paragraphs.some((p) => p.waiting),
  };
  const first = shown[0];
  if (!arc || !first || !style.bend || from > 0) return laid;
  const bend = bendOf(style.bend, size, arc.radius, first, letters);
  return { ...laid, lines: shown.map((l) => ({ ...l, glyphs: bentGlyphs(l, bend) })), bend };
}

/** Glyphs of a letter stand together: each is turned by the letter's own middle. */
function bentGlyphs(line: Line, bend: Bend): readonly SetGlyph[] {
  const edges = line.stops.map((s) => s.x).sort((a, b) => a - b);
  return line.glyphs.map((g) => {
    const after = edges.find((x) => x > g.x + slack);
    return bentGlyph(bend, g, after === undefined ? 0 : after - g.x);
  });
}

interface Column {
  readonly x: number;
  readonly width: number;
  readonly top: number;
  readonly room: number;
  /** 0 at the top, 1 at the foot. */
  readonly lean: number;
}

function stacked(lines: readonly Waiting[], words: WordsToLay, looks: LetterLook[], column: Column): Line[] {
  const first = lines[0];
  if (!first) return [];
  const letters = lettersOf(first);
  const lead = Math.max(first.pitch, letters);
  const tall = lines.slice(1).reduce((sum, l) => sum + l.before + l.pitch, lead);
  const spare = Math.max(0, column.room - tall);
  const byInk = lines.length === 1 && letters > column.room + slack;
  const ink = byInk ? inkOf(first) : undefined;
  let baseline = ink
    ? column.top + ink.above + column.lean * (column.room - ink.above - ink.below)
    : column.top + column.lean * spare + (lead - letters) / 2 + first.ascent;
  const lookAt = (look: LetterLook) => numberOf(looks, look);
  return lines.map((line, i) => {
    if (i > 0) baseline += line.before + line.pitch;
    const inset = line.paragraph.rtl ? 0 : line.indent;
    const set = lineSet(line, words.style, lookAt, {
      x: column.x + inset,
      width: column.width - line.indent,
      baseline,
      top: baseline - line.ascent - (line.pitch - lettersOf(line)) / 2,
      height: line.pitch,
    });
    return line.first && line.paragraph.list ? withMarker(set, line, words.style, lookAt) : set;
  });
}

const setBefore = new WeakMap<LineRun, { readonly place: LinePlace; readonly line: Line }>();

/** A line that stands where it stood has the same glyphs, and painters know them again. */
function lineSet(
  { paragraph, offset, run, last }: Waiting,
  style: WordStyle,
  lookAt: (look: LetterLook) => number,
  place: LinePlace,
): Line {
  const before = setBefore.get(run);
  if (before && samePlace(before.place, place))
    return before.line.from === run.from + offset
      ? before.line
      : { ...before.line, from: run.from + offset, to: run.to + offset };
  const line = setLine({ paragraph, offset, run, last, style, lookAt }, place);
  // Numbers of looks are those of one text.
  if (line.glyphs.every((g) => g.look === undefined)) setBefore.set(run, { place, line });
  return line;
}

const samePlace = (a: LinePlace, b: LinePlace): boolean =>
  a.x === b.x && a.width === b.width && a.baseline === b.baseline && a.top === b.top && a.height === b.height;

function numberOf(looks: LetterLook[], look: LetterLook): number {
  const known = looks.findIndex(
    (l) => l.face === look.face && l.sizeMm === look.sizeMm && l.colour === look.colour && l.riseMm === look.riseMm,
  );
  if (known >= 0) return known;
  looks.push(look);
  return looks.length - 1;
}

/** The dot or the number before an item of a list. */
function withMarker(
  line: Line,
  { paragraph, item }: Waiting,
  style: WordStyle,
  lookAt: (look: LetterLook) => number,
): Line {
  const run = paragraph.runs[0];
  if (!run) return line;
  const { sizeMm } = run.look;
  const shaped = run.face.shape(paragraph.list === "numbers" ? `${item}.` : run.face.covers(0x2022) ? "\u2022" : "-");
  const wide = shaped.reduce((sum, g) => sum + g.advance, 0) * sizeMm;
  const gap = mmOfPt(style.sizePt) * 0.4;
  const n = lookAt(run.look);
  let x = paragraph.rtl ? line.x + line.width + gap : line.x - gap - wide;
  const marker = shaped.map((g): SetGlyph => {
    const set = { file: g.file, id: g.id, x: x + g.dx * sizeMm, y: line.baseline, ...(n > 0 ? { look: n } : {}) };
    x += g.advance * sizeMm;
    return set;
  });
  return { ...line, glyphs: [...marker, ...line.glyphs] };
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
  return {
    size,
    sizeMm,
    lines: [line],
    hidden: 0,
    shownTo: text.length,
    missing: [...new Set(text)].filter((c) => !/\s/u.test(c) && !face.covers(c.codePointAt(0)!)),
    borrowed: [],
    looks: [lookOf(style, {}, faceKey(style))],
    rtl: false,
    waiting: false,
  };
}

export const countWords = (text: string): number => text.split(/\s+/u).filter(Boolean).length;
