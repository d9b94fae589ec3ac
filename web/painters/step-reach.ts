import { aroundPoints, type PathData, type Rect } from "#core/geometry";
import { type DrawStep, maskMatrix } from "#core/scene";
import type { SetGlyph } from "#core/words";
import { pixelsAround, pointsOf } from "./canvas-2d.ts";
import { letterReach } from "./paint-words.ts";

const reaches = new WeakMap<DrawStep, Rect | null>();

/** All that a step can draw on, in mm; `null` for one that draws nothing itself. */
export function reachOf(step: DrawStep): Rect | null {
  const known = reaches.get(step);
  if (known !== undefined) return known;
  const reach = measured(step);
  reaches.set(step, reach);
  return reach;
}

function measured(step: DrawStep): Rect | null {
  switch (step.draw) {
    case "begin":
      return step.reach;
    case "end":
      return null;
    case "fill":
      return aroundPath(step.path);
    case "photo":
    case "paper":
      return aroundPath(step.clip);
    case "shade":
      return pixelsAround({ x: 0, y: 0, w: 1, h: 1 }, maskMatrix(step.soft));
    case "words":
      return step.glyphs.length === 0 ? null : aroundGlyphs(step, step.glyphs);
  }
}

const aroundPath = (path: PathData): Rect | null => (path.length === 0 ? null : aroundPoints(pointsOf(path)));

type WordsStep = Extract<DrawStep, { draw: "words" }>;

/** With room for the letters around where they are set. */
export function aroundGlyphs({ sizeMm, matrix }: WordsStep, glyphs: readonly SetGlyph[]): Rect {
  const { x, y, w, h } = aroundPoints(glyphs);
  const pad = letterReach * sizeMm;
  return pixelsAround({ x: x - pad, y: y - pad, w: w + 2 * pad, h: h + 2 * pad }, matrix);
}
