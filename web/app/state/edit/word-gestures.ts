import {
  allTiles,
  arrangedTiles,
  type Change,
  type Frame,
  findPlaced,
  findTile,
  freeTiles,
  mapTiles,
  newFreeTile,
  newTile,
  type Page,
  type PlacedPage,
  pageChanges,
  photoIdOf,
  placeAgain,
  type StepCode,
  setTileAspect,
  type Tile,
  type Words,
  withFree,
  withoutFree,
  withTileBeside,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import { safeBox } from "#core/lab";
import type { SceneFacts } from "#core/scene";
import { laidWords, wordsOf } from "#core/scene";
import { faceKey, layWords, mmOfPt, type WordRole, type WordStyle } from "#core/words";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";

/** What is done with words on a page, each as one step. */

type Deps = Pick<Services, "viewState" | "newId" | "fonts">;

const put = (page: Page): Change => ({ type: "replacePage", page });

const plainWords = (style: WordStyle, role: WordRole, text = ""): Words => ({
  kind: "words",
  text,
  style,
  role,
  from: null,
  card: null,
});

/** How large words of each kind begin: share of the safe width, and lines high. */
const firstSizes: Record<WordRole, { readonly w: number; readonly lines: number; readonly at: number }> = {
  title: { w: 0.75, lines: 1.3, at: 0.18 },
  caption: { w: 0.4, lines: 2, at: 0.85 },
  journal: { w: 0.5, lines: 7, at: 0.5 },
};

/** Words lying on the page, open to be written. */
export function addWords(services: Deps, session: ProjectSession, role: WordRole): void {
  const now = session.state.getState();
  const page = openPage(now);
  const style = now.project.words[role];
  const safe = safeBox(openPlaced(now).format);
  const first = firstSizes[role];
  const height = first.lines * mmOfPt(style.sizePt) * style.leading + 2 * style.insetMm;
  const frame: Frame = {
    centre: { x: safe.x + safe.w / 2, y: safe.y + safe.h * first.at },
    width: safe.w * first.w,
    height: Math.min(safe.h, height),
    turn: 0,
  };
  const tile = newFreeTile(frame, plainWords(style, role), services.newId);
  const done = session.commit({ code: "addedWords", count: 1 }, [put(withFree(page, tile))]);
  if (done.ok) openToWrite(services, tile.id);
}

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
    const ground = tile.filling.kind === "colour" ? tile.filling.colour : undefined;
    const filling: Words = {
      ...plainWords(now.project.words.journal, "journal"),
      card: ground === undefined ? null : { ground, lines: "none", ink: "#c9c0ae" },
    };
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
    const frame =
      facts && "frame" in tile && withRoom(tile.filling, filling, tile.frame, openPlaced(now).format, facts);
    return [{ id, set: frame ? { filling, frame } : { filling } }];
  });
}

/** What a tile of words is told. */
interface Told {
  readonly id: string;
  readonly set: { readonly filling: Words; readonly frame?: Frame };
}

/** Words that lie freely and were made larger take as much more room as they need, about their middle, up to the page's. */
function withRoom(before: Words, after: Words, frame: Frame, format: PageFormat, facts: SceneFacts): Frame | undefined {
  const k = after.style.sizePt / before.style.sizePt;
  const hidden =
    facts.setter && (laidWords(wordsOf(after, facts.photo), after.style, frame, facts.setter)?.hidden ?? 0);
  if (k <= 1 || !hidden) return undefined;
  const room = safeBox(format);
  return {
    ...frame,
    width: Math.max(frame.width, Math.min(room.w, frame.width * k)),
    height: Math.max(frame.height, Math.min(room.h, frame.height * k)),
  };
}

const wordsChange = (page: Page, items: readonly Told[]): Change => ({ type: "setTiles", pageId: page.id, items });

/** What was typed; from then on the words follow no photo. */
export const typed = (session: ProjectSession, tileId: string, text: string): void =>
  changeWords(session, tileId, () => ({ text, from: null }), "wrote", `write-${tileId}`);

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

/** Shows it while a hand is still on it. */
export function showWords(session: ProjectSession, tileIds: Ids, edit: Edit): void {
  const page = openPage(session.state.getState());
  const tiles = edited(session, tileIds, edit);
  if (tiles.length > 0) session.preview([wordsChange(page, tiles)]);
}

/** Every words of this kind in the work looks so, and so do new ones. */
export function styleAll(session: ProjectSession, role: WordRole, style: WordStyle): void {
  const { project } = session.state.getState();
  const restyled = (page: Page) =>
    mapTiles(page, (t) =>
      t.filling.kind === "words" && t.filling.role === role && t.filling.style !== style
        ? { ...t, filling: { ...t.filling, style: { ...style, turn: t.filling.style.turn } } }
        : t,
    );
  session.commit({ code: "changedWords", count: 1 }, [
    { type: "setProject", words: { ...project.words, [role]: style } },
    ...project.pages.flatMap((page) => pageChanges(page, restyled(page))),
  ]);
}

