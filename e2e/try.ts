import { spawn } from "node:child_process";
import { chromium } from "@playwright/test";
import { launchOptions, viewport } from "./support/browser.ts";
import { samplePhotos } from "./support/files.ts";
import { chooseFiles } from "./support/tessip.ts";

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
  await page.goto("/");
  await chooseFiles(page, samplePhotos(16));
  await page.getByText("Pocket pages", { exact: true }).click();
  await page.getByText("6 × 8 in", { exact: true }).click();
  await page.getByText("Four upright, 3 × 4 in", { exact: true }).click();
  await page.getByRole("button", { name: "Start these pages" }).click();
  await page.getByRole("listbox", { name: "Shelf" }).getByRole("option").first().click();
  for (let i = 0; i < 13; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: /^Arrange \d+ photos/ }).click();
  await page.waitForTimeout(800);
  await page.keyboard.press("PageDown");
  await page.getByRole("listbox", { name: "Shelf" }).getByRole("option").nth(6).click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: /^Arrange \d+ photos/ }).click();
  await page.waitForTimeout(500);
  await page.getByRole("link", { name: /^Print sheets/ }).click();
  await page.screenshot({ path: "/tmp/s0.png" });
  await page.getByRole("button", { name: "All cards of the pockets" }).click();
  await page.waitForTimeout(800);
  await page.screenshot({ path: "/tmp/s1.png" });
  await page.getByRole("button", { name: "Pack the sheets" }).click();
  await page.waitForTimeout(500);
  await page.getByLabel("On what").selectOption("lab");
  await page.waitForTimeout(300);
  await page.getByRole("button", { name: "Pack the sheets" }).click();
  await page.getByTestId("packed").waitFor({ timeout: 60000 });
  await page.waitForTimeout(1200);
  await page.screenshot({ path: "/tmp/s2.png" });
  const d = page.waitForEvent("download", { timeout: 60000 });
  await page.getByRole("button", { name: /^Save \d+ sheets|Save the sheet/ }).click();
  await (await d).saveAs("/tmp/sheets.zip");
  const l = page.waitForEvent("download", { timeout: 60000 });
  await page.getByRole("button", { name: "Save the cutting list" }).click();
  await (await l).saveAs("/tmp/list.pdf");
  await page.getByLabel("On what").selectOption("printer");
  await page.getByRole("button", { name: "Pack again" }).click();
  await page.getByTestId("packed").waitFor({ timeout: 60000 });
  await page.waitForTimeout(1200);
  await page.screenshot({ path: "/tmp/s3.png" });
} catch (e) {
  console.log(String(e).slice(0, 600));
  await page.screenshot({ path: "/tmp/sx.png" });
}
await browser.close();
server.kill();
