import { z } from "zod";
import { arrangementOf, autoFramed, emptyPlaces, holdsPockets, isFree } from "#core/document";
import { fillingSchema, freeTileSchema } from "#core/document/schema";
import { type Clip, clipOf, freelyPasted, newWords, photosIn } from "#core/edit";
import { pages as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { arrangePhotos } from "./arrange-photos.ts";
import { emptyThem, putInOrder } from "./page-gestures.ts";
import { copyThePage } from "./page-list.ts";
import { addToPage } from "./place-chosen.ts";
import { takeOff } from "./word-gestures.ts";

/** Copying, cutting and pasting by the browser's clipboard, within a project and from one to another. */

type Deps = Pick<Services, "library" | "newId" | "viewState">;

/** What Tessip itself puts there; whatever comes back is looked at as if a stranger had written it. */
export const clipType = "application/x-tessip-tiles";
const clipSchema = z.object({
  free: z.array(freeTileSchema).max(500),
  fillings: z.array(fillingSchema).max(500),
});
const mostLetters = 20_000;

export function readClip(text: string): Clip | undefined {
  try {
    return clipSchema.parse(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** The chosen tiles; where none is, the chosen photos. */
export function chosenClip({ viewState }: Deps, session: ProjectSession): Clip | undefined {
  const { tiles, photos } = viewState.getState();
  if (tiles.ids.size > 0) return clipOf(openPage(session.state.getState()), [...tiles.ids]);
  if (photos.ids.size === 0) return undefined;
  return { free: [], fillings: [...photos.ids].map((id) => ({ kind: "photo", view: autoFramed(id) })) };
}

export function cutChosen({ viewState }: Deps, session: ProjectSession): void {
  const ids = [...viewState.getState().tiles.ids];
  const page = openPage(session.state.getState());
  if (ids.length === 0) return;
  if (ids.every((id) => isFree(page, id))) takeOff({ viewState }, session, ids);
  else emptyThem(session, ids);
}

/** Free tiles lie where they lay, photos go into chosen empty places, among the others or onto a bare page. */
export function pasteClip(services: Deps, session: ProjectSession, clip: Clip): void {
  const { byId } = services.library.state.getState();
  if (clip.free.length > 0) {
    const { page, ids } = freelyPasted(openPlaced(session.state.getState()), clip.free, services.newId);
    session.commit({ code: "pasted", count: ids.length }, [{ type: "replacePage", page }]);
    services.viewState.setState({ tiles: { ids: new Set(ids), anchor: ids[0] } });
  }
  const ids = photosIn(clip);
  const photos = ids.flatMap((id) => byId.get(id) ?? []);
  if (photos.length < ids.length) notices.create({ title: words.pasteGone(ids.length - photos.length), type: "info" });
  if (photos.length > 0) putPhotos(services, session, photos);
  else if (clip.free.length === 0 && ids.length === 0) nothingToPaste();
}

function putPhotos(services: Deps, session: ProjectSession, photos: Parameters<typeof addToPage>[2]): void {
  const { tiles } = services.viewState.getState();
  const now = session.state.getState();
  const waiting = emptyPlaces(openPlaced(now)).filter((t) => tiles.ids.has(t.id));
  if (waiting.length > 0)
    putInOrder(
      session,
      waiting.map((t) => t.id),
      photos.map((p) => p.id),
    );
  else if (arrangementOf(openPage(now)) && !holdsPockets(openPage(now))) addToPage(services, session, photos);
  else arrangePhotos(services, session, photos);
}

/** Words from elsewhere lie on the page as a story. */
export function pasteText(services: Deps, session: ProjectSession, text: string): void {
  const now = session.state.getState();
  const tile = newWords(openPlaced(now).format, "journal", now.project.words.journal, services.newId);
  if (tile.filling.kind !== "words") return;
  const filled = { ...tile, filling: { ...tile.filling, text: text.slice(0, mostLetters) } };
  const { page, ids } = freelyPasted(openPlaced(now), [filled], services.newId);
  session.commit({ code: "addedWords", count: 1 }, [{ type: "replacePage", page }]);
  services.viewState.setState({ tiles: { ids: new Set(ids), anchor: ids[0] } });
}

export const nothingToPaste = (): void => void notices.create({ title: words.pasteNothing, type: "info" });

/** The chosen free tiles once more beside themselves; where none is chosen, the page. */
export function duplicate(services: Deps, session: ProjectSession): void {
  const page = openPage(session.state.getState());
  const ids = [...services.viewState.getState().tiles.ids];
  if (ids.length === 0) {
    copyThePage(services, session);
    return;
  }
  const free = ids.filter((id) => isFree(page, id));
  if (free.length > 0) pasteClip(services, session, clipOf(page, free));
  else {
    pasteClip(services, session, clipOf(page, ids));
    services.viewState.setState({ photos: nothingChosen });
  }
}
