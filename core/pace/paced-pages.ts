import { isLeaf, type TreeNode } from "#core/arrange";
import { arrangementOf, barePage, type Look, layTree, leafFormat, type Page, placePage } from "#core/document";
import { allSides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { PacePage, Slot } from "./plan.ts";

export interface LayTask {
  readonly plan: readonly PacePage[];
  readonly slots: readonly Slot[];
  readonly aspectOf: (photoId: string) => number;
  /** Of one page. */
  readonly format: PageFormat;
  /** Hidden by the gutter on each side of the fold. */
  readonly hiddenMm: number;
  readonly style: Look;
  readonly seed: number;
  readonly newId: () => string;
}

const leaderShare = 0.42;
const mostTries = 5;
const alikeWithin = 4;

/** The pages of a plan one after the other, arranged in the project's style, none like those shortly before it. */
export function* pacedPages(task: LayTask): Generator<Page> {
  const recent: string[] = [];
  let slot = 0;
  for (const planned of task.plan) {
    const format = leafFormat(task.format, task.slots[slot]!.side, planned.span, task.hiddenMm);
    slot += planned.span;
    const page = laid(planned, format, task, recent);
    recent.push(shapeOf(page));
    if (recent.length > alikeWithin) recent.shift();
    yield page;
  }
}

function laid(planned: PacePage, format: PageFormat, task: LayTask, recent: readonly string[]): Page {
  // One photo over a whole spread goes out over the edges.
  const own = planned.span === 2 ? { margin: allSides(0) } : {};
  const bare: Page = { ...barePage(task.newId, planned.span, own), paced: true };
  const on = placePage(bare, format, task.style);
  const photos = planned.photoIds.map((id) => ({ id, aspect: task.aspectOf(id) }));
  let first: Page | undefined;
  for (let k = 0; k < mostTries; k += 1) {
    const lead = planned.leader === undefined ? undefined : { photoId: planned.leader, share: leaderShare };
    const done = layTree(on, { photos, seed: task.seed + k, turn: k, newId: task.newId, lead });
    const page = done.ok ? done.value.page : bare;
    first ??= page;
    if (photos.length < 2 || !recent.includes(shapeOf(page))) return page;
  }
  return first!;
}

/** Pages of one shape look alike, whatever their photos. */
export const shapeOf = (page: Page): string => {
  const arrangement = arrangementOf(page);
  if (arrangement?.kind !== "tree") return `${page.id}`;
  const say = (node: TreeNode): string =>
    isLeaf(node)
      ? node.aspect >= 1
        ? "w"
        : "t"
      : `${node.way === "side" ? "(" : "["}${node.parts.map(say).join("")})`;
  return say(arrangement.tree);
};
