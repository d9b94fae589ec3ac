import {
  type Change,
  contentsOf,
  contentsText,
  type Frame,
  type FreeTile,
  findPlaced,
  findTile,
  freeTiles,
  mapTiles,
  type Page,
  pageChanges,
  placeAgain,
  type StepCode,
  type Words,
  withFree,
  withoutFree,
} from "#core/document";
import { newWords, offOthers, restyled, roomier, wordsInstead } from "#core/edit";
import { type SceneFacts, seenFrame, sizeFitting, withRoomFitted, withRoomGrown, wordsOf } from "#core/scene";
import {
  faceKey,
  mostLetters,
  mostSpans,
  type Span,
  type SpanLook,
  smallestPt,
  spansAfter,
  type WordRole,
  type WordStyle,
  withSpan,
} from "#core/words";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import type { Marked } from "../view-state/view-state.ts";
import { wordRooms } from "./word-rooms.ts";

/** What is done with words on a page, each as one step. */

type Deps = Pick<Services, "viewState" | "newId" | "fonts" | "bitmaps">;

const put = (page: Page): Change => ({ type: "replacePage", page });

/** Words on the page, in the best place that a full page has for them, open to be written. */
export async function addWords(
  services: Deps,
  session: ProjectSession,
  role: WordRole,
  facts: SceneFacts,
): Promise<void> {
  // How much room words need can only be told from their letters.
  const key = faceKey(session.state.getState().project.words[role]);
  if (!services.fonts.face(key)) await services.fonts.load(key);
  const now = session.state.getState();
  const tile = newWords(openPlaced(now).format, role, now.project.words[role], services.newId);
  const [best] = wordRooms(services, session, sampled(tile), facts);
  const page = best ? withText(best.page, tile.id, "") : withFree(openPage(now), offOthers(tile, openPlaced(now)));
  const done = session.commit({ code: "addedWords", count: 1 }, [put(page)]);
  if (done.ok) openToWrite(services, tile.id);
}

/** A table of contents of all pages, where there is room for it; whether there was anything to list. */
export async function addContents(services: Deps, session: ProjectSession, facts: SceneFacts): Promise<boolean> {
  const { project } = session.state.getState();
  const text = contentsText(contentsOf(project), "titles");
  if (text === "") return false;
  const style = { ...project.words.journal, leaders: true as const };
  if (!services.fonts.face(faceKey(style))) await services.fonts.load(faceKey(style));
  const on = openPlaced(session.state.getState());
  const made = newWords(on.format, "journal", style, services.newId);
  const tile = { ...made, filling: { ...(made.filling as Words), text, contents: "titles" as const } };
  const [best] = wordRooms(services, session, tile, facts);
  const page = best?.page ?? withFree(on.page, offOthers(tile, on));
  const grown = withRoomGrown(placeAgain(on, page), tile.id, facts) ?? page;
  const done = session.commit({ code: "addedContents", count: 1 }, [put(grown)]);
  if (done.ok) services.viewState.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id }, writing: undefined });
  return true;
}

/** As long as words of a kind mostly are. */
const samples: Record<WordRole, string> = {
  title: "Nothing is written yet",
  heading: "Nothing is written yet",
  small: "Where and when it was",
  caption: "What is to be seen here, and when it was",
  journal: "What happened on that day and who was there. ".repeat(8),
};

function sampled(tile: FreeTile): FreeTile {
  const words = tile.filling as Words;
  return { ...tile, filling: { ...words, text: samples[words.role] } };
}

const withText = (page: Page, tileId: string, text: string): Page =>
  mapTiles(page, (t) =>
    t.id === tileId && t.filling.kind === "words" ? { ...t, filling: { ...t.filling, text } } : t,
  );

export function openToWrite(services: Pick<Services, "viewState">, tileId: string): void {
  services.viewState.setState({
    tiles: { ids: new Set([tileId]), anchor: tileId },
    writing: tileId,
    reframing: undefined,
  });
}

/** A tile holds words from now on, open to be written. */
export function writeIn(services: Deps, session: ProjectSession, tileId: string): void {
  const now = session.state.getState();
  const tile = findTile(openPage(now), tileId);
  if (!tile) return;
  if (tile.filling.kind !== "words") {
    const filling = wordsInstead(tile.filling, now.project.words.journal);
    const change: Change = {
      type: "setTiles",
      pageId: openPage(now).id,
      items: [{ id: tileId, set: { filling } }],
    };
    session.commit({ code: "addedWords", count: 1 }, [change]);
  }
  openToWrite(services, tileId);
}

