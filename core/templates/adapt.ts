import { cropOf, exactFit, leavesOf, readBefore, type TreeNode, treeRects } from "#core/arrange";
import { type DrawnLook, insideRect } from "#core/document";
import { insetSides, type Rect, type Sides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { Template } from "./template.ts";
import { quarterTree } from "./turned.ts";

export interface Adapted {
  readonly look: DrawnLook;
  readonly tree: TreeNode;
  /** How much of their shape the places lose, on average: 0 where all have the one they were drawn with. */
  readonly bent: number;
}

/** A page this many times as long or short takes gaps and margins in proportion; between, they stay as they are. */
const farSize = 1.6;
/** What it costs that the cuts run another way than they were drawn, as a share of the places' shapes. */
const otherTreePrice = { same: 0, quarter: 0.05, solved: 0.09 };
/** What it costs that places are larger or smaller beside each other than they were drawn. */
const sizePrice = 0.35;

/**
 * A template for a page of another size: solved again, not stretched. The places keep their shapes as nearly as the page
 * allows, by the cuts as they were drawn, by the same cuts turned a quarter, or by others that suit the page better.
 */
export function adapted(template: Template, format: PageFormat): Adapted {
  const look = adaptedLook(template, format);
  const room = insideRect(look, format);
  const drawnRoom = insetSides(
    { x: 0, y: 0, w: template.page.widthMm, h: template.page.heightMm },
    template.look.margin,
  );
  const drawn = treeRects(template.tree, drawnRoom, template.look.gapMm);
  const leaves = leavesOf(template.tree);
  const shapes = new Map(leaves.map((l) => [l.tileId, shapeOf(drawn.get(l.tileId)!)]));
  const areas = sharesOf(leaves.map((l) => drawn.get(l.tileId)!));
  const tries: { readonly tree: TreeNode; readonly bent: number; readonly price: number }[] = [];
  const attempt = (tree: TreeNode, price: number) => {
    const rects = treeRects(tree, room, look.gapMm);
    const boxes = leaves.map((l) => rects.get(l.tileId)!);
    const bent = mean(leaves.map((l, i) => cropOf(shapes.get(l.tileId)!, shapeOf(boxes[i]!))));
    const unlike = mean(sharesOf(boxes).map((share, i) => Math.abs(Math.log(share / areas[i]!))));
    tries.push({ tree, bent, price: price + sizePrice * unlike });
  };
  attempt(template.tree, otherTreePrice.same);
  if (tries[0]!.bent > 0.06) {
    attempt(reshaped(quarterTree(template.tree), shapes), otherTreePrice.quarter);
    const photos = inReadingOrder(leaves, drawn).map((l) => {
      const r = drawn.get(l.tileId)!;
      return { tileId: l.tileId, aspect: shapeOf(r), weight: r.w * r.h, equal: l.equal };
    });
    attempt(exactFit({ photos, room, gap: look.gapMm, seed: 0, order: "kept" }), otherTreePrice.solved);
  }
  return { look, ...tries.reduce((best, t) => (t.bent + t.price < best.bent + best.price ? t : best)) };
}

const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / all.length;

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

/** Places as one reads them: lines from the top, each from the left. */
export function inReadingOrder<T extends { readonly tileId: string }>(
  leaves: readonly T[],
  rects: ReadonlyMap<string, Rect>,
): T[] {
  return leaves.toSorted((a, b) => readBefore(rects.get(a.tileId)!, rects.get(b.tileId)!));
}

function adaptedLook({ look, page }: Template, format: PageFormat): DrawnLook {
  const ratio = Math.sqrt((format.widthMm * format.heightMm) / (page.widthMm * page.heightMm));
  const k = ratio > farSize || ratio < 1 / farSize ? ratio : 1;
  const nice = (mm: number) => Math.round(mm * k * 10) / 10;
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
  };
}
