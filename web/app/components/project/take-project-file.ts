import type { QueryClient } from "@tanstack/react-query";
import { unknownOf } from "#core/notes";
import { fonts as fontWords, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { ProjectFileError, readNotesOf, readProjectArchive } from "../../state/session/project-file.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { saveAsNew } from "../../state/session/whole-project.ts";

/** Asks what to do with a file of a work that is here and about which it has something new to say. */
async function cameBack(services: Services, archive: File): Promise<boolean> {
  const { workId, events } = await readNotesOf(archive);
  const [work] = await services.store.sameWorks(workId);
  if (!work) return false;
  const fresh = unknownOf(await notesOf(services).whole(work.id), events);
  if (fresh.length === 0) return false;
  services.viewState.setState({ cameBack: { file: archive, work, fresh } });
  return true;
}

/** Takes a work that was saved as one file in as a new one, and says how that went. */
export async function takeProjectFile(
  services: Services,
  queries: QueryClient,
  archive: File,
  doing: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
  { asCopy = false }: { readonly asCopy?: boolean } = {},
): Promise<void> {
  try {
    if (!asCopy && (await cameBack(services, archive))) return;
    const { project, notes, missing, fontsMissing } = await readProjectArchive(services, archive, doing);
    const id = await saveAsNew(services, project, project.name);
    await services.store.keepNotes({ id, events: notes.events, sameAs: notes.workId });
    await projectsChanged(queries);
    if (missing.length > 0) notices.create({ title: words.openedWithout(missing), type: "error", duration: 20_000 });
    if (fontsMissing.length > 0)
      notices.create({ title: fontWords.openedWithout(fontsMissing), type: "error", duration: 20_000 });
    // Last, since what went wrong drives other notices out.
    notices.create({ title: words.opened(project.name), type: "success" });
  } catch (e) {
    const why = e instanceof ProjectFileError ? words.trouble[e.code] : undefined;
    notices.create({
      title: doing.signal.aborted ? words.stopped : (why ?? words.failed),
      type: "error",
      duration: 20_000,
    });
  }
}
