import { type JobTable, type Port, WorkerError } from "./protocol.ts";
import { type RunOptions, WorkerClient } from "./worker-client.ts";

/** Several workers on one queue; each does one job at a time, in the order asked. */
export class WorkerPool<T extends JobTable<T>> {
  readonly #idle: WorkerClient<T>[];
  readonly #queue: ((line: WorkerClient<T>) => void)[] = [];

  constructor(size: number, start: () => Port) {
    this.#idle = Array.from({ length: size }, () => new WorkerClient<T>(start));
  }

  async run<K extends keyof T & string>(job: K, input: T[K]["in"], options: RunOptions = {}): Promise<T[K]["out"]> {
    const line = this.#idle.pop() ?? (await new Promise<WorkerClient<T>>((take) => this.#queue.push(take)));
    try {
      if (options.signal?.aborted) throw new WorkerError("cancelled", job);
      return await line.run(job, input, options);
    } finally {
      const next = this.#queue.shift();
      if (next) next(line);
      else this.#idle.push(line);
    }
  }
}
