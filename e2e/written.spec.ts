import { expect, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import {
  addFreeWords,
  arrangeFirst,
  box,
  expectUndo,
  openDrawer,
  startCollage,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const captions = (page: Page) => page.getByTestId("captions").getByRole("textbox");
const part = (page: Page, name: string) =>
  page.getByRole("radiogroup", { name: "What to do with the words" }).getByText(name, { exact: true }).click();

test("all that is written: captions one after the other and onto the pages, found, replaced, and names spelt one way", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 4);
  await page.keyboard.press("Escape");
  await addFreeWords(page, "A title", "Hilda and the boat");
  await openDrawer(page, "Words");
  await page.getByRole("link", { name: "All words", exact: true }).click();

  await test.step("captions are written photo by photo with the keys, and one for all of an event", async () => {
    await expect(captions(page)).toHaveCount(4);
    await page.getByText("All photos", { exact: true }).click();
    await expect(captions(page)).toHaveCount(5);
    await page.getByText("Photos of this project", { exact: true }).click();
    await captions(page).first().fill("Aunt Hilde at the lock");
    await captions(page).first().press("Enter");
    await expect(captions(page).nth(1)).toBeFocused();
    await captions(page).nth(1).fill("We left,\nand Hilde waved");
    // Within its lines the arrow moves the caret; past them it goes to the next photo.
    await captions(page).nth(1).press("Control+Home");
    await page.keyboard.press("ArrowDown");
    await expect(captions(page).nth(1)).toBeFocused();
    await page.keyboard.press("Control+End");
    await page.keyboard.press("ArrowDown");
    await expect(captions(page).nth(2)).toBeFocused();
    await captions(page).nth(2).fill("Boats");
    await page.getByRole("button", { name: /of this event too$/ }).click();
    await expect(captions(page).nth(3)).toHaveValue("Boats");
    await expect(page.getByText("4 of 4 have a caption")).toBeVisible();
    await expectUndo(page, /captions?$/);
    await undoButton(page).click();
    await expect(captions(page).nth(3)).toHaveValue("");
    await page.getByText("Only those without a caption").click();
    await expect(captions(page)).toHaveCount(1);
  });

  await test.step("they come onto all pages at once, as one step, and go with what is written", async () => {
    await page.getByRole("button", { name: "Put captions on the pages" }).click();
    await expect(page.getByText(/captions are on their pages now/)).toBeVisible();
    await page.getByRole("link", { name: /^Pages/ }).click();
    await expectUndo(page, "Put 3 captions on");
    await expect(page.getByRole("option", { name: /words: Aunt Hilde at the lock/ })).toBeVisible();
    const under = await tiles(page).count();
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(4);
    await page.goBack();
    await page.getByRole("combobox", { name: "Where they stand" }).selectOption("On the photo");
    await page.getByRole("button", { name: "Put captions on the pages" }).click();
    await expect(page.getByText(/captions are on their pages now/).last()).toBeVisible();
    await page.getByRole("link", { name: /^Pages/ }).click();
    await expect(page.getByRole("option", { name: /^On top .*Aunt Hilde/ })).toBeVisible();
    await expect(tiles(page)).toHaveCount(4);
    expect(under).toBeGreaterThan(4);
    await undoButton(page).click();
    await page.goBack();
    await page.getByRole("combobox", { name: "Where they stand" }).selectOption("On the foot of its frame");
    await page.getByRole("button", { name: "Put captions on the pages" }).click();
    await expect(page.getByText(/captions are on their pages now/).last()).toBeVisible();
    await page.getByRole("link", { name: /^Pages/ }).click();
    const onFoot = page.getByRole("option", { name: /^On top .*Aunt Hilde/ });
    const framed = page.getByRole("option", { name: /Aunt Hilde/ }).and(page.getByRole("option", { name: /^Tile/ }));
    const [label, photo] = [await box(onFoot), await box(framed)];
    expect(Math.abs(label.y + label.height - photo.y - photo.height)).toBeLessThan(4);
    expect(label.y).toBeGreaterThan(photo.y + photo.height / 2);

    // The same words in a field of the browser's, with its marks, in the language of the project.
    await onFoot.focus();
    await page.keyboard.press("Space");
    // The panel speaks of it a moment later.
    await expect(page.getByText("Follows the photo", { exact: true }).first()).toBeVisible();
    await page.getByRole("button", { name: "Check the spelling" }).click();
    const plain = page.getByRole("textbox", { name: "The words as plain text" });
    await expect(plain).toHaveAttribute("spellcheck", "true");
    await expect(plain).toHaveAttribute("lang", "en-GB");
    await plain.pressSequentially(" at dawn");
    await expect(page.getByRole("option", { name: /^On top .*Aunt Hilde .* at dawn$/ })).toBeVisible();
    await undoButton(page).click();
    await expect(plain).not.toHaveValue(/dawn/);
    await page.goBack();
  });

  await test.step("what is looked for is shown where it stands, replaced there or everywhere, and undone", async () => {
    await part(page, "Find and replace");
    await page.getByRole("textbox", { name: "Find" }).fill("hild");
    await expect(page.getByText("Found in 3 places.")).toBeVisible();
    await page.getByText("Whole words only").click();
    await expect(page.getByText("Nothing found.")).toBeVisible();
    await page.getByText("Whole words only").click();
    await page.getByRole("textbox", { name: "Find" }).fill("boat");
    await page.getByText("As written, capitals and all").click();
    await expect(page.getByText("Found in 1 place.")).toBeVisible();
    await page.getByRole("textbox", { name: "Replace it by" }).fill("narrowboat");
    await page.getByRole("button", { name: "Replace here" }).click();
    await expectUndo(page, "Wrote a word otherwise");
    await page.getByRole("button", { name: "Go there" }).click();
    await expect(page.getByRole("option", { name: /words: Hilda and the narrowboat/ })).toBeVisible();
    await expect(page.getByRole("heading", { name: "These words" })).toBeVisible();
    await undoButton(page).click();
    await expect(page.getByRole("option", { name: /words: Hilda and the boat/ })).toBeVisible();
    await page.goBack();
  });

  await test.step("two spellings of a name are seen beside each other, and one is written everywhere", async () => {
    await part(page, "Names and dates");
    await page
      .getByRole("button", { name: /^Hilde twice/ })
      .first()
      .click();
    await expect(page.getByRole("list", { name: /Where “Hilde” is written/ }).getByRole("listitem")).toHaveCount(2);
    await page.getByRole("button", { name: "Write “Hilde” everywhere" }).click();
    await expect(page.getByText("No two names are written alike.")).toBeVisible();
    await page.getByRole("link", { name: /^Pages/ }).click();
    await expect(page.getByRole("option", { name: /words: Hilde and the boat/ })).toBeVisible();
  });
});
