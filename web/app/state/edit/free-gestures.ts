import {
  areWords,
  type Change,
  type Frame,
  type FreeTile,
  framingOf,
  freeTiles,
  isLocked,
  type Page,
  photoIdOf,
  type StepCode,
} from "#core/document";
import { areTied, clearOfTrim, tied, untied } from "#core/edit";
import { stayed } from "#core/fit";
import { photoShape } from "#core/photo";
import { free as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { keep } from "./tree-gestures.ts";

/** What is done with tiles that lie freely, one or several at once, each as one step. */

/** Those of these tiles that lie freely and are not locked in their place. */
export function movableTiles(page: Page, ids: ReadonlySet<string>): readonly FreeTile[] {
  const all = freeTiles(page);
  // What is written on a print's foot goes with it.
  const prints = new Set(all.filter((t) => ids.has(t.id) && t.border?.footMm).map(photoIdOf));
  const goesWith = ({ filling }: FreeTile) => filling.kind === "words" && prints.has(filling.from?.photoId);
  return all.filter((t) => (ids.has(t.id) || goesWith(t)) && !isLocked(t));
}

type Frames = ReadonlyMap<string, Frame>;

type Deps = Pick<Services, "viewState" | "library">;

function change({ viewState, library }: Deps, session: ProjectSession, frames: Frames): Change {
  const { byId } = library.state.getState();
  const { photoStays } = viewState.getState();
  const { page, tiles, format } = openPlaced(session.state.getState());
  const before = new Map(tiles.map((t) => [t.id, t]));
  const items = [...frames].map(([id, frame]) => {
    const tile = photoStays ? before.get(id) : undefined;
    // A part of a photo, and a picture above a print's foot, have another box than the tile.
    const alone = tile && !tile.through && tile.border.footMm === undefined;
    const words = before.get(id)?.filling;
    const sized = words?.kind === "words" && words.grows && !sameSize(frame, before.get(id)!.frame);
    if (sized) return { id, set: { frame, filling: { ...words, grows: undefined } } };
    const photo = alone ? byId.get(photoIdOf(tile) ?? "") : undefined;
    if (!photo || tile?.filling.kind !== "photo") return { id, set: { frame } };
    const { view } = tile.filling;
    const shape = photoShape(photo);
    const box = (f: Frame) => ({ ...f, w: f.width, h: f.height });
    const { zoom, centre, turn } = stayed(
      shape.aspect,
      box(tile.frame),
      box(frame),
      framingOf(view, shape, tile, format),
    );
    return { id, set: { frame, filling: { ...tile.filling, view: { ...view, zoom, centre, turn, byHand: true } } } };
  });
  return { type: "setTiles", pageId: page.id, items };
}

const sameSize = (a: Frame, b: Frame): boolean => a.width === b.width && a.height === b.height;

/** Shown while a hand is still on them. */
export function showFrames(services: Deps, session: ProjectSession, frames: Frames): void {
  session.preview([change(services, session, frames)]);
}

export function keepFrames(
  services: Deps,
  session: ProjectSession,
  code: StepCode,
  frames: Frames,
  mergeKey?: string,
): void {
  session.dropPreview();
  const page = openPage(session.state.getState());
  const now = new Map(freeTiles(page).map((t) => [t.id, t.frame]));
  const moved = new Map([...frames].filter(([id, f]) => !sameFrame(f, now.get(id))));
  if (moved.size > 0) session.commit({ code, count: moved.size }, [change(services, session, moved)], { mergeKey });
}

const sameFrame = (a: Frame, b: Frame | undefined): boolean =>
  b !== undefined &&
  a.centre.x === b.centre.x &&
  a.centre.y === b.centre.y &&
  a.width === b.width &&
  a.height === b.height &&
  a.turn === b.turn;

/** What a hand let go of too close to the cut is put over it or inside, and that is said. Words are left where they are. */
export function keepClearOfTrim(services: Deps, session: ProjectSession, code: StepCode, frames: Frames): void {
  const { page, format } = openPlaced(session.state.getState());
  const pictures = new Set(freeTiles(page).flatMap((t) => (areWords(t) ? [] : [t.id])));
  let told: "bleed" | "safe" | undefined;
  const kept = new Map(
    [...frames].map(([id, frame]) => {
      const clear = pictures.has(id) ? clearOfTrim(frame, format) : undefined;
      told ??= clear?.to;
      return [id, clear?.frame ?? frame];
    }),
  );
  keepFrames(services, session, code, kept);
  if (told) notices.create({ title: words.clearOfTrim[told], type: "info" });
}

/** The frames of the chosen tiles changed together. */
export function editFrames(
  services: Deps,
  session: ProjectSession,
  code: StepCode,
  edit: (frames: readonly Frame[]) => readonly Frame[],
  mergeKey?: string,
): void {
  const tiles = movableTiles(openPage(session.state.getState()), services.viewState.getState().tiles.ids);
  const next = edit(tiles.map((t) => t.frame));
  keepFrames(
    services,
    session,
    code,
    new Map(tiles.map((t, i) => [t.id, next[i]!])),
    mergeKey && `${mergeKey}-${tiles.map((t) => t.id).join()}`,
  );
}

/** The tile again at each of these places; the copies are chosen with it. */
export function copiesAt(
  { viewState, newId }: Pick<Services, "viewState" | "newId">,
  session: ProjectSession,
  tile: FreeTile,
  frames: readonly Frame[],
): void {
  if (frames.length === 0) return;
  const page = openPage(session.state.getState());
  const { tieId: _, ...own } = tile;
  const copies = frames.map((frame): FreeTile => ({ ...own, id: newId(), frame }));
  const done = session.commit({ code: "copiedTiles", count: copies.length }, [
    { type: "replacePage", page: { ...page, pieces: [...page.pieces, ...copies] } },
  ]);
  if (done.ok) viewState.setState({ tiles: { ids: new Set([tile.id, ...copies.map((c) => c.id)]), anchor: tile.id } });
}

/** The chosen tiles tied together, or untied where they are tied already. */
export function tieChosen({ viewState, newId }: Pick<Services, "viewState" | "newId">, session: ProjectSession): void {
  const { page } = openPlaced(session.state.getState());
  const ids = freeTiles(page).flatMap((t) => (viewState.getState().tiles.ids.has(t.id) ? [t.id] : []));
  if (ids.length < 2) return;
  const apart = areTied(page, ids);
  keep(session, apart ? "untiedTiles" : "tiedTiles", ids.length, (on) =>
    apart ? untied(on.page, ids) : tied(on.page, ids, newId),
  );
}
