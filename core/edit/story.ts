import {
  allTiles,
  type Box,
  type Change,
  everyPage,
  type Follower,
  findPlaced,
  type Project,
  placed,
  storiesOf,
  type Words,
} from "#core/document";
import { seenFrame } from "#core/scene";
import { layWords, type Span, spansJoined, spansWithin, type Typesetter } from "#core/words";

/** Stories that run through several boxes: each holds the part of the text that it shows, and the last one all that is left. */

/** What each box of a story is told, so that the text fills them in order; nothing while its font is not there. */
function flowed(
  project: Project,
  story: readonly Box[],
  setter: Typesetter,
): readonly (readonly [Box, Words])[] | undefined {
  const head = story[0]!.words;
  let text = "";
  let spans: readonly Span[] | undefined;
  for (const { words } of story) {
    spans = spansJoined(spans, text.length, words.spans);
    text += words.text;
  }
  const told: (readonly [Box, Words])[] = [];
  let from = 0;
  for (const [i, box] of story.entries()) {
    const page = everyPage(project).find((p) => p.id === box.pageId)!;
    const on = placed(project, page);
    const tile = findPlaced(on, box.tileId);
    if (!tile) return undefined;
    const { width: w, height: h } = seenFrame(tile.frame, on.format);
    const style = { ...head.style, turn: box.words.style.turn };
    const last = i === story.length - 1;
    const laid = layWords({ text, style, spans, language: project.language, from, goesOn: !last }, { w, h }, setter);
    if (!laid || laid.waiting) return undefined;
    const to = last ? text.length : laid.shownTo;
    const cut = {
      ...(from > 0 && text[from - 1] !== "\n" ? { start: true as const } : {}),
      ...(to < text.length && text[to - 1] !== "\n" ? { end: true as const } : {}),
    };
    told.push([
      box,
      {
        ...box.words,
        style: same(style, box.words.style) ? box.words.style : style,
        text: text.slice(from, to),
        spans: spansWithin(spans, from, to),
        cut: Object.keys(cut).length > 0 ? cut : undefined,
      },
    ]);
    from = to;
  }
  return told;
}

/** A box of words with nothing in it where a story can go on: on its own page, else on the next one. */
export function boxForMore(project: Project, pageId: string, tileId: string): Omit<Box, "words"> | undefined {
  const at = project.pages.findIndex((p) => p.id === pageId);
  const taken = new Set(storiesOf(project).flatMap((story) => story.map((b) => b.tileId)));
  const bare = ({ text, from, contents }: Words) => text.trim() === "" && !from && !contents;
  for (const page of at < 0 ? everyPage(project).filter((p) => p.id === pageId) : project.pages.slice(at, at + 2))
    for (const { id, filling } of allTiles(page))
      if (id !== tileId && filling.kind === "words" && !taken.has(id) && bare(filling))
        return { pageId: page.id, tileId: id };
  return undefined;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Follows every change: a story whose pages changed flows again through its boxes. */
export const storyFlows =
  (setter: Typesetter): Follower =>
  (before, after) => {
    const pagesBefore = new Map(everyPage(before).map((p) => [p.id, p]));
    const pagesNow = new Map(everyPage(after).map((p) => [p.id, p]));
    return storiesOf(after).flatMap((story): Change[] => {
      const untouched = story.every((b) => pagesBefore.get(b.pageId) === pagesNow.get(b.pageId));
      const told = untouched && before.style === after.style ? undefined : flowed(after, story, setter);
      return (told ?? []).flatMap(([{ pageId, tileId, words }, now]): Change[] =>
        same(words, now) ? [] : [{ type: "setTiles", pageId, items: [{ id: tileId, set: { filling: now } }] }],
      );
    });
  };
