import { inDesign, type Paper, type PaperName } from "#core/artwork";
import { type Change, findTile, lookChange } from "#core/document";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { unlockedOf } from "./page-gestures.ts";

/** Tiles of the open page with what `paperOf` makes of the paper that each has; without one they are empty. */
export function paperChange(
  session: ProjectSession,
  tileIds: readonly string[],
  paperOf: (was: Paper | undefined) => Paper | undefined,
): Change {
  const page = openPage(session.state.getState());
  const items = tileIds.flatMap((id) => {
    const filling = findTile(page, id)?.filling;
    if (!filling || filling.kind === "words") return [];
    const paper = paperOf(filling.kind === "paper" ? filling.paper : undefined);
    return [{ id, set: { filling: paper ? ({ kind: "paper", paper } as const) : ({ kind: "empty" } as const) } }];
  });
  return { type: "setTiles", pageId: page.id, items };
}

/** The open page with that paper behind all that lies on it. */
export function pagePaperChange(
  session: ProjectSession,
  paperOf: (was: Paper | undefined) => Paper | undefined,
): Change {
  const { page, look, style } = openPlaced(session.state.getState());
  return lookChange(page, { ...look, paper: paperOf(look.paper ?? undefined) ?? null }, style);
}

const designed = (session: ProjectSession, design: PaperName) => (was: Paper | undefined) =>
  inDesign(was, design, session.state.getState().project.palette);

/** What a paper that is held over the page would do there. */
export function showPaper(session: ProjectSession, design: PaperName, tileId: string | undefined): void {
  const of = designed(session, design);
  session.preview([tileId === undefined ? pagePaperChange(session, of) : paperChange(session, [tileId], of)]);
}

/** Into these tiles, or behind the page where there are none. */
export function putPaper(session: ProjectSession, design: PaperName, tileIds: readonly string[]): void {
  const of = designed(session, design);
  if (tileIds.length === 0) {
    session.commit({ code: "laidPaper", count: 1 }, [pagePaperChange(session, of)]);
    return;
  }
  const free = unlockedOf(session, tileIds);
  if (free.length > 0) session.commit({ code: "laidPaper", count: free.length }, [paperChange(session, free, of)]);
}

/** Into the chosen tiles, else behind the page, or behind all pages where it is their look that is in hand. */
export function takeDrawnPaper(
  { viewState }: Pick<Services, "viewState">,
  session: ProjectSession,
  design: PaperName,
): void {
  const { tiles, lookOf } = viewState.getState();
  if (tiles.ids.size > 0 || lookOf === "page") {
    putPaper(session, design, [...tiles.ids]);
    return;
  }
  const { style } = session.state.getState().project;
  const paper = designed(session, design)(style.paper ?? undefined);
  session.commit({ code: "laidPaper", count: 1 }, [{ type: "setProject", style: { ...style, paper } }]);
}
