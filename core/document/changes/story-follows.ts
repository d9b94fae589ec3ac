import { spansJoined } from "#core/words";
import { allTiles } from "../page/page.ts";
import { everyPage, type Project } from "../project/project.ts";
import type { Words } from "../schema/filling.ts";
import type { Change } from "./change.ts";

/** Words in a tile, and where that is. */
export interface Box {
  readonly pageId: string;
  readonly tileId: string;
  readonly words: Words;
}

function boxesOf(project: Project): ReadonlyMap<string, Box> {
  const found = new Map<string, Box>();
  for (const page of everyPage(project))
    for (const { id, filling } of allTiles(page))
      if (filling.kind === "words") found.set(id, { pageId: page.id, tileId: id, words: filling });
  return found;
}

/** The boxes of every story that runs through several, in order. A box belongs to the first that leads to it; what leads back to itself ends there. */
export function storiesOf(project: Project): readonly (readonly Box[])[] {
  const boxes = boxesOf(project);
  const leading = [...boxes.values()].filter((b) => b.words.next !== undefined);
  if (leading.length === 0) return [];
  const led = new Set(leading.map((b) => b.words.next!));
  const taken = new Set<string>();
  return leading
    .filter((b) => !led.has(b.tileId))
    .flatMap((head) => {
      const story: Box[] = [];
      for (let box: Box | undefined = head; box && !taken.has(box.tileId); box = boxes.get(box.words.next ?? "")) {
        taken.add(box.tileId);
        story.push(box);
      }
      return story.length > 1 ? [story] : [];
    });
}

/** Words of a box that is gone go on in the next box of their story, or stand in the one before. */
export function storyKept(before: Project, after: Project): readonly Change[] {
  const stories = storiesOf(before);
  if (stories.length === 0) return [];
  const now = boxesOf(after);
  return stories.flatMap((story): Change[] => {
    const left = story.filter((b) => now.has(b.tileId));
    if (left.length === story.length || left.length === 0) return [];
    const told = new Map(left.map((b) => [b.tileId, { ...now.get(b.tileId)!.words }]));
    for (const [i, gone] of story.entries()) {
      if (now.has(gone.tileId)) continue;
      const follows = story.slice(i + 1).find((b) => now.has(b.tileId));
      const leads = story.slice(0, i).findLast((b) => now.has(b.tileId));
      const there = follows ? told.get(follows.tileId)! : told.get(leads!.tileId)!;
      const [a, b] = follows ? [gone.words, there] : [there, gone.words];
      told.set((follows ?? leads!).tileId, {
        ...there,
        text: a.text + b.text,
        spans: spansJoined(a.spans, a.text.length, b.spans),
        cut: { ...(a.cut?.start ? { start: true } : {}), ...(b.cut?.end ? { end: true } : {}) },
      });
    }
    for (const [i, { tileId }] of left.entries()) told.set(tileId, { ...told.get(tileId)!, next: left[i + 1]?.tileId });
    return left.map(({ tileId }) => ({
      type: "setTiles",
      pageId: now.get(tileId)!.pageId,
      items: [{ id: tileId, set: { filling: told.get(tileId)! } }],
    }));
  });
}
