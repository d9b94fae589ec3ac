import { mkdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addFreeWords,
  arrangeFirst,
  chooseFiles,
  expectKept,
  openDrawer,
  saveWorkAsFile,
  shelfPhotos,
  startBook,
  startCollage,
  tile,
  tiles,
} from "./support/tessip.ts";

const sheet = (page: Page) => page.getByTestId("page");
const box = async (at: Locator) => (await at.boundingBox())!;
const free = (page: Page) => sheet(page).getByRole("option", { name: /^On top/ });

/** Files held over a point of the window and let go there, as from a folder of the computer. */
async function dropFiles(page: Page, paths: readonly string[], at: { x: number; y: number }): Promise<void> {
  const files = await Promise.all(
    paths.map(async (path) => ({ name: path.split("/").at(-1)!, data: (await readFile(path)).toString("base64") })),
  );
  const data = await page.evaluateHandle((list) => {
    const transfer = new DataTransfer();
    for (const { name, data: base64 } of list)
      transfer.items.add(
        new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name, { type: "image/jpeg" }),
      );
    return transfer;
  }, files);
  for (const type of ["dragenter", "dragover", "drop"] as const)
    await page.evaluate(
      ({ data: dataTransfer, type: name, x, y }) =>
        document
          .elementFromPoint(x, y)!
          .dispatchEvent(
            new DragEvent(name, { dataTransfer, clientX: x, clientY: y, bubbles: true, cancelable: true }),
          ),
      { data, type, ...at },
    );
}