type Ids = string | readonly string[];
const listOf = (ids: Ids): readonly string[] => (typeof ids === "string" ? [ids] : ids);

/** The words of some tiles as they are kept, changed: what a panel shows may be a moment older. */
function edited(session: ProjectSession, tileIds: Ids, edit: Edit, facts?: SceneFacts): readonly Told[] {
  const now = session.state.getState();
  const page = openPage(now);
  return listOf(tileIds).flatMap((id): Told[] => {
    const tile = findTile(page, id);
    if (tile?.filling.kind !== "words") return [];
    const filling: Words = { ...tile.filling, ...edit(tile.filling) };
    const frame = facts && "frame" in tile && roomier(tile.filling, filling, tile.frame, openPlaced(now).format, facts);
    return [{ id, set: frame ? { filling, frame } : { filling } }];
  });
}

/** What a tile of words is told. */
interface Told {
  readonly id: string;
  readonly set: { readonly filling: Words; readonly frame?: Frame };
}

const wordsChange = (page: Page, items: readonly Told[]): Change => ({ type: "setTiles", pageId: page.id, items });

/** What was typed; from then on the words follow no photo. */
export function typed(session: ProjectSession, tileId: string, text: string, facts: SceneFacts): void {
  const edit: Edit = (now) => ({
    text,
    from: null,
    contents: undefined,
    spans: now.from ? undefined : spansAfter(now.spans, now.text, text),
    ...(now.from && now.from.what !== "day" ? { about: now.from.photoId } : {}),
  });
  write(session, tileId, edit, "wrote", facts, `write-${tileId}`);
}

export interface PastedWords {
  readonly text: string;
  readonly spans: readonly Span[];
}

/** Text put in place of a stretch, with its own looks, as one step. Says how many letters of it found room. */
export function pasteWords(
  session: ProjectSession,
  tileId: string,
  { from, to }: Marked,
  pasted: PastedWords,
  facts: SceneFacts,
): number {
  let taken = 0;
  const edit: Edit = (now) => {
    const before = wordsOf(now, facts);
    const put = pasted.text.slice(0, Math.max(0, mostLetters - before.length + to - from));
    taken = put.length;
    const text = before.slice(0, from) + put + before.slice(to);
    const left = spansAfter(now.from ? undefined : now.spans, before, before.slice(0, from) + before.slice(to));
    // In place of a stretch as long, so that what stood around it keeps its own.
    const moved = (left ?? []).flatMap((s): Span[] =>
      s.to <= from
        ? [s]
        : s.from >= from
          ? [{ ...s, from: s.from + put.length, to: s.to + put.length }]
          : [{ ...s, to: s.to + put.length }],
    );
    const spans = pasted.spans
      .flatMap((s) => (s.from < put.length ? [{ ...s, to: Math.min(s.to, put.length) }] : []))
      .slice(0, mostSpans)
      .reduce<readonly Span[] | undefined>(
        (all, { from: a, to: b, ...look }) => {
          return withSpan(all, { from: from + a, to: from + b }, look, now.style);
        },
        moved.length > 0 ? moved : undefined,
      );
    return { text, from: null, contents: undefined, spans: spans?.slice(0, mostSpans) };
  };
  write(session, tileId, edit, "pastedWords", facts);
  return taken;
}

/** Words written otherwise, as one step: those that outgrow their room get a larger one, and photos around it are solved again. */
function write(
  session: ProjectSession,
  tileId: string,
  edit: Edit,
  code: StepCode,
  facts: SceneFacts,
  mergeKey?: string,
): void {
  const on = openPlaced(session.state.getState());
  const items = edited(session, tileId, edit);
  const [item] = items;
  if (!item) return;
  const written = mapTiles(on.page, (t) => (t.id === tileId ? { ...t, filling: item.set.filling } : t));
  const grown = withRoomGrown(placeAgain(on, written), tileId, facts);
  session.commit({ code, count: 1 }, grown ? pageChanges(on.page, grown) : [wordsChange(on.page, items)], { mergeKey });
}

type Edit = (now: Words) => Partial<Words>;

