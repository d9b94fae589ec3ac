import { readFile, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Download, expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  drag,
  expectEvenGaps,
  expectKept,
  expectUndo,
  longMs,
  openDrawer,
  shelfPhotos,
  startCollage,
  tile,
  tileBoxes,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const run = (page: Page) => page.getByRole("listbox", { name: "The pages of this project" }).getByRole("option");
const openNumber = (page: Page) =>
  run(page).evaluateAll((all) => all.findIndex((p) => p.getAttribute("aria-selected") === "true") + 1);
const cards = (page: Page) => page.locator("[data-card]");
const card = (page: Page, name: string) => page.locator(`[data-card][aria-label^="${name}, "]`);

test("several pages in one work: added, copied, moved, removed, made for many groups, and sent", async ({ page }) => {
  await withPhotos(page, 14);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);

  await test.step("another page, and one like this", async () => {
    await page.getByRole("button", { name: "Another page" }).click();
    await expectUndo(page, "Added a page");
    await expect(run(page)).toHaveCount(2);
    await expect.poll(() => openNumber(page)).toBe(2);
    await expect(page.getByText("This page is empty")).toBeVisible();
    await arrangeFirst(page, 3);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Page like this one" }).click();
    await expect(run(page)).toHaveCount(3);
    await expect(tiles(page)).toHaveCount(3);
    await tile(page, 1).focus();
    await page.keyboard.press("Delete");
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("3 pages, 1 empty");
    await page.keyboard.press("PageUp");
    await expect.poll(() => openNumber(page)).toBe(2);
    await expect(page.getByRole("option", { name: /^Tile 1 of 3: empty/ })).toHaveCount(0);
  });

  await test.step("undo goes to the page that it changes", async () => {
    await page.keyboard.press("PageUp");
    await expect.poll(() => openNumber(page)).toBe(1);
    await undoButton(page).click();
    await expect.poll(() => openNumber(page)).toBe(3);
    await expectUndo(page, "Made a page like this one");
  });

  await test.step("moved by key and by drag, removed and back again", async () => {
    await run(page).nth(2).focus();
    await page.keyboard.press("Alt+ArrowUp");
    await expectUndo(page, "Moved a page");
    await expect.poll(() => openNumber(page)).toBe(2);
    await drag(page, run(page).nth(0), run(page).nth(2));
    await expect(run(page).nth(2)).toHaveAccessibleName("Page 3 of 3, 4 tiles");
    await run(page).nth(2).click();
    await page.keyboard.press("Delete");
    await expect(run(page)).toHaveCount(2);
    await expectUndo(page, "Removed a page");
    await undoButton(page).click();
    await expect(run(page).nth(2)).toHaveAccessibleName("Page 3 of 3, 4 tiles");
  });

  await test.step("one page of these each, arranged as this one", async () => {
    const drawn = await tileBoxes(page);
    await shelfPhotos(page).first().click();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "A page for each" }).click();
    await expect(page.getByRole("textbox", { name: "Photos on each page" })).toHaveValue("4");
    await expect(page.getByText("This makes 4 pages.")).toBeVisible();
    await page.getByText("each day or event").click();
    await expect(page.getByText(/This makes \d+ pages?\./)).toBeVisible();
    await page.getByText("every so many photos").click();
    await page.getByRole("button", { name: "Make 4 pages" }).click();
    await expectUndo(page, "Added 4 pages");
    await expect(run(page)).toHaveCount(7);
    await expect.poll(() => openNumber(page)).toBe(4);
    const sizes = (all: readonly { width: number; height: number }[]) =>
      all.map((b) => `${b.width.toFixed(0)} × ${b.height.toFixed(0)}`).toSorted();
    await expect.poll(async () => sizes(await tileBoxes(page))).toEqual(sizes(drawn));
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("7 pages, 2 empty");
  });

  await test.step("a look of one page for some others, by their numbers", async () => {
    await page.keyboard.press("Escape");
    await typeInto(page, "Gap", "9 mm");
    await page.getByRole("button", { name: "This look on some …" }).click();
    await page.getByRole("textbox", { name: "Page numbers" }).fill("4, 40");
    await expect(page.getByText("None of these is another page of this project.")).toBeVisible();
    await page.getByRole("textbox", { name: "Page numbers" }).fill("1-2, 6");
    await page.getByRole("button", { name: "Use this look on 3 pages" }).click();
    await expectUndo(page, "Used a look on 3 pages");
    const gapOn = async (n: number) => {
      await run(page)
        .nth(n - 1)
        .click();
      return expect(page.getByRole("textbox", { name: "Gap", exact: true }));
    };
    await (await gapOn(6)).toHaveValue("0.35");
    await (await gapOn(7)).not.toHaveValue("0.35");
    await run(page).nth(3).click();
  });

  await test.step("all pages are sent, each its own file, and are there when the work is opened again", async () => {
    await page.getByRole("link", { name: /Send/ }).click();
    await expect(page.getByText("Page 4 of 7")).toBeVisible();
    await page.getByRole("button", { name: "The page after" }).click();
    await expect(page.getByText("Page 5 of 7")).toBeVisible();
    const files: Download[] = [];
    page.on("download", (d) => files.push(d));
    await page.getByRole("button", { name: "Save 7 JPEGs to disk" }).click();
    await expect(page.getByTestId("saved")).toContainText("7 files", { timeout: longMs });
    await expect.poll(() => files.length).toBe(7);
    expect(new Set(files.map((f) => f.suggestedFilename())).size).toBe(7);
    for (const file of files) {
      const { width, height } = await sharp(await readFile(await file.path())).metadata();
      expect([width, height]).toEqual([2471, 2471]);
    }
    await expectKept(page);
    await page.reload();
    await page.getByRole("link", { name: /Pages/ }).click();
    await expect(run(page)).toHaveCount(7);
  });
});

