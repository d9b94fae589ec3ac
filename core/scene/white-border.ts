import type { Look, PlacedPage } from "#core/document";
import {
  chain,
  inset,
  type Matrix,
  type Rect,
  record,
  scaling,
  traceRect,
  transformed,
  translation,
} from "#core/geometry";
import { bleedBox, type PageFormat, trimBox } from "#core/lab";
import type { DrawStep, PlacedMask } from "./steps.ts";

export type WhiteBorder = NonNullable<Look["whiteBorder"]>;

/** How wide a border is, in mm: never so wide that less than a third of the page is left. */
export function whiteBorderMm({ by }: WhiteBorder, { widthMm, heightMm }: PageFormat): number {
  const short = Math.min(widthMm, heightMm);
  return Math.min(by.unit === "mm" ? by.mm : by.share * short, short / 3);
}

/** A finished page set inside a border: how it gets there, what is seen of the sheet, and what of the page is. */
export interface Bordered {
  readonly place: Matrix;
  readonly opening: Rect;
  /** In the page's own mm: less than its trim where an even border takes something off two sides. */
  readonly seen: Rect;
}

/** Undefined for a page without a border, and for covers, which go round an edge. */
export function borderedOf({ look, format }: Pick<PlacedPage, "look" | "format">): Bordered | undefined {
  const { whiteBorder } = look;
  if (!whiteBorder || format.spine) return undefined;
  const trim = trimBox(format);
  const opening = inset(trim, whiteBorderMm(whiteBorder, format));
  const [across, down] = [opening.w / trim.w, opening.h / trim.h];
  const k = whiteBorder.whole ? Math.min(across, down) : Math.max(across, down);
  const [w, h] = [trim.w * k, trim.h * k];
  const [x, y] = [(trim.w - w) / 2, (trim.h - h) / 2];
  // All of the page is smaller in one direction than what an even border would leave.
  const left = { x: Math.max(opening.x, x), y: Math.max(opening.y, y) };
  const within = { ...left, w: Math.min(opening.w, w), h: Math.min(opening.h, h) };
  return {
    place: chain(translation(x, y), scaling(k, k)),
    opening: within,
    seen: { x: (within.x - x) / k, y: (within.y - y) / k, w: within.w / k, h: within.h / k },
  };
}

/** The page as it is without its border: what is edited, measured and checked. */
export const withoutBorder = (page: PlacedPage): PlacedPage =>
  page.look.whiteBorder ? { ...page, look: { ...page.look, whiteBorder: null } } : page;

/** The border itself, over all that goes on under it. */
export function borderStep({ look, format }: PlacedPage, { opening }: Bordered): DrawStep {
  const path = [bleedBox(format), opening].flatMap((r) => record((to) => traceRect(r, to)));
  return { draw: "fill", path, rule: "evenodd", colour: look.whiteBorder!.colour };
}

/** A step as it is drawn smaller and elsewhere. `m` neither turns nor distorts. */
export function stepPlaced(step: DrawStep, m: Matrix): DrawStep {
  const soft = ({ mask, place }: PlacedMask): PlacedMask => ({ mask, place: chain(m, place) });
  switch (step.draw) {
    case "fill":
      return { ...step, path: transformed(step.path, m) };
    case "photo": {
      const plain = step.plain && rectPlaced(step.plain, m);
      return { ...step, matrix: chain(m, step.matrix), clip: transformed(step.clip, m), plain };
    }
    case "begin":
      return { ...step, reach: rectPlaced(step.reach, m), ...(step.soft ? { soft: soft(step.soft) } : {}) };
    case "end":
      return step;
    case "shade":
      return { ...step, soft: soft(step.soft), ...(step.clip ? { clip: transformed(step.clip, m) } : {}) };
    case "paper":
      return { ...step, clip: transformed(step.clip, m), place: chain(m, step.place) };
    case "words":
      return { ...step, matrix: chain(m, step.matrix) };
  }
}

const rectPlaced = ({ x, y, w, h }: Rect, m: Matrix): Rect => ({
  x: m.a * x + m.e,
  y: m.d * y + m.f,
  w: m.a * w,
  h: m.d * h,
});
