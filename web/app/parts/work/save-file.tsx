import { useEffect, useRef, useState } from "react";
import { plainName } from "#core/lab";
import { work as words } from "../../../text/work.ts";
import { useKit } from "../../kit.ts";
import { writeProjectFile } from "../../state/project-file.ts";
import type { ProjectSession } from "../../state/project-session.ts";
import { notices } from "../notices.ts";
import { saveToDisk } from "../save-to-disk.ts";
import { Working } from "./working.tsx";

/** Writes the work as one file, and hands it to the browser's own saving. */
export function SaveFile({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const kit = useKit();
  const [share, setShare] = useState(0);
  const stop = useRef<AbortController>(undefined);
  useEffect(() => {
    const abort = new AbortController();
    stop.current = abort;
    const { project } = session.state.getState();
    const name = `${plainName(project.name)}.tessip.zip`;
    void writeProjectFile(kit, project, { signal: abort.signal, onProgress: setShare })
      .then(({ file, missing }) => {
        saveToDisk(file, name);
        notices.create({ title: words.saved(name, (file.size / 1e6).toFixed(1)), type: "success" });
        if (missing.length > 0) notices.create({ title: words.savedWithout(missing), type: "error" });
      })
      .catch(() => {
        if (!abort.signal.aborted) notices.create({ title: words.failed, type: "error" });
      })
      .finally(() => !abort.signal.aborted && onClose());
    return () => abort.abort();
  }, [kit, session, onClose]);
  return (
    <Working
      title={words.writing}
      share={share}
      onStop={() => {
        stop.current?.abort();
        notices.create({ title: words.stopped, type: "info" });
        onClose();
      }}
    />
  );
}