/** As high as the words are at this width, and never more than the photo over them. */
function heightFor(words: Words, widthMm: number, mostMm: number, facts: SceneFacts): number {
  const { style } = words;
  const pitch = mmOfPt(style.sizePt) * style.leading;
  const face = facts.setter?.face(faceKey(style));
  const lines =
    face && facts.setter
      ? layWords(wordsOf(words, facts.photo), style, { w: widthMm, h: 1e4 }, face, facts.setter).lines.length
      : 1;
  return Math.min(Math.max(mostMm, pitch), Math.max(1, lines) * pitch + 2 * style.insetMm + 0.5);
}

interface Captioned {
  readonly page: PlacedPage;
  /** The new tiles, each with the photo's tile that it stands under. */
  readonly tiles: readonly (readonly [captionId: string, photoTileId: string])[];
}

/** The page with words under these photos that say their captions, or the day where there is none. */
function withCaptions(
  page: PlacedPage,
  tileIds: readonly string[],
  given: {
    readonly style: WordStyle;
    readonly facts: SceneFacts;
    readonly newId: () => string;
  },
): Captioned {
  const { style, facts, newId } = given;
  let now = page;
  const tiles: (readonly [string, string])[] = [];
  for (const tileId of tileIds) {
    const tile = findPlaced(now, tileId);
    const photoId = tile && photoIdOf(tile);
    if (!tile || photoId === undefined) continue;
    const what = facts.photo(photoId)?.caption ? "caption" : "day";
    const filling: Words = { ...plainWords(style, "caption"), from: { photoId, what } };
    const own: Tile = { ...newTile(undefined, newId), filling };
    const height = heightFor(filling, tile.frame.width, tile.frame.height, facts);
    const shape = { aspect: tile.frame.width / height, shaped: true } as const;
    const next = withTileBeside(now, own, shape, { tileId, edge: "bottom" });
    if (next !== now.page) tiles.push([own.id, tileId]);
    now = placeAgain(now, next);
  }
  return { page: fittedCaptions({ page: now, tiles }, facts), tiles };
}

/** The others made room, so that widths are not what they were: a few rounds, and each caption is as high as its words. */
function fittedCaptions({ page, tiles }: Captioned, facts: SceneFacts): PlacedPage {
  let now = page;
  for (let round = 0; round < 4; round += 1) {
    let moved = false;
    for (const [captionId, photoTileId] of tiles) {
      const [caption, photo] = [findPlaced(now, captionId), findPlaced(now, photoTileId)];
      if (caption?.filling.kind !== "words" || !photo) continue;
      const { width, height } = caption.frame;
      const wanted = heightFor(caption.filling, width, photo.frame.height, facts);
      if (Math.abs(wanted - height) < 0.05) continue;
      now = placeAgain(now, setTileAspect(now, captionId, width / wanted));
      moved = true;
    }
    if (!moved) break;
  }
  return now;
}

async function keepCaptions(
  services: Deps,
  session: ProjectSession,
  tileIds: readonly string[],
  facts: SceneFacts,
): Promise<number> {
  // How high a caption is can only be told from its letters.
  await services.fonts.load(faceKey(session.state.getState().project.words.caption));
  const now = session.state.getState();
  const given = { style: now.project.words.caption, facts, newId: services.newId };
  const { page, tiles } = withCaptions(openPlaced(now), tileIds, given);
  if (tiles.length > 0) session.commit({ code: "addedCaptions", count: tiles.length }, [put(page.page)]);
  return tiles.length;
}

export const captionUnder = (
  services: Deps,
  session: ProjectSession,
  tileId: string,
  facts: SceneFacts,
): Promise<number> => keepCaptions(services, session, [tileId], facts);

/** Under every photo on the page that has a caption and none on the page yet. Says how many. */
export function captionsForAll(services: Deps, session: ProjectSession, facts: SceneFacts): Promise<number> {
  const page = openPage(session.state.getState());
  const said = new Set(
    allTiles(page).flatMap((t) => (t.filling.kind === "words" ? (t.filling.from?.photoId ?? []) : [])),
  );
  const wanted = arrangedTiles(page).filter((t) => {
    const id = photoIdOf(t);
    return id !== undefined && !said.has(id) && Boolean(facts.photo(id)?.caption);
  });
  return keepCaptions(
    services,
    session,
    wanted.map((t) => t.id),
    facts,
  );
}

/** Where a free tile lies; shown while a hand is on it, kept when it lets go. */
export function placeFree(
  session: ProjectSession,
  tileId: string,
  frame: Frame,
  how: "show" | "keep",
  mergeKey?: string,
): void {
  const { id: pageId } = openPage(session.state.getState());
  const change: Change = { type: "setTiles", pageId, items: [{ id: tileId, set: { frame } }] };
  if (how === "show") session.preview([change]);
  else session.commit({ code: "movedWords", count: 1 }, [change], { mergeKey });
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
