import { arrangementOf, emptyPlaces, holdsPockets } from "#core/document";
import { grownBy } from "#core/edit";
import type { Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { holdsMore } from "./arrange-page.ts";
import { arrangePhotos } from "./arrange-photos.ts";
import { putInOrder, putPhoto } from "./page-gestures.ts";
import { keep } from "./tree-gestures.ts";

type Deps = Pick<Services, "library" | "newId" | "viewState">;

/** More photos onto a page that is arranged, as one step. */
export function addToPage(services: Deps, session: ProjectSession, photos: readonly Photo[]): void {
  if (!holdsMore(session, photos.length)) return;
  keep(session, "slippedIn", photos.length, grownBy(aspectsIn(services), photos, services.newId));
  services.viewState.setState({ photos: nothingChosen });
}

/** The chosen photos, or else the one in focus: into the chosen places in order, else among those on the page, else onto it. */
export function placeChosen(services: Deps, session: ProjectSession, focusedId: string | undefined): void {
  const { photos: choice, tiles } = services.viewState.getState();
  const ids = choice.ids.size > 0 ? choice.ids : new Set(focusedId === undefined ? [] : [focusedId]);
  const photos = services.library.state.getState().photos.filter((p) => ids.has(p.id));
  if (photos.length === 0) return;
  const places = [...tiles.ids];
  const page = openPage(session.state.getState());
  if (places.length > 0) {
    const put = putInOrder(
      session,
      places,
      photos.map((p) => p.id),
    );
    if (put > 0) services.viewState.setState({ photos: nothingChosen });
  } else if (arrangementOf(page) && !holdsPockets(page)) addToPage(services, session, photos);
  else arrangePhotos(services, session, photos);
}

/** A photo into the one empty place that is chosen; the next empty one is chosen then. False where there is none. */
export function fillChosenPlace(
  { viewState }: Pick<Services, "viewState">,
  session: ProjectSession,
  photoId: string,
): boolean {
  const [only, more] = viewState.getState().tiles.ids;
  const empty = () => emptyPlaces(openPlaced(session.state.getState()));
  if (only === undefined || more !== undefined || !empty().some((t) => t.id === only)) return false;
  const after = empty().findIndex((t) => t.id === only);
  putPhoto(session, only, photoId);
  const rest = empty();
  const next = rest[after] ?? rest[0];
  if (next) viewState.setState({ tiles: { ids: new Set([next.id]), anchor: next.id } });
  return true;
}
