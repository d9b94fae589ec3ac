import { readdirSync, readFileSync } from "node:fs";
import { type BrowserContext, chromium, type LaunchOptions } from "@playwright/test";

/** Debian's chromium, kept from looking anything up outside this machine. */
export const launchOptions: LaunchOptions = {
  executablePath: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--font-render-hinting=none",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost",
  ],
};

export const viewport = { width: 1280, height: 800 } as const;

/** A browser on a profile folder, so that it can be killed and started again with what it had kept. */
export const openProfile = (folder: string, baseURL: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(folder, { ...launchOptions, viewport, baseURL, acceptDownloads: true });

/** As a power cut would: every process that runs on the profile, at once. */
export async function killBrowser(context: BrowserContext, folder: string): Promise<void> {
  const closed = context.waitForEvent("close");
  for (const pid of readdirSync("/proc").filter((d) => /^\d+$/.test(d))) {
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(folder)) process.kill(Number(pid), "SIGKILL");
    } catch {
      // It ended by itself in between.
    }
  }
  await closed;
}
