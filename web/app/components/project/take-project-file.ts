import type { QueryClient } from "@tanstack/react-query";
import { fonts as fontWords, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { ProjectFileError, readProjectArchive } from "../../state/session/project-file.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { saveAsNew } from "../../state/session/whole-project.ts";

/** Takes a work that was saved as one file in as a new one, and says how that went. */
export async function takeProjectFile(
  services: Services,
  queries: QueryClient,
  archive: File,
  doing: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
): Promise<void> {
  try {
    const { project, missing, fontsMissing } = await readProjectArchive(services, archive, doing);
    await saveAsNew(services, project, project.name);
    await projectsChanged(queries);
    notices.create({ title: words.opened(project.name), type: "success" });
    if (missing.length > 0) notices.create({ title: words.openedWithout(missing), type: "error", duration: 20_000 });
    if (fontsMissing.length > 0)
      notices.create({ title: fontWords.openedWithout(fontsMissing), type: "error", duration: 20_000 });
  } catch (e) {
    const why = e instanceof ProjectFileError ? words.trouble[e.code] : undefined;
    notices.create({
      title: doing.signal.aborted ? words.stopped : (why ?? words.failed),
      type: "error",
      duration: 20_000,
    });
  }
}
