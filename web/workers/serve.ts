import { type FromWorker, type JobTable, type ToWorker, WorkerError } from "./protocol.ts";

export interface Doing {
  /** 0 to 1, and what would come out if it ended now. */
  progress(share: number, soFar?: unknown): void;
  readonly signal: AbortSignal;
}

export type Handlers<T extends JobTable<T>> = {
  readonly [K in keyof T]: (input: T[K]["in"], doing: Doing) => Promise<T[K]["out"]>;
};

/** Answers `run` and `cancel` messages with a table of jobs. `answer` posts back; give the result to `onmessage`. */
export function serveJobs<T extends JobTable<T>>(handlers: Handlers<T>, answer: (message: FromWorker) => void) {
  const running = new Map<number, AbortController>();
  return async (message: ToWorker): Promise<void> => {
    const { id } = message;
    if (message.kind === "cancel") {
      running.get(id)?.abort();
      return;
    }
    const stop = new AbortController();
    running.set(id, stop);
    const doing: Doing = {
      signal: stop.signal,
      progress: (share, soFar) => answer({ kind: "progress", id, share, soFar }),
    };
    try {
      const handler = handlers[message.job as keyof T];
      if (!handler) throw new WorkerError("noSuchJob", message.job);
      answer({ kind: "done", id, output: await handler(message.input, doing) });
    } catch (e) {
      const full = e instanceof DOMException && e.name === "QuotaExceededError";
      const coded = e instanceof Error && "code" in e && !(e instanceof DOMException);
      const code = stop.signal.aborted ? "cancelled" : full ? "storageFull" : coded ? String(e.code) : "jobFailed";
      answer({ kind: "failed", id, code, message: e instanceof Error ? e.message : String(e) });
    } finally {
      running.delete(id);
    }
  };
}
