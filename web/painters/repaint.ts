import { enclosing, inverse, type Matrix, type Rect } from "#core/geometry";
import type { DrawStep, Scene } from "#core/scene";
import type { Face } from "#core/words";
import { type PictureOf, paintScene } from "./canvas.ts";
import { type Canvas2d, pixelsAround } from "./canvas-2d.ts";
import { linesApart } from "./glyph-lines.ts";
import { aroundGlyphs, reachOf } from "./step-reach.ts";

/** What stands on a canvas: where little of it is another than before, as under a hand or while somebody writes, only that is painted again. */

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
  const within = changed && changed.length > 0 ? changed.reduce(enclosing) : undefined;
  const pixels = within && wholePixels(pixelsAround(within, toPixels));
  if (!before || !pixels || pixels.w * pixels.h > mostInPart * canvas.width * canvas.height) {
    paintScene(ctx, scene, toPixels, from, quality);
    painted.set(canvas, { on, steps, sources, quality, inParts: false });
    return;
  }
  painted.set(canvas, { on, steps, sources, quality: before.quality, inParts: true });
  ctx.save();
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.beginPath();
  ctx.rect(pixels.x, pixels.y, pixels.w, pixels.h);
  ctx.clip();
  paintScene(ctx, scene, toPixels, from, before.quality, pixelsAround(pixels, inverse(toPixels)));
  ctx.restore();
}

/** Of the canvas: where more is another, all of it is painted, quickly if there is haste. */
const mostInPart = 0.4;

/** Where two scenes differ, in mm; nothing where one is not drawn in as many steps of the same kinds as the other. */
function changedIn(before: readonly DrawStep[], now: readonly DrawStep[]): readonly Rect[] | undefined {
  if (before.length !== now.length) return undefined;
  const changed: Rect[] = [];
  for (const [i, step] of now.entries()) {
    const was = before[i]!;
    if (step === was) continue;
    if (step.draw !== was.draw) return undefined;
    if (step.draw === "words" && was.draw === "words" && areSetAlike(was, step)) {
      for (const line of linesApart(was.glyphs, step.glyphs)) changed.push(aroundGlyphs(step, line));
      continue;
    }
    // Masks and papers are large, and new ones are others as a rule.
    const isSmall = step.draw === "fill" || step.draw === "photo" || step.draw === "words";
    if (isSmall && said(step) === said(was)) continue;
    for (const one of [was, step]) {
      const reach = reachOf(one);
      if (reach) changed.push(reach);
    }
  }
  return changed;
}

type WordsStep = Extract<DrawStep, { draw: "words" }>;

/** Words that differ in nothing but what they say. */
const areSetAlike = (a: WordsStep, b: WordsStep): boolean =>
  said({ ...a, glyphs: [], text: "" }) === said({ ...b, glyphs: [], text: "" }) &&
  ![a, b].some(({ glyphs }) => glyphs.some((g) => g.turn));

const texts = new WeakMap<DrawStep, string>();

function said(step: DrawStep): string {
  const known = texts.get(step) ?? JSON.stringify(step);
  texts.set(step, known);
  return known;
}

/** Whole pixels, so that nothing at the edge is painted by halves. */
function wholePixels({ x, y, w, h }: Rect): Rect {
  const [left, top] = [Math.floor(x) - 1, Math.floor(y) - 1];
  return { x: left, y: top, w: Math.ceil(x + w) + 1 - left, h: Math.ceil(y + h) + 1 - top };
}
