import {
  type Change,
  everyPage,
  type FreeTile,
  findTile,
  mapTiles,
  type Page,
  type Project,
  placed,
  storiesOf,
  type Words,
  withFree,
} from "#core/document";
import { boxForMore, newWords, offOthers } from "#core/edit";
import type { Services } from "../../services.ts";
import { openPage, type ProjectSession } from "../session/project-session.ts";

/** Where a story goes on: in a box that waits for words, or a new one, on the next page where that is bare, else on this one. */
export function runOn(
  { newId }: Pick<Services, "newId">,
  session: ProjectSession,
  tileId: string,
): { readonly pageId: string; readonly tileId: string } | undefined {
  const now = session.state.getState();
  const page = openPage(now);
  const words = findTile(page, tileId)?.filling;
  if (words?.kind !== "words") return undefined;
  const there = boxForMore(now.project, page.id, tileId) ?? {
    pageId: bareAfter(now.project, page).id,
    tileId: newId(),
  };
  const led: Extract<Change, { type: "setTiles" }> = {
    type: "setTiles",
    pageId: page.id,
    items: [{ id: tileId, set: { filling: { ...words, next: there.tileId, grows: undefined } } }],
  };
  const target = everyPage(now.project).find((p) => p.id === there.pageId)!;
  const known = findTile(target, there.tileId)?.filling;
  const filling: Words = {
    ...words,
    card: known?.kind === "words" ? known.card : words.card,
    text: "",
    spans: undefined,
    grows: undefined,
    cut: undefined,
    from: null,
  };
  const more: Change = known
    ? { type: "setTiles", pageId: target.id, items: [{ id: there.tileId, set: { filling } }] }
    : {
        type: "replacePage",
        page: withFree(withLed(target, led), boxOn(now.project, target, words, filling, there.tileId)),
      };
  return session.commit({ code: "storyRunsOn", count: 1 }, [led, more]).ok ? there : undefined;
}

/** The next page where nothing lies on it yet, else the page itself. */
function bareAfter({ pages }: Project, page: Page): Page {
  const at = pages.findIndex((p) => p.id === page.id);
  const next = at < 0 ? undefined : pages[at + 1];
  return next?.pieces.length === 0 ? next : page;
}

/** A page that is replaced after one of its tiles was told something. */
const withLed = (page: Page, led: Extract<Change, { type: "setTiles" }>): Page =>
  led.pageId === page.id
    ? mapTiles(page, (t) => {
        const item = led.items.find((i) => i.id === t.id);
        return item ? ({ ...t, ...item.set } as typeof t) : t;
      })
    : page;

function boxOn(project: Project, page: Page, { role, style }: Words, filling: Words, id: string): FreeTile {
  const on = placed(project, page);
  return {
    ...offOthers(
      newWords(on.format, role, style, () => id),
      on,
    ),
    filling,
  };
}

/** The story ends in this box; what comes after stays where it is, as words of its own. */
export function endHere(session: ProjectSession, tileId: string): void {
  const page = openPage(session.state.getState());
  const words = findTile(page, tileId)?.filling;
  if (words?.kind !== "words") return;
  const filling = { ...words, next: undefined, cut: undefined };
  session.commit({ code: "storyEnds", count: 1 }, [
    { type: "setTiles", pageId: page.id, items: [{ id: tileId, set: { filling } }] },
  ]);
}

/** Which part of how many of a story these words are, and where its other parts are. */
export function partOfStory(session: ProjectSession, tileId: string) {
  for (const story of storiesOf(session.state.getState().project)) {
    const at = story.findIndex((b) => b.tileId === tileId);
    if (at >= 0) return { part: at + 1, of: story.length, before: story[at - 1], after: story[at + 1] };
  }
  return undefined;
}
