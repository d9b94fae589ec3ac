import { isLeaf, mirrored, type TreeNode } from "#core/arrange";
import type { Template } from "./template.ts";

/** What is done to a template as a whole before it is used. */
export interface TemplateTurn {
  readonly mirrorSides: boolean;
  readonly mirrorUpside: boolean;
  /** Clockwise. */
  readonly quarters: 0 | 1 | 2 | 3;
}

export const unturned: TemplateTurn = { mirrorSides: false, mirrorUpside: false, quarters: 0 };

/** The template mirrored, then turned. Its places keep their numbers and what they hold. */
export function turned(template: Template, turn: TemplateTurn): Template {
  let now = template;
  if (turn.mirrorSides) now = mirroredTemplate(now, "side");
  if (turn.mirrorUpside) now = mirroredTemplate(now, "stack");
  for (let i = 0; i < turn.quarters; i += 1) now = quarterTurned(now);
  return now;
}

function mirroredTemplate(t: Template, way: "side" | "stack"): Template {
  const { top, right, bottom, left } = t.look.margin;
  const margin = way === "side" ? { top, right: left, bottom, left: right } : { top: bottom, right, bottom: top, left };
  return { ...t, tree: mirrored(t.tree, way), look: { ...t.look, margin } };
}

function quarterTurned(t: Template): Template {
  const { top, right, bottom, left } = t.look.margin;
  return {
    ...t,
    page: { widthMm: t.page.heightMm, heightMm: t.page.widthMm },
    look: { ...t.look, margin: { top: left, right: top, bottom: right, left: bottom } },
    tree: quarterTree(t.tree),
  };
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
