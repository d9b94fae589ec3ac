import { lineBreaks } from "../line-breaks.ts";
import { type SlicingTask, side, stack, type Workbench } from "./workbench.ts";

/** A photo that is wanted this many times as large as the others leads the page. */
const leads = 2.5;

/** The photo that leads, and its share of the page; undefined where none does. */
export function leaderOf(weights: readonly number[]): { readonly photo: number; readonly share: number } | undefined {
  const sum = weights.reduce((a, b) => a + b, 0);
  const photo = weights.indexOf(Math.max(...weights));
  const share = weights[photo]! / sum;
  return weights.length > 2 && share * weights.length >= leads ? { photo, share } : undefined;
}

/**
 * A first tree of plain rows in reading order, `more` rows more or fewer than fill the room. Where a photo leads, it
 * stands at one side with rows beside it, and the rest lies in rows above and below.
 */
export function rowStart(tree: Workbench, task: SlicingTask, more: number, random: () => number): void {
  const { aspects, room } = task;
  const n = aspects.length;
  let next = n;
  const chain = (way: number, nodes: readonly number[]): number => {
    if (nodes.length === 1) return nodes[0]!;
    const node = next;
    next += 1;
    const middle = nodes.length >> 1;
    tree.join(node, way, chain(way, nodes.slice(0, middle)), chain(way, nodes.slice(middle)));
    return node;
  };
  /** That many rows, each as wide as the room, are about as high as it. */
  const rows = (photos: readonly number[], w: number, h: number): number => {
    const here = photos.map((i) => aspects[i]!);
    const length = here.reduce((a, b) => a + b, 0);
    const lines = Math.max(1, Math.min(photos.length, Math.round(Math.sqrt((length * h) / w)) + more));
    let start = 0;
    const nodes = lineBreaks(here, lines).map((end) => {
      const row = photos.slice(start, end);
      start = end;
      return chain(side, row);
    });
    return chain(stack, nodes);
  };

  for (let i = 0; i < n; i += 1) tree.photo[i] = i;
  const all = Array.from({ length: n }, (_, i) => i);
  const leader = leaderOf(task.weights);
  if (!leader) tree.root = rows(all, room.w, room.h);
  else {
    const { photo, share } = leader;
    const a = aspects[photo]!;
    const h = Math.min(room.h, Math.sqrt((share * room.w * room.h) / a));
    const w = Math.min(0.85 * room.w, a * h);
    // How many go beside it, by the area that is left there; the rest above and below, in the order they are read.
    const others = (1 - share) * room.w * room.h;
    const thin = (room.h - h) * room.w < (0.5 * others) / Math.sqrt(n);
    const fair = Math.round(((n - 1) * (room.w - w) * h) / others);
    const beside = thin ? n - 1 : Math.max(1, Math.min(n - 1, fair));
    const above = Math.max(photo - beside, Math.min(photo, n - 1 - beside));
    const left = photo === above || (photo < above + beside && random() < 0.5);
    const rest = all.filter((i) => i !== photo);
    const over = rest.slice(0, above);
    const under = rest.slice(above + beside);
    const high = (room.h - h) / Math.max(1, over.length + under.length);
    const block = rows(rest.slice(above, above + beside), room.w - w, h);
    const parts = [chain(side, left ? [photo, block] : [block, photo])];
    if (over.length > 0) parts.unshift(rows(over, room.w, Math.max(1, high * over.length)));
    if (under.length > 0) parts.push(rows(under, room.w, Math.max(1, high * under.length)));
    tree.root = chain(stack, parts);
  }
  tree.deriveAll();
}
