/** A whole piece of work: what goes in and what comes out. Everything must survive a structured clone. */
export interface Job<In, Out> {
  readonly in: In;
  readonly out: Out;
}

export type JobTable<T> = { readonly [K in keyof T]: Job<unknown, unknown> };

export type ToWorker =
  | { readonly kind: "run"; readonly id: number; readonly job: string; readonly input: unknown }
  | { readonly kind: "cancel"; readonly id: number };

export type FromWorker =
  /** `soFar`: what would come out if it ended now, of jobs that have such a thing. */
  | { readonly kind: "progress"; readonly id: number; readonly share: number; readonly soFar?: unknown }
  /** It is at work; of no job in particular. */
  | { readonly kind: "alive" }
  | { readonly kind: "done"; readonly id: number; readonly output: unknown }
  | { readonly kind: "failed"; readonly id: number; readonly code: string; readonly message: string };

/** A worker as this side sees it; tests hand in one without a thread. */
export interface Port {
  send(message: ToWorker): void;
  onMessage(hear: (message: FromWorker) => void): void;
  /** The worker ended by an error of its own; it will not answer any more. */
  onDeath(hear: (why: string) => void): void;
  end(): void;
}

/** Failed work. Codes: `workerDied`, `cancelled`, or the job's own. */
export class WorkerError extends Error {
  override readonly name = "WorkerError";
  readonly code: string;
  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}
