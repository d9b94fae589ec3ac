import { buffersIn } from "./buffers-in.ts";
import { type FromWorker, type JobTable, type Port, WorkerError } from "./protocol.ts";

export interface RunOptions<Out = unknown> {
  readonly signal?: AbortSignal;
  /** A worker that says nothing at all for longer is ended, and with it all that waits for it: `tookTooLong`. */
  readonly deadlineMs?: number;
  /** `soFar`: of jobs that tell what would come out if they ended now. */
  readonly onProgress?: (share: number, soFar?: Out) => void;
}

interface Waiting {
  readonly resolve: (output: unknown) => void;
  readonly reject: (e: WorkerError) => void;
  readonly onProgress: ((share: number, soFar?: unknown) => void) | undefined;
  /** The worker was heard. */
  readonly isAlive: () => void;
}

/** A worker that does not look up from its work is ended this long after it was asked to stop. */
const patienceMs = 3000;

/** One worker, started when first needed and again after it died. A death rejects everything that waits for it. */
export class WorkerClient<T extends JobTable<T>> {
  readonly #start: () => Port;
  readonly #waiting = new Map<number, Waiting>();
  #port: Port | undefined;
  #count = 0;

  constructor(start: () => Port) {
    this.#start = start;
  }

  /** Something was asked of it that is not answered yet. */
  get busy(): boolean {
    return this.#waiting.size > 0;
  }

  /** Starts the worker before there is anything to do, so that the first job does not wait for its program. */
  getReady(): void {
    this.#alive();
  }

  run<K extends keyof T & string>(
    job: K,
    input: T[K]["in"],
    options: RunOptions<T[K]["out"]> = {},
  ): Promise<T[K]["out"]> {
    const { signal, onProgress, deadlineMs } = options;
    if (signal?.aborted) return Promise.reject(new WorkerError("cancelled", job));
    this.#count += 1;
    const id = this.#count;
    const port = this.#alive();
    const stop = () => this.#cancel(id);
    signal?.addEventListener("abort", stop);
    let late: ReturnType<typeof setTimeout> | undefined;
    const isAlive = () => {
      if (deadlineMs === undefined) return;
      clearTimeout(late);
      late = setTimeout(() => {
        if (this.#waiting.has(id) && this.#port === port) this.#die(port, new WorkerError("tookTooLong", job));
      }, deadlineMs);
    };
    const answer = new Promise<T[K]["out"]>((resolve, reject) => {
      this.#waiting.set(id, {
        resolve: resolve as Waiting["resolve"],
        reject,
        onProgress: onProgress as Waiting["onProgress"],
        isAlive,
      });
      port.send({ kind: "run", id, job, input });
    });
    isAlive();
    // A signal that lives longer than its jobs would hold on to what each of them was given.
    return answer.finally(() => {
      clearTimeout(late);
      signal?.removeEventListener("abort", stop);
    });
  }

  #alive(): Port {
    if (this.#port) return this.#port;
    const port = this.#start();
    port.onMessage((m) => this.#hear(m));
    port.onDeath((why) => this.#die(port, new WorkerError("workerDied", why)));
    this.#port = port;
    return port;
  }

  #hear(message: FromWorker): void {
    for (const w of this.#waiting.values()) w.isAlive();
    const waiting = message.kind === "alive" ? undefined : this.#waiting.get(message.id);
    if (!waiting || message.kind === "alive") return;
    if (message.kind === "progress") {
      waiting.onProgress?.(message.share, message.soFar);
      return;
    }
    this.#waiting.delete(message.id);
    if (message.kind === "done") waiting.resolve(message.output);
    else waiting.reject(new WorkerError(message.code, message.message));
  }

  #cancel(id: number): void {
    const port = this.#port;
    if (!port || !this.#waiting.has(id)) return;
    port.send({ kind: "cancel", id });
    setTimeout(() => {
      if (this.#waiting.has(id) && this.#port === port) this.#die(port, new WorkerError("cancelled", "ended"));
    }, patienceMs);
  }

  #die(port: Port, why: WorkerError): void {
    port.end();
    if (this.#port === port) this.#port = undefined;
    const lost = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const w of lost) w.reject(why);
  }
}

/** A browser's worker as a port. `handsOver`: arrays that it is sent are given away instead of copied. */
export function portOf(worker: Worker, { handsOver = false } = {}): Port {
  return {
    send: (m) => worker.postMessage(m, handsOver && m.kind === "run" ? buffersIn(m.input) : []),
    onMessage: (hear) => worker.addEventListener("message", (e: MessageEvent<FromWorker>) => hear(e.data)),
    onDeath: (hear) => {
      worker.addEventListener("error", (e) => hear(e.message || "the worker could not start"));
      worker.addEventListener("messageerror", () => hear("a message could not be read"));
    },
    end: () => worker.terminate(),
  };
}