test("templates: found, seen on the page, taken, saved, given away and brought in", async ({ page }) => {
  await withPhotos(page, 10);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 6);
  await openDrawer(page, "Templates");

  await test.step("those for as many photos come first; narrowed by number, family, shape, name", async () => {
    await expect(page.getByRole("combobox", { name: "Photos" })).toHaveValue("page");
    for (const label of await cards(page).evaluateAll((all) => all.map((c) => c.getAttribute("aria-label"))))
      expect(label).toContain("6 photos");
    await page.getByRole("combobox", { name: "Photos" }).selectOption("any");
    await page.getByRole("combobox", { name: "Family" }).selectOption("Hearth");
    await expect(card(page, "Corner of six")).toBeVisible();
    await expect(card(page, "Six patches")).toHaveCount(0);
    await page.getByRole("combobox", { name: "Family" }).selectOption("");
    await page.getByRole("combobox", { name: "Drawn for" }).selectOption("panorama");
    await expect(card(page, "Nine along")).toBeVisible();
    await page.getByRole("combobox", { name: "Drawn for" }).selectOption("any");
    await page.getByRole("searchbox", { name: "Search by name" }).fill("no such thing");
    await expect(page.getByText("No template matches.")).toBeVisible();
    await page.getByRole("searchbox", { name: "Search by name" }).fill("six");
    await expect(card(page, "Corner of six")).toBeVisible();
  });

  await test.step("rested on, it is seen on the page; taken, the photos flow in", async () => {
    const before = await tileBoxes(page);
    await card(page, "Corner of six").hover();
    await expect.poll(() => tileBoxes(page)).not.toEqual(before);
    await page.mouse.move(400, 300);
    await expect.poll(() => tileBoxes(page)).toEqual(before);
    await card(page, "Corner of six").click();
    await expectUndo(page, "Laid out by a template");
    await expect(tiles(page)).toHaveCount(6);
    await page.mouse.move(400, 300);
    await expectEvenGaps(page);
    const drawn = await tileBoxes(page);
    await page.getByRole("button", { name: "Show them mirrored left to right" }).click();
    await card(page, "Corner of six").click();
    await page.mouse.move(400, 300);
    const largest = (all: typeof drawn) => all.reduce((a, b) => (b.width > a.width ? b : a));
    expect(largest(await tileBoxes(page)).x).toBeGreaterThan(largest(drawn).x + 20);
    await page.getByRole("button", { name: "Show them turned a quarter" }).click();
    await page.getByRole("button", { name: "Show them mirrored left to right" }).click();
    for (let i = 0; i < 3; i += 1) await page.getByRole("button", { name: "Show them turned a quarter" }).click();
  });

  await test.step("too many photos make places, too few leave some that can be closed up", async () => {
    await page.getByRole("searchbox", { name: "Search by name" }).fill("panes");
    await card(page, "Four panes").click();
    await expect(tiles(page)).toHaveCount(6);
    await expect(page.getByText("There were 2 more photos than places")).toBeVisible();
    await card(page, "Nine panes").click();
    await expect(tiles(page)).toHaveCount(9);
    await expect(page.getByText("3 places are left empty")).toBeVisible();
    await page.getByRole("button", { name: "Close them up" }).click();
    await expect(tiles(page)).toHaveCount(6);
    await page.mouse.move(400, 300);
    await expectEvenGaps(page);
  });

  const wanted = join(tmpdir(), `templates-${process.pid}.json`);
  await test.step("saved with an order and a bare place; a favourite; out to a file", async () => {
    await page.getByRole("button", { name: "Save as a template" }).click();
    await page.getByRole("textbox", { name: "Name", exact: true }).fill("Our Sundays");
    await page.getByRole("button", { name: "Place 5 of 6" }).click();
    await page.getByText("Stay empty").click();
    await page.getByRole("button", { name: "Place 2 of 6" }).click();
    await page.getByRole("button", { name: "Save the template" }).click();
    await expect(page.getByText("Our Sundays is among your templates.")).toBeVisible();
    await page.getByRole("searchbox", { name: "Search by name" }).fill("sundays");
    await card(page, "Our Sundays").hover();
    await page.getByRole("button", { name: "Favourite: Our Sundays" }).click();
    await page.getByRole("searchbox", { name: "Search by name" }).fill("");
    await page.getByRole("button", { name: "Favourites", exact: true }).click();
    await expect(cards(page)).toHaveCount(1);
    await card(page, "Our Sundays").click();
    await page.mouse.move(400, 300);
    // Five photos have places, one place stays bare, and the sixth photo halves one.
    await expect(tiles(page)).toHaveCount(7);
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save mine as a file" }).click();
    await (await download).saveAs(wanted);
    const saved = JSON.parse(await readFile(wanted, "utf8"));
    const [group] = saved.templates[0].pieces as {
      tiles: { filling: { waits: { for: string; number?: number } } }[];
    }[];
    const waits = group!.tiles.map((t) => t.filling.waits);
    expect(waits.map((w) => w.number)).toContain(1);
    expect(waits.filter((w) => w.for === "nothing")).toHaveLength(1);
  });

  await test.step("removed and back; brought in from a file, also on a page of another shape; a bad file says so", async () => {
    await card(page, "Our Sundays").hover();
    await page.getByRole("button", { name: "Remove Our Sundays" }).click();
    await expect(cards(page)).toHaveCount(0);
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await expect(cards(page)).toHaveCount(1);
    await page.getByRole("link", { name: "To all your projects" }).click();
    await startCollage(page, "Fernhill Prints", "5 × 7 in", "Portrait");
    await arrangeFirst(page, 5);
    await openDrawer(page, "Templates");
    const bring = async (path: string) => {
      const chooser = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Bring in a file" }).click();
      await (await chooser).setFiles(path);
    };
    await bring(wanted);
    await expect(page.getByText("1 template came in.")).toBeVisible();
    await page.getByRole("combobox", { name: "Family" }).selectOption("own");
    await expect(cards(page)).toHaveCount(2);
    await cards(page).first().click();
    await page.mouse.move(400, 300);
    await expectEvenGaps(page);
    const sheet = await box(page.getByTestId("page"));
    for (const b of await tileBoxes(page)) {
      expect(b.x).toBeGreaterThan(sheet.x - 1);
      expect(b.x + b.width).toBeLessThan(sheet.x + sheet.width + 1);
    }
    const bad = join(tmpdir(), `bad-${process.pid}.json`);
    await writeFile(bad, '{"kind":"something else"}');
    await bring(bad);
    await expect(page.getByText("This is not a template file.")).toBeVisible();
    const broken = JSON.parse(await readFile(wanted, "utf8"));
    broken.templates[0].pieces[0].tiles.pop();
    await writeFile(bad, JSON.stringify(broken));
    await bring(bad);
    await expect(page.getByText("A template in that file is damaged")).toBeVisible();
    await expect(cards(page)).toHaveCount(2);
  });
});
