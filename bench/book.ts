import { fillStorage } from "./fill-storage.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";
import { inBrowser, printTasks } from "./in-browser.ts";

/**
 * A book of 200 pages with 2,000 photos: how long it takes to open, and the longest task that leafing, the overview and adding
 * pages give the main thread.
 */

await inBrowser(4194, async ({ url, open }) => {
  const { page } = await open("profile");
  await page.goto(`${url}/photos`);
  await page.getByRole("button", { name: "Add photos" }).first().waitFor();
  await page.evaluate(fillStorage, [2000, 0] as const);
  await page.goto(`${url}/`);
  await page.getByText("A book", { exact: true }).click();
  await page.getByText("Marrow & Lisle", { exact: true }).click();
  await page.getByText("210 × 210 mm", { exact: true }).click();
  await page.getByRole("button", { name: "Start this book" }).click();
  await page.getByRole("link", { name: "Overview" }).click();
  await page.getByRole("button", { name: "Pace the book" }).click();
  await page.getByLabel("Pages in the book").selectOption("200");
  const began = Date.now();
  await page.getByRole("button", { name: "Pace it" }).click();
  await page.getByText(/photos are on 200 pages now/).waitFor({ timeout: 120_000 });
  const pacedMs = Date.now() - began;
  await page.getByRole("button", { name: "Back to the page" }).click();
  await page.locator("[data-keeping=kept]").waitFor();
  const opened: number[] = [];
  for (let k = 0; k < 4; k += 1) {
    await page.reload({ waitUntil: "commit" });
    await page.locator("[data-tile]").first().waitFor();
    opened.push(await page.evaluate(() => performance.now()));
    await page.waitForTimeout(1500);
  }
  const figures: [string, FrameWork][] = [
    [
      "leaf 30 pages",
      await frameWork(page, async () => {
        for (let i = 0; i < 30; i += 1) await page.keyboard.press("PageDown");
      }),
    ],
    ["ask about one", await frameWork(page, () => askForOne())],
    [
      "add two pages",
      await frameWork(page, () => page.getByRole("button", { name: "Add 2 pages, and keep the sides" }).click()),
    ],
    [
      "check it all",
      await frameWork(page, async () => {
        await page.getByRole("link", { name: /^Check/ }).click();
        await page.locator("[data-testid=findings][aria-busy=false]").waitFor({ timeout: 120_000 });
        await page.getByRole("link", { name: /^Pages/ }).click();
      }),
    ],
    ["open overview", await frameWork(page, () => page.getByRole("link", { name: "Overview" }).click())],
    [
      "scroll overview",
      await frameWork(page, async () => {
        await page.mouse.move(600, 600);
        for (let i = 0; i < 30; i += 1) await page.mouse.wheel(0, 600);
      }),
    ],
  ];
  process.stdout.write(`200 pages, 2,000 photos: paced in ${pacedMs} ms by the clock, in the worker\n`);
  process.stdout.write(`opens after a reload in ${opened.map((ms) => ms.toFixed(0)).join(", ")} ms\n`);
  printTasks(figures);

  async function askForOne(): Promise<void> {
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Another page" }).first().click();
    await page.getByRole("button", { name: "Add 2 pages, and keep the sides" }).waitFor();
  }
});
