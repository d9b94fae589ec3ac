import { spawn } from "node:child_process";
import { chromium } from "@playwright/test";
import { launchOptions, viewport } from "./support/browser.ts";

const server = spawn(process.execPath, ["dist/server/main.js", "--port", "4196"], {
  stdio: ["ignore", "pipe", "inherit"],
});
await new Promise((ready) => server.stdout.once("data", ready));
const browser = await chromium.launch(launchOptions);
const context = await browser.newContext({
  viewport,
  locale: "en-GB",
  baseURL: "http://127.0.0.1:4196",
  acceptDownloads: true,
});
const page = await context.newPage();
page.on("pageerror", (e) => console.log("PAGEERROR", e.message, e.stack?.slice(0, 400)));
page.on("console", (m) => m.type() === "error" && console.log("CONSOLE", m.text().slice(0, 300)));
try {
  await page.goto("/labs");
  await page.getByRole("button", { name: "A new card" }).waitFor();
  await page.waitForTimeout(800);
  await page.screenshot({ path: "/tmp/l0.png" });
  await page.getByRole("button", { name: "Begin from Marrow & Lisle" }).click();
  await page.waitForTimeout(800);
  await page.screenshot({ path: "/tmp/l1.png" });
  await page.getByRole("button", { name: "A new card" }).click();
  await page.waitForTimeout(500);
  await page.getByLabel("Bleed").fill("4");
  await page.keyboard.press("Enter");
  await page.getByLabel("Keep clear").fill("50");
  await page.keyboard.press("Enter");
  await page.waitForTimeout(500);
  await page.screenshot({ path: "/tmp/l2.png" });
} catch (e) {
  console.log(String(e).slice(0, 600));
  await page.screenshot({ path: "/tmp/lx.png" });
}
await browser.close();
server.kill();
