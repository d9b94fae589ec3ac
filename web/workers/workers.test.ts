import { expect, test } from "@jest/globals";
import { buffersIn } from "./buffers-in.ts";
import { WorkerPool } from "./pool.ts";
import type { FromWorker, Job, Port, ToWorker } from "./protocol.ts";
import { type Handlers, serveJobs } from "./serve.ts";
import { WorkerClient } from "./worker-client.ts";

interface Jobs {
  readonly double: Job<number, number>;
  readonly fail: Job<string, never>;
  readonly wait: Job<undefined, string>;
  readonly tell: Job<number, string>;
}

class Coded extends Error {
  readonly code = "tooSalty";
}

const handlers: Handlers<Jobs> = {
  double: async (n, doing) => {
    doing.progress(0.5);
    return 2 * n;
  },
  fail: async (why) => {
    throw why === "coded" ? new Coded(why) : new Error(why);
  },
  tell: async (times, doing) => {
    for (let i = 0; i < times; i += 1) {
      await new Promise((go) => setTimeout(go, 40));
      doing.progress(i / times);
    }
    return "told";
  },
  wait: (_, doing) =>
    new Promise((_done, failed) => doing.signal.addEventListener("abort", () => failed(doing.signal.reason))),
};

/** A worker without a thread: the same messages, copied as a real one would. */
function startPort(): Port & { die(why: string): void; readonly log: ToWorker[] } {
  const hearers: ((m: FromWorker) => void)[] = [];
  const mourners: ((why: string) => void)[] = [];
  const log: ToWorker[] = [];
  const serve = serveJobs<Jobs>(handlers, (m) => {
    for (const hear of hearers) hear(structuredClone(m));
  });
  return {
    log,
    send: (m) => {
      log.push(m);
      queueMicrotask(() => void serve(structuredClone(m)));
    },
    onMessage: (hear) => hearers.push(hear),
    onDeath: (hear) => mourners.push(hear),
    end: () => {},
    die: (why) => {
      for (const hear of mourners) hear(why);
    },
  };
}

test("a worker that was started ahead of its first job is the one that does it", async () => {
  let started = 0;
  const client = new WorkerClient<Jobs>(() => {
    started += 1;
    return startPort();
  });
  client.getReady();
  client.getReady();
  expect(started).toBe(1);
  expect(client.busy).toBe(false);
  expect(await client.run("double", 4)).toBe(8);
  expect(started).toBe(1);
});

test("buffers that are given away are those of the arrays in a message, each once, and none that lie deeper", () => {
  const [rows, profile] = [new Uint8ClampedArray(8), new Uint8Array(4)];
  expect(buffersIn({ options: { profile }, rows, fromRow: 16 })).toEqual([rows.buffer]);
  expect(buffersIn([profile, new Uint8Array(profile.buffer, 2), rows])).toEqual([profile.buffer, rows.buffer]);
  for (const nothing of [undefined, null, 3, "text", [], {}]) expect(buffersIn(nothing)).toEqual([]);
});

test("a job comes back with its result and its progress", async () => {
  const shares: number[] = [];
  const line = new WorkerClient<Jobs>(startPort);
  expect(await line.run("double", 21, { onProgress: (s) => shares.push(s) })).toBe(42);
  expect(shares).toEqual([0.5]);
});

test("a deadline counts from the last sign of life", async () => {
  const line = new WorkerClient<Jobs>(startPort);
  expect(await line.run("tell", 6, { deadlineMs: 150 })).toBe("told");
  await expect(line.run("wait", undefined, { deadlineMs: 50 })).rejects.toMatchObject({ code: "tookTooLong" });
});

test("a deadline ends a worker that says nothing at all, and with it all that waits for it", async () => {
  const line = new WorkerClient<Jobs>(startPort);
  const stuck = line.run("wait", undefined, { deadlineMs: 150 });
  const ended = stuck.then(
    () => "done",
    (e: { code: string }) => e.code,
  );
  // Others' answers are signs of life.
  for (let i = 0; i < 6; i += 1) {
    await new Promise((later) => setTimeout(later, 50));
    await line.run("double", i);
  }
  expect(await Promise.race([ended, "waits"])).toBe("waits");
  expect(await ended).toBe("tookTooLong");
  expect(await line.run("double", 4)).toBe(8);
});

test("an error keeps its code across the thread", async () => {
  const line = new WorkerClient<Jobs>(startPort);
  await expect(line.run("fail", "coded")).rejects.toMatchObject({ code: "tooSalty", message: "coded" });
  await expect(line.run("fail", "plain")).rejects.toMatchObject({ code: "jobFailed" });
  await expect(line.run("nothing" as "fail", "x")).rejects.toMatchObject({ code: "noSuchJob" });
});

test("cancelled work is rejected as cancelled, before or while it runs", async () => {
  const line = new WorkerClient<Jobs>(startPort);
  const stop = new AbortController();
  const work = line.run("wait", undefined, { signal: stop.signal });
  queueMicrotask(() => stop.abort());
  await expect(work).rejects.toMatchObject({ code: "cancelled" });
  await expect(line.run("double", 1, { signal: stop.signal })).rejects.toMatchObject({ code: "cancelled" });
});

test("a death rejects all that waits, and the next job starts a new worker", async () => {
  const ports: ReturnType<typeof startPort>[] = [];
  const line = new WorkerClient<Jobs>(() => {
    ports.push(startPort());
    return ports.at(-1)!;
  });
  const waiting = [line.run("wait", undefined), line.run("wait", undefined)];
  ports[0]!.die("out of memory");
  for (const w of waiting) await expect(w).rejects.toMatchObject({ code: "workerDied", message: "out of memory" });
  expect(await line.run("double", 2)).toBe(4);
  expect(ports).toHaveLength(2);
});

test("a pool gives each worker one job at a time, in the order asked", async () => {
  const ports: ReturnType<typeof startPort>[] = [];
  const pool = new WorkerPool<Jobs>(2, () => {
    ports.push(startPort());
    return ports.at(-1)!;
  });
  const done: number[] = [];
  await Promise.all([1, 2, 3, 4, 5].map((n) => pool.run("double", n).then((r) => done.push(r))));
  expect(done).toEqual([2, 4, 6, 8, 10]);
  expect(ports).toHaveLength(2);
});
