import { cropOf, exactFit, leavesOf, readBefore, type TreeNode, treeRects } from "#core/arrange";
import {
  type DrawnLook,
  type Filling,
  type Group,
  isGroup,
  type Page,
  type Piece,
  type PlacedGroup,
  type PlacedTile,
  placePage,
  type Room,
  type Tile,
  treeIn,
} from "#core/document";
import { type Rect, type Sides, scaledSides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { smallestPt } from "#core/words";
import { freeFrames } from "./adapt-free.ts";
import { drawnPage, type Template } from "./template.ts";
import { quarterTree } from "./turned.ts";

export interface Adapted {
  readonly look: DrawnLook;
  readonly pieces: readonly Piece[];
  /** How much of their shape the places lose, on average: 0 where all have the one they were drawn with. */
  readonly bent: number;
}

/** A page this many times as long or short takes gaps and margins in proportion; between, they stay as they are. */
const farSize = 1.6;
/** What it costs that the cuts run another way than they were drawn, as a share of the places' shapes. */
const otherTreePrice = { same: 0, quarter: 0.05, solved: 0.09 };
/** What it costs that places are larger or smaller beside each other than they were drawn. */
const sizePrice = 0.35;
/** A place with a shorter side is no use for a photo, and worse than any bent one. */
const leastSideMm = 8;
const narrowPrice = 10;

/**
 * A template for a page of another size: solved again, not stretched. The places of a tree keep their shapes as nearly as the page
 * allows, by the cuts as they were drawn, by the same cuts turned a quarter, or by others that suit the page better. What lies freely
 * keeps its shape and what it is aligned with.
 */
export function adapted(template: Template, format: PageFormat): Adapted {
  const look = adaptedLook(template, format);
  const from = drawnPage(template);
  const along = { x: format.widthMm / template.page.widthMm, y: format.heightMm / template.page.heightMm };
  const scale = Math.min(along.x, along.y);
  const frames = freeFrames(from, format);
  // Without bleed, as the template was drawn: what reaches on over the trim is no other shape.
  const trimmed = { ...format, bleedMm: 0 };
  const on = (pieces: readonly Piece[]) =>
    placePage({ ...from.page, pieces } satisfies Page, trimmed, { ...look, backdrop: null });
  const roomed = template.pieces.map((p): Piece => {
    if (!isGroup(p)) return { ...scaledTile(p, scale), frame: frames.get(p.id) ?? p.frame };
    const gap = p.gapMm === undefined ? {} : { gapMm: inProportion(p.gapMm, farRatio(template, format)) };
    return { ...p, ...gap, room: stretched(p.room, along), tiles: p.tiles.map((t) => scaledTile(t, scale)) };
  });
  const now = on(roomed);
  const pieces = roomed.map((p): Piece => {
    const drawn = from.groups.find((g) => g.group.id === p.id);
    const here = now.groups.find((g) => g.group.id === p.id);
    return isGroup(p) && drawn && here ? solved(p, drawn, here) : p;
  });
  const shapes = new Map(from.tiles.map((t) => [t.id, aspectOf(t)]));
  const bent = mean(on(pieces).tiles.map((t) => cropOf(shapes.get(t.id) ?? aspectOf(t), aspectOf(t))));
  return { look, pieces, bent };
}

const aspectOf = ({ frame }: PlacedTile): number => frame.width / frame.height;
const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / Math.max(1, all.length);

/** A group's tree as it suits another room. Other arrangements follow their room by themselves. */
function solved(group: Group, from: PlacedGroup, to: PlacedGroup): Group {
  const tree = treeIn(group);
  return tree ? { ...group, arrangement: { ...tree, tree: suitedTree(tree.tree, from, to) } } : group;
}

type Roomed = Pick<PlacedGroup, "room" | "gapMm">;

function suitedTree(drawnTree: TreeNode, from: Roomed, { room, gapMm }: Roomed): TreeNode {
  const drawn = treeRects(drawnTree, from.room, from.gapMm);
  const leaves = leavesOf(drawnTree);
  const shapes = new Map(leaves.map((l) => [l.tileId, shapeOf(drawn.get(l.tileId)!)]));
  const areas = sharesOf(leaves.map((l) => drawn.get(l.tileId)!));
  const tries: { readonly tree: TreeNode; readonly bent: number; readonly price: number }[] = [];
  const attempt = (tree: TreeNode, price: number) => {
    const rects = treeRects(tree, room, gapMm);
    const boxes = leaves.map((l) => rects.get(l.tileId)!);
    const bent = mean(leaves.map((l, i) => cropOf(shapes.get(l.tileId)!, shapeOf(boxes[i]!))));
    const unlike = mean(sharesOf(boxes).map((share, i) => Math.abs(Math.log(share / areas[i]!))));
    const narrow = boxes.some((b) => Math.min(b.w, b.h) < leastSideMm) ? narrowPrice : 0;
    tries.push({ tree, bent, price: price + sizePrice * unlike + narrow });
  };
  attempt(drawnTree, otherTreePrice.same);
  if (tries[0]!.bent > 0.06 || tries[0]!.price > narrowPrice) {
    attempt(reshaped(quarterTree(drawnTree), shapes), otherTreePrice.quarter);
    const photos = leaves
      .toSorted((a, b) => readBefore(drawn.get(a.tileId)!, drawn.get(b.tileId)!))
      .map((l) => {
        const r = drawn.get(l.tileId)!;
        return { tileId: l.tileId, aspect: shapeOf(r), weight: r.w * r.h, equal: l.equal };
      });
    attempt(exactFit({ photos, room, gap: gapMm, seed: 0, order: "kept" }), otherTreePrice.solved);
  }
  return tries.reduce((best, t) => (t.bent + t.price < best.bent + best.price ? t : best)).tree;
}

function sharesOf(rects: readonly Rect[]): number[] {
  const sum = rects.reduce((total, r) => total + r.w * r.h, 0);
  return rects.map((r) => (r.w * r.h) / sum);
}

const shapeOf = (r: Rect): number => r.w / r.h;

/** The same cuts with the leaves in the shapes that they were drawn with. */
function reshaped(node: TreeNode, shapes: ReadonlyMap<string, number>): TreeNode {
  if ("parts" in node) return { way: node.way, parts: node.parts.map((p) => reshaped(p, shapes)) };
  return { ...node, aspect: shapes.get(node.tileId)! };
}

function stretched(room: Room, along: { readonly x: number; readonly y: number }): Room {
  if (room.kind === "share") return room;
  const { x, y, w, h } = room.rect;
  return { ...room, rect: { x: x * along.x, y: y * along.y, w: w * along.x, h: h * along.y } };
}

/** Words, borders and corners that a tile says itself, in proportion to the page. */
function scaledTile<T extends Tile>(tile: T, k: number): T {
  if (Math.abs(k - 1) < 0.02) return tile;
  const { border, cornerMm, soft } = tile;
  const foot = border?.footMm === undefined ? {} : { footMm: border.footMm * k };
  return {
    ...tile,
    filling: scaledWords(tile.filling, k),
    ...(border ? { border: { ...border, widthMm: border.widthMm * k, ...foot } } : {}),
    ...(cornerMm === undefined ? {} : { cornerMm: cornerMm * k }),
    ...(soft ? { soft: scaledSides(soft, k) } : {}),
  };
}

function scaledWords(filling: Filling, k: number): Filling {
  if (filling.kind !== "empty" || filling.waits?.for !== "words") return filling;
  const { style } = filling.waits;
  const sizePt = Math.max(smallestPt, Math.round(style.sizePt * k * 10) / 10);
  return { ...filling, waits: { ...filling.waits, style: { ...style, sizePt, insetMm: style.insetMm * k } } };
}

/** How many times as large the page is, where that is far; else 1. */
function farRatio({ page }: Template, format: PageFormat): number {
  const ratio = Math.sqrt((format.widthMm * format.heightMm) / (page.widthMm * page.heightMm));
  return ratio > farSize || ratio < 1 / farSize ? ratio : 1;
}
const inProportion = (mm: number, k: number) => Math.round(mm * k * 10) / 10;

function adaptedLook(template: Template, format: PageFormat): DrawnLook {
  const { look } = template;
  const k = farRatio(template, format);
  const nice = (mm: number) => inProportion(mm, k);
  // What was drawn inside stays out of the strip where a cut may come; what was drawn to the edge stays there.
  const margin = (mm: number) => (mm === 0 ? 0 : Math.max(nice(mm), format.safeMm));
  const sides: Sides = {
    top: margin(look.margin.top),
    right: margin(look.margin.right),
    bottom: margin(look.margin.bottom),
    left: margin(look.margin.left),
  };
  return {
    ...look,
    gapMm: nice(look.gapMm),
    margin: sides,
    cornerMm: nice(look.cornerMm),
    border: { ...look.border, widthMm: nice(look.border.widthMm) },
    soft: scaledSides(look.soft, k),
  };
}
