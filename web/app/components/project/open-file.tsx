import { Button } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { FileInput } from "lucide-react";
import { useRef, useState } from "react";
import { work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { ProjectFileError, readProjectArchive } from "../../state/session/project-file.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { saveAsNew } from "../../state/session/whole-project.ts";
import { Working } from "./working.tsx";

/** Opens a work that was saved as one file. */
export function OpenFile() {
  const services = useServices();
  const queries = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController>(undefined);
  const [share, setShare] = useState<number>();

  async function take(archive: File) {
    const abort = new AbortController();
    stop.current = abort;
    setShare(0);
    try {
      const { project, missing } = await readProjectArchive(services, archive, {
        signal: abort.signal,
        onProgress: setShare,
      });
      await saveAsNew(services, project, project.name);
      await projectsChanged(queries);
      notices.create({ title: words.opened(project.name), type: "success" });
      if (missing.length > 0) notices.create({ title: words.openedWithout(missing), type: "error", duration: 20_000 });
    } catch (e) {
      const why = e instanceof ProjectFileError ? words.trouble[e.code] : undefined;
      notices.create({
        title: abort.signal.aborted ? words.stopped : (why ?? words.failed),
        type: "error",
        duration: 20_000,
      });
    } finally {
      setShare(undefined);
    }
  }

  return (
    <>
      <Button variant="outline" title={words.openFileHelp} onClick={() => input.current?.click()}>
        <FileInput size={18} aria-hidden /> {words.openFile}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".zip,application/zip"
        onChange={(e) => {
          const [file] = e.currentTarget.files ?? [];
          e.currentTarget.value = "";
          if (file) void take(file);
        }}
      />
      {share !== undefined && <Working title={words.reading} share={share} onStop={() => stop.current?.abort()} />}
    </>
  );
}
