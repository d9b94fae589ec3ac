import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { twelveArranged } from "./support/prepared.ts";
import {
  box,
  drag,
  expectEvenGaps,
  expectUndo,
  paintedPage,
  tile,
  tileBoxes,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

test("seams keep the page exact, whatever is changed after", async ({ page }) => {
  await twelveArranged(page);
  const seam = page.getByRole("separator", { name: "Vertical line 1", exact: true });

  await test.step("dragged: both sides follow; back to where it fits best it snaps by itself", async () => {
    const before = await box(seam);
    await drag(page, seam, { dx: 26, dy: 0 });
    await expectUndo(page, "Moved a line between photos");
    await expectEvenGaps(page);
    const moved = await box(seam);
    expect(moved.x - before.x).toBeGreaterThan(10);
    // Three pixels short of where it lay: near enough for a snap.
    await drag(page, seam, { dx: before.x - moved.x + 3, dy: 0 });
    expect((await box(seam)).x).toBeCloseTo(before.x, 0);
    await drag(page, seam, { dx: 26, dy: 0 });
    await seam.focus();
    await page.keyboard.press("ArrowLeft");
    await expectEvenGaps(page);
  });

  await test.step("a shuffle lets it go, solving again keeps it, and the first arrangement comes back", async () => {
    const set = (await box(seam)).x;
    await page.getByRole("button", { name: "Arrange again" }).click();
    expect((await box(seam)).x).toBeCloseTo(set, 0);
    await page.getByRole("button", { name: "Back to the first arrangement", exact: true }).click();
    await expectUndo(page, "Went back to the first arrangement");
    expect((await box(seam)).x).not.toBeCloseTo(set, 0);
    await expect(page.getByRole("button", { name: "Back to the first arrangement", exact: true })).toHaveCount(0);
    await undoButton(page).click();
  });

  await test.step("with Alt only this stretch moves", async () => {
    const level = page.getByRole("separator", { name: "Horizontal line 1", exact: true });
    const at = await box(level);
    await page.keyboard.down("Alt");
    await drag(page, level, { dx: 0, dy: 14 });
    await page.keyboard.up("Alt");
    expect((await box(level)).y).toBeGreaterThan(at.y + 5);
    await expectEvenGaps(page);
  });

  await test.step("gap, each margin, full bleed and a margin too near the cut", async () => {
    await typeInto(page, "Gap", "5 mm");
    await expectEvenGaps(page);
    await page.getByRole("button", { name: "Each side" }).click();
    await typeInto(page, "Left margin", "1.5");
    await expectUndo(page, "Changed the margin");
    const left = Math.min(...(await tileBoxes(page)).map((b) => b.x));
    const sheet = await box(page.getByTestId("page"));
    expect(left - sheet.x).toBeGreaterThan(sheet.width / 10);
    await typeInto(page, "Left margin", "0.1");
    await expect(page.getByText(/end so close to the cut/)).toBeVisible();
    await page.getByRole("button", { name: "0.2 in inside" }).click();
    await expect(page.getByText(/end so close to the cut/)).toHaveCount(0);
    await page.getByRole("button", { name: "Full bleed" }).click();
    const all = await tileBoxes(page);
    expect(Math.min(...all.map((b) => b.x))).toBeCloseTo(sheet.x, 0);
    expect(Math.max(...all.map((b) => b.x + b.width))).toBeCloseTo(sheet.x + sheet.width, 0);
    expect(Math.max(...all.map((b) => b.y + b.height))).toBeCloseTo(sheet.y + sheet.height, 0);
    await expectEvenGaps(page);
  });

  await test.step("in rows of one height, whose seams can be moved too; undone, all is as it was", async () => {
    const before = await tileBoxes(page);
    await page.getByRole("button", { name: "In rows" }).click();
    await expectUndo(page, /^Undo: Arranged 12 photos/);
    await expect(page.getByText("Rows of one height")).toBeVisible();
    await expect(tiles(page)).toHaveCount(12);
    await expectEvenGaps(page);
    const inner = (await tileBoxes(page)).map((b) => Math.round(b.height));
    expect(Math.max(...inner) - Math.min(...inner)).toBeLessThan(12);
    await drag(page, page.getByRole("separator", { name: "Horizontal line 1", exact: true }), { dx: 0, dy: 20 });
    await expectUndo(page, "Moved a line between photos");
    await expectEvenGaps(page);
    await undoButton(page).click();
    await undoButton(page).click();
    expect(await tileBoxes(page)).toEqual(before);
  });

  await test.step("a tile cut out as an ellipse shows the page in its corners, and takes a border that follows it", async () => {
    await tile(page, 5).click();
    await page.getByRole("combobox", { name: "Outline" }).selectOption({ label: "Ellipse" });
    await expectUndo(page, "Changed the outline");
    await expect(page.getByRole("textbox", { name: "Corners", exact: true })).toHaveCount(0);
    const at = await colourAt(page, 5, 0.04, 0.04);
    expect(at).toEqual([255, 255, 255]);
    expect(await colourAt(page, 5, 0.5, 0.5)).not.toEqual([255, 255, 255]);
    await typeInto(page, "Border", "4 mm");
    const [left, top] = [await colourAt(page, 5, 0.02, 0.5), await colourAt(page, 5, 0.5, 0.02)];
    expect([left, top]).toEqual([left, left]);
    await undoButton(page).click();
    await undoButton(page).click();
    expect(await colourAt(page, 5, 0.04, 0.04)).not.toEqual([255, 255, 255]);
  });
});

/** The colour of the painted page in a tile, at a share of its width and height. */
async function colourAt(page: Page, n: number, x: number, y: number): Promise<number[]> {
  const [sheet, at] = [await box(page.getByTestId("page").locator("canvas").first()), await box(tile(page, n))];
  const picture = sharp(await paintedPage(page));
  const { width, height } = await picture.metadata();
  const px = Math.round(((at.x + at.width * x - sheet.x) / sheet.width) * width);
  const py = Math.round(((at.y + at.height * y - sheet.y) / sheet.height) * height);
  const one = await picture.extract({ left: px, top: py, width: 1, height: 1 }).removeAlpha().raw().toBuffer();
  return [...one];
}