test("the pages answer as other programs do: right click, copy and paste, duplicate, a box, files from outside", async ({
  page,
}, info) => {
  const photos = samplePhotos(12);
  await withPhotos(page, 8);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 4);
  const menu = async (at: Locator, name: string | RegExp) => {
    await at.click({ button: "right" });
    await page.getByRole("menuitem", { name }).click();
    await expect(page.getByRole("menu")).toHaveCount(0);
  };

  await test.step("a right click on the shelf and on a page of the run", async () => {
    await menu(shelfPhotos(page).nth(5), "Put it on the page");
    await expect(tiles(page)).toHaveCount(5);
    await menu(shelfPhotos(page).nth(6), "Lay it behind the page");
    await expect(page.getByRole("button", { name: "Undo: Changed the background" })).toBeVisible();
    await page.keyboard.press("Escape");
    await page.keyboard.press("Control+d");
    await expect(page.getByRole("button", { name: "Undo: Made a page like this one" })).toBeVisible();
    const run = page.getByRole("navigation", { name: "The pages of this project" });
    await expect(run.getByRole("option")).toHaveCount(2);
    await menu(run.getByRole("option").first(), "Another page after it");
    await expect(run.getByRole("option")).toHaveCount(3);
    await menu(run.getByRole("option").nth(1), "Move it forward");
    await expect(page.getByRole("button", { name: "Undo: Moved a page" })).toBeVisible();
  });

  await test.step("and in the overview, where a double click opens", async () => {
    await page.getByRole("link", { name: "Overview" }).click();
    const pages = page.getByRole("listbox").getByRole("option");
    await expect(pages).toHaveCount(3);
    await menu(pages.nth(2), /^Remove it/);
    await expect(pages).toHaveCount(2);
    await menu(pages.nth(1), /^Open it/);
    await expect(sheet(page)).toBeVisible();
  });

  await test.step("photos are copied from one page and pasted onto another; words too, beside themselves", async () => {
    await tile(page, 1).click();
    await tile(page, 2).click({ modifiers: ["Control"] });
    await page.keyboard.press("Control+c");
    await page.keyboard.press("PageUp");
    const before = await tiles(page).count();
    await page.keyboard.press("Escape");
    await page.keyboard.press("Control+v");
    await expect(tiles(page)).toHaveCount(before + 2);
    await addFreeWords(page, "A caption", "At the lock");
    await page.keyboard.press("Control+c");
    await page.keyboard.press("Control+v");
    await expect(free(page)).toHaveCount(2);
    await page.keyboard.press("Control+d");
    await expect(free(page)).toHaveCount(3);
    await page.keyboard.press("Control+x");
    await expect(free(page)).toHaveCount(2);
    await page.keyboard.press("Control+v");
    await expect(free(page)).toHaveCount(3);
  });

  await test.step("with Alt a click goes through what lies under the pointer", async () => {
    const on = await box(free(page).first());
    const at = { x: on.x + on.width / 2, y: on.y + on.height / 2 };
    const chosen = sheet(page).getByRole("option", { selected: true });
    const seen = new Set<string>();
    await page.keyboard.down("Alt");
    for (let i = 0; i < 4; i += 1) {
      await page.mouse.click(at.x, at.y);
      await expect(chosen).toHaveCount(1);
      seen.add((await chosen.getAttribute("data-tile"))!);
    }
    await page.keyboard.up("Alt");
    expect(seen.size).toBeGreaterThanOrEqual(2);
  });

  await test.step("text from elsewhere becomes a story; what cannot lie on a page is answered", async () => {
    const paste = (kind: string, what: string) =>
      page.evaluate(
        ([type, text]) => {
          const clipboardData = new DataTransfer();
          if (text) clipboardData.setData(type!, text);
          document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
        },
        [kind, what],
      );
    await paste("text/plain", "We went up seven locks that day.");
    await expect(page.getByRole("option", { name: /We went up seven locks/ })).toBeVisible();
    await paste("text/plain", "");
    await expect(page.getByText("There is nothing on the clipboard that can go on a page.")).toBeVisible();
    // What says it is ours is believed only as far as it can be read.
    await paste("application/x-tessip-tiles", '{"free":[{"kind":"tile","id":"x"}],"fillings":[]}');
    await expect(page.getByText("There is nothing on the clipboard that can go on a page.").last()).toBeVisible();
    await expectKept(page);
  });

  await test.step("a box drawn around tiles chooses words and photos together", async () => {
    await page.keyboard.press("Escape");
    const at = await box(sheet(page));
    await page.mouse.move(at.x - 12, at.y - 12);
    await page.mouse.down();
    await page.mouse.move(at.x + at.width + 10, at.y + at.height + 8, { steps: 4 });
    await page.mouse.up();
    const all = await sheet(page).getByRole("option").count();
    await expect(sheet(page).getByRole("option", { selected: true })).toHaveCount(all);
    await page.mouse.click(at.x - 15, at.y + 20);
    await expect(sheet(page).getByRole("option", { selected: true })).toHaveCount(0);
  });

  await test.step("all like one are chosen by its menu", async () => {
    await menu(tile(page, 1), "Choose all photos on this page");
    await expect(sheet(page).getByRole("option", { selected: true })).toHaveCount(await tiles(page).count());
    await page.keyboard.press("Escape");
  });

  await test.step("a file dropped on a photo takes its place, one in a gap slips in, and both are in the library", async () => {
    await openDrawer(page, "Photos");
    const count = await tiles(page).count();
    const known = await page.getByRole("link", { name: /^Photos/ }).textContent();
    const first = await box(tile(page, 1));
    await dropFiles(page, [photos[9]!], { x: first.x + first.width / 2, y: first.y + first.height / 2 });
    await expect(page.getByRole("button", { name: "Undo: Filled a tile" })).toBeVisible();
    await expect(page.getByRole("link", { name: /^Photos/ })).not.toHaveText(known!);
    await expect(tiles(page)).toHaveCount(count);
    await dropFiles(page, [photos[10]!, photos[11]!], { x: first.x + 3, y: first.y + first.height / 2 });
    await expect(tiles(page)).toHaveCount(count + 2);
    await expect(page.getByText("Drop", { exact: false }).filter({ hasText: /Let go/ })).toHaveCount(0);
  });

  await test.step("Delete asks before photos leave the library", async () => {
    await page.getByRole("link", { name: /^Photos/ }).click();
    await page.getByRole("listbox", { name: "Photos" }).getByRole("option").first().click();
    await page.keyboard.press("Delete");
    await expect(page.getByRole("dialog")).toBeVisible();
    await page.getByRole("button", { name: "Cancel" }).click();
    await expect(page.getByRole("dialog")).toHaveCount(0);
  });

  await test.step("dates that are guesses are marked, and set together", async () => {
    await mkdir(info.outputDir, { recursive: true });
    const undated = await Promise.all(
      ["#335577", "#775533"].map(async (background, i) => {
        const path = join(info.outputDir, `scan-${"ab"[i]}.png`);
        await sharp({ create: { width: 900, height: 600, channels: 3, background } })
          .png()
          .toFile(path);
        return path;
      }),
    );
    await chooseFiles(page, undated);
    await page.getByRole("button", { name: "2 guessed dates" }).click();
    await expect(page.getByRole("region", { name: "With the chosen photos" })).toContainText("2 chosen");
    await page.getByRole("button", { name: "Correct the time" }).click();
    await page.getByLabel("Day", { exact: true }).fill("");
    await expect(page.getByText("Choose a day.")).toBeVisible();
    await page.getByLabel("Day", { exact: true }).fill("2025-05-17");
    await expect(page.getByText("All 2 were taken on that day, in the order they have now.")).toBeVisible();
    await page.getByRole("button", { name: "Set the day" }).click();
    await expect(page.getByRole("heading", { name: "17 May 2025" })).toBeVisible();
    await expect(page.getByRole("button", { name: /guessed date/ })).toHaveCount(0);
    await page.getByRole("button", { name: /^Undo: / }).click();
    await expect(page.getByRole("button", { name: "2 guessed dates" })).toBeVisible();
  });

  await test.step("a project file has an ending of its own, and is opened by a drop and by the system", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    const path = join(info.outputDir, "kept.tessip");
    expect(await saveWorkAsFile(page, path)).toBe("My-collage.tessip");
    await page.getByRole("link", { name: "To all your projects" }).click();
    await expect(page.getByRole("link", { name: /^Open My collage/ })).toHaveCount(1);
    await dropFiles(page, [path], { x: 600, y: 400 });
    await expect(page.getByRole("link", { name: /^Open My collage/ })).toHaveCount(2);
    const base64 = (await readFile(path)).toString("base64");
    await page.addInitScript((data) => {
      Object.defineProperty(window, "launchQueue", {
        value: {
          setConsumer(take: (launched: object) => void) {
            const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
            take({ files: [{ getFile: async () => new File([bytes], "kept.tessip") }] });
          },
        },
      });
    }, base64);
    await page.reload();
    await expect(page.getByRole("link", { name: /^Open My collage/ })).toHaveCount(3);
  });

  await test.step("an address that leads nowhere says so", async () => {
    await page.goto("/nowhere/at/all");
    await expect(page.getByRole("heading")).toContainText("There is nothing at this address");
  });
});

