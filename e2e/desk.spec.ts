import { expect, type Locator, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import {
  allIn,
  arrangeFirst,
  box,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  shelfPhotos,
  startCollage,
  tile,
  tileBoxes,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const free = (page: Page) => page.getByRole("option", { name: /^On top/ });
const shelf = (page: Page) => page.getByRole("region", { name: "Shelf" });
const material = (page: Page, group: "Papers" | "Ornaments") =>
  page.getByRole("group", { name: group }).getByRole("button");

/** Drags to a point of the page, as shares of it, and stops there. */
async function dragTo(page: Page, from: Locator, x: number, y: number): Promise<void> {
  const [a, sheet] = [await box(from), await box(page.getByTestId("page"))];
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + a.width / 2 + 12, a.y - 20, { steps: 3 });
  await page.mouse.move(sheet.x + sheet.width * x, sheet.y + sheet.height * y, { steps: 8 });
}

test("the shelf's drawers: opened, pulled up and folded; papers and ornaments come onto the page; what is dropped is shown first", async ({
  page,
}) => {
  await page.goto("/photos");
  for (const [section, sample] of [
    ["Papers", "Try the sample papers"],
    ["Ornaments", "Try the sample ornaments"],
  ] as const) {
    await page.getByText(section, { exact: true }).click();
    await page.getByRole("button", { name: sample }).click();
    await expect(page.getByRole("heading", { name: new RegExp(`[1-9] ${section.toLowerCase()}`) })).toBeVisible();
    await allIn(page);
  }
  await withPhotos(page, 8);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await expect(page).toHaveTitle("Pages – My collage – Tessip");
  await arrangeFirst(page, 4);

  await test.step("drawers by arrow keys and by a key; two rows, half the window, folded away and back", async () => {
    await page.getByRole("tab", { name: "Photos" }).focus();
    await page.keyboard.press("ArrowRight");
    await expect(page.getByRole("tab", { name: "Other ways" })).toBeFocused();
    await expect(page.getByRole("group", { name: "Other ways" }).getByRole("button").first()).toBeVisible();
    await page.keyboard.press("ArrowLeft");
    await expect(page.getByRole("tab", { name: "Photos" })).toHaveAttribute("aria-selected", "true");
    const height = async () => (await box(shelf(page))).height;
    const pressed = async (key: string, least: number, most: number) => {
      await page.keyboard.press(key);
      await expect.poll(async () => least <= (await height()) && (await height()) <= most).toBe(true);
      return height();
    };
    const one = await height();
    const two = await pressed("u", one + 60, 400);
    await pressed("u", two + 60, 800);
    await pressed("d", two, two);
    await pressed("d", one, one);
    await pressed("d", 0, 60);
    await expect(shelfPhotos(page)).toHaveCount(0);
    await page.keyboard.press("n");
    await expect(page.getByRole("tab", { name: "Other ways" })).toHaveAttribute("aria-selected", "true");
    expect((await box(shelf(page))).height).toBe(one);
  });

  await test.step("a page's and a tile's panel fit the window", async () => {
    const panel = page.getByRole("complementary");
    const beyond = () => panel.evaluate((p) => p.scrollHeight - p.clientHeight);
    await nobodyChosen(page);
    await expect(page.getByRole("heading", { name: "This page" })).toBeVisible();
    expect(await beyond()).toBeLessThanOrEqual(0);
    await tile(page, 1).click();
    await expect(page.getByRole("heading", { name: "This tile" })).toBeVisible();
    expect(await beyond()).toBeLessThanOrEqual(0);
    await page.getByRole("button", { name: "Outline and border" }).click();
    await expect(page.getByRole("textbox", { name: "Border" })).toBeHidden();
    await nobodyChosen(page);
    await tile(page, 2).click();
    await expect(page.getByRole("button", { name: "Outline and border" })).toHaveAttribute("aria-expanded", "false");
    await nobodyChosen(page);
  });

  await test.step("a paper lies behind the page by a click, and in a place by a drag", async () => {
    await openDrawer(page, "Papers");
    await material(page, "Papers").first().click();
    await expectUndo(page, "Changed the background");
    await undoButton(page).click();
    const first = await tile(page, 1).getAttribute("aria-label");
    await tile(page, 1).click();
    await material(page, "Papers").nth(1).click();
    await expectUndo(page, "Filled a tile");
    await expect(tile(page, 1)).not.toHaveAccessibleName(first!);
    await undoButton(page).click();
    await expect(tile(page, 1)).toHaveAccessibleName(first!);
    await nobodyChosen(page);
    await dragTo(page, material(page, "Papers").first(), 0.004, 0.004);
    await expectUndo(page, "Arranged 4 photos");
    await page.mouse.up();
    await expectUndo(page, "Changed the background");
    await undoButton(page).click();
  });

  await test.step("an ornament lies freely where it is dropped, and in the middle by a click", async () => {
    await openDrawer(page, "Ornaments");
    await dragTo(page, material(page, "Ornaments").first(), 0.3, 0.3);
    await expect(free(page)).toHaveCount(1);
    await page.mouse.up();
    await expect(free(page)).toHaveCount(1);
    await expect(free(page)).toHaveAttribute("aria-selected", "true");
    const [laid, sheet] = [await box(free(page)), await box(page.getByTestId("page"))];
    expect(Math.abs(laid.x + laid.width / 2 - sheet.x - sheet.width * 0.3)).toBeLessThan(4);
    await material(page, "Ornaments").nth(1).press("Enter");
    await expect(free(page)).toHaveCount(2);
    await undoButton(page).click();
    await undoButton(page).click();
    await expect(free(page)).toHaveCount(0);
  });

  await test.step("everything on the page is listed front to back: chosen, named, hidden, locked, brought forward", async () => {
    await material(page, "Ornaments").first().press("Enter");
    await material(page, "Ornaments").nth(1).press("Enter");
    await nobodyChosen(page);
    await page.getByRole("button", { name: "Everything, front to back" }).click();
    const rows = page.getByRole("list", { name: "Everything, front to back" }).getByRole("listitem");
    await expect(rows).toHaveCount(7);
    const choose = (n: number) => rows.nth(n).getByRole("button", { name: /^Choose / });
    const front = await choose(0).getAttribute("aria-label");
    await rows
      .first()
      .getByRole("button", { name: /^Send .* back$/ })
      .click();
    await expectUndo(page, "Changed what lies in front");
    await expect(choose(1)).toHaveAccessibleName(front!);
    await rows
      .nth(1)
      .getByRole("button", { name: /^Bring .* forward$/ })
      .click();
    await expect(choose(0)).toHaveAccessibleName(front!);
    await rows
      .first()
      .getByRole("button", { name: /^Hide / })
      .click();
    await expect(free(page)).toHaveCount(1);
    await expect(rows).toHaveCount(7);
    await rows
      .first()
      .getByRole("button", { name: /^Show .* again$/ })
      .click();
    await expect(free(page)).toHaveCount(2);
    await choose(6).click();
    await page.getByRole("textbox", { name: "Name", exact: true }).fill("The street");
    await page.getByRole("textbox", { name: "Name", exact: true }).press("Enter");
    await expect(choose(6)).toHaveAccessibleName("Choose The street");
    await rows.nth(6).getByRole("button", { name: "Lock the place of The street" }).click();
    await expectUndo(page, "Locked or freed a tile");
    await rows.getByRole("button", { name: "Choose A group of 4 tiles" }).click();
    await expect(page.getByRole("heading", { name: "4 tiles" })).toBeVisible();
    await page.getByRole("textbox", { name: "Name", exact: true }).fill("The quay");
    await page.getByRole("textbox", { name: "Name", exact: true }).press("Enter");
    const quay = rows.filter({ has: page.getByRole("button", { name: "Choose The quay" }) });
    await quay.getByRole("button", { name: "Bring The quay forward" }).click();
    await expect(choose(1)).toHaveAccessibleName("Choose The quay");
    await quay.getByRole("button", { name: "Hide The quay" }).click();
    await expectUndo(page, "Hid 4 tiles");
    await quay.getByRole("button", { name: "Show The quay again" }).click();
    await expectUndo(page, "Showed 4 tiles again");
    for (let i = 0; i < 12; i += 1) await undoButton(page).click();
    await expect(free(page)).toHaveCount(0);
    await expect(rows).toHaveCount(5);
    await nobodyChosen(page);
    await page.getByRole("button", { name: "Everything, front to back" }).click();
  });

  await test.step("a photo: into a gap, freely beside all tiles, and by Enter into the chosen places in their order", async () => {
    await openDrawer(page, "Photos");
    const before = await tileBoxes(page);
    const sheet = await box(page.getByTestId("page"));
    const [a, b] = before as [(typeof before)[0], (typeof before)[0]];
    const level = Math.abs(a.y - b.y) < 2;
    const gap = level
      ? { x: (a.x + a.width + b.x) / 2, y: a.y + Math.min(a.height, b.height) / 2 }
      : { x: a.x + Math.min(a.width, b.width) / 2, y: (a.y + a.height + b.y) / 2 };
    await dragTo(page, shelfPhotos(page).nth(5), (gap.x - sheet.x) / sheet.width, (gap.y - sheet.y) / sheet.height);
    await expect(tiles(page)).toHaveCount(5);
    await page.mouse.up();
    await expectUndo(page, "Slipped in a photo");
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(4);
    await dragTo(page, shelfPhotos(page).nth(5), 0.004, 0.5);
    await expect(free(page)).toHaveCount(1);
    await page.keyboard.press("Escape");
    await page.mouse.up();
    await expect(free(page)).toHaveCount(0);
    await dragTo(page, shelfPhotos(page).nth(5), 0.004, 0.5);
    await page.mouse.up();
    await expect(free(page)).toHaveCount(1);
    await undoButton(page).click();

    await tile(page, 1).click();
    await tile(page, 2).click({ modifiers: ["Control"] });
    await shelfPhotos(page).nth(6).click();
    await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("Enter");
    await expectUndo(page, "Filled 2 tiles");
    await expect(tiles(page)).toHaveCount(4);
    await nobodyChosen(page);
    await shelfPhotos(page).nth(4).focus();
    await page.keyboard.press("Enter");
    await expect(tiles(page)).toHaveCount(5);
    await expectUndo(page, "Slipped in a photo");
  });

  await test.step("a caption puts the caret into its words, and goes there again", async () => {
    await tile(page, 1).click();
    await page.getByRole("button", { name: "Caption under it" }).click();
    await expect(page.getByRole("textbox", { name: /^Words\./ })).toBeFocused();
    await page.keyboard.press("Control+a");
    await page.keyboard.type("Moving in");
    await page.keyboard.press("Escape");
    const captions = page.getByRole("option", { name: /words: Moving in/ });
    await expect(captions).toHaveCount(1);
    await tile(page, 1).click();
    await page.getByRole("button", { name: "Caption under it" }).click();
    await page.keyboard.press("End");
    await page.keyboard.type(" at last");
    await page.keyboard.press("Escape");
    await expect(page.getByRole("option", { name: /words: Moving in at last/ })).toHaveCount(1);
  });

  await test.step("Ctrl+S says that all is kept, and offers a file", async () => {
    await expectKept(page);
    await page.keyboard.press("Control+s");
    const notice = page.getByText(/^Everything is kept in this browser; the last change at/);
    await expect(notice).toBeVisible();
    await page.getByRole("button", { name: "Save it as one file" }).click();
    await expect(page.getByRole("dialog", { name: "Save it as one file" })).toBeVisible();
  });
});
