import { findTile, type Page, withFree } from "#core/document";
import { shapeLaid } from "#core/edit";
import type { Point } from "#core/geometry";
import { newOutline, type OutlineName } from "#core/outlines";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";

type Deps = Pick<Services, "viewState" | "newId">;

/** The chosen tiles get this shape; where none is chosen a new tile has it, with the chosen photo in it where there is just one. */
export function takeShape({ viewState, newId }: Deps, session: ProjectSession, kind: OutlineName): void {
  const page = openPage(session.state.getState());
  const { tiles } = viewState.getState();
  const chosen = [...tiles.ids].filter((id) => findTile(page, id));
  const outline = newOutline(kind);
  if (chosen.length > 0) {
    const items = chosen.map((id) => ({ id, set: { outline } }));
    session.commit({ code: "changedOutline", count: chosen.length }, [{ type: "setTiles", pageId: page.id, items }]);
    return;
  }
  laidShape({ viewState, newId }, session, kind);
}

/** The page with a new tile of that shape at a point of it, in mm; in its middle where none is given. */
function withShape(
  { viewState, newId }: Deps,
  session: ProjectSession,
  kind: OutlineName,
  at?: Point,
): { readonly page: Page; readonly tileId: string } {
  const [photoId, more] = viewState.getState().photos.ids;
  const on = openPlaced(session.state.getState());
  const tile = shapeLaid(on, newOutline(kind), more === undefined ? photoId : undefined, newId, at);
  return { page: withFree(on.page, tile), tileId: tile.id };
}

/** Shown where it would lie, while a hand is still on it. */
export function showShape(services: Deps, session: ProjectSession, kind: OutlineName, at: Point): void {
  session.preview([{ type: "replacePage", page: withShape(services, session, kind, at).page }]);
}

export function laidShape(services: Deps, session: ProjectSession, kind: OutlineName, at?: Point): void {
  const { page, tileId } = withShape(services, session, kind, at);
  const done = session.commit({ code: "addedShape", count: 1 }, [{ type: "replacePage", page }]);
  if (done.ok)
    services.viewState.setState({ tiles: { ids: new Set([tileId]), anchor: tileId }, photos: nothingChosen });
}
