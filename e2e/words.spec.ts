import { readFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import {
  addWords,
  arrangeFirst,
  box,
  chooseFiles,
  differing,
  drag,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  startCollage,
  tile,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const free = (page: Page) => page.getByRole("listbox", { name: "What lies freely on the page" }).getByRole("option");

test("words on a page: typed in place, dressed, following photos, on cards, over a background, and in print", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, samplePhotos(8));
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await page.keyboard.press("Escape");

  await test.step("a title is typed where it stands, with caret, selection and lines of its own", async () => {
    await addWords(page, "A title");
    await expect(page.getByTestId("writing")).toBeVisible();
    await page.keyboard.type("A year aboad\nfrom lock to lock");
    // Said by the panel once the font is there.
    await expect(page.getByText(/words? hidden/).first()).toBeVisible();
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("End");
    await page.keyboard.press("ArrowLeft");
    await page.keyboard.type("r");
    await expect(free(page).first()).toHaveAccessibleName(/words: A year aboard\s+from lock to lock/);
    await expectUndo(page, "Wrote words");
    await page.keyboard.press("Escape");
    await expect(page.getByTestId("writing")).toHaveCount(0);
  });

  await test.step("too many words show a mark that says how many are hidden; smaller, they all fit", async () => {
    await expect(
      free(page)
        .first()
        .getByText(/words? hidden/),
    ).toBeVisible();
    await expect(page.getByRole("status").filter({ hasText: "4 words hidden" })).toBeVisible();
    const size = page.getByRole("textbox", { name: "Size, pt" });
    await size.fill("14");
    await size.press("Enter");
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await expectUndo(page, "Changed how words look");
  });

  await test.step("font, slope, alignment, turn and colour; what a font does not have cannot be pressed", async () => {
    const before = await paintedPage(page);
    await page.getByLabel("Font", { exact: true }).selectOption({ label: "Caveat, by hand" });
    await expect(page.getByRole("button", { name: "Italic" })).toBeDisabled();
    await page.getByRole("button", { name: "Bold" }).click();
    await page.getByRole("button", { name: "To the right", exact: true }).click();
    await page.getByRole("button", { name: "Colour: Clay" }).click();
    await expect(page.getByRole("button", { name: "Bold" })).toHaveAttribute("aria-pressed", "true");
    expect((await paintedPage(page)).equals(before)).toBe(false);
    const field = page.getByRole("textbox", { name: "Turn, degrees" });
    await field.fill("12");
    await field.press("Enter");
    await expect(free(page).first()).toHaveAttribute("style", /rotate\(12deg\)/);
  });

  await test.step("words that lie freely are dragged, sized by their grip and moved by key", async () => {
    await page.getByRole("textbox", { name: "Turn, degrees" }).fill("0");
    await page.keyboard.press("Enter");
    const was = await box(free(page).first());
    await drag(page, free(page).first(), { dx: 30, dy: 120 }, { x: 0.2, y: 0.5 });
    await expectUndo(page, "Moved a tile");
    const moved = await box(free(page).first());
    expect(moved.y - was.y).toBeGreaterThan(90);
    await drag(page, page.locator('[data-grip="se"]'), { dx: -60, dy: 20 });
    const sized = await box(free(page).first());
    expect(moved.width - sized.width).toBeGreaterThan(40);
    await free(page).first().focus();
    await page.keyboard.press("Shift+ArrowDown");
    await expect.poll(async () => (await box(free(page).first())).y).toBeGreaterThan(sized.y + 5);
    await page.keyboard.press("Delete");
    await expect(free(page)).toHaveCount(0);
    await undoButton(page).click();
    await expect(free(page)).toHaveCount(1);
  });

  await test.step("captions under all photos, as high as their words, that follow the photo until they are edited", async () => {
    await nobodyChosen(page);
    await openDrawer(page, "Words");
    await page.getByRole("button", { name: "Captions for all photos" }).click();
    await expect(page.getByText(/captions are on the page now/)).toBeVisible();
    const captions = page.getByRole("option", { name: /^Tile .*: words:/ });
    const count = await captions.count();
    expect(count).toBeGreaterThan(1);
    await expect(tiles(page)).toHaveCount(4 + count);
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await captions.last().click();
    await expect(page.getByText("Follows the photo")).toBeVisible();
    await page.getByLabel("Follows the photo").selectOption("day");
    await expect(captions.last()).toHaveAccessibleName(/words: \d+ \w+ 2025/);
    await page.getByLabel("Days in all of this project are written in").selectOption({ label: "German" });
    await expect(captions.last()).toHaveAccessibleName(/words: \d+\. \p{L}+ 2025/u);
    await undoButton(page).click();
    await expect(captions.last()).toHaveAccessibleName(/words: \d+ \w+ 2025/);
    await captions.last().dblclick();
    await page.keyboard.type("By hand");
    await page.keyboard.press("Escape");
    await expect(captions.last()).toHaveAccessibleName(/words: By hand/);
    await expect(page.getByText("Follows the photo")).toHaveCount(0);
  });

  await test.step("a tile becomes a lined journaling card, in a colour that is kept with the work", async () => {
    const last = tile(page, await tiles(page).count());
    await last.click();
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Write here" }).click();
    await page.keyboard.press("Escape");
    await page.getByLabel("Card", { exact: true }).selectOption({ label: "lined" });
    await expect(last).toHaveAccessibleName(/a blank card for a story/);
    await page.getByRole("button", { name: "Card colour: Another colour" }).click();
    const typed = page.getByRole("textbox", { name: "Card colour: Another colour" });
    await typed.fill("#ddeeff");
    await typed.press("Enter");
    await expect(page.getByRole("group", { name: "From the photos" }).getByRole("button").first()).toBeVisible();
    await page.getByRole("button", { name: "Keep #ddeeff in the palette" }).click();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("button", { name: "Colour: #ddeeff", exact: true })).toBeVisible();
  });

  await test.step("a photo behind the page, veiled", async () => {
    await nobodyChosen(page);
    await openDrawer(page, "Photos");
    await page.getByRole("listbox", { name: "Shelf" }).getByRole("option").nth(6).click();
    const before = await paintedPage(page);
    await page.getByRole("button", { name: "Lay this photo behind the page" }).click();
    await expectUndo(page, "Changed the background");
    await expect.poll(async () => (await paintedPage(page)).equals(before)).toBe(false);
  });

  await test.step("all of it is kept, and the print file shows what the screen shows", async () => {
    await nobodyChosen(page);
    await expectKept(page);
    const made = await paintedPage(page);
    await page.reload();
    await expect(free(page)).toHaveCount(1);
    // The photo behind the page may come a moment after the others.
    await expect.poll(async () => differing(await paintedPage(page), made)).toBeLessThan(0.01);
    const screen = await paintedPage(page);
    await page.getByRole("link", { name: /Send/ }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const file = await readFile(await (await download).path());
    const [a, b] = await Promise.all(
      [screen, file].map((bytes) => sharp(bytes).removeAlpha().resize(400, 400, { fit: "fill" }).raw().toBuffer()),
    );
    let off = 0;
    for (let i = 0; i < a!.length; i += 3)
      if (Math.max(...[0, 1, 2].map((c) => Math.abs(a![i + c]! - b![i + c]!))) > 40) off += 1;
    expect(off / (a!.length / 3)).toBeLessThan(0.02);
  });
});
