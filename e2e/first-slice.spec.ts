import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { killBrowser, openProfile } from "./support/browser.ts";
import { samplePhotos, troubleFiles } from "./support/files.ts";
import { openSection } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  chooseFiles,
  differing,
  drag,
  expectEvenGaps,
  expectKept,
  expectUndo,
  loseOriginals,
  paintedPage,
  redoButton,
  shelfPhotos,
  startCollage,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

test("from files on disk to a collage that a lab can print, with the browser killed on the way", async ({
  baseURL,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-profile-"));
  const bad = await troubleFiles(join(folder, "files"));
  let context = await openProfile(join(folder, "profile"), baseURL!);
  let page = await context.newPage();
  await page.goto("/");

  await test.step("photos come in; what is no picture is named with its reason", async () => {
    await expect(page.getByRole("heading", { name: "First, some photos" })).toBeVisible();
    await chooseFiles(page, [bad.text, ...samplePhotos(9), bad.cutOff, bad.empty, bad.onePixel, bad.panorama]);
    const list = page.getByTestId("incoming");
    await expect(list.getByText("3 files were left out")).toBeVisible();
    await expect(list.getByText("notes.jpg: this is not a picture")).toBeVisible();
    await expect(list.getByText("cut-off.jpg: the picture is damaged")).toBeVisible();
    await expect(list.getByText("empty.jpg: the file is empty")).toBeVisible();
    await page.getByRole("button", { name: "Close this list" }).click();
    await page.getByRole("link", { name: /Photos/ }).click();
    await expect(page.getByRole("heading", { name: "11 photos" })).toBeVisible();
    await chooseFiles(page, samplePhotos(2));
    await expect(page.getByText("2 files were here already.")).toBeVisible();
    await page.getByRole("link", { name: "To all your projects" }).click();
  });

  await test.step("a size of one's own says what is wrong with it", async () => {
    await page.getByText("A size of my own").click();
    const begin = page.getByRole("button", { name: "Start this collage" });
    for (const [typed, words] of [
      ["0", "at least 20 mm"],
      ["5000", "longer than 2000 mm"],
    ] as const) {
      await typeInto(page, "Width", typed);
      await expect(page.getByRole("alert").getByText(words)).toBeVisible();
      await expect(begin).toBeDisabled();
    }
    await typeInto(page, "Width", "abc");
    await expect(page.getByText("That is not a length.")).toBeVisible();
    await typeInto(page, "Width", "8 1/2 in + 1 cm");
    await expect(page.getByText("The file will be 2,739 × 3,614 pixels.")).toBeVisible();
    await page.getByRole("combobox", { name: "Unit" }).selectOption("in");
    await expect(page.getByRole("textbox", { name: "Width" })).toHaveValue("8.9");
    await page.getByRole("combobox", { name: "Unit" }).selectOption("mm");
    await typeInto(page, "Sharpness, ppi", "1200");
    await typeInto(page, "Height", "200");
    await expect(begin).toBeEnabled();
    await typeInto(page, "Width", "2000");
    await expect(page.getByText(/too many pixels for one file. It fits at \d+ ppi/)).toBeVisible();
  });

  await test.step("a lab's card and one of its sizes", async () => {
    await startCollage(page, "Quayside Collage Press", "12 × 12 in");
    await expect(page.getByText("This page is empty")).toBeVisible();
  });

  await test.step("photos chosen by click, shift and ctrl are arranged, with even gaps", async () => {
    await shelfPhotos(page).nth(0).click();
    await shelfPhotos(page)
      .nth(4)
      .click({ modifiers: ["Shift"] });
    await expect(page.getByText("5 chosen")).toBeVisible();
    await shelfPhotos(page)
      .nth(2)
      .click({ modifiers: ["Control"] });
    await shelfPhotos(page)
      .nth(5)
      .click({ modifiers: ["Control"] });
    await shelfPhotos(page)
      .nth(6)
      .click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Arrange 6 photos" }).click();
    await expect(tiles(page)).toHaveCount(6);
    await expectUndo(page, "Arranged 6 photos");
    await expectEvenGaps(page);
  });

  await test.step("rows and columns are typed, and cells without a photo wait for one", async () => {
    await page.getByRole("button", { name: "As a grid" }).click();
    await typeInto(page, "Rows", "2");
    await typeInto(page, "Columns", "4");
    await expect(tiles(page)).toHaveCount(8);
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("2 empty");
    await expectEvenGaps(page);
    await shelfPhotos(page).nth(7).click();
    await shelfPhotos(page)
      .nth(8)
      .click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Fill 2 empty tiles" }).click();
    await expectUndo(page, "Filled 2 tiles");
    await typeInto(page, "Columns", "1");
    await expect(page.getByText("6 photos did not fit and stay on the shelf.")).toBeVisible();
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(8);
  });

  await test.step("gap, margin, corners, border and colour, by number and by slider", async () => {
    await typeInto(page, "Gap", "6 mm");
    await expectUndo(page, "Changed the gap");
    await page.getByRole("slider", { name: "Gap" }).press("End");
    await expectEvenGaps(page);
    await typeInto(page, "Gap", "40 in");
    await expect(page.getByText(/That gap leaves no room for the photos/)).toBeVisible();
    await typeInto(page, "Margin", "7 in");
    await expect(page.getByText(/That margin leaves no room for the photos/)).toBeVisible();
    await page.keyboard.press("Escape");
    await typeInto(page, "Gap", "1/8");
    await typeInto(page, "Margin", "0.5");
    await expectUndo(page, "Changed the margin");
    await openSection(page, /^Corners and border/);
    await page.getByRole("slider", { name: "Corners" }).press("ArrowRight");
    await expectUndo(page, "Changed the corners");
    await typeInto(page, "Border", "2 mm");
    await page
      .getByRole("group", { name: "Border colour" })
      .getByRole("button", { name: "Border colour: Clay" })
      .click();
    await expectUndo(page, "Changed the border");
    await page.getByRole("button", { name: "Page colour: Pine" }).click();
    await expectUndo(page, "Changed the page colour");
    const corner = await sharp(await paintedPage(page))
      .extract({ left: 2, top: 2, width: 1, height: 1 })
      .raw()
      .toBuffer();
    expect([...corner.subarray(0, 3)]).toEqual([0x22, 0x30, 0x2b]);
  });

  await test.step("by hand: put, swap, move a seam, empty", async () => {
    const name = (n: number) =>
      tile(page, n)
        .getAttribute("aria-label")
        .then((l) => l!.replace(/^Tile \d+ of \d+: /, ""));
    const [first, second] = [await name(1), await name(2)];
    await drag(page, tile(page, 1), tile(page, 2));
    await expect(tile(page, 1)).toHaveAccessibleName(`Tile 1 of 8: ${second}`);
    await expect(tile(page, 2)).toHaveAccessibleName(`Tile 2 of 8: ${first}`);
    await expectUndo(page, "Swapped two photos");
    const photo = shelfPhotos(page).nth(1);
    const caption = (await photo.getAttribute("title"))!;
    await drag(page, photo, tile(page, 3));
    await expect(tile(page, 3)).toHaveAccessibleName(`Tile 3 of 8: ${caption}`);
    await expectUndo(page, "Filled a tile");
    const before = await box(tile(page, 1));
    // Not in the middle, where the other seam crosses.
    const aside = { x: 0.5, y: 0.25 };
    await drag(page, page.getByRole("separator", { name: "Line after column 1" }), { dx: 34, dy: 0 }, aside);
    await expectUndo(page, "Moved a line between photos");
    const after = await box(tile(page, 1));
    expect(after.width - before.width).toBeCloseTo(34, 0);
    await expectEvenGaps(page);
    await tile(page, 5).click();
    await page.keyboard.press("Delete");
    await expectUndo(page, "Emptied a tile");
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("1 empty");
  });

  await test.step("reframed by drag, wheel and keys, with the sharpness shown live", async () => {
    await tile(page, 2).dblclick();
    const figure = page.getByTestId("sharpness").getByText(/ppi$/);
    const ppi = async () => Number.parseInt((await figure.textContent()) ?? "", 10);
    const start = await ppi();
    const at = await box(tile(page, 2));
    await page.mouse.move(at.x + 40, at.y + 60);
    await page.mouse.wheel(0, -300);
    await expect.poll(ppi).toBeLessThan(start);
    await page.keyboard.press("+");
    await page.keyboard.press("ArrowLeft");
    await expectUndo(page, "Reframed a photo");
    await page.mouse.down();
    await page.mouse.move(at.x + 10, at.y + 90, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.press("Enter");
    await expect(page.getByTestId("reframe")).toHaveCount(0);
  });

  const beforeKill = await paintedPage(page);
  const labels = await tiles(page).evaluateAll((list) => list.map((t) => t.getAttribute("aria-label")));
  await expectKept(page);

  await test.step("the browser is killed, and everything is found again, what can be undone too", async () => {
    await killBrowser(context, folder);
    context = await openProfile(join(folder, "profile"), baseURL!);
    page = await context.newPage();
    await page.goto("/");
    await expect(page.getByRole("heading", { name: "Your projects" })).toBeVisible();
    await page.getByRole("link", { name: "Open My collage" }).click();
    await expect(tiles(page)).toHaveCount(8);
    expect(await tiles(page).evaluateAll((list) => list.map((t) => t.getAttribute("aria-label")))).toEqual(labels);
    expect(await differing(await paintedPage(page), beforeKill)).toBeLessThan(0.002);
    await expectUndo(page, "Reframed a photo");
    let steps = 0;
    while ((await undoButton(page).getAttribute("aria-label")) !== "Nothing to undo") {
      await undoButton(page).click();
      steps += 1;
    }
    expect(steps).toBeGreaterThan(12);
    await expect(page.getByText("This page is empty")).toBeVisible();
    for (let i = 0; i < steps; i += 1) await page.keyboard.press("Control+Shift+z");
    await expect(redoButton(page)).toHaveAccessibleName("Nothing to redo");
    expect(await differing(await paintedPage(page), beforeKill)).toBeLessThan(0.002);
  });

  await test.step("the file is exactly what the lab wants, and the same picture as on screen", async () => {
    const onScreen = await paintedPage(page);
    await page.getByRole("link", { name: /Send/ }).click();
    await expect(page.getByText("1 thing to fix before printing.")).toBeVisible();
    await page.getByText("As you get it back").click();
    await page.getByText("As the lab gets it").click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe("quayside-My-collage-1.jpg");
    await expect(page.getByTestId("saved")).toContainText("3,671 × 3,671 pixels, 300 ppi");
    const path = join(folder, "out.jpg");
    await file.saveAs(path);
    const seen = await sharp(path).metadata();
    expect(seen).toMatchObject({
      format: "jpeg",
      width: 3671,
      height: 3671,
      density: 300,
      hasProfile: true,
      space: "srgb",
    });
    expect(seen.icc!.toString("latin1")).toContain("sRGB IEC61966-2.1");
    expect(await differing(await sharp(path).png().toBuffer(), onScreen)).toBeLessThan(0.002);
    await expect(page.getByRole("link", { name: /Send/ })).toContainText("saved to disk");
  });
  await context.close();
});

test.describe("with one photo", () => {
  test("it makes a page by itself; without its original it cannot be printed, and that is said", async ({ page }) => {
    await withPhotos(page, 1);
    await startCollage(page, "Fernhill Prints", "5 × 7 in", "Landscape");
    await arrangeFirst(page, 1);
    const [tileBox, pageBox] = [await box(tile(page, 1)), await box(page.getByTestId("page"))];
    expect(tileBox.width / pageBox.width).toBeGreaterThan(0.85);
    await loseOriginals(page);
    await page.getByRole("link", { name: /Send/ }).click();
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    await expect(page.getByRole("alert").getByText(/could not be read: .*put another in its place/)).toBeVisible();
    await page.getByRole("link", { name: /Pages/ }).click();
    await expect(tiles(page)).toHaveCount(1);
  });
});
