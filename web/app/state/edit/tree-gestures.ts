import type { StepCode } from "#core/document";
import type { Edit } from "#core/edit";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";

/** Shows it while a hand is still on it. */
export function show(session: ProjectSession, edit: Edit): void {
  session.preview([{ type: "replacePage", page: edit(openPlaced(session.state.getState())) }]);
}

/** Keeps it as one step; nothing where the page stays as it is. */
export function keep(session: ProjectSession, code: StepCode, count: number, edit: Edit, mergeKey?: string): void {
  const now = session.state.getState();
  const page = edit(openPlaced(now));
  session.dropPreview();
  if (page !== openPage(now)) session.commit({ code, count }, [{ type: "replacePage", page }], { mergeKey });
}
