import {
  barePage,
  copyPage,
  flowPhotos,
  layTree,
  mostPages,
  mostTiles,
  type Page,
  type StepName,
} from "#core/document";
import { refused } from "#core/outcome";
import { framedBy, type Photo } from "#core/photo";
import { changeTrouble } from "../../text/pages.ts";
import type { Kit } from "../kit.ts";
import { notices } from "../parts/notices.tsx";
import { nothingChosen } from "./choose.ts";
import { openPage, type ProjectSession } from "./project-session.ts";

/** What is done with the row of pages, each as one step. */

type Hands = Pick<Kit, "desk" | "newId">;

const placeOf = (session: ProjectSession, pageId: string): number =>
  session.state.getState().project.pages.findIndex((p) => p.id === pageId);

export function openThe(kit: Hands, session: ProjectSession, page: Page | undefined): void {
  if (!page) return;
  kit.desk.setState({ tiles: nothingChosen, reframing: undefined });
  session.goTo(page.id);
}

/** Steps to the page before or after the one that is open. */
export function stepPage(kit: Hands, session: ProjectSession, by: 1 | -1): void {
  const now = session.state.getState();
  openThe(kit, session, now.project.pages[placeOf(session, openPage(now).id) + by]);
}

function insert(kit: Hands, session: ProjectSession, name: StepName, pages: readonly Page[]): void {
  const open = openPage(session.state.getState());
  const at = placeOf(session, open.id) + 1;
  const done = session.commit(name, [{ type: "insertPages", pages: pages.map((page, i) => ({ page, at: at + i })) }]);
  if (done.ok) openThe(kit, session, pages[0]);
  else notices.create({ title: changeTrouble(done, String), type: "error" });
}

/** A bare page after the open one, that looks as it does. */
export function addPage(kit: Hands, session: ProjectSession): void {
  const { look } = openPage(session.state.getState());
  insert(kit, session, { code: "addedPages", count: 1 }, [barePage(look, kit.newId)]);
}

export function copyThePage(kit: Hands, session: ProjectSession): void {
  insert(kit, session, { code: "copiedPage", count: 1 }, [copyPage(openPage(session.state.getState()), kit.newId)]);
}

export function removeThePage(kit: Hands, session: ProjectSession): void {
  const { id } = openPage(session.state.getState());
  kit.desk.setState({ tiles: nothingChosen, reframing: undefined });
  const done = session.commit({ code: "removedPages", count: 1 }, [{ type: "removePages", pageIds: [id] }]);
  if (!done.ok) notices.create({ title: changeTrouble(done, String), type: "info" });
}

export function movePage(session: ProjectSession, pageId: string, to: number): void {
  session.commit({ code: "movedPage", count: 1 }, [{ type: "movePage", pageId, to }]);
}

/** A page for each group: arranged by itself, or in the places of the page that is open. */
export function pageForEach(
  kit: Hands,
  session: ProjectSession,
  groups: readonly (readonly Photo[])[],
  like: "fit" | "this",
): void {
  const now = session.state.getState();
  const open = openPage(now);
  const { format } = now.project;
  const tiles = Math.max(0, ...groups.map((g) => g.length));
  const trouble =
    tiles > mostTiles
      ? refused("tooManyTiles", { most: mostTiles, tiles })
      : now.project.pages.length + groups.length > mostPages
        ? refused("tooManyPages", { most: mostPages })
        : undefined;
  if (trouble) {
    notices.create({ title: changeTrouble(trouble, String), type: "error" });
    return;
  }
  const pages = groups.map((group) => {
    if (like === "this" && open.tiles.length > 0) {
      const photos = group.map((p) => ({ id: p.id, ...framedBy(p) }));
      return flowPhotos(copyPage(open, kit.newId), format, { photos, newId: kit.newId }).page;
    }
    const bare = barePage(open.look, kit.newId);
    const photos = group.map((p) => ({ id: p.id, aspect: framedBy(p).aspect }));
    const laid = layTree(bare, format, { photos, seed: 0, newId: kit.newId });
    return laid.ok ? laid.value.page : bare;
  });
  insert(kit, session, { code: "addedPages", count: pages.length }, pages);
  kit.desk.setState({ photos: nothingChosen });
}
