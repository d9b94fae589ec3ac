import { expect, type Page, test } from "@playwright/test";
import { onTop } from "./support/free-tiles.ts";
import { openSection, repaints, slider } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  arrangeFirst,
  differing,
  expectKept,
  expectUndo,
  nobodyChosen,
  paintedPage,
  startOwnSize,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const allPages = (page: Page) => page.getByText("All pages", { exact: true }).click();
const size = { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 };

test("what goes with a page is offered in words, faint words are told at once, accents find their places, and a style is kept under a name", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startOwnSize(page, size);
  await arrangeFirst(page, 4);
  await typeInto(page, "Margin", "22");

  await test.step("a colour and a paper that go with these photos, each with its reason; a colour used lately comes again", async () => {
    await page.getByRole("button", { name: "What goes with this page" }).click();
    const offered = page.getByRole("dialog");
    await expect(offered.getByRole("button", { name: /^Quiet: only a breath of the .+ in “.+”$/ })).toBeVisible();
    await expect(offered.getByRole("button", { name: /, with the .+ in “.+”$/ })).toHaveCount(4);
    await repaints(page, () =>
      offered.getByRole("button", { name: /^The .+ made dark, so that photos shine$/ }).click(),
    );
    await expectUndo(page, "Changed the page colour");
    await expect(offered).toHaveCount(0);
    await page.getByRole("button", { name: "What goes with this page" }).click();
    await repaints(page, () =>
      offered
        .getByRole("button", { name: /, with the .+ in “.+”$/ })
        .first()
        .click(),
    );
    await expectUndo(page, "Laid a paper");
    await undoButton(page).click();
    await page.getByRole("button", { name: "Page colour: Another colour" }).click();
    const hex = page.getByRole("textbox", { name: /^Page colour/ });
    await hex.fill("#335577");
    await repaints(page, () => hex.press("Enter"));
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Page colour: White" }).click();
    await page.getByRole("button", { name: "Page colour: Another colour" }).click();
    await repaints(page, () => page.getByRole("button", { name: "Page colour: #335577, used lately" }).click());
    await page.keyboard.press("Escape");
  });

  await test.step("words that hardly stand off are told in their panel, and mended by a click", async () => {
    await addWords(page, "A title");
    await page.keyboard.type("Low tide");
    await page.keyboard.press("Escape");
    await expect(page.getByRole("heading", { name: "Words" })).toBeVisible();
    await page
      .getByRole("button", { name: /: Another colour$/ })
      .first()
      .click();
    const hex = page.getByRole("textbox", { name: /Another colour$/ }).first();
    await hex.fill("#3a5c7c");
    await hex.press("Enter");
    await page.keyboard.press("Escape");
    await expect(page.getByText(/^Hard to read: these words hardly stand off/)).toBeVisible();
    await repaints(page, () => page.getByRole("button", { name: "Make the words readable" }).click());
    await expect(page.getByText(/^Hard to read/)).toHaveCount(0);
  });

  await test.step("words are dressed as anything else: a shadow of their letters, see-through, repeated", async () => {
    await openSection(page, /^Shadow, soft/);
    await repaints(page, () => page.getByText("Under it", { exact: true }).click());
    await expectUndo(page, "Changed the shadow");
    await repaints(page, () => typeInto(page, "Opacity, %", "60"));
    await openSection(page, /^Copies/);
    await page.getByRole("button", { name: /^Make \d+ copies$/ }).click();
    await expectUndo(page, /^Undo: Made \d+ copies/);
    await undoButton(page).click();
  });

  await test.step("three like accents, off the words, in a colour that is on the page; one step", async () => {
    await nobodyChosen(page);
    await openSection(page, /^Balance/);
    await expect(page.getByText(/^(The page is in balance\.|What draws the eye lies more towards)/)).toBeVisible();
    await expect(page.getByText(/^Takes up the .+ in “.+”\.$/)).toBeVisible();
    await expect(page.getByTestId("balance")).toBeVisible();
    const before = await tiles(page).count();
    await page.getByRole("combobox", { name: "Accent" }).selectOption({ index: 1 });
    await repaints(page, () => page.getByRole("button", { name: "Lay all three" }).click());
    await expectUndo(page, "Laid 3 ornaments");
    await expect(page.getByRole("heading", { name: "3 tiles" })).toBeVisible();
    await expect(page.getByTestId("balance")).toHaveCount(0);
    const words = await onTop(page, 1).boundingBox();
    expect(words).not.toBeNull();
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(before);
    await nobodyChosen(page);
  });

  await test.step("the fonts of the work: titles follow; a style under a name, changed, come back to, removed", async () => {
    await allPages(page);
    await openSection(page, /^Fonts/);
    await page.getByRole("button", { name: /^Titles:/ }).click();
    await repaints(page, () => page.getByRole("menuitemradio", { name: /^Zilla Slab/ }).click());
    await expectUndo(page, "Changed a font of the work");
    await openSection(page, /^Styles kept/);
    await page.getByRole("button", { name: "Keep it as it is now" }).click();
    await expect(page.getByText("Give it a name first.")).toBeVisible();
    await typeInto(page, "Gap", "9");
    const nine = await paintedPage(page);
    await page.getByRole("textbox", { name: "Name of the style" }).fill("Wide and calm");
    await page.keyboard.press("Enter");
    await expectUndo(page, "Kept a style");
    await repaints(page, () => typeInto(page, "Gap", "2"));
    await repaints(page, () => page.getByRole("button", { name: "Use Wide and calm" }).click());
    await expect.poll(async () => differing(await paintedPage(page), nine)).toBeLessThan(0.001);
    await page.getByRole("button", { name: "Remove Wide and calm" }).click();
    await expectUndo(page, "Removed a style");
    await undoButton(page).click();
    await expectKept(page);
  });

  await test.step("what makes no sense is said in place, or does what it can", async () => {
    await page.getByText("This page", { exact: true }).click();
    await tile(page, 1).click({ position: { x: 6, y: 6 } });
    await expect(page.getByRole("heading", { name: "This tile" })).toBeVisible();
    await openSection(page, /^Shadow, soft/);
    // A soft edge wider than its tile fades over half of it.
    await repaints(page, () => typeInto(page, "Soft edge", "900"));
    await page.getByText("Under it", { exact: true }).click();
    await page.getByText("Set it by hand", { exact: true }).click();
    await slider(page, "To the right").fill("15");
    await openSection(page, /^Outline and border/);
    await repaints(page, () => typeInto(page, "Border", "400"));
    await nobodyChosen(page);
    await expectKept(page);
    for (let i = 0; i < 5; i += 1) await undoButton(page).click();
  });

  await test.step("in another work the style can be taken", async () => {
    await page.goto("/");
    await startOwnSize(page, size);
    await arrangeFirst(page, 3);
    await allPages(page);
    await openSection(page, /^The look of another project/);
    await page.getByRole("combobox", { name: "Project" }).selectOption({ label: "My collage: Wide and calm" });
    await repaints(page, () => page.getByRole("button", { name: "Use its look here" }).click());
    await expect(page.getByRole("textbox", { name: "Gap" })).toHaveValue("9");
  });
});
