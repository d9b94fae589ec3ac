import { coverChanges, firstCover, photosOf, type Spine } from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { openThe } from "./page-list.ts";

/** The cover, each thing done to it as one step. */

export function makeCover(services: Pick<Services, "viewState" | "newId" | "library">, session: ProjectSession): void {
  const { project } = session.state.getState();
  const { byId } = services.library.state.getState();
  const placed = project.pages.flatMap((p) => photosOf(p, project.style)).flatMap((id) => byId.get(id) ?? []);
  const photo = placed.reduce<Photo | undefined>(
    (best, p) => (best && worthOfCover(best) >= worthOfCover(p) ? best : p),
    undefined,
  );
  const made = firstCover(project, photo && { id: photo.id, aspect: aspectOf(photo) }, services.newId);
  if (!made) return;
  session.commit({ code: "madeCover", count: 1 }, coverChanges(made));
  openThe(services, session, made.cover);
}

/** As many pixels as the front of a usual book takes. */
const enoughPixels = 10e6;
/** About as much fine detail as a photo in focus has. */
const usualDetail = 500;

/** What a cover is chosen by: stars, and of starred photos which is sharpest there; without stars how much of a photo are faces. */
export function worthOfCover(p: Photo): number {
  const pixels = Math.min(1, (p.widthPx * p.heightPx) / enoughPixels);
  const detail = p.likeness?.detail ?? 0;
  if (p.stars > 0) return p.stars + 0.6 * pixels + (0.3 * detail) / (detail + usualDetail);
  const faces = (p.focus?.faces ?? []).reduce((sum, f) => sum + f.w * f.h, 0);
  return pixels * Math.min(0.9, faces);
}

export function changeSpine(session: ProjectSession, change: Partial<Spine>, mergeKey?: string): void {
  const { spine } = session.state.getState().project;
  if (!spine) return;
  session.commit({ code: "changedCover", count: 1 }, [{ type: "setProject", spine: { ...spine, ...change } }], {
    mergeKey,
  });
}

export function removeCover(session: ProjectSession): void {
  session.commit({ code: "tookCover", count: 1 }, coverChanges(undefined));
}
