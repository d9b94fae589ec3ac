import { parentPort } from "node:worker_threads";
import { readFile } from "./read-file.ts";

/** A thread of its own for reading files: paths come in, facts go out under the same number. */
parentPort?.on("message", async ({ id, path }: { readonly id: number; readonly path: string }) => {
  parentPort?.postMessage({ id, facts: await readFile(path) });
});
