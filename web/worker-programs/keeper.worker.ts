import { nanoid } from "nanoid";
import type { KeeperJobs } from "../storage/keeper-jobs.ts";
import { keepOriginal } from "../storage/originals.ts";
import { SharedKeeper } from "../storage/shared-keeper.ts";
import type { FromWorker } from "../workers/protocol.ts";
import { type Handlers, serveJobs } from "../workers/serve.ts";

const keeper = new SharedKeeper(
  () => nanoid(12),
  () => postMessage({ kind: "alive" } satisfies FromWorker),
);

const handlers: Handlers<KeeperJobs> = {
  speak: async (words) => {
    keeper.speak(words);
    return null;
  },
  open: () => keeper.ask("open", null),
  commit: (input) => keeper.ask("commit", input),
  keepLoose: (input) => keeper.ask("keepLoose", input),
  keepInDatabase: (input) => keeper.ask("keepInDatabase", input),
  read: (input) => keeper.ask("read", input),
  look: () => keeper.ask("look", null),
  tryAgain: () => keeper.ask("tryAgain", null),
  folderState: () => keeper.ask("folderState", null),
  lastArchive: () => keeper.ask("lastArchive", null),
  useFolder: (input) => keeper.ask("useFolder", input),
  stopFolder: () => keeper.ask("stopFolder", null),
  syncFolder: () => keeper.ask("syncFolder", null),
  bringFrom: (input) => keeper.ask("bringFrom", input),
  saveAll: (input) => keeper.ask("saveAll", input),
  keepOriginal: async ({ hash, original }) => keepOriginal(hash, original),
  letGo: async () => {
    await keeper.letGo();
    return null;
  },
};

const hear = serveJobs<KeeperJobs>(handlers, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
