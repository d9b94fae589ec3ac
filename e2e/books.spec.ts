import { mkdtemp, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Download, expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { killBrowser, openProfile } from "./support/browser.ts";
import { samplePhotos } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  box,
  chooseFiles,
  drag,
  expectKept,
  expectUndo,
  longMs,
  pace,
  shelfPhotos,
  startBook,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const overview = (page: Page) => page.getByRole("listbox", { name: "The pages of this book" }).getByRole("option");
const spine = (page: Page) => page.getByText(/^Spine \d/);

test("a book with a gutter: paced, read in openings, reordered with sides kept, numbered, covered, sent page by page", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, samplePhotos(40));
  await startBook(page, "Pennywhistle Press", "15 × 15 cm");

  await test.step("it begins with a right page; no page of it is paced before photos are shared out", async () => {
    await expect(page.getByRole("button", { name: /^Arrange the first/ })).toHaveCount(0);
    await expect(page.getByText("Fill again from here")).toHaveCount(0);
    await page.getByRole("button", { name: "Fill the book with 40 photos" }).click();
    await expect(page.getByRole("dialog", { name: "Fill the book with photos" })).toBeVisible();
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.getByRole("link", { name: "Overview" }).click();
    await expect(overview(page)).toHaveCount(12);
    await expect(page.getByText("12 pages", { exact: true })).toBeVisible();
  });

  await test.step("the photos go onto the pages, all of them once, and that is one step", async () => {
    await pace(page);
    await expectUndo(page, "Filled 12 pages with photos");
    const tileCounts = await overview(page).evaluateAll((all) =>
      all.map((o) => Number(/(\d+) tiles?/.exec(o.getAttribute("aria-label") ?? "")?.[1] ?? 0)),
    );
    expect(Math.min(...tileCounts)).toBeGreaterThan(0);
    expect(tileCounts.reduce((a, b) => a + b, 0)).toBeGreaterThan(30);
  });

  await test.step("a page break moved by key takes a photo over to the next page", async () => {
    const first = page.getByRole("separator", { name: "Break between pages 1 and 2" });
    const was = Number(await first.getAttribute("aria-valuenow"));
    await first.focus();
    await page.keyboard.press("ArrowRight");
    await expect(first).toHaveAttribute("aria-valuenow", String(was + 1));
    await expectUndo(page, "Moved a page break");
    await drag(page, first, { dx: -60, dy: 0 });
    await expect.poll(async () => Number(await first.getAttribute("aria-valuenow"))).toBeLessThan(was + 1);
  });

  await test.step("one page more would turn all that follow: it asks, and offers two", async () => {
    await overview(page).nth(2).click();
    await page.getByRole("button", { name: "Add pages" }).click();
    await page.getByRole("menuitem", { name: "Add 1 page after this one" }).click();
    await expect(page.getByText("This turns every page after it to the other side")).toBeVisible();
    await page.getByRole("button", { name: "Add 2 pages, so that left pages stay left" }).click();
    await expect(overview(page)).toHaveCount(14);
    await expect(page.getByText(/This lab binds no book of 14 pages. The nearest it binds: 12 or 16/)).toBeVisible();
    await undoButton(page).click();
    await overview(page).nth(2).click();
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Leave a blank page in its place" }).click();
    await expect(overview(page)).toHaveCount(12);
    await expect(page.getByText(/Leave empty/)).toBeVisible();
    await undoButton(page).click();
  });

  await test.step("an opening moves as one, by key; its pages stay left and right", async () => {
    const labels = () => overview(page).evaluateAll((all) => all.map((o) => o.getAttribute("data-page")));
    const was = await labels();
    await overview(page).nth(1).click();
    await overview(page).nth(1).focus();
    await page.keyboard.press("Alt+ArrowRight");
    await expect.poll(labels).toEqual([was[0], was[3], was[4], was[1], was[2], ...was.slice(5)]);
    await expectUndo(page, "Moved 2 pages");
  });

  await test.step("arrows go along the pages, and up and down the lines", async () => {
    const selected = page
      .getByRole("listbox", { name: "The pages of this book" })
      .getByRole("option", { selected: true });
    await overview(page).nth(1).click();
    await overview(page).nth(1).focus();
    const above = await box(selected);
    await page.keyboard.press("ArrowDown");
    await expect.poll(async () => (await box(selected)).y).toBeGreaterThan(above.y + above.height / 2);
    await expect(selected).toBeFocused();
    await page.keyboard.press("ArrowUp");
    await expect.poll(async () => (await box(selected)).y).toBeCloseTo(above.y, 0);
    await page.keyboard.press("ArrowRight");
    await expect.poll(async () => (await box(selected)).x).toBeGreaterThan(above.x);
  });

  await test.step("dragged in the overview, an opening moves by its number", async () => {
    const labels = () => overview(page).evaluateAll((all) => all.map((o) => o.getAttribute("data-page")));
    const was = await labels();
    await drag(page, page.getByText("4\u20135", { exact: true }), overview(page).nth(7));
    await expect.poll(labels).not.toEqual(was);
    await expectUndo(page, "Moved 2 pages");
    await undoButton(page).click();
    await expect.poll(labels).toEqual(was);
    await overview(page).nth(3).click();
  });

  await test.step("two facing pages become one spread over the fold, and two again", async () => {
    await page.getByRole("button", { name: "Make one spread" }).click();
    await expect(overview(page)).toHaveCount(11);
    await page.getByRole("button", { name: "Back to the page" }).click();
    await expect.poll(() => tiles(page).count()).toBeGreaterThan(1);
    const onSpread = await tiles(page).count();
    await page.getByRole("button", { name: "The left page and the right page, each by itself" }).click();
    await expectUndo(page, "Split the page in parts");
    await expect(tiles(page)).toHaveCount(onSpread + 1);
    const [sheet, empty] = [await box(page.getByTestId("page")), await box(tiles(page).last())];
    expect(empty.x).toBeGreaterThan(sheet.x + sheet.width / 2);
    await undoButton(page).click();
    await page.getByRole("button", { name: "Make two pages of this spread" }).click();
    await expect(page.locator("[data-facing]")).toBeVisible();
    await page.locator("[data-facing]").click();
    await expect.poll(() => tiles(page).count()).toBeGreaterThan(0);
  });

  await test.step("a photo goes to another page, and the facing page is made to match", async () => {
    const count = await tiles(page).count();
    await tiles(page).first().click();
    await page.getByLabel("Move to page …").selectOption({ label: "Page 1" });
    await expectUndo(page, "Moved a tile to another page");
    await undoButton(page).click();
    await expect.poll(() => tiles(page).count()).toBeGreaterThan(0);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Match facing page" }).click();
    await expectUndo(page, "Matched two pages");
    expect(count).toBeGreaterThan(0);
  });

  await test.step("page numbers stand outside, and not where they are not wanted", async () => {
    await page.getByRole("button", { name: "Page numbers" }).click();
    await page.getByText("Show them", { exact: true }).click();
    await expectUndo(page, "Changed the book");
    await page.getByLabel("Font of the numbers").selectOption({ label: "Jost" });
    await page.getByLabel("Beside them").selectOption({ label: "the days of the photos" });
    await page.getByText("No page number here").click();
    await expectUndo(page, "Marked a page");
  });

  await test.step("a stapled spine takes no words, and says why", async () => {
    await page.getByRole("button", { name: "Make the cover" }).click();
    await expectUndo(page, "Made the cover");
    await expect(page.getByText(/This spine is .* wide. Below .* the lab prints no words on it/)).toBeVisible();
  });

  await test.step("a file for each page and one for the cover, exact to the pixel", async () => {
    await expectKept(page);
    await page.getByRole("link", { name: /Send/ }).click();
    const downloads: Download[] = [];
    page.on("download", (d) => downloads.push(d));
    await page.getByRole("button", { name: "Save 13 JPEGs to disk" }).click();
    await expect(page.getByTestId("saved")).toBeVisible({ timeout: longMs });
    await expect.poll(() => downloads.length).toBe(13);
    const names = downloads.map((d) => d.suggestedFilename());
    expect(names[0]).toBe("booklet-My-book-cover.jpg");
    expect(names.slice(1)).toEqual(
      Array.from({ length: 12 }, (_, i) => `booklet-My-book-${String(i + 1).padStart(2, "0")}.jpg`),
    );
    const sizes = await Promise.all(
      [downloads[0]!, downloads[5]!].map(async (d) => sharp(await readFile(await d.path())).metadata()),
    );
    const px = (mm: number) => Math.round((mm / 25.4) * 254);
    expect([sizes[0]!.width, sizes[0]!.height]).toEqual([px(300.5 + 4), px(150 + 4)]);
    expect([sizes[1]!.width, sizes[1]!.height]).toEqual([px(154), px(154)]);
  });
});

