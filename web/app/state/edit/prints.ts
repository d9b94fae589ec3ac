import type { Print } from "#core/document";
import { printsAdded, printsOf, printsRemoved, printsSet } from "#core/edit";
import type { Photo } from "#core/photo";
import { common, prints as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";

/** What is done with photo prints, each as one step. */

export function addPrints(
  { newId, viewState }: Pick<Services, "newId" | "viewState">,
  session: ProjectSession,
  photos: readonly Photo[],
  sizeId: string,
): void {
  if (photos.length === 0) return;
  const { project } = session.state.getState();
  session.commit({ code: "addedPrints", count: photos.length }, printsAdded(project, photos, sizeId, newId));
  viewState.setState({ photos: nothingChosen });
}

const these = (session: ProjectSession, ids: ReadonlySet<string>) =>
  printsOf(session.state.getState().project).filter((p) => ids.has(p.id));

export function setPrints(session: ProjectSession, ids: ReadonlySet<string>, set: Partial<Print>): void {
  const pages = these(session, ids);
  session.commit({ code: "changedPrints", count: pages.length }, [printsSet(pages, set)], {
    mergeKey: `prints ${[...ids].join()} ${Object.keys(set).join()}`,
  });
}

export function removePrints(
  { newId }: Pick<Services, "newId">,
  session: ProjectSession,
  ids: ReadonlySet<string>,
): void {
  const pages = these(session, ids).map((p) => p.id);
  if (pages.length === 0) return;
  const { project } = session.state.getState();
  session.commit({ code: "removedPrints", count: pages.length }, printsRemoved(project, pages, newId));
  const { done } = session.state.getState().history;
  // Once something else was done, that would be what it takes back.
  const undo = () => session.state.getState().history.done === done && session.undo();
  notices.create({
    title: words.removed(pages.length),
    type: "info",
    action: { label: common.undoIt, onClick: () => void undo() },
  });
}
