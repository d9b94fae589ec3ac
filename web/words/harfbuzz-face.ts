import {
  Direction,
  Feature,
  Blob as HbBlob,
  Buffer as HbBuffer,
  Face as HbFace,
  Font as HbFont,
  shape,
} from "harfbuzzjs";
import { type PathData, record } from "#core/geometry";
import type { Face, Glyph, Shaping } from "#core/words";

interface FontFile {
  readonly font: HbFont;
  readonly covered: ReadonlySet<number>;
  readonly upem: number;
  /** The glyphs of letters that were asked for. */
  readonly plain: Map<number, number>;
}

/** A face over font files that share its letters out among them; each letter is shaped by the first that has it. */
export function harfbuzzFace(key: string, sfnts: readonly Uint8Array<ArrayBuffer>[]): Face {
  const files = sfnts.map(openFile);
  const first = files[0]!;
  // HarfBuzz makes a font of anything.
  if (files.every((f) => f.covered.size === 0)) throw new Error(`no letters in ${key}`);
  const { ascender, descender } = first.font.hExtents();
  const outlines = new Map<string, PathData>();
  const fileFor = (codePoint: number) => {
    const i = files.findIndex((f) => f.covered.has(codePoint));
    return Math.max(0, i);
  };
  return {
    key,
    ascent: ascender / first.upem,
    descent: -descender / first.upem,
    covers: (codePoint) => files.some((f) => f.covered.has(codePoint)),
    shape: (text, how = {}) => {
      const runs = runsOf(text, fileFor).map((run) => shapeRun(files[run.file]!, run, text, how));
      // From left to right also where the first letters stand on the right.
      return (how.rtl ? runs.reverse() : runs).flat();
    },
    plain(file, codePoint) {
      const of = files[file]!;
      const known = of.plain.get(codePoint) ?? of.font.nominalGlyph(codePoint);
      if (known !== undefined) of.plain.set(codePoint, known);
      return known;
    },
    outline(file, glyph) {
      const known = outlines.get(`${file}-${glyph}`);
      if (known) return known;
      const { font, upem } = files[file]!;
      const path = outlineOf(font, glyph, upem);
      outlines.set(`${file}-${glyph}`, path);
      return path;
    },
  };
}

const noLigatures = ["liga", "clig", "dlig"].map((tag) => new Feature(tag, 0));

const ligatures = ["ffi", "ffl", "ff", "fi", "fl", "fj", "Th", "tt", "ti", "st", "ct", "Qu"];

/** What each glyph of a font stands for: a letter, or several that it draws as one. */
export function glyphTexts(sfnt: Uint8Array<ArrayBuffer>): ReadonlyMap<number, string> {
  const { font, covered } = openFile(sfnt);
  const texts = new Map<number, string>();
  for (const code of [...covered].sort((a, b) => a - b)) {
    const glyph = font.nominalGlyph(code);
    if (glyph !== undefined && !texts.has(glyph)) texts.set(glyph, String.fromCodePoint(code));
  }
  for (const text of ligatures) {
    const buffer = new HbBuffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    shape(font, buffer);
    const [only, ...others] = buffer.getGlyphInfos();
    if (only && others.length === 0 && !texts.has(only.codepoint)) texts.set(only.codepoint, text);
  }
  return texts;
}

function openFile(sfnt: Uint8Array<ArrayBuffer>): FontFile {
  const face = new HbFace(new HbBlob(sfnt.buffer), 0);
  return { font: new HbFont(face), covered: new Set(face.collectUnicodes()), upem: face.upem, plain: new Map() };
}

interface Run {
  readonly file: number;
  readonly from: number;
  readonly to: number;
}

/** Spaces and marks go with the letters before them, so that a word is not torn apart. */
function runsOf(text: string, fileFor: (codePoint: number) => number): Run[] {
  const runs: { file: number; from: number; to: number }[] = [];
  let at = 0;
  for (const letter of text) {
    const last = runs.at(-1);
    const file = last && /[\s\p{M}]/u.test(letter) ? last.file : fileFor(letter.codePointAt(0)!);
    if (last?.file === file) last.to += letter.length;
    else runs.push({ file, from: at, to: at + letter.length });
    at += letter.length;
  }
  return runs;
}

function shapeRun({ font, upem }: FontFile, run: Run, text: string, { rtl, apart }: Shaping): Glyph[] {
  const buffer = new HbBuffer();
  buffer.addText(text.slice(run.from, run.to));
  buffer.guessSegmentProperties();
  if (rtl !== undefined) buffer.setDirection(rtl ? Direction.RTL : Direction.LTR);
  shape(font, buffer, apart ? noLigatures : undefined);
  const infos = buffer.getGlyphInfos();
  const places = buffer.getGlyphPositions();
  return infos.map((info, i) => {
    const p = places[i]!;
    return {
      file: run.file,
      id: info.codepoint,
      cluster: run.from + info.cluster,
      advance: p.xAdvance / upem,
      dx: p.xOffset / upem,
      dy: p.yOffset / upem,
    };
  });
}

/** The font draws upwards; here y points down. Quadratic curves become cubic ones, which they are exactly. */
function outlineOf(font: HbFont, glyph: number, upem: number): PathData {
  const commands = font.glyphToJson(glyph);
  return record((to) => {
    let [x, y] = [0, 0];
    for (const { type, values } of commands) {
      const v = values.map((value, i) => (i % 2 === 0 ? value : -value) / upem);
      if (type === "M") to.moveTo(v[0]!, v[1]!);
      else if (type === "L") to.lineTo(v[0]!, v[1]!);
      else if (type === "C") to.bezierCurveTo(v[0]!, v[1]!, v[2]!, v[3]!, v[4]!, v[5]!);
      else if (type === "Q") {
        const [cx, cy, ex, ey] = v as [number, number, number, number];
        const third = 2 / 3;
        to.bezierCurveTo(
          x + third * (cx - x),
          y + third * (cy - y),
          ex + third * (cx - ex),
          ey + third * (cy - ey),
          ex,
          ey,
        );
      } else to.closePath();
      if (v.length >= 2) [x, y] = [v.at(-2)!, v.at(-1)!];
    }
  });
}
