import type { Colour } from "#core/colour";
import type { Breakable, Chance } from "./break-lines.ts";
import type { Face, Glyph, Typesetter } from "./face.ts";
import { faceKey, fallbackKeys } from "./fonts.ts";
import type { WordStyle } from "./schema/fonts.ts";
import { type Span, spanAt } from "./spans.ts";
import { mmOfPt } from "./units.ts";

/** How letters look that are drawn alike. */
export interface LetterLook {
  readonly face: string;
  readonly sizeMm: number;
  readonly colour: Colour;
  /** How far over the line they stand; below it where it is negative. */
  readonly riseMm: number;
  readonly underline: boolean;
  readonly highlight?: Colour | undefined;
}

/** Letters of one face, look and direction. */
export interface Run {
  readonly from: number;
  readonly to: number;
  readonly face: Face;
  readonly look: LetterLook;
  /** Odd where it is read from right to left. */
  readonly level: number;
}

export interface RunGlyph extends Glyph {
  readonly run: number;
}

/** A paragraph's letters, shaped. Offsets are those within it; lengths in mm. */
export interface Paragraph extends Breakable {
  readonly runs: readonly Run[];
  readonly glyphs: readonly RunGlyph[];
  /** What each letter takes, by where it begins. */
  readonly own: Float64Array;
  /** 1 where the letters of a glyph begin. */
  readonly heads: Uint8Array;
  /** All of it is read from left to right, so that glyphs stand in the order of their letters. */
  readonly ordered: boolean;
  readonly rtl: boolean;
  readonly list: Span["list"];
  readonly missing: readonly string[];
  /** Letters that another font lends. */
  readonly borrowed: readonly string[];
  /** A face is still being fetched; this is how it looks until then. */
  readonly waiting: boolean;
}

export interface ParagraphText {
  readonly text: string;
  readonly spans: readonly Span[] | undefined;
}

/** Raised letters, as shares of the size: how large they are, and how far from the line. */
const raisedSize = 0.6;
const raisedBy = { up: 0.36, down: -0.14 } as const;
const leastDivided = 5;
const rtlLetters =
  /[\u0590-\u08ff\u200f\u202b\u202e\u2067\ufb1d-\ufdff\ufe70-\ufefc\u{10800}-\u{10fff}\u{1e800}-\u{1efff}]/u;
const ignorable = /\p{Default_Ignorable_Code_Point}/u;
const staysWith = /[\s\p{M}\p{Default_Ignorable_Code_Point}]/u;
export const softHyphen = "\u00ad";

export function shapedParagraph(
  { text, spans }: ParagraphText,
  style: WordStyle,
  setter: Typesetter,
  language: string | undefined,
): Paragraph | undefined {
  const levels = rtlLetters.test(text) ? setter.levels?.(text) : undefined;
  const found = runsOf(text, spans, style, setter, levels?.levels);
  if (!found) return undefined;
  const { runs } = found;
  const apart = style.trackingEm !== undefined && style.trackingEm !== 0;
  const own = new Float64Array(text.length + 1);
  const heads = new Uint8Array(text.length + 1);
  const glyphs: RunGlyph[] = [];
  for (const [i, run] of runs.entries()) {
    const letters = text.slice(run.from, run.to).replace(/\t/g, " ");
    const how = { ...(levels ? { rtl: run.level % 2 === 1 } : {}), ...(apart ? { apart } : {}) };
    for (const g of run.face.shape(letters, how)) {
      const cluster = run.from + g.cluster;
      if (text[cluster] === softHyphen) continue;
      if (!heads[cluster] && apart) own[cluster]! += style.trackingEm! * run.look.sizeMm;
      heads[cluster] = 1;
      own[cluster]! += g.advance * run.look.sizeMm;
      const { file, id, advance, dx, dy } = g;
      glyphs.push({ file, id, cluster, advance, dx, dy, run: i });
    }
  }
  const sums = new Float64Array(text.length + 1);
  const spaces = new Uint32Array(text.length + 1);
  for (let i = 0; i < text.length; i += 1) {
    sums[i + 1] = sums[i]! + own[i]!;
    spaces[i + 1] = spaces[i]! + (text[i] === " " ? 1 : 0);
  }
  const begins = (at: number) => heads[at] === 1 || text[at] === softHyphen || /\s/u.test(text[at] ?? " ");
  const { chances, fetching } = chancesOf(text, style, setter, begins, levels ? undefined : language);
  return {
    text,
    sums,
    spaces,
    own,
    begins,
    chances,
    hyphenMm: runs[0] ? hyphenOf(runs[0]).reduce((sum, g) => sum + g.advance * runs[0]!.look.sizeMm, 0) : 0,
    runs,
    glyphs,
    heads,
    ordered: levels === undefined,
    rtl: levels !== undefined && levels.base % 2 === 1,
    list: spanAt(spans, 0).list,
    missing: found.missing,
    borrowed: found.borrowed,
    waiting: found.waiting || fetching,
  };
}

