import { spawn } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import { launchOptions, viewport } from "../e2e/support/browser.ts";
import type { FrameWork } from "./frame-work.ts";

export interface InBrowser {
  /** Where the built application answers. */
  readonly url: string;
  /** A browser of its own, with a storage of its own that is gone afterwards. */
  open(name: string): Promise<{ readonly context: BrowserContext; readonly page: Page }>;
  readonly folder: string;
}

/** The built application on a port, for as long as `work` goes on. */
export async function inBrowser(port: number, work: (at: InBrowser) => Promise<void>): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), "tessip-bench-"));
  const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  const opened: BrowserContext[] = [];
  try {
    await new Promise((ready) => server.stdout.once("data", ready));
    await work({
      url: `http://127.0.0.1:${port}`,
      folder,
      open: async (name) => {
        const context = await chromium.launchPersistentContext(join(folder, name), { ...launchOptions, viewport });
        opened.push(context);
        return { context, page: await context.newPage() };
      },
    });
  } finally {
    for (const context of opened) await context.close();
    server.kill();
    await rm(folder, { recursive: true, force: true });
  }
}

/** One line a figure: the longest task, by the processor and by the clock, and those after it. */
export function printTasks(figures: readonly (readonly [string, FrameWork])[]): void {
  for (const [name, work] of figures) {
    const next = work.tasksMs.slice(1, 5).map((ms) => ms.toFixed(0));
    const [cpu, wall] = [work.longestMs.toFixed(0), work.longestWallMs.toFixed(0)];
    process.stdout.write(
      `${name.padEnd(16)} longest task ${cpu} ms of processor time (${wall} by the clock); the next ${next.join(", ")}\n`,
    );
  }
}
