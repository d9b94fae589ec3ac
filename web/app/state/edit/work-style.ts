import type { Change, Project } from "#core/document";
import type { ProjectSession } from "../session/project-session.ts";

/** The look, the palette and the words' looks of another work; what lies behind its pages stays there. */
export const styleOf = ({ style, palette, words }: Project, here: Project): Change => ({
  type: "setProject",
  style: { ...style, backdrop: here.style.backdrop },
  palette,
  words,
});

/** Whether there was room for it on every page. */
export const takeStyle = (session: ProjectSession, from: Project): boolean =>
  session.commit({ code: "tookStyle", count: 1 }, [styleOf(from, session.state.getState().project)]).ok;
