import type { Matrix, Rect } from "#core/geometry";
import type { DrawStep, Scene } from "#core/scene";
import type { Face, SetGlyph } from "#core/words";
import { type PictureOf, paintScene } from "./canvas.ts";
import { type Canvas2d, pixelsAround } from "./canvas-2d.ts";
import { letterReach, lineGlyphs, looksAs } from "./paint-words.ts";

/** What stands on a canvas: while somebody writes, only the lines that changed are painted again. */

interface Painted {
  readonly on: string;
  readonly steps: readonly DrawStep[];
  readonly sources: readonly unknown[];
  readonly quality: ImageSmoothingQuality;
  /** Some of it was painted by itself, where the edges of letters are not quite what they are otherwise. */
  readonly inParts: boolean;
}

const painted = new WeakMap<object, Painted>();

interface Sources {
  readonly picture: PictureOf;
  readonly face: (key: string) => Face | undefined;
}

/** As `paintScene` on a canvas that nobody else paints on, but only where something else is to be seen than before. */
export function repaintScene(
  ctx: Canvas2d,
  scene: Scene,
  toPixels: Matrix,
  from: Sources,
  quality: ImageSmoothingQuality,
): void {
  const { canvas } = ctx;
  const { steps } = scene;
  const sources = steps.map((s) =>
    s.draw === "photo" ? from.picture(s) : s.draw === "words" ? from.face(s.face) : undefined,
  );
  const on = JSON.stringify([toPixels, canvas.width, canvas.height]);
  const before = painted.get(canvas);
  const alike = before?.on === on && before.sources.length === sources.length;
  const changed =
    alike && before.sources.every((s, i) => s === sources[i]) ? changedIn(before.steps, steps) : undefined;
  const good = before && !before.inParts && (before.quality === quality || before.quality === "high");
  if (good && changed?.length === 0) return;
  if (!before || !changed || changed.length === 0) {
    paintScene(ctx, scene, toPixels, from, quality);
    painted.set(canvas, { on, steps, sources, quality, inParts: false });
    return;
  }
  painted.set(canvas, { on, steps, sources, quality: before.quality, inParts: true });
  const within = aroundAll(changed);
  const { x, y, w, h } = wholePixels(pixelsAround(within, toPixels));
  ctx.save();
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.beginPath();
  ctx.rect(x, y, w, h);
  ctx.clip();
  paintScene(ctx, scene, toPixels, from, before.quality, within);
  ctx.restore();
}

/** Where two scenes differ, in mm; nothing where that is not in their words alone. */
function changedIn(before: readonly DrawStep[], now: readonly DrawStep[]): readonly Rect[] | undefined {
  if (before.length !== now.length) return undefined;
  const changed: Rect[] = [];
  for (const [i, step] of now.entries()) {
    const was = before[i]!;
    if (step === was) continue;
    // What is drawn as one thing is kept as a picture, and not painted in part.
    if (step.draw === "begin" || step.draw === "end" || step.draw === "shade") return undefined;
    if (step.draw !== "words" || was.draw !== "words") {
      if (said(step) !== said(was)) return undefined;
      continue;
    }
    if (said({ ...step, glyphs: [], text: "" }) !== said({ ...was, glyphs: [], text: "" })) return undefined;
    if ([...step.glyphs, ...was.glyphs].some((g) => g.turn)) return undefined;
    for (const line of linesApart(was.glyphs, step.glyphs)) {
      const xs = line.map((g) => g.x);
      const y = line[0]!.y;
      const pad = letterReach * step.sizeMm;
      const [left, right] = [Math.min(...xs) - pad, Math.max(...xs) + pad];
      changed.push(pixelsAround({ x: left, y: y - pad, w: right - left, h: 2 * pad }, step.matrix));
    }
  }
  return changed;
}

const texts = new WeakMap<DrawStep, string>();

function said(step: DrawStep): string {
  const known = texts.get(step) ?? JSON.stringify(step);
  texts.set(step, known);
  return known;
}

type Glyphs = readonly SetGlyph[];

/** The lines that only one of two texts has. */
function linesApart(before: Glyphs, now: Glyphs): readonly Glyphs[] {
  const [a, b] = [linesOf(before), linesOf(now)];
  const same = (x: Glyphs | undefined, y: Glyphs) => x?.length === y.length && x.every((g, i) => looksAs(g, y[i]!));
  const apart = (of: ReadonlyMap<string, Glyphs>, other: ReadonlyMap<string, Glyphs>) =>
    [...of].flatMap(([place, line]) => (same(other.get(place), line) ? [] : [line]));
  return [...apart(a, b), ...apart(b, a)];
}

/** By where they begin. */
const linesOf = (glyphs: Glyphs): ReadonlyMap<string, Glyphs> =>
  new Map(lineGlyphs(glyphs).map((line) => [`${line[0]!.x} ${line[0]!.y}`, line]));

function aroundAll(rects: readonly Rect[]): Rect {
  const [x, y] = [Math.min(...rects.map((r) => r.x)), Math.min(...rects.map((r) => r.y))];
  const [right, foot] = [Math.max(...rects.map((r) => r.x + r.w)), Math.max(...rects.map((r) => r.y + r.h))];
  return { x, y, w: right - x, h: foot - y };
}

/** Whole pixels, so that nothing at the edge is painted by halves. */
function wholePixels({ x, y, w, h }: Rect): Rect {
  const [left, top] = [Math.floor(x) - 1, Math.floor(y) - 1];
  return { x: left, y: top, w: Math.ceil(x + w) + 1 - left, h: Math.ceil(y + h) + 1 - top };
}
