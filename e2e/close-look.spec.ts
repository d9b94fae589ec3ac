import { copyFile, mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import {
  addFreeWords,
  arrangeFirst,
  box,
  chooseFiles,
  expectUndo,
  nobodyChosen,
  openDrawer,
  printOfPage,
  shelfPhotos,
  startBook,
  startCollage,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const free = (page: Page) => page.getByRole("listbox", { name: "What lies freely on the page" }).getByRole("option");
const station = (page: Page, name: RegExp) => page.getByRole("link", { name });

test("what a close look found on pages: veils, gaps, titles, words in templates, empty tiles, keys and counts", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-close-"));
  // A photo whose caption a camera wrote.
  const machine = join(folder, "machine.jpg");
  await sharp(samplePhotos(1, 50)[0]!)
    .withExif({ IFD0: { ImageDescription: "SOME MAKER DIGITAL CAMERA", Make: "SOME MAKER" } })
    .toFile(machine);
  await page.goto("/");
  await chooseFiles(page, [...samplePhotos(8), machine]);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);

  await test.step("no gap is less than none", async () => {
    await typeInto(page, "Gap", "-1 mm");
    await expect(page.getByText("It cannot be below 0.")).toBeVisible();
    await expectUndo(page, /Arranged/);
  });

  await test.step("a photo behind the page is not veiled until it is wished, and the slider stays where it is put", async () => {
    await nobodyChosen(page);
    await shelfPhotos(page).nth(6).click();
    await page.getByRole("button", { name: "Lay this photo behind the page" }).click();
    await nobodyChosen(page);
    const veil = page.getByRole("slider", { name: /^Fade/ });
    await expect(veil).toHaveValue("0");
    const clear = await printOfPage(page);
    await veil.fill("0.5");
    await expect.poll(() => printOfPage(page)).not.toBe(clear);
    await expect(veil).toHaveValue("0.5");
    await veil.focus();
    await page.keyboard.press("ArrowRight");
    await expect(veil).toHaveValue("0.52");
  });

  await test.step("zoom and turn by the arrow keys of their sliders", async () => {
    await tile(page, 1).dblclick();
    const turn = page.getByRole("slider", { name: "Turn" });
    await turn.focus();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press("ArrowRight");
    await expect(page.getByText("2°", { exact: true })).toBeVisible();
    await page.getByRole("slider", { name: "Zoom" }).fill("0.5");
    await expectUndo(page, "Reframed a photo");
    await page.keyboard.press("Escape");
  });

  await test.step("a title grows with its letters; two words have a panel of their own", async () => {
    await nobodyChosen(page);
    for (const words of ["Home", "Water"]) {
      await addFreeWords(page, "A title", words);
      await nobodyChosen(page);
      // Away from where the next one comes to lie.
      if (words === "Home") {
        await free(page).first().click();
        for (let i = 0; i < 16; i += 1) await page.keyboard.press("Shift+ArrowDown");
        await nobodyChosen(page);
      }
    }
    await free(page).last().click();
    const before = await box(free(page).last());
    await typeInto(page, "Size, pt", "72");
    await expectUndo(page, "Changed how words look");
    expect((await box(free(page).last())).width).toBeGreaterThanOrEqual(before.width);
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await free(page)
      .first()
      .click({ modifiers: ["Control"] });
    await expect(page.getByRole("heading", { name: "Words in 2 tiles" })).toBeVisible();
    await typeInto(page, "Size, pt", "20");
    await expectUndo(page, "Changed how words look");
    await page.getByRole("button", { name: "Take it off the page" }).click();
    await expect(free(page)).toHaveCount(0);
  });

  await test.step("words in a tile outlive a template", async () => {
    await tile(page, 4).click();
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Write here" }).click();
    await page.keyboard.type("What the lock-keeper said");
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
    await openDrawer(page, "Templates");
    await page.locator("[data-card]").first().click();
    await expectUndo(page, "Laid out by a template");
    await expect(page.getByText(/lie freely on the page now/)).toBeVisible();
    await expect(free(page).first()).toHaveAccessibleName(/lock-keeper/);
    await undoButton(page).click();
    await page.keyboard.press("Escape");
  });

  await test.step("photos go into those empty tiles that are chosen", async () => {
    for (const n of [1, 2, 3]) {
      await tile(page, n).click();
      await page.keyboard.press("Delete");
    }
    await tile(page, 2).click();
    await openDrawer(page, "Photos");
    // One place takes the photo that is clicked.
    await shelfPhotos(page).nth(4).click();
    await expect(tile(page, 2)).not.toHaveAccessibleName(/empty/);
    await expect(tile(page, 1)).toHaveAccessibleName(/empty/);
  });

  await test.step("more photos never take the place of what is on the page unasked", async () => {
    await station(page, /^Photos/).click();
    await page.getByRole("button", { name: "Choose all" }).click();
    await page.getByRole("button", { name: /^Put these 9 on a new page/ }).click();
    await expect(tiles(page)).toHaveCount(9);
    await page.keyboard.press("PageUp");
    await expect(tiles(page)).toHaveCount(4);
  });

  await test.step("hidden photos are not counted; what a camera wrote is no caption", async () => {
    await station(page, /^Photos/).click();
    await page.getByRole("button", { name: "Choose all" }).click();
    await page.getByRole("button", { name: "Hide" }).click();
    await expect(station(page, /^Photos/)).toContainText("none yet");
    await page.keyboard.press("Control+z");
    await expect(station(page, /^Photos/)).toContainText("9");
    await expect(page.getByText("SOME MAKER DIGITAL CAMERA")).toHaveCount(0);
  });

  await test.step("every place tells its keys", async () => {
    for (const [name, address, key] of [
      [/^Print sheets/, /sheets$/, "Go from card to card"],
      [/^Send/, /send$/, "Show keyboard shortcuts"],
    ] as const) {
      await station(page, name).click();
      await expect(page).toHaveURL(address);
      await page.keyboard.press("?");
      await expect(page.getByRole("dialog").getByText(key)).toBeVisible();
      await page.keyboard.press("Escape");
    }
    await page.goto(page.url().replace(/send$/, "orders"));
    await expect(station(page, /^Send/)).toBeVisible();
    // The keys are heard from the moment after it is first seen.
    await expect(async () => {
      await page.keyboard.press("?");
      await expect(page.getByRole("dialog", { name: "Keyboard shortcuts" })).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.keyboard.press("Escape");
  });
});

test("a book that has begun has nothing to fix; its cover takes photos where they lie; soft photos are mended by a click", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-close-"));
  const few = join(folder, "few.jpg");
  await sharp(samplePhotos(1)[0]!).resize(520).toFile(few);
  const finished = join(folder, "finished.jpg");
  await copyFile(samplePhotos(1, 30)[0]!, finished);
  await page.goto("/");
  await chooseFiles(page, [few, ...samplePhotos(7, 1)]);
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  await expect(station(page, /^Check/)).toContainText("nothing to fix");

  await test.step("soft in the largest place, it goes where it is sharp", async () => {
    await arrangeFirst(page, 6);
    const places = await Promise.all([1, 2, 3, 4, 5, 6].map((n) => box(tile(page, n))));
    const largest = places.reduce(
      (best, b, i) => (b.width * b.height > places[best]!.width * places[best]!.height ? i : best),
      0,
    );
    await nobodyChosen(page);
    await tile(page, largest + 1).click();
    // Without a date of its own it is the last on the shelf.
    await shelfPhotos(page).last().click();
    await page.getByRole("button", { name: "Put the chosen photo here" }).click();
    await station(page, /^Check/).click();
    const soft = page
      .getByRole("article")
      .filter({ has: page.getByRole("heading", { name: /soft/i, level: 3 }) })
      .first();
    await expect(soft).toBeVisible();
    await soft
      .getByRole("button", { name: /^(Move it to a smaller place|Make it smaller on the page)$/ })
      .first()
      .click();
    await expectUndo(page, "Fixed a finding");
    await expect(soft).toHaveCount(0);
  });

  await test.step("the cover: a photo dropped on its photo takes its place; a page brought in comes in", async () => {
    await station(page, /^Pages/).click();
    // The check has a button of that name as well.
    await page
      .getByRole("navigation", { name: "The pages of this project" })
      .getByRole("button", { name: "Make the cover" })
      .click();
    await expect(free(page)).toHaveCount(2);
    const on = await box(free(page).first());
    const from = await box(shelfPhotos(page).nth(5));
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(on.x + on.width / 2, on.y + on.height / 2, { steps: 8 });
    await page.mouse.up();
    await expectUndo(page, "Filled a tile");
    await expect(free(page)).toHaveCount(2);
    await free(page).first().click();
    await expect(page.getByRole("button", { name: "Split side by side" })).toHaveCount(0);
    await nobodyChosen(page);
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "Bring in finished pages" }).click();
    const chooser = page.waitForEvent("filechooser");
    await page
      .getByRole("button", { name: /Choose/ })
      .last()
      .click();
    await (await chooser).setFiles(finished);
    await expect(page.getByText("1 finished page came in.")).toBeVisible();
    // With the cover open it lies on the cover.
    await expect(tiles(page)).toHaveCount(1);
  });
});
