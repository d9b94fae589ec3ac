import { folderOf, writeWhole } from "../storage/journal/sync-file.ts";
import type { FileJobs } from "../workers/jobs.ts";
import { serveJobs } from "../workers/serve.ts";

const hear = serveJobs<FileJobs>(
  {
    writePrivate: async ({ folder, name, text }) => {
      const root = await navigator.storage.getDirectory();
      const at = folderOf(await root.getDirectoryHandle(folder, { create: true }));
      await writeWhole(at, name, new TextEncoder().encode(text));
      return null;
    },
  },
  (m) => postMessage(m),
);
addEventListener("message", (e) => void hear(e.data));