export const hyphenOf = ({ face }: Pick<Run, "face">): readonly Glyph[] =>
  face.shape(face.covers(0x2010) ? "\u2010" : "-");

/** How letters look that words of this style say nothing else of. */
export function lookOf(style: WordStyle, span: Omit<Span, "from" | "to">, face: string): LetterLook {
  const sizeMm = mmOfPt(span.sizePt ?? style.sizePt);
  const { raised } = span;
  return {
    face,
    sizeMm: raised ? sizeMm * raisedSize : sizeMm,
    colour: span.colour ?? style.colour,
    riseMm: raised ? sizeMm * raisedBy[raised] : 0,
    underline: span.underline ?? style.underline ?? false,
    highlight: span.highlight ?? style.highlight,
  };
}

export const spanFaceKey = (style: WordStyle, { font, bold, italic }: Omit<Span, "from" | "to">): string =>
  faceKey({ font: font ?? style.font, bold: bold ?? style.bold, italic: italic ?? style.italic });

/** A face by the key under which it is asked for. */
interface Named {
  readonly key: string;
  readonly face: Face;
}

/** Stretches of one look, face and direction; undefined while the words' own font is not there. */
function runsOf(
  text: string,
  spans: readonly Span[] | undefined,
  style: WordStyle,
  setter: Typesetter,
  levels: Uint8Array | undefined,
):
  | {
      readonly runs: readonly Run[];
      readonly missing: readonly string[];
      readonly borrowed: readonly string[];
      readonly waiting: boolean;
    }
  | undefined {
  const own = setter.face(faceKey(style));
  if (!own) return undefined;
  const base: Named = { key: faceKey(style), face: own };
  let waiting = false;
  const [missing, borrowed] = [new Set<string>(), new Set<string>()];
  const faceAt = (code: number, letter: string, wanted: Named): Named => {
    if (wanted.face.covers(code) || ignorable.test(letter)) return wanted;
    for (const key of fallbackKeys(letter, wanted.key)) {
      const face = setter.face(key);
      if (!face) waiting = true;
      else if (face.covers(code)) {
        borrowed.add(letter);
        return { key, face };
      }
    }
    missing.add(letter);
    return wanted;
  };
  const runs: Run[] = [];
  let at = 0;
  // Spans are few beside letters: each is asked for once.
  let stretch: { readonly to: number; readonly wanted: Named; readonly look: Omit<Span, "from" | "to"> } | undefined;
  let last: { from: number; to: number; face: Face; look: LetterLook; level: number } | undefined;
  let lastNamed: Named | undefined;
  let lastSpan: object | undefined;
  for (const letter of text) {
    if (!stretch || at >= stretch.to) {
      const look = spanAt(spans, at);
      const key = spanFaceKey(style, look);
      const face = setter.face(key);
      if (!face) waiting = true;
      const to = Math.min(
        ...(spans ?? []).flatMap((s) => (s.from > at ? [s.from] : s.to > at ? [s.to] : [])),
        text.length,
      );
      stretch = { to, wanted: face ? { key, face } : base, look };
    }
    const level = levels?.[at] ?? 0;
    const goesOn = last && lastSpan === stretch && staysWith.test(letter);
    const named: Named = goesOn ? lastNamed! : faceAt(letter.codePointAt(0)!, letter, stretch.wanted);
    const { face } = named;
    lastNamed = named;
    if (last && last.face === face && last.level === level && lastSpan === stretch) last.to += letter.length;
    else {
      last = { from: at, to: at + letter.length, face, look: lookOf(style, stretch.look, named.key), level };
      runs.push(last);
      lastSpan = stretch;
    }
    at += letter.length;
  }
  return { runs, missing: [...missing], borrowed: [...borrowed], waiting };
}

/** Where lines may end: where Unicode lets them, and inside of words where they may be divided. */
function chancesOf(
  text: string,
  style: WordStyle,
  setter: Typesetter,
  begins: (at: number) => boolean,
  language: string | undefined,
): { readonly chances: readonly Chance[]; readonly fetching: boolean } {
  const plain: Chance[] = setter.breaks(text).map((b) => (text[b.at - 1] === softHyphen ? { ...b, hyphen: true } : b));
  if (!style.hyphens || !setter.hyphens || language === undefined) return { chances: plain, fetching: false };
  const divided: Chance[] = [];
  for (const { 0: word, index } of text.matchAll(/\p{L}[\p{L}\p{M}’']*/gu)) {
    if (word.length < leastDivided || word.includes(softHyphen)) continue;
    const inside = setter.hyphens(word, language);
    if (!inside) return { chances: plain, fetching: true };
    for (const at of inside)
      if (at >= 2 && at <= word.length - 3 && begins(index + at))
        divided.push({ at: index + at, must: false, hyphen: true });
  }
  const taken = new Set(plain.map((c) => c.at));
  const chances = [...plain, ...divided.filter((c) => !taken.has(c.at))].sort((a, b) => a.at - b.at);
  return { chances, fetching: false };
}
