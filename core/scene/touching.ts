import { frameRect, type PlacedTile } from "#core/document";
import { chain, type Matrix, type PathData, type Rect, record, scaling, traceRect, translation } from "#core/geometry";
import { outlineOf } from "#core/outlines";
import type { DrawStep } from "./steps.ts";

/**
 * Two edges that meet exactly let what lies behind them through wherever an edge is softened by a viewer or a printer's software. So of
 * tiles that touch, the lower one goes on for a little under the upper one.
 */
const reachMm = 0.1;
const touchMm = 0.01;

interface Plain {
  readonly tile: PlacedTile;
  readonly rect: Rect;
}

/** A tile that is no more than an upright rectangle, and lets nothing through. */
const isPlain = ({ outline, cornerMm, soft, frame, filling, tile }: PlacedTile): boolean =>
  outlineOf(outline).fillsFrame(cornerMm) &&
  frame.turn === 0 &&
  (tile.opacity ?? 1) === 1 &&
  Object.values(soft).every((mm) => mm === 0) &&
  (filling.kind === "colour" ||
    filling.kind === "paper" ||
    (filling.kind === "photo" && !filling.view.whole && !filling.view.fade && !filling.view.repeats));

/** By tile: stretches under the tiles that touch it and are drawn after it. */
export function stretchesUnder(tiles: readonly PlacedTile[]): ReadonlyMap<PlacedTile, readonly Rect[]> {
  const plain = tiles.filter(isPlain).map((tile): Plain => ({ tile, rect: frameRect(tile.frame) }));
  const found = new Map<PlacedTile, readonly Rect[]>();
  for (const [i, { tile, rect }] of plain.entries()) {
    const under = plain.slice(i + 1).flatMap((upper) => stretch(rect, upper.rect) ?? []);
    if (under.length > 0) found.set(tile, under);
  }
  return found;
}

function stretch(a: Rect, b: Rect): Rect | undefined {
  const [top, foot] = [Math.max(a.y, b.y), Math.min(a.y + a.h, b.y + b.h)];
  const [left, right] = [Math.max(a.x, b.x), Math.min(a.x + a.w, b.x + b.w)];
  const width = 2 * reachMm;
  if (foot - top > reachMm) {
    if (Math.abs(a.x + a.w - b.x) < touchMm) return { x: b.x - reachMm, y: top, w: width, h: foot - top };
    if (Math.abs(b.x + b.w - a.x) < touchMm) return { x: a.x - reachMm, y: top, w: width, h: foot - top };
  }
  if (right - left > reachMm) {
    if (Math.abs(a.y + a.h - b.y) < touchMm) return { x: left, y: b.y - reachMm, w: right - left, h: width };
    if (Math.abs(b.y + b.h - a.y) < touchMm) return { x: left, y: a.y - reachMm, w: right - left, h: width };
  }
  return undefined;
}

/** A tile's steps with stretches added to their outlines; a photo that ends at its tile's edge is stretched that far. */
export function reachingUnder(steps: readonly DrawStep[], under: readonly Rect[]): readonly DrawStep[] {
  const more = under.flatMap((r): PathData => record((to) => traceRect(r, to)));
  const ring = steps.find((s) => s.draw === "fill" && s.rule === "evenodd");
  // With a border it is the border that ends there.
  if (ring?.draw === "fill") return [...steps, { ...ring, path: more, rule: "nonzero" }];
  return steps.map((step) => {
    if (step.draw === "photo") return { ...step, clip: [...step.clip, ...more], matrix: reaching(step.matrix, under) };
    if (step.draw === "paper") return { ...step, clip: [...step.clip, ...more] };
    return step.draw === "fill" ? { ...step, path: [...step.path, ...more] } : step;
  });
}

/** An upright photo, wide and high enough to cover these. */
function reaching(m: Matrix, under: readonly Rect[]): Matrix {
  if (m.b !== 0 || m.c !== 0) return m;
  const [left, right] = [Math.min(m.e, m.e + m.a), Math.max(m.e, m.e + m.a)];
  const [top, foot] = [Math.min(m.f, m.f + m.d), Math.max(m.f, m.f + m.d)];
  const to = {
    left: Math.min(left, ...under.map((r) => r.x)),
    right: Math.max(right, ...under.map((r) => r.x + r.w)),
    top: Math.min(top, ...under.map((r) => r.y)),
    foot: Math.max(foot, ...under.map((r) => r.y + r.h)),
  };
  const [sx, sy] = [(to.right - to.left) / (right - left), (to.foot - to.top) / (foot - top)];
  return chain(translation(to.left - left * sx, to.top - top * sy), scaling(sx, sy), m);
}
