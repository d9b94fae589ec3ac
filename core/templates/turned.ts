import { isLeaf, mirrored, type TreeNode } from "#core/arrange";
import { type Frame, type Group, isGroup, type Piece, type Room, treeIn } from "#core/document";
import type { Point, Rect } from "#core/geometry";
import type { Template } from "./schema/template.ts";

/** What is done to a template as a whole before it is used. */
export interface TemplateTurn {
  readonly mirrorSides: boolean;
  readonly mirrorUpside: boolean;
  /** Clockwise. */
  readonly quarters: 0 | 1 | 2 | 3;
}

export const unturned: TemplateTurn = { mirrorSides: false, mirrorUpside: false, quarters: 0 };

/** The template mirrored, then turned. Its places keep their numbers and what they wait for, and stay upright. */
export function turned(template: Template, turn: TemplateTurn): Template {
  let now = template;
  if (turn.mirrorSides) now = mirroredTemplate(now, "side");
  if (turn.mirrorUpside) now = mirroredTemplate(now, "stack");
  for (let i = 0; i < turn.quarters; i += 1) now = quarterTurned(now);
  return now;
}

function mirroredTemplate(t: Template, way: "side" | "stack"): Template {
  const { widthMm, heightMm } = t.page;
  const { top, right, bottom, left } = t.look.margin;
  const margin = way === "side" ? { top, right: left, bottom, left: right } : { top: bottom, right, bottom: top, left };
  return {
    ...t,
    look: { ...t.look, margin },
    pieces: moved(t.pieces, {
      tree: (tree) => mirrored(tree, way),
      share: ({ x, y }) => (way === "side" ? { x: 1 - x, y } : { x, y: 1 - y }),
      point: ({ x, y }) => (way === "side" ? { x: widthMm - x, y } : { x, y: heightMm - y }),
      frame: (f) => ({ ...f, turn: f.turn === 0 ? 0 : -f.turn }),
    }),
  };
}

function quarterTurned(t: Template): Template {
  const { widthMm, heightMm } = t.page;
  const { top, right, bottom, left } = t.look.margin;
  return {
    ...t,
    page: { widthMm: heightMm, heightMm: widthMm },
    look: { ...t.look, margin: { top: left, right: top, bottom: right, left: bottom } },
    pieces: moved(t.pieces, {
      tree: quarterTree,
      share: ({ x, y }) => ({ x: 1 - y, y: x }),
      point: ({ x, y }) => ({ x: heightMm - y, y: x }),
      frame: (f) => ({ ...f, width: f.height, height: f.width }),
    }),
  };
}

interface Move {
  readonly tree: (tree: TreeNode) => TreeNode;
  /** Of a point of the room, in shares of it. */
  readonly share: (p: Point) => Point;
  /** Of a point of the page, in mm. */
  readonly point: (p: Point) => Point;
  /** Size and turn of what lies freely. */
  readonly frame: (f: Frame) => Frame;
}

const moved = (pieces: readonly Piece[], move: Move): readonly Piece[] =>
  pieces.map((p): Piece => {
    if (!isGroup(p)) return { ...p, frame: { ...move.frame(p.frame), centre: move.point(p.frame.centre) } };
    return { ...withMovedTree(p, move.tree), room: movedRoom(p.room, move) };
  });

function withMovedTree(group: Group, move: Move["tree"]): Group {
  const tree = treeIn(group);
  return tree ? { ...group, arrangement: { ...tree, tree: move(tree.tree) } } : group;
}

function movedRoom(room: Room, { share, point }: Move): Room {
  if (room.kind === "rectangle") return { ...room, rect: movedRect(room.rect, point) };
  const { left, top, right, bottom } = room.share;
  const r = movedRect({ x: left, y: top, w: right - left, h: bottom - top }, share);
  const { margin: _, ...own } = room;
  return { ...own, share: { left: r.x, top: r.y, right: r.x + r.w, bottom: r.y + r.h } };
}

function movedRect({ x, y, w, h }: Rect, move: (p: Point) => Point): Rect {
  const [a, b] = [move({ x, y }), move({ x: x + w, y: y + h })];
  return { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) };
}

/** Clockwise: what stood side by side stands stacked in the same order, what was on top comes to the right. */
export function quarterTree(node: TreeNode): TreeNode {
  if (isLeaf(node)) return { ...node, aspect: 1 / node.aspect };
  const parts = node.parts.map(quarterTree);
  const set = node.set && { shares: node.set.shares, aspect: 1 / node.set.aspect };
  if (node.way === "side") return { way: "stack", parts, ...(set ? { set } : {}) };
  return {
    way: "side",
    parts: parts.toReversed(),
    ...(set ? { set: { ...set, shares: set.shares.toReversed() } } : {}),
  };
}
