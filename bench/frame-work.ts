import type { CDPSession, Page } from "@playwright/test";

/** How much the page's main thread worked while something was done. */
export interface FrameWork {
  /** The longest single task, in ms of processor time: what it would take on a machine that does nothing else. */
  readonly longestMs: number;
  /** The same by the clock on the wall, with whatever else the machine was doing. */
  readonly longestWallMs: number;
  /** Processor time of every task of a millisecond and more, the longest first. */
  readonly tasksMs: readonly number[];
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly dur?: number;
  readonly tdur?: number;
  readonly args?: { readonly name?: string };
}

/** Traces the page's main thread while `act` goes on. */
export async function frameWork(page: Page, act: () => Promise<unknown>): Promise<FrameWork> {
  const cdp = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  cdp.on("Tracing.dataCollected", ({ value }) => events.push(...(value as unknown as TraceEvent[])));
  await cdp.send("Tracing.start", { transferMode: "ReportEvents", categories: "toplevel,__metadata" });
  await act();
  await page.waitForTimeout(600);
  await ended(cdp);
  await cdp.detach();
  const pid = busiest(events);
  const main = events.find((e) => e.ph === "M" && e.args?.name === "CrRendererMain" && e.pid === pid);
  const tasks = events.filter((e) => e.ph === "X" && e.tdur !== undefined && e.tid === main?.tid && e.pid === pid);
  const tasksMs = tasks
    .map((e) => e.tdur! / 1000)
    .filter((ms) => ms >= 1)
    .sort((a, b) => b - a);
  return { longestMs: tasksMs[0] ?? 0, longestWallMs: Math.max(0, ...tasks.map((e) => (e.dur ?? 0) / 1000)), tasksMs };
}

async function ended(cdp: CDPSession): Promise<void> {
  const done = new Promise<void>((resolve) => cdp.once("Tracing.tracingComplete", () => resolve()));
  await cdp.send("Tracing.end");
  await done;
}

/** The busiest renderer is ours: the others stand empty. */
function busiest(events: readonly TraceEvent[]): number | undefined {
  const mains = events.filter((e) => e.ph === "M" && e.args?.name === "CrRendererMain");
  const work = (pid: number, tid: number) =>
    events.reduce((sum, e) => (e.pid === pid && e.tid === tid ? sum + (e.tdur ?? 0) : sum), 0);
  return mains.sort((a, b) => work(b.pid, b.tid) - work(a.pid, a.tid))[0]?.pid;
}
