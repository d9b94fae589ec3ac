import { defineConfig } from "@playwright/test";
import { launchOptions, viewport } from "./e2e/support/browser.ts";

const port = 4199;

export default defineConfig({
  testDir: "e2e",
  testMatch: "**/*.spec.ts",
  timeout: 900_000,
  expect: { timeout: 60_000 },
  fullyParallel: false,
  workers: 2,
  // On a starved machine a click can take a minute; a journey that really fails does so twice.
  retries: 1,
  reporter: [["list"], ["./scripts/counting-reporter.mjs"]],
  outputDir: "test-results",
  use: {
    actionTimeout: 60_000,
    baseURL: `http://127.0.0.1:${port}`,
    viewport,
    launchOptions,
    locale: "en-GB",
    timezoneId: "Europe/London",
    // Keeping the whole application for later is one journey's matter, and waiting for things to glide nobody's.
    serviceWorkers: "block",
    contextOptions: { reducedMotion: "reduce" },
    // A browser that has compiled the program once goes on with it; what a journey kept is gone before the next begins.
    reuseContext: true,
    trace: "off",
    screenshot: "only-on-failure",
  },
  webServer: {
    command: `node dist/server/main.js --port ${port}`,
    url: `http://127.0.0.1:${port}/health`,
    reuseExistingServer: false,
    timeout: 20_000,
  },
});
