import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import { widePhoto } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  arrangeFirst,
  chooseFiles,
  expectKept,
  expectUndo,
  longMs,
  loseOriginals,
  openDrawer,
  pace,
  shelfPhotos,
  startBook,
  startCollage,
  takeSample,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const allChecked = "Everything was checked, and there is nothing to fix.";
const station = (page: Page) => page.getByRole("link", { name: /^Check/ });
/** One kind of finding, once everything has been looked at. */
const kind = (page: Page, title: string | RegExp): Locator =>
  page.getByRole("article").filter({ has: page.getByRole("heading", { name: title, level: 3 }) });

async function toCheck(page: Page): Promise<void> {
  await station(page).click();
  // While faces are still being looked for among many photos, pages are looked at again and again.
  await expect(page.getByTestId("findings")).toHaveAttribute("aria-busy", "false", { timeout: longMs });
}

test("a collage is checked as it is edited: findings with pictures, mended by a click, accepted until the place changes", async ({
  page,
}, info) => {
  await withPhotos(page, 8);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await expect(station(page)).toContainText("nothing to fix");

  await test.step("nothing wrong says so, and leads on", async () => {
    await toCheck(page);
    await expect(page.getByText("Ready to print")).toBeVisible();
    await expect(page.getByRole("img", { name: /^4 photos: 4 as sharp as the lab wants/ })).toBeVisible();
    await page.getByRole("link", { name: "Go on to Send" }).click();
    await expect(page.getByText(allChecked)).toBeVisible();
    await page.getByRole("link", { name: /^Pages/ }).click();
    // Right after a change it is looked at anew, and until then neither the header nor Send says that all is well.
    const early = await page.evaluateHandle((text) => {
      const seen = { looking: false, tooEarly: false };
      const look = () => {
        const looking = document.querySelector("header")?.textContent?.includes("looking …") ?? false;
        seen.looking ||= looking;
        seen.tooEarly ||= looking && document.body.textContent.includes(text);
      };
      new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true });
      return seen;
    }, allChecked);
    await typeInto(page, "Gap", "0.2");
    await page.getByRole("link", { name: /^Send/ }).click();
    await expect(page.getByText(allChecked)).toBeVisible();
    expect(await early.jsonValue()).toEqual({ looking: true, tooEarly: false });
    await page.getByRole("link", { name: /^Pages/ }).click();
    await page.keyboard.press("Control+z");
  });

  await test.step("an emptied tile is counted in the header, shown with its place, and taken away", async () => {
    await tiles(page).first().click();
    await page.keyboard.press("Delete");
    await expect(station(page)).toContainText("1 to fix");
    await toCheck(page);
    const empty = kind(page, "An empty tile");
    await expect(empty).toContainText("It prints as a bare patch");
    await expect(empty).toContainText("Page 1");
    await expect(empty.locator("canvas")).toBeVisible();
    await empty.getByRole("button", { name: "Remove it and close the gap" }).click();
    await expect(empty).toHaveCount(0);
    await expectUndo(page, "Fixed a finding");
    await expect(station(page)).toContainText(/nothing to fix|worth a look/);
    await page.keyboard.press("Control+z");
    await expect(empty).toBeVisible();
    await page.keyboard.press("Control+Shift+z");
    await expect(empty).toHaveCount(0);
  });

  await test.step("words: too small, hidden and faint, each put right", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    await page.keyboard.press("Escape");
    await addWords(page, "A title");
    await page.keyboard.type("Aboard the Marigold from lock to lock");
    await page.keyboard.press("Escape");
    const size = page.getByRole("textbox", { name: "Size, pt" });
    await size.fill("4");
    await size.press("Enter");
    await expectUndo(page, "Changed how words look");
    await toCheck(page);
    const small = kind(page, "Very small words");
    await expect(small).toContainText("4 pt; 6 pt can be read.");
    await small.getByRole("button", { name: "Make the words larger" }).click();
    await expect(small).toHaveCount(0);

    await page.getByRole("link", { name: /^Pages/ }).click();
    // More than even a title as large as the page has room for.
    await size.fill("300");
    await size.press("Enter");
    await expect(page.getByText(/words? hidden/).first()).toBeVisible();
    await toCheck(page);
    const hidden = kind(page, "Words that do not fit");
    await expect(hidden).toContainText("They are not printed.");
    await hidden.getByRole("button", { name: "Make the words smaller" }).click();
    await expect(hidden).toHaveCount(0);

    await page.getByRole("link", { name: /^Pages/ }).click();
    await page.getByRole("combobox", { name: "Card", exact: true }).selectOption("none");
    await page.getByRole("button", { name: "Colour: White" }).first().click();
    await toCheck(page);
    const faint = kind(page, "Words too faint to read");
    await expect(faint).toContainText("nearly as light as what lies behind them");
    await faint.getByRole("button", { name: "Make the words readable" }).click();
    await expect(faint).toHaveCount(0);
  });

  await test.step("a finding that is meant so is out of the way until its place changes", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    const size = page.getByRole("textbox", { name: "Size, pt" });
    await size.fill("5");
    await size.press("Enter");
    await toCheck(page);
    const small = kind(page, "Very small words");
    await small.getByRole("button", { name: "Leave it like this" }).click();
    await page.getByRole("textbox", { name: /Why, for yourself/ }).fill("For the back row only");
    await page.keyboard.press("Enter");
    await expect(small).toHaveCount(0);
    await expect(page.getByRole("region", { name: "1 thing is left as it is" })).toContainText("For the back row only");
    await small
      .page()
      .getByRole("link", { name: /^Pages/ })
      .click();
    await size.fill("4.5");
    await size.press("Enter");
    await toCheck(page);
    await expect(small).toBeVisible();
    await expect(page.getByText("left as", { exact: false }).and(page.getByRole("region"))).toHaveCount(0);
  });

  await test.step("a photo with colours that the lab's range does not hold is named", async () => {
    await page.getByRole("link", { name: /^Photos/ }).click();
    await chooseFiles(page, [await widePhoto(info.outputPath("wide"))]);
    await page.getByRole("link", { name: /^Pages/ }).click();
    await openDrawer(page, "Photos");
    await shelfPhotos(page).last().click();
    await page.getByRole("button", { name: "Arrange 1 photo" }).click();
    await toCheck(page);
    await expect(kind(page, "Colours brighter than the print can show")).toContainText(/(9\d|100) % of the photo/);
  });

  await test.step("a page with nothing on it goes into no file, as the check and Send both say", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    await page.getByRole("button", { name: "Another page" }).first().click();
    await toCheck(page);
    await expect(kind(page, "A page without a file")).toContainText("no file is made of it");
    await page.getByRole("link", { name: /^Send/ }).click();
    await expect(page.getByText("1 page has nothing on it and is left out.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Save the JPEG to disk" })).toBeVisible();
  });
});

