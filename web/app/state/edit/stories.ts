import { type Change, findTile, mapTiles, placed, storiesOf, withFree } from "#core/document";
import { newWords } from "#core/edit";
import type { Services } from "../../services.ts";
import { openPage, type ProjectSession } from "../session/project-session.ts";

/** A story that goes on in another box: on the next page where that is bare, else on this one. Gives back where it is. */
export function runOn(
  { newId }: Pick<Services, "newId">,
  session: ProjectSession,
  tileId: string,
): { readonly pageId: string; readonly tileId: string } | undefined {
  const now = session.state.getState();
  const page = openPage(now);
  const words = findTile(page, tileId)?.filling;
  if (words?.kind !== "words") return undefined;
  const { pages } = now.project;
  const next = pages[pages.findIndex((p) => p.id === page.id) + 1];
  const target = next && next.pieces.length === 0 && pages.some((p) => p.id === page.id) ? next : page;
  const made = newWords(placed(now.project, target).format, words.role, words.style, newId);
  const box = {
    ...made,
    filling: { ...words, text: "", spans: undefined, grows: undefined, cut: undefined, from: null },
  };
  const led = mapTiles(page, (t) =>
    t.id === tileId ? { ...t, filling: { ...words, next: box.id, grows: undefined } } : t,
  );
  const changes: Change[] =
    target === page
      ? [{ type: "replacePage", page: withFree(led, box) }]
      : [
          { type: "replacePage", page: led },
          { type: "replacePage", page: withFree(target, box) },
        ];
  return session.commit({ code: "storyRunsOn", count: 1 }, changes).ok
    ? { pageId: target.id, tileId: box.id }
    : undefined;
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
