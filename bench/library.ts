import { parseArgs } from "node:util";
import { fillStorage } from "./fill-storage.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";
import { inBrowser, printTasks } from "./in-browser.ts";

/**
 * A library of 5,000 photos: how long it takes to open after the first time, and the longest task that scrolling,
 * choosing, searching and brushing give the main thread. Photos are written into storage as they would
 * be after bringing them in, with previews of one small picture each.
 */

const { values } = parseArgs({ options: { count: { type: "string", default: "5000" } } });
const count = Number(values.count);

await inBrowser(4195, async ({ url, open }) => {
  const { page } = await open("profile");
  await page.goto(`${url}/photos`);
  await page.getByRole("button", { name: "Add photos" }).first().waitFor();
  await page.evaluate(fillStorage, [count, 0] as const);
  const heading = page.getByRole("heading", { name: `${count.toLocaleString("en")} photos` });
  await page.goto(`${url}/photos`);
  await heading.waitFor();
  // The first opening also fills the browser's caches; those after it are what a person sees day by day.
  const opened: number[] = [];
  for (let k = 0; k < 4; k += 1) {
    await page.reload({ waitUntil: "commit" });
    await page.locator("[data-photo] img").first().waitFor();
    opened.push(await page.evaluate(() => performance.now()));
    await page.waitForTimeout(1500);
  }
  await page.waitForTimeout(2500);
  const wall = page.getByRole("listbox", { name: "Photos" });
  const figures: [string, FrameWork][] = [
    [
      "scroll",
      await frameWork(page, async () => {
        await page.mouse.move(600, 500);
        for (let i = 0; i < 40; i += 1) await page.mouse.wheel(0, 900);
      }),
    ],
    ["choose one", await frameWork(page, () => wall.getByRole("option").first().click())],
    ["choose all", await frameWork(page, () => page.keyboard.press("Control+a"))],
    ["search", await frameWork(page, () => page.getByRole("searchbox").fill("lock"))],
    ["search cleared", await frameWork(page, () => page.getByRole("searchbox").fill(""))],
    [
      "brush",
      await frameWork(page, async () => {
        const line = (await page.getByTestId("timeline").locator("svg").boundingBox())!;
        await page.mouse.move(line.x + line.width * 0.3, line.y + 20);
        await page.mouse.down();
        await page.mouse.move(line.x + line.width * 0.6, line.y + 20, { steps: 8 });
        await page.mouse.up();
      }),
    ],
  ];
  const [first, ...later] = opened.map((ms) => ms.toFixed(0));
  process.stdout.write(
    `${count} photos: first photos on screen ${later.join(", ")} ms after a reload began; ${first} the first time\n`,
  );
  printTasks(figures);
});
