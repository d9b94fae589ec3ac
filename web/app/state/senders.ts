import { saveToDisk } from "../parts/save-to-disk.ts";
import type { ProjectSession } from "./project-session.ts";
import { Sender } from "./sender.ts";

const senders = new WeakMap<ProjectSession, Sender>();

/** The one that makes a project's files: it goes on while one looks at other places. */
export function senderOf(session: ProjectSession): Sender {
  const known = senders.get(session);
  if (known) return known;
  const sender = new Sender({ projectId: session.state.getState().project.id, saveToDisk });
  senders.set(session, sender);
  return sender;
}
