import { type Frame, insideRect, type PlacedPage, type PlacedTile, tileLine } from "#core/document";
import type { Point, Rect } from "#core/geometry";
import { bleedBox, safeBox, trimBox } from "#core/lab";
import { boundsOf, cornersOf } from "./frames.ts";

export const snapKinds = ["guide", "trim", "bleed", "safe", "margin", "centre", "fold", "tile"] as const;
export type SnapKind = (typeof snapKinds)[number];
export type SnapAxis = "x" | "y";

/** A line that what is moved can come to lie on, `at` mm from the page's left (`x`) or top (`y`), and how far it is drawn along. */
export interface SnapLine {
  readonly axis: SnapAxis;
  readonly at: number;
  readonly kind: SnapKind;
  readonly from: number;
  readonly to: number;
}

/** Two gaps, or more, that are the same now: each from one mm to another, at `across` mm on the other axis. */
export interface EqualGaps {
  readonly axis: SnapAxis;
  readonly gapMm: number;
  readonly gaps: readonly { readonly from: number; readonly to: number; readonly across: number }[];
}

export interface Snapped {
  readonly by: Point;
  readonly lines: readonly SnapLine[];
  readonly gaps: readonly EqualGaps[];
}

export interface SnapTargets {
  /** Each axis by itself, from the least mm on. */
  readonly x: readonly SnapLine[];
  readonly y: readonly SnapLine[];
  /** What lies there, as upright rectangles. */
  readonly others: readonly Rect[];
  /** How wide (`x`) and high (`y`) upright tiles are that lie there, and where. */
  readonly sizes: Readonly<Record<SnapAxis, readonly LikeSize[]>>;
}

export interface LikeSize {
  readonly mm: number;
  readonly at: EqualGaps["gaps"][number];
}

/** Which of two lines at the same place is spoken of: the page's own before those of what lies on it. */
const rank = new Map(snapKinds.map((k, i) => [k, i]));

/** What may be drawn over a page to compose it by; it is never printed. */
export const aids = ["none", "thirds", "circle"] as const;
export type Aid = (typeof aids)[number];

/** The straight lines of an aid. */
export const aidLines = (aid: Aid, { w, h }: { readonly w: number; readonly h: number }) =>
  aid === "thirds"
    ? ([
        { axis: "x", mm: w / 3 },
        { axis: "x", mm: (2 * w) / 3 },
        { axis: "y", mm: h / 3 },
        { axis: "y", mm: (2 * h) / 3 },
      ] as const)
    : [];

/** All lines of a page but those of what is moved itself: its edges, folds and margins, and what lies on it. */
export function snapTargets(on: PlacedPage, moved: ReadonlySet<string>, aid: Aid = "none"): SnapTargets {
  const { format, look } = on;
  const trim = trimBox(format);
  const lines: SnapLine[] = [];
  const sides = (r: Rect, kind: SnapKind, middle: boolean) => {
    const xs = [r.x, r.x + r.w, ...(middle ? [r.x + r.w / 2] : [])];
    const ys = [r.y, r.y + r.h, ...(middle ? [r.y + r.h / 2] : [])];
    for (const at of xs) lines.push({ axis: "x", at, kind, from: r.y, to: r.y + r.h });
    for (const at of ys) lines.push({ axis: "y", at, kind, from: r.x, to: r.x + r.w });
  };
  sides(trim, "trim", false);
  if (format.bleedMm > 0) sides(bleedBox(format), "bleed", false);
  sides(safeBox(format), "safe", false);
  sides(insideRect(look, format), "margin", false);
  lines.push({ axis: "x", at: trim.w / 2, kind: "centre", from: 0, to: trim.h });
  lines.push({ axis: "y", at: trim.h / 2, kind: "centre", from: 0, to: trim.w });
  for (const { axis, mm } of on.page.guides ?? [])
    lines.push({ axis, at: mm, kind: "guide", from: 0, to: axis === "x" ? trim.h : trim.w });
  for (const { axis, mm } of aidLines(aid, trim))
    lines.push({ axis, at: mm, kind: "guide", from: 0, to: axis === "x" ? trim.h : trim.w });
  for (const { atMm } of format.folds ?? []) lines.push({ axis: "x", at: atMm, kind: "fold", from: 0, to: trim.h });
  const others = on.tiles.filter((t) => !moved.has(t.id));
  for (const tile of others) {
    const { frame } = tile;
    sides(boundsOf([frame]), "tile", true);
    const drawn = outlineCorners(tile);
    if (frame.turn % 90 === 0 && drawn.length === 0) continue;
    // Of a turned one its corners count as well, and of a shape with straight sides those of the shape.
    for (const { x, y } of drawn.length > 0 ? drawn : cornersOf(frame)) {
      lines.push({ axis: "x", at: x, kind: "tile", from: y, to: y });
      lines.push({ axis: "y", at: y, kind: "tile", from: x, to: x });
    }
  }
  const along = (axis: SnapAxis) =>
    lines.filter((l) => l.axis === axis).sort((a, b) => a.at - b.at || rank.get(a.kind)! - rank.get(b.kind)!);
  const upright = others.filter((t) => t.frame.turn % 180 === 0).map((t) => boundsOf([t.frame]));
  return {
    x: along("x"),
    y: along("y"),
    others: others.map((t) => boundsOf([t.frame])),
    sizes: {
      x: upright.map((r) => ({ mm: r.w, at: { from: r.x, to: r.x + r.w, across: r.y + r.h / 2 } })),
      y: upright.map((r) => ({ mm: r.h, at: { from: r.y, to: r.y + r.h, across: r.x + r.w / 2 } })),
    },
  };
}

