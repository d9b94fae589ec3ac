import { firstCover, photosOf, type Spine } from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { openThe } from "./page-list.ts";

/** The cover, each thing done to it as one step. */

export function makeCover(services: Pick<Services, "viewState" | "newId" | "library">, session: ProjectSession): void {
  const { project } = session.state.getState();
  const { byId } = services.library.state.getState();
  const placed = project.pages.flatMap(photosOf).flatMap((id) => byId.get(id) ?? []);
  const photo = placed.reduce<Photo | undefined>(
    (best, p) => (best && worthOfCover(best) >= worthOfCover(p) ? best : p),
    undefined,
  );
  const cover = firstCover(project, photo && { id: photo.id, aspect: aspectOf(photo) }, services.newId);
  if (!cover) return;
  session.commit({ code: "madeCover", count: 1 }, [{ type: "setProject", cover }]);
  openThe(services, session, cover.page);
}

/** What a cover is chosen by: stars, then how much of a photo are faces. */
export const worthOfCover = (p: Photo): number =>
  p.stars + 8 * (p.focus?.faces ?? []).reduce((sum, f) => sum + f.w * f.h, 0);

export function changeSpine(session: ProjectSession, change: Partial<Spine>, mergeKey?: string): void {
  const { cover } = session.state.getState().project;
  if (!cover) return;
  const next = { ...cover, spine: { ...cover.spine, ...change } };
  session.commit({ code: "changedCover", count: 1 }, [{ type: "setProject", cover: next }], { mergeKey });
}

export function removeCover(session: ProjectSession): void {
  session.commit({ code: "tookCover", count: 1 }, [{ type: "setProject", cover: null }]);
}
