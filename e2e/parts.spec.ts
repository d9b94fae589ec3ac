import { mkdir } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  shelfPhotos,
  startBook,
  startCollage,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const box = async (at: Locator) => (await at.boundingBox())!;
const rects = async (page: Page) => Promise.all((await tiles(page).all()).map((t) => box(t)));

test("a page in two parts: each is filled, laid out and looked at by itself; the line between them moves both", async ({
  page,
}) => {
  await withPhotos(page, 9);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 3);
  await page.keyboard.press("Escape");
  const sheet = await box(page.getByTestId("page"));
  const middle = sheet.x + sheet.width / 2;
  const onRight = async () => (await rects(page)).filter((r) => r.x + r.width / 2 > middle).length;

  await test.step("split side by side, the second part waits for photos and takes them", async () => {
    await page.getByRole("button", { name: "Two parts, side by side" }).click();
    await expect(tiles(page)).toHaveCount(4);
    expect(await onRight()).toBe(1);
    await shelfPhotos(page).nth(4).click();
    for (let i = 0; i < 3; i += 1) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: "Arrange 4 photos" }).click();
    await expect(tiles(page)).toHaveCount(7);
    expect(await onRight()).toBe(4);
    await expectKept(page);
  });

  await test.step("the line between them is dragged and moved by keys; the gap stays one and the same", async () => {
    const line = page.getByRole("separator", { name: "Line between the left and the right part" });
    const at = await box(line);
    await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
    await page.mouse.down();
    await page.mouse.move(at.x + at.width / 2 - 80, at.y + at.height / 2, { steps: 5 });
    await page.mouse.up();
    await expect.poll(async () => (await box(line)).x).toBeLessThan(at.x - 50);
    const gap = async () => {
      const all = (await rects(page)).map((r) => ({ from: r.x, to: r.x + r.width }));
      const x = (await box(line)).x + (await box(line)).width / 2;
      const left = Math.max(...all.filter((r) => r.to < x + 3).map((r) => r.to));
      const right = Math.min(...all.filter((r) => r.from > x - 3).map((r) => r.from));
      return right - left;
    };
    const wide = await gap();
    await line.focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    await expect(page.getByRole("button", { name: /^Undo: Moved/ })).toBeVisible();
    expect(Math.abs((await gap()) - wide)).toBeLessThanOrEqual(1.5);
  });

  await test.step("other ways and templates change the part of the chosen tile, and leave the other alone", async () => {
    const left = () => rects(page).then((all) => all.slice(0, 3).map((r) => Math.round(r.x + r.y)));
    const before = await left();
    await tile(page, 5).click();
    await openDrawer(page, "Other ways");
    const ways = page.getByRole("group", { name: "Other ways" }).getByRole("button");
    await ways.nth(1).click();
    await expect(page.getByRole("button", { name: "Undo: Arranged it another way" })).toBeVisible();
    expect(await left()).toEqual(before);
    await openDrawer(page, "Templates");
    await page.locator("[data-card]").first().click();
    await expect(page.getByRole("button", { name: "Undo: Laid out by a template" })).toBeVisible();
    expect(await left()).toEqual(before);
    await page.getByRole("button", { name: /^Undo: Laid/ }).click();
  });

  await test.step("a part that is chosen whole has a gap and edges of its own, which a photo that joins it takes on", async () => {
    const border = page.getByRole("textbox", { name: "Border", exact: true });
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Everything, front to back" }).click();
    await page.getByRole("button", { name: "Choose A group of 4 tiles" }).click();
    await expect(page.getByRole("heading", { name: "4 tiles" })).toBeVisible();
    const lies = async () => (await rects(page)).map((r) => Math.round(r.width * r.height));
    const before = await lies();
    await typeInto(page, "Gap", "0.5");
    await expectUndo(page, "Changed the gap");
    const sum = (of: readonly number[]) => of.slice(3).reduce((all, a) => all + a, 0);
    await expect.poll(async () => sum(await lies())).toBeLessThan(0.97 * sum(before));
    expect((await lies()).slice(0, 3)).toEqual(before.slice(0, 3));
    await typeInto(page, "Gap", "90");
    await expect(page.getByRole("alert")).toContainText("The widest that works here");
    await page.getByRole("textbox", { name: "Gap", exact: true }).press("Escape");
    await typeInto(page, "Border", "0.1");
    await expectUndo(page, "Changed the border");
    await openDrawer(page, "Photos");
    await tile(page, 5).click();
    await shelfPhotos(page).nth(8).click();
    await page.getByRole("button", { name: "Right of it" }).click();
    await expect(tiles(page)).toHaveCount(8);
    for (const n of [4, 5, 6, 7, 8]) {
      await tile(page, n).click();
      await expect(border).toHaveValue("0.1");
    }
    await tile(page, 1).click();
    await expect(border).toHaveValue("0");
    for (let i = 0; i < 3; i += 1) await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(7);
    await expect.poll(lies).toEqual(before);
  });

  await test.step("one part again, with everything on it", async () => {
    await nobodyChosen(page);
    await page.getByRole("button", { name: "One part again" }).click();
    await expect(tiles(page)).toHaveCount(7);
    await expect(page.getByRole("separator", { name: /between the left and the right part/ })).toHaveCount(0);
    await page.getByRole("button", { name: "Undo: Made the page one part again" }).click();
    await expect(page.getByRole("separator", { name: /between the left and the right part/ })).toHaveCount(1);
  });
});