test("a photo dragged to the facing page moves there", async ({ page }) => {
  await withPhotos(page, 4);
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  await page.keyboard.press("PageDown");
  await arrangeFirst(page, 3);
  const facing = page.getByRole("button", { name: /^Open the (left|right) page/ });
  await expect(facing).toBeVisible();
  const from = await box(tile(page, 1));
  const to = await box(facing);
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 + 20, from.y + from.height / 2, { steps: 3 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(tiles(page)).toHaveCount(1);
  await page.getByRole("button", { name: /^Undo: Moved/ }).click();
  await expect(tiles(page)).toHaveCount(0);
  await facing.click();
  await expect(tiles(page)).toHaveCount(3);
});

test("finished pages flow into a new book's blank ones by their numbers, and blank ones left over go at once", async ({
  page,
}, info) => {
  await mkdir(info.outputDir, { recursive: true });
  const paths = await Promise.all(
    [10, 2, 1].map(async (n) => {
      const path = join(info.outputDir, `page ${n}.png`);
      const background = { r: 20 * n, g: 90, b: 140 };
      await sharp({ create: { width: 1260, height: 1260, channels: 3, background } })
        .png()
        .toFile(path);
      return path;
    }),
  );
  await page.goto("/");
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  const run = page.getByRole("navigation", { name: "The pages of this project" });
  await page.getByRole("button", { name: "More about this project" }).click();
  await page.getByRole("menuitem", { name: "Bring in finished pages …" }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose files" }).click();
  await (await chooser).setFiles(paths);
  await expect(page.getByText("3 finished pages came in.")).toBeVisible();
  const done = page.getByRole("button", { name: "Done" });
  if (await done.isVisible()) await done.click();
  await expect(run.getByRole("option", { name: /^Page 1 of 24, 1 tile/ })).toBeVisible();
  await expect(run.getByRole("option", { name: /^Page 3 of 24, 1 tile/ })).toBeVisible();
  await expect(run.getByRole("option", { name: /^Page 4 of 24, nothing on it/ })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: Brought/ }).click();
  await expect(run.getByRole("option", { name: /^Page 1 of 24, nothing on it/ })).toBeVisible();
});
