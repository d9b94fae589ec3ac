import { Button } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { FileInput } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { work as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { takeProjectFile } from "./take-project-file.ts";
import { Working } from "./working.tsx";

/** Files that the system hands to an installed application (WICG, Launch Handler). */
interface Launched extends Window {
  readonly launchQueue?: {
    setConsumer(take: (launched: { readonly files?: readonly FileSystemFileHandle[] }) => void): void;
  };
}

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
    await takeProjectFile(services, queries, archive, { signal: abort.signal, onProgress: setShare });
    setShare(undefined);
  }

  // A project file that was opened from the computer's own folders, where Tessip is installed.
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => {
    (window as Launched).launchQueue?.setConsumer(({ files }) => {
      void (async () => {
        for (const handle of files ?? []) await latest.current(await handle.getFile());
      })();
    });
  }, []);

  return (
    <>
      <Button variant="outline" title={words.openFileHelp} onClick={() => input.current?.click()}>
        <FileInput size={18} aria-hidden /> {words.openFile}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".tessip,.zip,application/zip"
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
