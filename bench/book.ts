import { fillStorage } from "./fill-storage.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";
import { inBrowser, printTasks } from "./in-browser.ts";

/**
 * A book of 200 pages with 2,000 photos: how long it takes to open, and the longest task that leafing, the overview and adding
 * pages give the main thread.
 */

/** Since the page was asked for, in ms. */
interface Opening {
  /** The frame with the page and its tiles is on screen. */
  readonly thereMs: number;
  /** No tile of it waits for its photo any more. */
  readonly paintedMs: number;
}
interface Watched {
  readonly opening: Opening;
}

/** In the page itself: a test driver's own waiting takes longer than the opening. `#d9d2c4` is what a photo's place is until it comes. */
const watchOpening = `{
  const opening = (globalThis.opening = {});
  const bare = (tile) => {
    const canvas = document.querySelector("[data-testid=page] canvas");
    const [box, on] = [canvas.getBoundingClientRect(), tile.getBoundingClientRect()];
    const at = (c, low, size, px) => ((c - low) / size) * px;
    const x = at(on.x + on.width / 2, box.x, box.width, canvas.width);
    const y = at(on.y + on.height / 2, box.y, box.height, canvas.height);
    const [r, g, b] = canvas.getContext("2d").getImageData(x, y, 1, 1).data;
    return (r === 0xd9 && g === 0xd2 && b === 0xc4) || r + g + b === 0;
  };
  const look = () => {
    const tiles = [...document.querySelectorAll("[data-tile]")];
    if (tiles.length === 0) return requestAnimationFrame(look);
    opening.thereMs ??= performance.now();
    if (tiles.some(bare)) requestAnimationFrame(look);
    else opening.paintedMs = performance.now();
  };
  requestAnimationFrame(look);
}`;

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
  await page.getByRole("button", { name: "Fill the book with photos" }).click();
  await page.getByLabel("Pages in the book").selectOption("200");
  const began = Date.now();
  await page.getByRole("button", { name: "Fill it" }).click();
  await page.getByText(/photos are on 200 pages now/).waitFor({ timeout: 120_000 });
  const pacedMs = Date.now() - began;
  await page.getByRole("button", { name: "Back to the page" }).click();
  await page.locator("[data-keeping=kept]").waitFor();
  await page.addInitScript(watchOpening);
  const opened: Opening[] = [];
  for (let k = 0; k < 5; k += 1) {
    await page.reload({ waitUntil: "commit" });
    await page.waitForFunction(() => (globalThis as Partial<Watched>).opening?.paintedMs !== undefined);
    opened.push(await page.evaluate(() => (globalThis as unknown as Watched).opening));
    await page.waitForTimeout(1500);
  }
  const adding: [string, FrameWork][] = [];
  for (let k = 1; k <= 5; k += 1) {
    await askForOne();
    await page.waitForTimeout(500);
    const add = () => page.getByRole("button", { name: "Add 2 pages, so that left pages stay left" }).click();
    adding.push([`add two pages, ${k}`, await frameWork(page, add)]);
  }
  const figures: [string, FrameWork][] = [
    [
      "leaf 30 pages",
      await frameWork(page, async () => {
        for (let i = 0; i < 30; i += 1) await page.keyboard.press("PageDown");
      }),
    ],
    ["ask about one", await frameWork(page, () => askForOne())],
    ...adding,
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
  const each = (of: (o: Opening) => number) => opened.map((o) => of(o).toFixed(0)).join(", ");
  process.stdout.write(`after a reload the page is there in ${each((o) => o.thereMs)} ms, `);
  process.stdout.write(`with all of its photos in ${each((o) => o.paintedMs)} ms\n`);
  printTasks(figures);

  async function askForOne(): Promise<void> {
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Another page" }).first().click();
    await page.getByRole("button", { name: "Add 2 pages, so that left pages stay left" }).waitFor();
  }
});