test("a lay-flat book: whole spreads as files, a photo dropped on the facing page, a spine that follows the pages", async ({
  page,
}) => {
  await withPhotos(page, 24);
  await startBook(page, "Tern Hill Bindery", "8 × 8 in");

  await test.step("a photo held over the facing page opens it, and lands there", async () => {
    await expect(page.locator("[data-facing]")).toBeVisible();
    const facing = await page.locator("[data-facing]").getAttribute("data-facing");
    const to = await box(page.locator("[data-facing]"));
    const from = await box(shelfPhotos(page).first());
    await page.mouse.move(from.x + 30, from.y + 30);
    await page.mouse.down();
    for (let i = 1; i <= 12; i += 1)
      await page.mouse.move(
        from.x + 30 + ((to.x + to.width / 2 - from.x - 30) * i) / 12,
        from.y + 30 + ((to.y + to.height / 2 - from.y - 30) * i) / 12,
      );
    await page.mouse.up();
    await expect(tiles(page)).toHaveCount(1);
    await expect(page.locator(`[data-page="${facing}"][aria-selected="true"]`)).toBeVisible();
  });

  await test.step("pacing leaves what was made by hand, and can be stopped", async () => {
    await page.getByRole("link", { name: "Overview" }).click();
    await pace(page);
    await expect(overview(page).nth(1)).toHaveAccessibleName("Page 2, 1 tile");
    await expect(overview(page)).toHaveCount(20);
    // One that is to stay stays, though pacing made it.
    const fifth = await overview(page).nth(4).getAttribute("data-page");
    await overview(page).nth(4).dblclick();
    await page.getByText("Stays when the book is filled again").click();
    await expectUndo(page, "Marked a page");
    await page.getByRole("link", { name: "Overview" }).click();
    await pace(page);
    await expect(page.locator(`[data-page="${fifth}"]`)).toHaveCount(1);
  });

  await test.step("the cover's spine carries its words, and is wider with more pages", async () => {
    await page.getByRole("button", { name: "Back to the page" }).click();
    await page.getByRole("button", { name: "Make the cover" }).click();
    await expect(page.getByRole("textbox", { name: "Words on the spine" })).toHaveValue("My book");
    await page.getByRole("group", { name: "From the photos:" }).getByRole("button").first().click();
    await expectUndo(page, "Changed the cover");
    const was = await spine(page).textContent();
    await page.getByRole("link", { name: "Overview" }).click();
    await page.getByRole("button", { name: "Add pages" }).click();
    await page.getByRole("menuitem", { name: "Add 10 pages at the end" }).click();
    await expect(page.getByText(/The spine went from .* to .*, and the cover moved along with it/)).toBeVisible();
    await page.getByRole("button", { name: "Back to the page" }).click();
    await page.getByRole("option", { name: "The cover" }).click();
    await expect(spine(page)).not.toHaveText(was!);
  });

  await test.step("one file holds a spread", async () => {
    await page.keyboard.press("Escape");
    await page.getByRole("option", { name: /^Page 3 of 30/ }).click();
    await page.getByRole("link", { name: /Send/ }).click();
    await page.getByText("Some pages", { exact: true }).click();
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("99");
    await expect(page.getByRole("alert")).toContainText("There is no such page");
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("3-5");
    await expect(page.getByRole("button", { name: "Save 2 JPEGs to disk" })).toBeVisible();
    await page.getByText("Only this one").click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const meta = await sharp(await readFile(await (await download).path())).metadata();
    const px = (mm: number) => Math.round((mm / 25.4) * 300);
    expect([meta.width, meta.height]).toEqual([px(2 * 203.2 + 6), px(203.2 + 6)]);
  });
});

