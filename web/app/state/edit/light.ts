import type { Change, Light, Project } from "#core/document";
import type { ProjectSession } from "../session/project-session.ts";

/** The light is the work's own: all shadows follow it. */
export const lightChange = ({ style }: Project, light: Light): Change => ({
  type: "setProject",
  style: { ...style, light },
});

export function setLight(session: ProjectSession, light: Light): void {
  const { project } = session.state.getState();
  session.commit({ code: "changedLight", count: 1 }, [lightChange(project, light)], { mergeKey: "light" });
}
