import { expect, type Page, test } from "@playwright/test";
import { twelveArranged } from "./support/prepared.ts";
import {
  box,
  expectEvenGaps,
  expectUndo,
  nameOf,
  nobodyChosen,
  openDrawer,
  shelfPhotos,
  tile,
  tileBoxes,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** What of the photos is cut off, in per cent, as the panel says. */
const cropOf = (page: Page) =>
  page
    .getByText(/% of the photos is cropped|Nothing is cropped/)
    .textContent()
    .then((t) => (t === "Nothing is cropped" ? 0 : Number.parseFloat(t!)));

const ways = (page: Page) => page.getByRole("group", { name: "Other ways" }).getByRole("button");

const names = (page: Page) =>
  tiles(page).evaluateAll((all) => all.map((t) => t.getAttribute("aria-label")!.replace(/^Tile \d+ of \d+: /, "")));

test("a page arranges itself exactly, shows other ways, and keeps what it is asked to keep", async ({ page }) => {
  await twelveArranged(page);
  await expectEvenGaps(page);
  expect(await cropOf(page)).toBeLessThan(2);

  await test.step("at least eight other ways, seen on the page before they are kept", async () => {
    await openDrawer(page, "Other ways");
    await expect.poll(() => ways(page).count()).toBeGreaterThanOrEqual(8);
    const labels = await ways(page).evaluateAll((all) => all.map((b) => b.getAttribute("aria-label")!));
    for (const label of labels) expect(label).toMatch(/(% cropped|nothing cropped), .*order/);
    const before = await tileBoxes(page);
    await ways(page).nth(3).hover();
    await expect.poll(() => tileBoxes(page)).not.toEqual(before);
    const looked = await tileBoxes(page);
    await expectUndo(page, "Arranged 12 photos");
    await page.mouse.move(400, 300);
    await expect.poll(() => tileBoxes(page)).toEqual(before);
    await ways(page).nth(3).click();
    await expectUndo(page, "Arranged it another way");
    await page.mouse.move(400, 300);
    expect(await tileBoxes(page)).toEqual(looked);
    await undoButton(page).click();
    expect(await tileBoxes(page)).toEqual(before);
  });

  await test.step("stepped through by key, and narrowed", async () => {
    await ways(page).first().focus();
    await page.keyboard.press("ArrowRight");
    await expect(ways(page).nth(1)).toBeFocused();
    await page.keyboard.press("Escape");
    await page.keyboard.press("]");
    await expectUndo(page, "Arranged it another way");
    await undoButton(page).click();
    const all = await ways(page).count();
    await page.getByRole("button", { name: "Nothing cropped", exact: true }).click();
    await expect.poll(() => ways(page).count()).toBeLessThan(all);
    for (const label of await ways(page).evaluateAll((list) => list.map((b) => b.getAttribute("aria-label"))))
      expect(label).toContain("nothing cropped");
    await page.getByRole("button", { name: "Nothing cropped", exact: true }).click();
    await page.getByRole("button", { name: "In order", exact: true }).click();
    await expect.poll(() => ways(page).count()).toBeLessThanOrEqual(all);
    await page.getByRole("button", { name: "In order", exact: true }).click();
  });

  await test.step("one leads, by a step and by a share", async () => {
    const name = await nameOf(page, 4);
    await tile(page, 4).click();
    await page.getByRole("button", { name: "Make it the biggest" }).click();
    await expectUndo(page, "Made a photo the biggest");
    const share = async () => {
      const all = await tileBoxes(page);
      const at = (await names(page)).indexOf(name);
      const area = (b: { width: number; height: number }) => b.width * b.height;
      return area(all[at]!) / all.reduce((sum, b) => sum + area(b), 0);
    };
    expect(await share()).toBeGreaterThan(0.3);
    expect(await share()).toBeLessThan(0.5);
    await page.getByRole("button", { name: "Larger" }).click();
    await expect.poll(share).toBeGreaterThan(0.42);
    await typeInto(page, "Of the page, %", "25");
    await expect.poll(share).toBeLessThan(0.32);
    await nobodyChosen(page);
    await page.getByRole("button", { name: "Keep the big one" }).click();
    await expect.poll(() => ways(page).count()).toBeGreaterThan(0);
    await page.getByRole("button", { name: "Keep the big one" }).click();
    await openDrawer(page, "Photos");
    await expectEvenGaps(page);
    await tile(page, 4).focus();
    await tile(page, (await names(page)).indexOf(name) + 1).click();
    await page.keyboard.press("l");
    await expectUndo(page, "Arranged it another way");
  });

  await test.step("shuffled, and back to the last one", async () => {
    await nobodyChosen(page);
    const before = await tileBoxes(page);
    await page.getByRole("button", { name: "Shuffle", exact: true }).click();
    await expectUndo(page, "Shuffled the arrangement");
    expect(await tileBoxes(page)).not.toEqual(before);
    await page.getByRole("button", { name: "Back to the previous shuffle" }).click();
    expect(await tileBoxes(page)).toEqual(before);
    await page.keyboard.press("s");
    await page.keyboard.press("s");
    await page.keyboard.press("Shift+S");
    await expectEvenGaps(page);
    await page.getByText("Keep the photos in order").click();
    await expectUndo(page, "Changed how much the order matters");
    await page.getByText("Keep the photos in order").click();
  });

  await test.step("what is locked stays where it is; with everything locked that is said", async () => {
    await tile(page, 2).click();
    await page.getByText("Lock its place").click();
    await expectUndo(page, "Locked or freed a tile");
    const locked = await box(tile(page, 2));
    await nobodyChosen(page);
    const others = await tileBoxes(page);
    await page.getByRole("button", { name: "Shuffle", exact: true }).click();
    const now = await box(tile(page, 2));
    for (const k of ["x", "y", "width", "height"] as const) expect(now[k]).toBeCloseTo(locked[k], 1);
    expect(await tileBoxes(page)).not.toEqual(others);
    await expectEvenGaps(page);
    await tile(page, 1).focus();
    await page.keyboard.press("Control+a");
    await page.getByText("Lock their places").click();
    await nobodyChosen(page);
    await page.getByRole("button", { name: "Shuffle", exact: true }).click();
    await expect(page.getByText("Everything on this page is locked.")).toBeVisible();
    await undoButton(page).click();
    await tile(page, 2).click();
    await page.getByText("Lock its place").click();
  });

  await test.step("three are kept equally large, through a shuffle too, and what that costs is said", async () => {
    const three = [2, 5, 7];
    await nobodyChosen(page);
    for (const [i, n] of three.entries()) await tile(page, n).click({ modifiers: i > 0 ? ["Control"] : [] });
    await page.getByRole("button", { name: "Equally large" }).click();
    await expectUndo(page, "Made 3 tiles equally large");
    await expect(
      page.getByText(/They are equally large(, and nothing more|: .* % more of the photos) is cropped/),
    ).toBeVisible();
    const named = await Promise.all(three.map((n) => nameOf(page, n)));
    const areEqual = async () => {
      const [all, called] = [await tileBoxes(page), await names(page)];
      const areas = named.map((name) => all[called.indexOf(name)]!).map((b) => b.width * b.height);
      expect(Math.max(...areas) / Math.min(...areas)).toBeLessThan(1.02);
    };
    await areEqual();
    await page.keyboard.press("s");
    await expectUndo(page, "Shuffled the arrangement");
    await areEqual();
    await expectEvenGaps(page);
    await undoButton(page).click();
    await tile(page, 2).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Let them differ in size" }).click();
    await expectUndo(page, "Let 3 tiles differ in size again");
  });

  await test.step("what is set on several goes onto all of them, in one step", async () => {
    await typeInto(page, "Border", "1/4");
    await expectUndo(page, "Changed the border");
    await tile(page, 1).click();
    await expect(page.getByRole("textbox", { name: "Border" })).toHaveValue("0");
    await tile(page, 5).click();
    await expect(page.getByRole("textbox", { name: "Border" })).toHaveValue("0.25");
    await undoButton(page).click();
    await expect(page.getByRole("textbox", { name: "Border" })).toHaveValue("0");
    await nobodyChosen(page);
  });

  await test.step("two stay neighbours through every shuffle", async () => {
    await tile(page, 3).click();
    await tile(page, 9).click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Keep together" }).click();
    await expectUndo(page, "Changed which photos stay together");
    await expect(page.getByRole("button", { name: "Keep together" })).toHaveAttribute("aria-pressed", "true");
    for (let i = 0; i < 2; i += 1) {
      await page.keyboard.press("s");
      const [a, b] = [await box(tile(page, 3)), await box(tile(page, 9))];
      const across = Math.max(a.x, b.x) - Math.min(a.x + a.width, b.x + b.width);
      const down = Math.max(a.y, b.y) - Math.min(a.y + a.height, b.y + b.height);
      expect(Math.max(across, down)).toBeLessThan(9);
    }
    await expectEvenGaps(page);
  });
});

test("by hand on the page: slipped in, moved, swapped, split, taken away, and the page stays whole", async ({
  page,
}) => {
  await twelveArranged(page);
  const count = (n: number) => expect(tiles(page)).toHaveCount(n);

  await test.step("a photo near an edge slips in, and the page shows it while it is dragged", async () => {
    const photo = shelfPhotos(page).last();
    await photo.scrollIntoViewIfNeeded();
    const [from, to] = [await box(photo), await box(tile(page, 5))];
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
    await expect(page.getByText("Put the photo here")).toBeVisible();
    await page.mouse.move(to.x + 4, to.y + to.height / 2, { steps: 4 });
    await count(13);
    await page.mouse.move(300, 580, { steps: 3 });
    await count(12);
    await page.mouse.move(to.x + 4, to.y + to.height / 2, { steps: 4 });
    await page.mouse.up();
    await count(13);
    await expectUndo(page, "Slipped in a photo");
    await expectEvenGaps(page);
  });

  await test.step("several at once, by a button and by a drag of them all", async () => {
    await shelfPhotos(page).nth(0).click();
    await shelfPhotos(page)
      .nth(1)
      .click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Add 2 to the page" }).click();
    await count(15);
    await expectUndo(page, "Slipped in 2 photos");
    await expectEvenGaps(page);
    await undoButton(page).click();
    await shelfPhotos(page).nth(0).click();
    await shelfPhotos(page)
      .nth(1)
      .click({ modifiers: ["Control"] });
    const [from, to] = [await box(shelfPhotos(page).nth(1)), await box(tile(page, 6))];
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2, to.y + to.height - 3, { steps: 8 });
    await page.mouse.up();
    await count(15);
    await expectUndo(page, "Slipped in 2 photos");
    await undoButton(page).click();
    await page.keyboard.press("Escape");
  });

  await test.step("slipped in and moved without a drag", async () => {
    await shelfPhotos(page).last().click();
    await tile(page, 2).click();
    await page.getByRole("button", { name: "Below it" }).click();
    await count(14);
    await tile(page, 1).focus();
    const moved = await nameOf(page, 1);
    await page.keyboard.press("Alt+ArrowRight");
    await expectUndo(page, "Arranged it another way");
    expect((await names(page)).indexOf(moved)).toBeGreaterThan(0);
    await expectEvenGaps(page);
  });

  await test.step("the menu of a tile does what the panel does", async () => {
    await tile(page, 3).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Split side by side" }).click();
    await count(15);
    await expectUndo(page, "Split a tile");
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("1 empty");
    // Keys pressed in the menu are the menu's: the tile stays chosen, and has the focus again.
    await tile(page, 3).click({ button: "right" });
    await expect(page.getByRole("menuitem", { name: /^Remove and close/ })).toContainText("Shift + Delete");
    await page.keyboard.press("Escape");
    await expect(page.getByRole("menu")).toHaveCount(0);
    await expect(tile(page, 3)).toBeFocused();
    await expect(tile(page, 3)).toHaveAttribute("aria-selected", "true");
    await tile(page, 3).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Remove and close the gap" }).click();
    await count(14);
    await expectEvenGaps(page);
  });

  await test.step("an empty tile takes what is chosen; another photo goes in everywhere", async () => {
    await shelfPhotos(page).first().click();
    await page.getByRole("button", { name: "Fill 1 empty tile" }).click();
    await expectUndo(page, "Filled a tile");
    const twice = await nameOf(page, 1);
    await shelfPhotos(page).nth(4).click();
    const other = (await shelfPhotos(page).nth(4).getAttribute("title"))!;
    const many = (await names(page)).filter((n) => n === twice).length;
    const at = (await names(page)).indexOf(twice) + 1;
    await tile(page, at).click();
    if (many > 1) await page.getByRole("button", { name: `Put it in all ${many} places` }).click();
    else await page.getByRole("button", { name: "Put the chosen photo here" }).click();
    expect(await names(page)).not.toContain(twice);
    expect(await names(page)).toContain(other);
  });

  await test.step("taken away by key, the others close up", async () => {
    const there = await tiles(page).count();
    await tile(page, 2).focus();
    await page.keyboard.press("Shift+Delete");
    await count(there - 1);
    await expectUndo(page, "Removed a tile");
    await expectEvenGaps(page);
  });

  await test.step("what is in a tile can be locked: nothing takes it out, and that is said", async () => {
    await tile(page, 2).click();
    const held = await nameOf(page, 2);
    await page.getByText("Lock what is in it").click();
    await expectUndo(page, "Locked or freed what a tile holds");
    await page.keyboard.press("Delete");
    await expect(page.getByText("This tile is locked to keep what is in it.").first()).toBeVisible();
    await page.keyboard.press("Shift+Delete");
    expect(await nameOf(page, 2)).toBe(held);
    await expectUndo(page, "Locked or freed what a tile holds");
    await tile(page, 2).click();
    await page.getByText("Lock what is in it").click();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("combobox", { name: "Shape" })).toHaveCount(0);
  });

  await test.step("a tile is given a shape, and a plain colour", async () => {
    await tile(page, 4).click();
    await page.getByRole("combobox", { name: "Shape" }).selectOption("1:1");
    const shape = async () => {
      const { width, height } = await box(tile(page, 4));
      return Math.abs(width / height - 1);
    };
    await expect.poll(shape).toBeLessThan(0.02);
    await expectEvenGaps(page);
    await page.getByRole("combobox", { name: "Shape" }).selectOption("8 × 8 in");
    await page.getByRole("button", { name: "Turn its shape" }).click();
    await page.keyboard.press("Escape");
    await tile(page, 4).click();
    await page.getByRole("button", { name: "Remove the photo only" }).click();
    await page.getByRole("button", { name: "Fill it with a colour" }).click();
    await expectUndo(page, "Changed what a tile holds");
    await page.getByRole("button", { name: "Plain colour: Clay" }).click();
    await nobodyChosen(page);
    await expect(page.getByRole("link", { name: /Pages/ })).not.toContainText("empty");
  });

  await test.step("mirrored, and back to how it was first made", async () => {
    const before = await tileBoxes(page);
    await page.getByRole("button", { name: "Mirror left to right" }).click();
    await page.getByRole("button", { name: "Mirror left to right" }).click();
    const after = await tileBoxes(page);
    for (const [i, b] of after.entries()) expect(Math.abs(b.x - before[i]!.x)).toBeLessThan(0.5);
    await page.getByRole("button", { name: "Mirror top to bottom" }).click();
    await expectEvenGaps(page);
  });
});