test("the browser killed while pacing and right after leaves a whole book", async ({ baseURL }) => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-e2e-"));
  let context = await openProfile(join(folder, "profile"), baseURL!);
  let page = await context.newPage();
  await page.goto("/");
  await chooseFiles(page, samplePhotos(60));
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  await expectKept(page);
  await page.getByRole("link", { name: "Overview" }).click();
  await page.getByRole("button", { name: "Fill the book with photos" }).click();
  await page.getByLabel("Pages in the book").selectOption("120");
  await page.getByRole("button", { name: "Fill it" }).click();
  await killBrowser(context, folder);
  const reopen = async () => {
    context = await openProfile(join(folder, "profile"), baseURL!);
    page = await context.newPage();
    await page.goto("/");
    await page.getByRole("link", { name: "Open My book" }).click();
    await page.getByRole("link", { name: "Overview" }).click();
    await expect(overview(page).first()).toBeVisible();
  };
  /** Of every page its name in the overview, which holds only those near the screen. */
  const everyPage = async () => {
    const labels = new Set<string>();
    // Rows come a frame after they were scrolled to; six looks without a new one mean that there are no more.
    for (let without = 0; without < 6; ) {
      const seen = labels.size;
      for (const label of await overview(page).evaluateAll((all) => all.map((o) => o.getAttribute("aria-label") ?? "")))
        labels.add(label);
      without = labels.size > seen ? 0 : without + 1;
      await overview(page).last().scrollIntoViewIfNeeded();
      await page.evaluate(() => new Promise((next) => requestAnimationFrame(() => setTimeout(next))));
    }
    return [...labels];
  };
  await reopen();
  // As it was before, or paced as a whole; never something between.
  await expect(page.getByText(/^(24|120) pages$/)).toBeVisible();
  await pace(page);
  await killBrowser(context, folder);
  await reopen();
  const after = await everyPage();
  const full = after.filter((l) => /[1-9]\d* tiles?/.test(l));
  expect([0, after.length]).toContain(full.length);
  await context.close();
});
