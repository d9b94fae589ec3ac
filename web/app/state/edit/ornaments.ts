import { newOrnament, type Ornament, type OrnamentName } from "#core/artwork";
import { type Change, findTile, type Page, withFree } from "#core/document";
import { ornamentLaid } from "#core/edit";
import type { Point } from "#core/geometry";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";

type Deps = Pick<Services, "viewState" | "newId">;

function withOrnament(
  { newId }: Deps,
  session: ProjectSession,
  design: OrnamentName,
  at?: Point,
): { readonly page: Page; readonly tileId: string } {
  const on = openPlaced(session.state.getState());
  const { palette } = session.state.getState().project;
  const tile = ornamentLaid(on, newOrnament(design, palette), newId, at);
  return { page: withFree(on.page, tile), tileId: tile.id };
}

/** Shown where it would lie, while a hand is still on it. */
export const showOrnament = (services: Deps, session: ProjectSession, design: OrnamentName, at: Point): void =>
  void session.preview([{ type: "replacePage", page: withOrnament(services, session, design, at).page }]);

/** Lies over the rest, and is chosen; without a point in the middle of the page. */
export function layOrnament(services: Deps, session: ProjectSession, design: OrnamentName, at?: Point): void {
  const { page, tileId } = withOrnament(services, session, design, at);
  const done = session.commit({ code: "laidOrnament", count: 1 }, [{ type: "replacePage", page }]);
  if (done.ok) services.viewState.setState({ tiles: { ids: new Set([tileId]), anchor: tileId } });
}

/** What is set of the ornaments in these tiles. */
export function ornamentChange(
  session: ProjectSession,
  tileIds: readonly string[],
  next: (was: Ornament) => Ornament,
): Change {
  const page = openPage(session.state.getState());
  const items = tileIds.flatMap((id) => {
    const filling = findTile(page, id)?.filling;
    if (filling?.kind !== "ornament") return [];
    return [{ id, set: { filling: { kind: "ornament", ornament: next(filling.ornament) } as const } }];
  });
  return { type: "setTiles", pageId: page.id, items };
}
