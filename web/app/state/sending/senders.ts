import type { ProjectSession } from "../session/project-session.ts";
import { saveToDisk } from "./save-to-disk.ts";
import { Sender } from "./sender.ts";

/** Senders go on while one looks at other places. */
function kept(folder: (projectId: string) => string) {
  const senders = new WeakMap<ProjectSession, Sender>();
  return (session: ProjectSession): Sender => {
    const known = senders.get(session);
    if (known) return known;
    const sender = new Sender({ projectId: folder(session.state.getState().project.id), saveToDisk });
    senders.set(session, sender);
    return sender;
  };
}

/** The one that makes a project's files. */
export const senderOf = kept((id) => id);
/** The one that makes its print sheets. */
export const sheetSenderOf = kept((id) => `${id}-sheets`);
