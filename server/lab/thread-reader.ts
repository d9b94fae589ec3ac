import { Worker } from "node:worker_threads";
import type { FileFacts } from "./read-file.ts";

export type ReadFacts = (path: string) => Promise<FileFacts | undefined>;

/**
 * Reads files in a thread of its own (`program`: the built `reading-thread`), so that none of them holds up an answer. A thread that
 * takes longer than `mostMs` over a file, or dies of it, is ended; what was asked of it counts as unreadable, and the next file
 * has a new one.
 */
export function threadReader(program: URL, mostMs: number): ReadFacts {
  const waiting = new Map<number, (facts: FileFacts | undefined) => void>();
  let thread: Worker | undefined;
  let count = 0;
  const end = (ended: Worker) => {
    if (thread !== ended) return;
    thread = undefined;
    void ended.terminate();
    for (const done of waiting.values()) done(undefined);
    waiting.clear();
  };
  const begun = (): Worker => {
    const made = new Worker(program, { resourceLimits: { maxOldGenerationSizeMb: 256 } });
    made.on("message", ({ id, facts }: { readonly id: number; readonly facts: FileFacts | undefined }) => {
      waiting.get(id)?.(facts);
      waiting.delete(id);
    });
    made.on("error", () => end(made));
    made.unref();
    return made;
  };
  return (path) =>
    new Promise((resolve) => {
      thread ??= begun();
      const asked = thread;
      count += 1;
      const id = count;
      const late = setTimeout(() => end(asked), mostMs);
      waiting.set(id, (facts) => {
        clearTimeout(late);
        resolve(facts);
      });
      asked.postMessage({ id, path });
    });
}