/** The size nearest to `mm` within reach that another has. */
export function snapSize(axis: SnapAxis, mm: number, { sizes }: SnapTargets, reachMm: number): LikeSize | undefined {
  let best: LikeSize | undefined;
  for (const size of sizes[axis]) {
    const off = Math.abs(size.mm - mm);
    if (off <= reachMm && (!best || off < Math.abs(best.mm - mm))) best = size;
  }
  return best;
}

/** So many corners a shape may have for each of them to be a place to lie by. */
const mostCorners = 40;

/** Where the sides of a shape meet, as it lies on the page; none of a rectangle, or of one with curves. */
function outlineCorners(tile: PlacedTile): readonly Point[] {
  const { kind } = tile.outline;
  if (kind === "rectangle" || kind === "ellipse" || kind === "torn") return [];
  const line = tileLine({ ...tile, cornerMm: 0 });
  if (line.length > mostCorners + 2 || line.some((s) => s[0] === "C")) return [];
  return line.flatMap((s) => (s[0] === "Z" || s[0] === "C" ? [] : [{ x: s[1], y: s[2] }]));
}

/** The line nearest to `at` within `reach`; of two as near the one that is spoken of first. */
function nearest(lines: readonly SnapLine[], at: number, reach: number): SnapLine | undefined {
  let [low, high] = [0, lines.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (lines[middle]!.at < at - reach) low = middle + 1;
    else high = middle;
  }
  let best: SnapLine | undefined;
  for (let i = low; i < lines.length && lines[i]!.at <= at + reach; i += 1) {
    const off = Math.abs(lines[i]!.at - at);
    if (!best || off < Math.abs(best.at - at) - 1e-9) best = lines[i];
  }
  return best;
}

const same = 1e-6;

/** Where what is moved comes to lie: sides and middle on the nearest lines, or with gaps like those that are there. */
export function snapMove(bounds: Rect, by: Point, targets: SnapTargets, reachMm: number): Snapped {
  const x = snapAxis("x", bounds.x + by.x, bounds.w, targets, reachMm, { ...bounds, y: bounds.y + by.y });
  const y = snapAxis("y", bounds.y + by.y, bounds.h, targets, reachMm, { ...bounds, x: bounds.x + by.x + x.off });
  return {
    by: { x: by.x + x.off, y: by.y + y.off },
    lines: [...x.lines, ...y.lines],
    gaps: [...x.gaps, ...y.gaps],
  };
}

interface Along {
  readonly off: number;
  readonly lines: readonly SnapLine[];
  readonly gaps: readonly EqualGaps[];
}

function snapAxis(axis: SnapAxis, start: number, length: number, to: SnapTargets, reach: number, r: Rect): Along {
  const lines = to[axis];
  const places = [start, start + length / 2, start + length];
  let off: number | undefined;
  for (const place of places) {
    const line = nearest(lines, place, reach);
    if (line && (off === undefined || Math.abs(line.at - place) < Math.abs(off))) off = line.at - place;
  }
  const gap = gapOff(axis, start, length, to.others, r, reach);
  if (gap && (off === undefined || Math.abs(gap.off) < Math.abs(off) - same))
    return { off: gap.off, lines: [], gaps: [gap.gaps] };
  if (off === undefined) return { off: 0, lines: [], gaps: [] };
  const hit = new Map<string, SnapLine>();
  for (const place of places) {
    const line = nearest(lines, place + off, same);
    if (line) hit.set(line.at.toFixed(4), stretched(line, axis === "x" ? r.y : r.x, axis === "x" ? r.h : r.w));
  }
  const kept = gap && Math.abs(gap.off - off) < same ? [gap.gaps] : [];
  return { off, lines: [...hit.values()], gaps: kept };
}

/** A line as it is drawn: as far as what it was taken from, and what came to lie on it. */
const stretched = (line: SnapLine, start: number, length: number): SnapLine => ({
  ...line,
  from: Math.min(line.from, start),
  to: Math.max(line.to, start + length),
});

