import { boxAround, type Frame, isArranged, type PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";

/** Where tiles that lie freely on a template come to lie on a page of another size. */

type Axis = "x" | "y";
const sideOf = { x: "w", y: "h" } as const;
/** In mm: what lies this near to a line was meant to lie on it. */
const near = 0.05;

interface Lying {
  readonly id: string;
  readonly frame: Frame;
  /** Around it as it is turned. */
  readonly box: Rect;
}

/**
 * Every tile is scaled alike, by as much as the page's narrower way allows, and its middle moves in proportion to the page: so nothing that lay
 * apart comes to overlap and nothing leaves the page. Tiles that share a left side, a middle or a right side go on sharing it, those at an edge stay
 * there, and those from edge to edge go on to reach both, as long as that makes nothing overlap.
 */
export function freeFrames(from: PlacedPage, format: PageFormat): ReadonlyMap<string, Frame> {
  const all = from.tiles
    .filter((t) => !isArranged(t))
    .map((t): Lying => ({ id: t.id, frame: t.frame, box: boxAround(t.frame) }));
  const drawn = { w: from.format.widthMm, h: from.format.heightMm };
  const page = { w: format.widthMm, h: format.heightMm };
  const aligned = placed(all, drawn, page, true);
  const sound = holds(all, aligned, drawn, page);
  return new Map((sound ? aligned : placed(all, drawn, page, false)).map((l) => [l.id, l.frame]));
}

interface Size {
  readonly w: number;
  readonly h: number;
}

function placed(all: readonly Lying[], drawn: Size, page: Size, aligned: boolean): readonly Lying[] {
  const scale = Math.min(page.w / drawn.w, page.h / drawn.h);
  const axes = { x: alongAxis("x"), y: alongAxis("y") };
  return all.map(({ id, frame }, i) => {
    const [x, y] = [axes.x[i]!, axes.y[i]!];
    const next = {
      ...frame,
      centre: { x: x.at, y: y.at },
      width: frame.width * x.scale,
      height: frame.height * y.scale,
    };
    return { id, frame: next, box: boxAround(next) };
  });

  function alongAxis(axis: Axis): readonly { readonly at: number; readonly scale: number }[] {
    const side = sideOf[axis];
    const k = page[side] / drawn[side];
    const spans = (l: Lying) =>
      aligned && l.frame.turn === 0 && l.box[axis] < near && l.box[axis] + l.box[side] > drawn[side] - near;
    const cluster = aligned ? clustersOf(all, axis, spans) : all.map((_, i) => i);
    const anchors = new Map<number, { readonly from: number; readonly to: number }>();
    for (const c of new Set(cluster))
      anchors.set(
        c,
        anchorOf(
          all.filter((_, i) => cluster[i] === c),
          axis,
          k,
        ),
      );
    return all.map((l, i) => {
      if (spans(l)) return { at: l.frame.centre[axis] * k, scale: k };
      const { from: was, to } = anchors.get(cluster[i]!)!;
      return { at: to + (l.frame.centre[axis] - was) * scale, scale };
    });
  }

  /** One point of tiles that move as one, and where it goes: an edge or the middle of the page if they lie there, else what is between their outer sides. */
  function anchorOf(tiles: readonly Lying[], axis: Axis, k: number): { readonly from: number; readonly to: number } {
    const side = sideOf[axis];
    const first = Math.min(...tiles.map((l) => l.box[axis]));
    const last = Math.max(...tiles.map((l) => l.box[axis] + l.box[side]));
    if (aligned && first < near) return { from: first, to: first * scale };
    if (aligned && last > drawn[side] - near) return { from: last, to: page[side] + (last - drawn[side]) * scale };
    const middle = tiles.find((l) => Math.abs(l.frame.centre[axis] - drawn[side] / 2) < near);
    const at = middle ? drawn[side] / 2 : (first + last) / 2;
    return { from: at, to: at * k };
  }
}

/** For each tile the number of the first that it is aligned with, by way of others too. */
function clustersOf(all: readonly Lying[], axis: Axis, spans: (l: Lying) => boolean): readonly number[] {
  const side = sideOf[axis];
  const lines = all.map(({ box }) => [box[axis], box[axis] + box[side] / 2, box[axis] + box[side]]);
  const first = all.map((_, i) => i);
  const rootOf = (i: number): number => (first[i] === i ? i : rootOf(first[i]!));
  for (const [i, l] of all.entries())
    for (let j = 0; j < i; j += 1) {
      if (spans(l) || spans(all[j]!)) continue;
      const shared = lines[i]!.some((v, n) => Math.abs(v - lines[j]![n]!) < near);
      if (shared) first[Math.max(rootOf(i), rootOf(j))] = Math.min(rootOf(i), rootOf(j));
    }
  return all.map((_, i) => rootOf(i));
}

/** Whether all that lay apart still does, and all that lay inside the page. */
function holds(before: readonly Lying[], after: readonly Lying[], drawn: Size, page: Size): boolean {
  const inside = ({ box }: Lying, { w, h }: Size) =>
    box.x > -near && box.y > -near && box.x + box.w < w + near && box.y + box.h < h + near;
  const apart = ({ box: a }: Lying, { box: b }: Lying) =>
    a.x + a.w < b.x + near || b.x + b.w < a.x + near || a.y + a.h < b.y + near || b.y + b.h < a.y + near;
  return after.every(
    (l, i) =>
      (inside(l, page) || !inside(before[i]!, drawn)) &&
      after.every((m, j) => j >= i || apart(l, m) || !apart(before[i]!, before[j]!)),
  );
}
