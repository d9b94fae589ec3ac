import { autoFramed, type Change, lookChange } from "#core/document";
import { laidFreely } from "#core/edit";
import type { Point } from "#core/geometry";
import { aspectOf, type Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";
import { putInOrder } from "./page-gestures.ts";

/** What is done with papers, ornaments and photos that lie on their own. */

type Deps = Pick<Services, "library" | "newId" | "viewState">;

const known = ({ library }: Pick<Services, "library">, id: string): Photo | undefined =>
  library.state.getState().byId.get(id);

/** The open page with it lying there, as a change; nothing where it is gone from the library. */
function layChange(services: Deps, session: ProjectSession, id: string, at: Point): Change | undefined {
  const photo = known(services, id);
  if (!photo) return undefined;
  const laid = { id, section: photo.section, aspect: aspectOf(photo) };
  return {
    type: "replacePage",
    page: laidFreely(openPlaced(session.state.getState()), laid, at, services.newId),
  };
}

export function showLaid(services: Deps, session: ProjectSession, id: string, at: Point): void {
  const change = layChange(services, session, id, at);
  if (change) session.preview([change]);
}

/** Lies there on its own, and is chosen; without a point in the middle of the page. */
export function layFreely(services: Deps, session: ProjectSession, id: string, at?: Point): void {
  const { format } = openPlaced(session.state.getState());
  const change = layChange(services, session, id, at ?? { x: format.widthMm / 2, y: format.heightMm / 2 });
  if (change?.type !== "replacePage") return;
  const done = session.commit({ code: "filledTiles", count: 1 }, [change]);
  const laid = change.page.pieces.at(-1);
  if (done.ok && laid) services.viewState.setState({ tiles: { ids: new Set([laid.id]), anchor: laid.id } });
}

function backChange(session: ProjectSession, id: string): Change {
  const { page, look, style } = openPlaced(session.state.getState());
  const { veil = 0, across = "page" } = look.backdrop ?? {};
  return lookChange(page, { ...look, backdrop: { view: autoFramed(id), veil, across } }, style);
}

export const showBehind = (session: ProjectSession, id: string): void =>
  void session.preview([backChange(session, id)]);

export const layBehind = (session: ProjectSession, id: string): void =>
  void session.commit({ code: "changedBackdrop", count: 1 }, [backChange(session, id)]);

/** Into the chosen places, else behind the page. */
export function takePaper(services: Deps, session: ProjectSession, id: string): void {
  const chosen = [...services.viewState.getState().tiles.ids];
  if (chosen.length > 0) putInOrder(session, chosen, [id]);
  else layBehind(session, id);
}