/** The move after which the gaps on both sides, or to the next, are the same as another gap beside it. */
function gapOff(axis: SnapAxis, start: number, length: number, others: readonly Rect[], r: Rect, reach: number) {
  const span = (o: Rect) => (axis === "x" ? { from: o.x, to: o.x + o.w } : { from: o.y, to: o.y + o.h });
  const across = (o: Rect) => (axis === "x" ? { from: o.y, to: o.y + o.h } : { from: o.x, to: o.x + o.w });
  const own = across(r);
  const row = others
    .filter((o) => Math.min(across(o).to, own.to) - Math.max(across(o).from, own.from) > same)
    .map((o) => ({ ...span(o), across: across(o) }))
    .sort((a, b) => a.from - b.from);
  const before = row.filter((o) => o.to <= start + length / 2);
  const after = row.filter((o) => o.from >= start + length / 2);
  const [left, right] = [before.toSorted((a, b) => b.to - a.to)[0], after[0]];
  const level = (o: { readonly across: { readonly from: number; readonly to: number } }) =>
    (Math.max(o.across.from, own.from) + Math.min(o.across.to, own.to)) / 2;
  const found: { readonly off: number; readonly gaps: EqualGaps }[] = [];
  if (left && right) {
    const gapMm = (right.from - left.to - length) / 2;
    if (gapMm > 0)
      found.push({
        off: left.to + gapMm - start,
        gaps: {
          axis,
          gapMm,
          gaps: [
            { from: left.to, to: left.to + gapMm, across: level(left) },
            { from: right.from - gapMm, to: right.from, across: level(right) },
          ],
        },
      });
  }
  // A gap like that between the two before it, or the two behind it.
  const next = (list: readonly (typeof row)[number][], at: number, side: "left" | "right") => {
    const [near, far] = side === "left" ? list.toSorted((a, b) => b.to - a.to) : list;
    if (!near || !far) return;
    const gapMm = side === "left" ? near.from - far.to : far.from - near.to;
    if (gapMm <= same) return;
    const there = side === "left" ? { from: near.to, to: near.to + gapMm } : { from: near.from - gapMm, to: near.from };
    const known = side === "left" ? { from: far.to, to: near.from } : { from: near.to, to: far.from };
    found.push({
      off: (side === "left" ? there.to : there.from) - at,
      gaps: {
        axis,
        gapMm,
        gaps: [
          { ...known, across: level(near) },
          { ...there, across: level(near) },
        ],
      },
    });
  };
  next(before, start, "left");
  next(after, start + length, "right");
  return found.filter((f) => Math.abs(f.off) <= reach).sort((a, b) => Math.abs(a.off) - Math.abs(b.off))[0];
}

/** Where a side or corner that is pulled comes to lie, for a frame that is not turned. `at`: where it would be. */
export function snapPoint(
  at: Point,
  pulled: { readonly x: boolean; readonly y: boolean },
  targets: SnapTargets,
  reachMm: number,
): { readonly at: Point; readonly lines: readonly SnapLine[] } {
  const x = pulled.x ? nearest(targets.x, at.x, reachMm) : undefined;
  const y = pulled.y ? nearest(targets.y, at.y, reachMm) : undefined;
  return { at: { x: x?.at ?? at.x, y: y?.at ?? at.y }, lines: [x, y].filter((l) => l !== undefined) };
}

/** A tile that ends within so many mm of the trim looks like a mistake once it is cut. */
const nearTrimMm = 2;

/**
 * A frame that a hand left with a side close to the trim, moved out over it into the bleed or inside the safe line, whichever is nearer;
 * undefined where no side is. Only upright frames are looked at: a turned one meets the trim with its corners.
 */
export function clearOfTrim(
  frame: Frame,
  format: Parameters<typeof trimBox>[0],
): { readonly frame: Frame; readonly to: "bleed" | "safe" } | undefined {
  if (frame.turn % 180 !== 0) return undefined;
  const [trim, bleed, safe] = [trimBox(format), bleedBox(format), safeBox(format)];
  const r = boundsOf([frame]);
  const along = (start: number, end: number, lines: Record<"trim" | "bleed" | "safe", readonly [number, number]>) => {
    const near = (side: number, at: 0 | 1) =>
      Math.abs(side - lines.trim[at]) <= nearTrimMm && Math.abs(side - lines.bleed[at]) > 1e-6;
    const [low, high] = [near(start, 0), near(end, 1)];
    if (low && high) return { start: lines.bleed[0], end: lines.bleed[1], to: "bleed" as const };
    if (!low && !high) return undefined;
    const [side, at] = low ? ([start, 0] as const) : ([end, 1] as const);
    const to =
      Math.abs(lines.bleed[at] - side) <= Math.abs(lines.safe[at] - side) ? ("bleed" as const) : ("safe" as const);
    const by = lines[to][at] - side;
    return { start: start + by, end: end + by, to };
  };
  const ends = (box: Rect, axis: SnapAxis): readonly [number, number] =>
    axis === "x" ? [box.x, box.x + box.w] : [box.y, box.y + box.h];
  const of = (axis: SnapAxis) => ({ trim: ends(trim, axis), bleed: ends(bleed, axis), safe: ends(safe, axis) });
  const x = along(r.x, r.x + r.w, of("x"));
  const y = along(r.y, r.y + r.h, of("y"));
  if (!x && !y) return undefined;
  const [left, right] = x ? [x.start, x.end] : [r.x, r.x + r.w];
  const [top, foot] = y ? [y.start, y.end] : [r.y, r.y + r.h];
  return {
    frame: {
      ...frame,
      centre: { x: (left + right) / 2, y: (top + foot) / 2 },
      width: right - left,
      height: foot - top,
    },
    to: (x ?? y)!.to,
  };
}
