import { type SlicingTask, side, stack, type Workbench } from "./workbench.ts";

/**
 * A first tree that keeps the reading order: bands one below the other, since that is how pages are read, each halved
 * again and again across or down, so that both halves have about the shape that suits their photos (as in full balanced
 * binary trees for photo summaries, Wu and Aizawa; but cut by the shape of the room).
 */
export function bandStart(tree: Workbench, task: SlicingTask, random: () => number): void {
  const { aspects, weights, room } = task;
  const n = aspects.length;
  let next = n;
  const heft = [0];
  const logs = [0];
  for (let i = 0; i < n; i += 1) {
    heft.push(heft[i]! + weights[i]!);
    logs.push(logs[i]! + Math.log(aspects[i]!));
  }
  /** How far a room is from the shape of the photos in it; a single photo has to live with it, many can be arranged. */
  const unfit = (from: number, to: number, w: number, h: number) =>
    Math.abs(Math.log(w / h) - (logs[to]! - logs[from]!) / (to - from)) * (to - from === 1 ? 1 : 0.6);
  /** The place between `from` and `to` before which the photos weigh about `aim`. */
  const cutAt = (from: number, to: number, aim: number) => {
    let cut = from + 1;
    while (cut < to - 1 && Math.abs(heft[cut + 1]! - aim) < Math.abs(heft[cut]! - aim)) cut += 1;
    return cut;
  };

  const build = (from: number, to: number, w: number, h: number): number => {
    if (to - from === 1) {
      tree.photo[from] = from;
      return from;
    }
    const node = next;
    next += 1;
    const total = heft[to]! - heft[from]!;
    const cut = cutAt(from, to, heft[from]! + total * (0.5 + (random() - 0.5) * 0.25));
    const share = (heft[cut]! - heft[from]!) / total;
    const beside = unfit(from, cut, w * share, h) + unfit(cut, to, w * (1 - share), h);
    const below = unfit(from, cut, w, h * share) + unfit(cut, to, w, h * (1 - share));
    if (beside + (random() - 0.5) * 0.4 < below)
      tree.join(node, side, build(from, cut, w * share, h), build(cut, to, w * (1 - share), h));
    else tree.join(node, stack, build(from, cut, w, h * share), build(cut, to, w, h * (1 - share)));
    return node;
  };

  const lines = Math.sqrt((n * room.h * Math.exp(logs[n]! / n)) / room.w);
  const bands = Math.max(1, Math.min(n, Math.round(lines / (1 + 1.4 * random()))));
  const cuts = [0];
  for (let b = 1; b < bands; b += 1) cuts.push(cutAt(cuts[b - 1]!, n - (bands - b) + 1, (heft[n]! * b) / bands));
  cuts.push(n);
  const stacked = (from: number, to: number): number => {
    const [first, last] = [cuts[from]!, cuts[to]!];
    if (to - from === 1) return build(first, last, room.w, (room.h * (heft[last]! - heft[first]!)) / heft[n]!);
    const node = next;
    next += 1;
    const middle = (from + to) >> 1;
    tree.join(node, stack, stacked(from, middle), stacked(middle, to));
    return node;
  };
  tree.root = stacked(0, bands);
  tree.deriveAll();
}
