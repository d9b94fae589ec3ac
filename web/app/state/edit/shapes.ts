import { findTile, withFree } from "#core/document";
import { shapeInMiddle } from "#core/edit";
import { newOutline, type OutlineName } from "#core/outlines";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";

/** The chosen tiles get this shape; where none is chosen a new tile has it, with the chosen photo in it where there is just one. */
export function takeShape(
  { viewState, newId }: Pick<Services, "viewState" | "newId">,
  session: ProjectSession,
  kind: OutlineName,
): void {
  const page = openPage(session.state.getState());
  const { tiles, photos } = viewState.getState();
  const chosen = [...tiles.ids].filter((id) => findTile(page, id));
  const outline = newOutline(kind);
  if (chosen.length > 0) {
    const items = chosen.map((id) => ({ id, set: { outline } }));
    session.commit({ code: "changedOutline", count: chosen.length }, [{ type: "setTiles", pageId: page.id, items }]);
    return;
  }
  const [photoId, more] = photos.ids;
  const tile = shapeInMiddle(
    openPlaced(session.state.getState()),
    outline,
    more === undefined ? photoId : undefined,
    newId,
  );
  const done = session.commit({ code: "addedShape", count: 1 }, [{ type: "replacePage", page: withFree(page, tile) }]);
  if (done.ok) viewState.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id }, photos: nothingChosen });
}
