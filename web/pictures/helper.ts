import type { EncodeJobs } from "../workers/jobs.ts";
import { portOf, WorkerClient } from "../workers/worker-client.ts";

/** Beside the worker that makes files: another one that takes a share of decoding and of coding. */
export const helper = new WorkerClient<EncodeJobs>(() =>
  portOf(new Worker(new URL("../worker-programs/encode.worker.ts", import.meta.url), { type: "module" }), {
    handsOver: true,
  }),
);