test("each part of a cover takes photos of its own, over all of it", async ({ page }, info) => {
  await withPhotos(page, 6);
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  await arrangeFirst(page, 3);
  await page.getByRole("button", { name: "Make the cover" }).click();
  const parts = page.getByRole("button", { name: "Back", exact: true });
  await parts.click();
  await expect(tiles(page)).toHaveCount(1);
  await openDrawer(page, "Photos");
  await shelfPhotos(page).nth(3).click();
  await expect(page.getByRole("button", { name: "Undo: Filled a tile" })).toBeVisible();
  const back = await box(tile(page, 1));
  const sheet = await box(page.getByTestId("page"));
  // Out over the wrapped edge on three sides, and up to the fold on the fourth.
  expect(Math.abs(back.x - sheet.x)).toBeLessThan(2);
  expect(Math.abs(back.height - sheet.height)).toBeLessThan(2);
  expect(back.x + back.width).toBeLessThan(sheet.x + sheet.width / 2);
  await page.keyboard.press("Escape");
  await shelfPhotos(page).nth(4).click();
  await page.keyboard.press("Shift+ArrowRight");
  await page
    .getByRole("button", { name: "Add 2 photos" })
    .or(page.getByRole("button", { name: /^Add 2/ }))
    .first()
    .click();
  await expect(tiles(page)).toHaveCount(3);
  for (const r of await rects(page)) expect(r.x + r.width).toBeLessThan(sheet.x + sheet.width / 2 + 2);

  await test.step("a finished front is brought in, and what its shape costs at the fold is told", async () => {
    await mkdir(info.outputDir, { recursive: true });
    const path = join(info.outputDir, "front.png");
    await sharp({ create: { width: 1800, height: 1200, channels: 3, background: "#446688" } })
      .png()
      .toFile(path);
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "Bring in finished pages …" }).click();
    await page.getByLabel("Which part of the cover").selectOption({ label: "Front" });
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Choose a file" }).click();
    await (await chooser).setFiles(path);
    await expect(
      page.getByText(/front.png does not have the shape of this part: \d+(\.\d)? mm is cut off at the fold/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Done" }).click();
    await expect(tiles(page)).toHaveCount(4);
    await expect(page.getByRole("button", { name: /^Undo: Brought/ })).toBeVisible();
  });
});