export function changeWords(
  session: ProjectSession,
  tileIds: Ids,
  edit: Edit,
  code: StepCode = "changedWords",
  mergeKey?: string,
  /** Where they are given, what lies freely grows with its letters. */
  facts?: SceneFacts,
): void {
  const page = openPage(session.state.getState());
  const tiles = edited(session, tileIds, edit, facts);
  if (tiles.length > 0) session.commit({ code, count: tiles.length }, [wordsChange(page, tiles)], { mergeKey });
}

/** The box as high as its words, or the words as large as their box lets them be; whether that could be. */
export function fitWords(session: ProjectSession, tileId: string, what: "box" | "words", facts: SceneFacts): boolean {
  const on = openPlaced(session.state.getState());
  if (what === "box") {
    const page = withRoomFitted(on, tileId, facts);
    return page !== undefined && session.commit({ code: "fittedWords", count: 1 }, pageChanges(on.page, page)).ok;
  }
  const tile = findPlaced(on, tileId);
  const words = tile && sizeFitting({ ...tile, frame: seenFrame(tile.frame, on.format) }, facts, smallestPt);
  if (!words) return false;
  changeWords(session, tileId, () => ({ style: words.style }), "fittedWords");
  return true;
}

/** What letters can have of their own, set for those that are marked, or for all of them. */
const dressed = (look: SpanLook, marked: Marked | undefined, facts: SceneFacts): Edit => {
  const { list, raised, ...whole } = look;
  const onlyOfStretches = "list" in look || "raised" in look;
  return (now) => {
    const text = wordsOf(now, facts);
    const spans = now.from ? undefined : now.spans;
    if (marked || onlyOfStretches) {
      const where = marked ?? { from: 0, to: text.length };
      return { text, from: null, spans: withSpan(spans, where, look, now.style) };
    }
    // What is said of all letters is said of none by itself.
    const cleared = Object.fromEntries(Object.keys(whole).map((k) => [k, undefined]));
    const style = { ...now.style, ...whole } as WordStyle;
    return { style, spans: withSpan(spans, { from: 0, to: text.length }, cleared, style) };
  };
};

export const changeLetters = (
  session: ProjectSession,
  tileIds: Ids,
  look: SpanLook,
  marked: Marked | undefined,
  facts: SceneFacts,
): void => changeWords(session, tileIds, dressed(look, marked, facts), undefined, undefined, facts);

export const showLetters = (
  session: ProjectSession,
  tileIds: Ids,
  look: SpanLook,
  marked: Marked | undefined,
  facts: SceneFacts,
): void => showWords(session, tileIds, dressed(look, marked, facts));

/** All of the paragraphs that a stretch touches, each with the end of its line, so that an empty one is among them. */
export function paragraphsAround(text: string, { from, to }: Marked): Marked {
  const start = text.lastIndexOf("\n", from - 1) + 1;
  const newline = text.indexOf("\n", Math.max(from, to - 1));
  return { from: start, to: newline < 0 ? text.length : newline + 1 };
}

/** Shows it while a hand is still on it. */
export function showWords(session: ProjectSession, tileIds: Ids, edit: Edit): void {
  const page = openPage(session.state.getState());
  const tiles = edited(session, tileIds, edit);
  if (tiles.length > 0) session.preview([wordsChange(page, tiles)]);
}

/** Words of another kind, that look as those do in this work; each keeps how it is turned. */
export function becomeKind(session: ProjectSession, tileIds: Ids, role: WordRole, facts: SceneFacts): void {
  const style = session.state.getState().project.words[role];
  changeWords(
    session,
    tileIds,
    (now) => ({ role, style: { ...style, turn: now.style.turn } }),
    undefined,
    undefined,
    facts,
  );
}

/** Every words of this kind in the work looks so, and so do new ones. */
export function styleAll(session: ProjectSession, role: WordRole, style: WordStyle): void {
  const { project } = session.state.getState();
  session.commit({ code: "changedWords", count: 1 }, [
    { type: "setProject", words: { ...project.words, [role]: style } },
    ...project.pages.flatMap((page) => pageChanges(page, restyled(page, role, style))),
  ]);
}

/** Takes free tiles off the page; whether there were any among these. */
export function takeOff(
  services: Pick<Services, "viewState">,
  session: ProjectSession,
  tileIds: readonly string[],
): boolean {
  const page = openPage(session.state.getState());
  const next = withoutFree(page, tileIds);
  if (next === page) return false;
  services.viewState.setState({ tiles: nothingChosen, writing: undefined });
  session.commit({ code: "tookAway", count: freeTiles(page).length - freeTiles(next).length }, [put(next)]);
  return true;
}