test("a book is checked for binding, cover, blank pages and originals; many are mended or kept at once", async ({
  page,
}) => {
  await withPhotos(page, 30);
  await startBook(page, "Pennywhistle Press", "15 × 15 cm");
  await expect(station(page)).toContainText("nothing to fix");
  await arrangeFirst(page, 3);
  await toCheck(page);
  await expect(kind(page, "The book has no cover yet")).toContainText("The lab does not print the pages without one.");
  await expect(kind(page, "11 blank pages")).toBeVisible();
  await page.getByRole("link", { name: /^Pages/ }).click();
  await page.getByRole("link", { name: "Overview" }).click();
  await pace(page);
  await toCheck(page);
  await kind(page, "The book has no cover yet").getByRole("button", { name: "Make the cover" }).click();
  await expect(kind(page, "The book has no cover yet")).toHaveCount(0);
  await expectKept(page);

  await test.step("an original that is gone is found after a reload, and leads to its tile", async () => {
    await loseOriginals(page);
    await page.reload();
    await expect(page.getByTestId("findings")).toHaveAttribute("aria-busy", "false", { timeout: longMs });
    const gone = kind(page, /\d+ photos whose files are gone/);
    await expect(gone).toContainText("Bring it in again, or put another in its place.");
    await gone
      .getByRole("button", { name: /^Go there/ })
      .last()
      .click();
    await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
    await expect(tiles(page).and(page.locator("[aria-selected=true]"))).toHaveCount(1);
  });

  await test.step("what is meant so is kept with a reason, and shown again on asking", async () => {
    await toCheck(page);
    const gone = kind(page, /photos whose files are gone/);
    await gone.getByRole("button", { name: "Leave it like this" }).click();
    await page.getByRole("textbox", { name: /Why, for yourself/ }).fill("They come from the old computer tomorrow");
    await page.getByRole("button", { name: "Leave it", exact: true }).click();
    await expect(gone).toHaveCount(0);
    await expect(undoButton(page)).toHaveAccessibleName(/^Undo: Left \d+ findings as they are$/);
    await expect(page.getByText("They come from the old computer tomorrow").first()).toBeVisible();
    await undoButton(page).click();
    await expect(gone).toBeVisible();
  });
});

