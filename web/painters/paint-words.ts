import { inverse, type Rect, replay } from "#core/geometry";
import type { DrawStep } from "#core/scene";
import type { Face, SetGlyph } from "#core/words";
import { type Canvas2d, pixelsAround } from "./canvas-2d.ts";
import { lineGlyphs, looksAs } from "./glyph-lines.ts";

type WordsStep = Extract<DrawStep, { draw: "words" }>;

/** Outlines, not a browser's text: no letter may stand elsewhere on screen than in print. */
export function paintWords(ctx: Canvas2d, step: WordsStep, face: Face, within: Rect | undefined): void {
  const glyphs = within ? glyphsWithin(step, within) : step.glyphs;
  const { a, b, c, d, e, f } = step.matrix;
  ctx.save();
  ctx.transform(a, b, c, d, e, f);
  ctx.fillStyle = step.colour;
  const each = (draw: (path: Path2D) => void) => {
    for (const g of glyphs) {
      const path = glyphPath(face, g);
      ctx.save();
      ctx.translate(g.x, g.y);
      if (g.turn) ctx.rotate(g.turn);
      ctx.scale(step.sizeMm, step.sizeMm);
      draw(path);
      ctx.restore();
    }
  };
  const { outline } = step;
  if (outline) {
    ctx.strokeStyle = outline.colour;
    ctx.lineWidth = outline.widthMm / step.sizeMm;
    ctx.lineJoin = "round";
    each((path) => ctx.stroke(path));
  }
  // Where letters touch, one path has another edge than two by a hair: short texts are drawn as they always were.
  if (step.glyphs.length > longText && !step.glyphs.some((g) => g.turn))
    for (const path of linePaths(glyphs, step.sizeMm, face)) ctx.fill(path);
  else each((path) => ctx.fill(path));
  ctx.restore();
}

const longText = 1500;
/** Letters reach beyond their place by no more than this, in their size. */
export const letterReach = 2;

/** The lines of it that come into a part of the page. */
function glyphsWithin({ glyphs, matrix, sizeMm }: WordsStep, within: Rect): readonly SetGlyph[] {
  const seen = pixelsAround(within, inverse(matrix));
  const reach = letterReach * sizeMm;
  return glyphs.filter((g) => g.y > seen.y - reach && g.y < seen.y + seen.h + reach);
}

interface LinePath {
  readonly glyphs: readonly SetGlyph[];
  readonly sizeMm: number;
  readonly path: Path2D;
}

const keptLines = 3000;
/** By where they stand and what they begin and end with. */
const lines = new WeakMap<Face, Map<string, LinePath>>();

/** The letters of each line as one path: a page of text would be thousands otherwise. Of a paragraph that was broken anew most lines look as they did. */
function linePaths(glyphs: readonly SetGlyph[], sizeMm: number, face: Face): readonly Path2D[] {
  const known = lines.get(face) ?? new Map<string, LinePath>();
  lines.set(face, known);
  return lineGlyphs(glyphs).map((line) => {
    const [first, last] = [line[0]!, line.at(-1)!];
    const key = [first.x, first.y, first.id, last.x, last.id, line.length].join(" ");
    const before = known.get(key);
    if (before?.sizeMm === sizeMm && before.glyphs.every((g, i) => looksAs(g, line[i]!))) return before.path;
    const path = new Path2D();
    for (const g of line) path.addPath(glyphPath(face, g), new DOMMatrix([sizeMm, 0, 0, sizeMm, g.x, g.y]));
    known.set(key, { glyphs: line, sizeMm, path });
    if (known.size > keptLines) known.delete(known.keys().next().value!);
    return path;
  });
}

function glyphPath(face: Face, { file, id }: SetGlyph): Path2D {
  const paths = pathsOf(face);
  const key = `${file}-${id}`;
  const known = paths.get(key);
  if (known) return known;
  const path = new Path2D();
  replay(face.outline(file, id), path);
  paths.set(key, path);
  return path;
}

const drawn = new WeakMap<Face, Map<string, Path2D>>();

function pathsOf(face: Face): Map<string, Path2D> {
  const known = drawn.get(face) ?? new Map<string, Path2D>();
  drawn.set(face, known);
  return known;
}
