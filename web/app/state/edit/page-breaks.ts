import { breakMoved, photosMoved } from "#core/edit";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import type { ProjectSession } from "../session/project-session.ts";

type Deps = Pick<Services, "library" | "newId">;

const given = (services: Deps) => ({ aspectOf: aspectsIn(services), newId: services.newId });

/** A page break moved by so many photos, as one step. */
export function moveBreak(services: Deps, session: ProjectSession, leftId: string, rightId: string, by: number): void {
  const moved = breakMoved(session.state.getState().project, [leftId, rightId], by, given(services));
  if (moved) session.commit({ code: "movedBreak", count: moved.count }, moved.changes, { byProgram: true });
}

/** Photos of the open page onto another, as one step. */
export function movePhotosTo(
  services: Deps,
  session: ProjectSession,
  tileIds: readonly string[],
  toPageId: string,
): void {
  const { project, pageId } = session.state.getState();
  const moved = photosMoved(project, pageId, tileIds, toPageId, given(services));
  if (moved) session.commit({ code: "movedTiles", count: moved.count }, moved.changes);
}
