import { type BrowserContext, chromium, type LaunchOptions, type Page } from "@playwright/test";

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

/** A browser with a profile of its own, that can be killed and started again on it. */
export const openProfile = (folder: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(folder, { ...launchOptions, viewport, acceptDownloads: true });

/** Fonts loaded and nothing coming in any more. */
export async function settled(page: Page): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  await page.getByTestId("incoming").filter({ hasText: "Bringing in" }).waitFor({ state: "hidden", timeout: 120_000 });
}