test("the sample's book and pocket pages: checked, mended, made into a file and packed onto sheets", async ({
  page,
}, info) => {
  await page.goto("/");
  await takeSample(page);
  await page.getByRole("button", { name: "Make an example book and pocket pages" }).click();
  await page.getByRole("link", { name: "Open Our year on the Marigold" }).click();

  await test.step("the book: what prints soft is taken away, and nothing goes wrong any more", async () => {
    await expect(station(page)).toContainText("2 to fix", { timeout: longMs });
    await toCheck(page);
    const soft = kind(page, /photos? that prints? soft/);
    // Those beside it take its room, and may become too large themselves.
    for (let most = 6; most > 0 && (await soft.count()) > 0; most -= 1) {
      await soft
        .getByRole("button", { name: /^Go there/ })
        .last()
        .click();
      const meant = tiles(page).and(page.locator("[aria-selected=true]"));
      // On a slow machine the finding may be one from before the last tile went.
      const there = meant.first().waitFor({ timeout: 10_000 });
      if (
        await there.then(
          () => true,
          () => false,
        )
      ) {
        await page.keyboard.press("Shift+Delete");
        await expectUndo(page, "Removed a tile");
      }
      await toCheck(page);
    }
    await expect(soft).toHaveCount(0);
    await expect(page.getByRole("region", { name: "To fix before printing" })).toHaveCount(0);
    await expect(page.getByRole("region", { name: "Good to know" })).toBeVisible();
  });

  await test.step("its cover and first pages as one small PDF, as other programs read it", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByText("Some pages", { exact: true }).click();
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("cover, 1-12");
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
    await page.getByLabel("Small, to read on screen").check();
    const download = page.waitForEvent("download", { timeout: longMs });
    await page.getByRole("button", { name: "Save the PDF to disk" }).click();
    const path = join(info.outputDir, "book.pdf");
    await (await download).saveAs(path);
    expect(execFileSync("pdfinfo", [path], { encoding: "utf8" })).toMatch(/Pages:\s+13/);
    expect(execFileSync("qpdf", ["--check", path], { encoding: "utf8" })).toContain("No syntax or stream encoding");
    expect(execFileSync("pdftotext", [path, "-"], { encoding: "utf8" })).toContain("Our year on the Marigold");
  });

  await test.step("the pocket pages: a card whose words are too small is mended, and a page goes out whole", async () => {
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByRole("link", { name: "Open The kitchen drawer" }).click();
    await tiles(page).first().click();
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Write here" }).click();
    await page.keyboard.type("Tea at the lock");
    await page.keyboard.press("Escape");
    const size = page.getByRole("textbox", { name: "Size, pt" });
    await size.fill("4");
    await size.press("Enter");
    await toCheck(page);
    await kind(page, /Very small words/)
      .getByRole("button", { name: "Make the words larger" })
      .click();
    await expect(kind(page, /Very small words/)).toHaveCount(0);
    await expectUndo(page, "Fixed a finding");
  });

  await test.step("its cards by one click onto a lab's prints", async () => {
    await page.getByRole("link", { name: /^Print sheets/ }).click();
    await page.getByRole("button", { name: "All cards of the pockets" }).click();
    await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
    await page.getByRole("button", { name: "Pack the sheets" }).click();
    await expect(page.getByTestId("packed")).toContainText(/sheets?, £/, { timeout: longMs });
    await expect(page.getByTestId("sheet").getByRole("option")).not.toHaveCount(0);
    await expect(page.getByRole("button", { name: "Order them from Fernhill Prints" })).toBeVisible();
  });
});
