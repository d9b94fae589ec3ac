import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { openSection, repaints, slider } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  printOfPage,
  startOwnSize,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const paper = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

/** The mean colour of the page's own pixels around a point of the screen. */
async function meanAt(page: Page, x: number, y: number): Promise<readonly number[]> {
  const canvas = await box(page.getByTestId("page").locator("canvas").first());
  const painted = sharp(await paintedPage(page)).removeAlpha();
  const k = (await painted.metadata()).width! / canvas.width;
  const [left, top] = [Math.floor((x - canvas.x) * k) - 2, Math.floor((y - canvas.y) * k) - 2];
  const { channels } = await sharp(await painted.extract({ left, top, width: 5, height: 5 }).png().toBuffer()).stats();
  return channels.map((c) => c.mean);
}

test("papers in tiles and on pages, ornaments over them, in the work's palette; one look for all pages; in files as on screen", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });
  await arrangeFirst(page, 4);
  await typeInto(page, "Gap", "8");
  await typeInto(page, "Margin", "14");

  await test.step("on the page by a click, found by its kind, walked through by keys", async () => {
    await openDrawer(page, "Papers");
    expect(await page.locator("[data-card]").count()).toBeGreaterThanOrEqual(40);
    await page.getByRole("combobox", { name: "Kind of paper" }).selectOption("Plants");
    await repaints(page, () => paper(page, "Sprigs").click());
    await expectUndo(page, "Laid a paper");
    await paper(page, "Leaves").focus();
    await page.keyboard.press("ArrowRight");
    await expect(paper(page, "Sprigs")).toBeFocused();
    await page.getByRole("combobox", { name: "Kind of paper" }).selectOption("All papers");
  });

  await test.step("in two tiles as one sheet; sized, turned to the diagonal, in an ink of one's own", async () => {
    await tile(page, 1).click();
    await tile(page, 2).click({ modifiers: ["Control"] });
    await repaints(page, () => paper(page, "Tartan").click());
    await expectUndo(page, "Laid a paper in 2 tiles");
    await expect(tile(page, 1)).toHaveAccessibleName(/Tartan/);
    await repaints(page, () => page.getByText("One sheet over all such tiles").click());
    await repaints(page, () => slider(page, "Size").fill("1.5"));
    await expectUndo(page, "Changed a paper");
    await repaints(page, () => page.getByRole("button", { name: "On the diagonal" }).click());
    await repaints(page, () => slider(page, "To the right").fill("6"));
    await page.getByRole("button", { name: "Ink 1", exact: true }).click();
    const hex = page.getByRole("textbox", { name: /^Ink 1/ });
    await hex.fill("#aa3311");
    await repaints(page, () => hex.press("Enter"));
    await page.keyboard.press("Escape");
    await expect(page.getByRole("button", { name: "Colours of the palette again" })).toBeVisible();
    await expect(slider(page, "Size")).toHaveValue("1.5");
  });

  await test.step("dragged onto a tile; another design lies as the one before; taken away by undo", async () => {
    await nobodyChosen(page);
    await paper(page, "Stripes").scrollIntoViewIfNeeded();
    const [from, to] = [await box(paper(page, "Stripes")), await box(tile(page, 3))];
    await page.mouse.move(from.x + 30, from.y + 30);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
    await expectUndo(page, "Laid a paper");
    await expect(tile(page, 3)).toHaveAccessibleName(/Stripes/);
    await tile(page, 3).click();
    await expect(page.getByRole("heading", { name: "This tile" })).toBeVisible();
    await expect(page.getByRole("complementary").getByText("Stripes")).toBeVisible();
    await slider(page, "Turned").fill("20");
    await expectUndo(page, "Changed a paper");
    await paper(page, "Gingham").click();
    await expect(tile(page, 3)).toHaveAccessibleName(/Gingham/);
    await expect(slider(page, "Turned")).toHaveValue("20");
    await undoButton(page).click();
    await expect(tile(page, 3)).toHaveAccessibleName(/Stripes/);
  });

  await test.step("a palette out of the photos colours every paper, but that in inks of its own; and back", async () => {
    await nobodyChosen(page);
    await page.getByText("All pages", { exact: true }).click();
    await expect(page.getByText("No colours yet.")).toBeVisible();
    const before = await printOfPage(page);
    await repaints(page, () => page.getByRole("button", { name: "this page", exact: true }).click());
    await expectUndo(page, "Changed the palette");
    const palette = page.getByRole("group", { name: "Palette of the work" }).getByRole("button", { name: /^Colour/ });
    expect(await palette.count()).toBeGreaterThanOrEqual(3);
    await page.getByRole("button", { name: "Add a colour" }).click();
    const last = (await palette.count()) - 1;
    await palette.nth(last).click();
    await page.getByRole("button", { name: "Take it from the page" }).click();
    const glass = page.getByRole("application");
    await expect(glass).toBeFocused();
    const at = await box(tile(page, 4));
    await page.mouse.move(Math.round(at.x + at.width / 2), Math.round(at.y + at.height / 2));
    const painted = await meanAt(page, Math.round(at.x + at.width / 2), Math.round(at.y + at.height / 2));
    await expect(async () => {
      const seen = await glass.getByRole("status").textContent();
      for (const c of [0, 1, 2])
        expect(Math.abs(Number.parseInt(seen!.slice(1 + 2 * c, 3 + 2 * c), 16) - painted[c]!)).toBeLessThan(6);
    }).toPass();
    await page.keyboard.press("Shift+ArrowLeft");
    await page.keyboard.press("ArrowDown");
    const taken = await glass.getByRole("status").textContent();
    await page.keyboard.press("Enter");
    await expect(glass).toHaveCount(0);
    await expectUndo(page, "Changed the palette");
    await expect(page.getByRole("button", { name: `Page colour: ${taken}`, exact: true })).toBeVisible();
    await undoButton(page).click();
    await undoButton(page).click();
    await undoButton(page).click();
    await expect.poll(() => printOfPage(page)).toBe(before);
    await page.keyboard.press("Control+Shift+z");
    await expectUndo(page, "Changed the palette");
  });

  await test.step("what all pages look like is set once; a page that says otherwise is counted, and made like the others", async () => {
    await expect(page.getByText("One page has a look of its own.")).toBeVisible();
    await typeInto(page, "Border", "2");
    await expectUndo(page, "Changed the border");
    await repaints(page, () => page.getByRole("button", { name: "Make them look like the others" }).click());
    await expect(page.getByText("One page has a look of its own.")).toHaveCount(0);
    await repaints(page, () => paper(page, "Waves").click());
    await page.getByText("This page", { exact: true }).click();
    await page.getByRole("button", { name: "Another page" }).first().click();
    await expect(tiles(page)).toHaveCount(0);
    await expect(page.getByText("Waves", { exact: true }).first()).toBeVisible();
    await page.getByRole("button", { name: "No paper", exact: true }).click();
    await page.getByText("All pages", { exact: true }).click();
    await expect(page.getByText("One page has a look of its own.")).toBeVisible();
    await page.getByText("This page", { exact: true }).click();
    await undoButton(page).click();
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(4);
  });

  await test.step("ornaments lie over it: by a click and by a drag, mirrored, in an ink of one's own, with a shadow, round the edge", async () => {
    await openDrawer(page, "Ornaments");
    expect(await page.locator("[data-card]").count()).toBeGreaterThanOrEqual(60);
    await repaints(page, () => page.getByRole("button", { name: "Tag on a string", exact: true }).click());
    await expectUndo(page, "Laid an ornament");
    const tag = page.getByRole("option", { name: /Tag on a string/ });
    await expect(tag).toHaveAttribute("aria-selected", "true");
    await repaints(page, () => page.getByRole("button", { name: "Mirror left to right" }).last().click());
    await openSection(page, /^Shadow/);
    await repaints(page, () => page.getByText("Under it", { exact: true }).click());
    await expect(page.getByText("Inside it", { exact: true })).toHaveCount(0);
    await page.getByRole("button", { name: "Ink 1", exact: true }).click();
    const hex = page.getByRole("textbox", { name: /^Ink 1/ });
    await hex.fill("#336655");
    await repaints(page, () => hex.press("Enter"));
    await page.keyboard.press("Escape");
    await expectUndo(page, "Changed an ornament");
    await repaints(page, () => page.getByRole("button", { name: "Colours of the palette again" }).click());
    await undoButton(page).click();

    await page.getByRole("combobox", { name: "Kind of ornament" }).selectOption("Stars and hearts");
    const [from, to] = [await box(page.getByRole("button", { name: "Heart", exact: true })), await box(tile(page, 4))];
    await page.mouse.move(from.x + 30, from.y + 30);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
    await expect(page.getByRole("option", { name: /: Heart$/ })).toHaveAttribute("aria-selected", "true");
    await page.getByRole("textbox", { name: "Width" }).fill("9");
    await page.getByRole("textbox", { name: "Width" }).press("Enter");
    await openSection(page, /^Copies/);
    await page.getByRole("button", { name: /round the edge of the page/ }).click();
    await expectUndo(page, /^Undo: Made \d+ copies/);
    expect(await page.getByRole("option", { name: /: Heart$/ }).count()).toBeGreaterThan(8);
    await nobodyChosen(page);
  });

  await test.step("files show it as the screen does; it is there again after a reload", async () => {
    await page.mouse.move(400, 580);
    const screen = await paintedPage(page);
    await expectFilesAsOnScreen(page, screen);
    await expectKept(page);
    await page.reload();
    await page.getByRole("link", { name: /^Pages/ }).click();
    await expect(tile(page, 1)).toHaveAccessibleName(/Tartan/);
    await expect.poll(async () => (await paintedPage(page)).equals(screen)).toBe(true);
  });
});
