import type { Matrix, Rect } from "#core/geometry";
import type { DrawStep, Scene } from "#core/scene";
import type { Face, SetGlyph } from "#core/words";
import { type Canvas2d, type PictureOf, paintScene, pixelsAround } from "./canvas.ts";

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
  const { x, y, w, h } = pixelsOf(changed, toPixels);
  ctx.save();
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.beginPath();
  ctx.rect(x, y, w, h);
  ctx.clip();
  paintScene(ctx, scene, toPixels, from, before.quality);
  ctx.restore();
}

/** Letters reach beyond their place by no more than this, in their size. */
const reach = 2;

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
      const pad = reach * step.sizeMm;
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

/** The lines that only one of two texts has. A line that was set as it is now has the same glyphs. */
function linesApart(before: Glyphs, now: Glyphs): readonly Glyphs[] {
  const [a, b] = [linesOf(before), linesOf(now)];
  const same = (x: Glyphs | undefined, y: Glyphs) => x?.length === y.length && x.every((g, i) => g === y[i]);
  const apart = (of: ReadonlyMap<SetGlyph, Glyphs>, other: ReadonlyMap<SetGlyph, Glyphs>) =>
    [...of].flatMap(([first, line]) => (same(other.get(first), line) ? [] : [line]));
  return [...apart(a, b), ...apart(b, a)];
}

function linesOf(glyphs: Glyphs): ReadonlyMap<SetGlyph, Glyphs> {
  const lines = new Map<SetGlyph, Glyphs>();
  for (let from = 0; from < glyphs.length; ) {
    const first = glyphs[from]!;
    let to = from + 1;
    while (to < glyphs.length && glyphs[to]!.y === first.y) to += 1;
    lines.set(first, glyphs.slice(from, to));
    from = to;
  }
  return lines;
}

/** Whole pixels, so that nothing at the edge is painted by halves. */
function pixelsOf(rects: readonly Rect[], toPixels: Matrix): Rect {
  const all = rects.map((r) => pixelsAround(r, toPixels));
  const [left, top] = [Math.min(...all.map((r) => r.x)), Math.min(...all.map((r) => r.y))];
  const [right, foot] = [Math.max(...all.map((r) => r.x + r.w)), Math.max(...all.map((r) => r.y + r.h))];
  const [x, y] = [Math.floor(left) - 1, Math.floor(top) - 1];
  return { x, y, w: Math.ceil(right) + 1 - x, h: Math.ceil(foot) + 1 - y };
}
