import { expect, type Page, test } from "@playwright/test";
import { loose, number, onTop, pull } from "./support/free-tiles.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  box,
  differing,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  shelfPhotos,
  startOwnSize,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** Tiles lie in mm on a page of 300 × 200 mm. */
const field = (page: Page, name: string) => page.getByRole("textbox", { name, exact: true });
/** By key, since they lie over each other; the panel speaks of it a moment later. */
async function pick(page: Page, n: number, key = "Space"): Promise<void> {
  await onTop(page, n).focus();
  await page.keyboard.press(key);
  if (key !== "Space") return;
  const perMm = (await box(page.getByTestId("page"))).width / 310;
  const [left, top] = await onTop(page, n).evaluate((e) => [e.style.left, e.style.top].map(Number.parseFloat));
  await expect.poll(async () => Math.abs((await number(page, "From the left")) + 5 - left! / perMm)).toBeLessThan(0.2);
  await expect.poll(async () => Math.abs((await number(page, "From the top")) + 5 - top! / perMm)).toBeLessThan(0.2);
}
const grip = (page: Page, name: string) => page.locator(`[data-grip="${name}"]`);

const middleOf = async (page: Page, n: number) => {
  const b = await box(onTop(page, n));
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};
const gripAt = async (page: Page, name: string) => {
  const b = await box(grip(page, name));
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};

test("tiles that lie freely: moved, sized and turned by hand and by number, snapped, aligned, shared out, copied, locked", async ({
  page,
}) => {
  await withPhotos(page, 4);
  await startOwnSize(page, { widthMm: 300, heightMm: 200, ppi: 100, bleedMm: 5 });
  for (let i = 0; i < 3; i += 1) {
    await shelfPhotos(page).nth(i).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Lay it freely on the page" }).click();
    await expect(loose(page)).toHaveCount(i + 1);
  }
  await expect(page.getByRole("link", { name: /^Pages/ })).toContainText("3 tiles");
  const perMm = (await box(page.getByTestId("page"))).width / 310;

  await test.step("by number, with sums, and turned about its own middle", async () => {
    await nobodyChosen(page);
    await pick(page, 3);
    await typeInto(page, "Width", "60");
    await typeInto(page, "Height", "40");
    await expectUndo(page, "Made a tile larger or smaller");
    await typeInto(page, "From the left", "200 + 20");
    await typeInto(page, "From the top", "30");
    await expectUndo(page, "Moved a tile");
    await typeInto(page, "Turn, degrees", "30");
    await expectUndo(page, "Turned a tile");
    await expect(field(page, "From the left")).toHaveValue("220");
    await expect(field(page, "Width")).toHaveValue("60");
    await page.getByRole("button", { name: "A quarter turn to the right" }).click();
    await expect(field(page, "Turn, degrees")).toHaveValue("120");
    await typeInto(page, "Turn, degrees", "0");
  });

  await test.step("dragged, it snaps to what lies there and says to what; with Alt it goes where the hand is", async () => {
    await pick(page, 1);
    await typeInto(page, "Width", "60");
    await typeInto(page, "Height", "40");
    await typeInto(page, "From the left", "40");
    await typeInto(page, "From the top", "140");
    const from = await middleOf(page, 1);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    // A millimetre beside the left side of the other.
    await page.mouse.move(from.x + 100 * perMm, from.y, { steps: 4 });
    await page.mouse.move(from.x + 181 * perMm, from.y, { steps: 8 });
    await expect(page.getByText(/60 mm × 40 mm · 220 mm from the left/)).toBeVisible();
    await page.mouse.up();
    await expect(field(page, "From the left")).toHaveValue("220");
    await expectUndo(page, "Moved a tile");
    await pull(page, await middleOf(page, 1), 2 * perMm, 0, "Alt");
    await expect.poll(() => number(page, "From the left")).toBeGreaterThan(221);
    await undoButton(page).click();
    await expect(field(page, "From the left")).toHaveValue("220");
  });

  await test.step("sized by a corner, keeping its shape with Shift; turned in steps; nudged by keys in three steps", async () => {
    await pull(page, await gripAt(page, "nw"), -20 * perMm, -5 * perMm, "Shift");
    await expect.poll(() => number(page, "Width")).toBeGreaterThan(75);
    const [w, h] = [await number(page, "Width"), await number(page, "Height")];
    expect(w / h).toBeCloseTo(1.5, 1);
    // The corner across from it stayed.
    expect((await number(page, "From the left")) + w).toBeCloseTo(280, 0);
    await pull(page, await gripAt(page, "turn"), 60 * perMm, 4 * perMm, "Shift");
    await expect.poll(() => number(page, "Turn, degrees")).toBeGreaterThan(0);
    expect((await number(page, "Turn, degrees")) % 15).toBe(0);
    await typeInto(page, "Turn, degrees", "0");
    const x = await number(page, "From the left");
    await onTop(page, 1).focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("Control+ArrowLeft");
    await expect.poll(async () => Math.abs((await number(page, "From the left")) - x - 10.9)).toBeLessThan(0.06);
    await page.keyboard.press(".");
    await expect(field(page, "Turn, degrees")).toHaveValue("1");
    await page.keyboard.press(",");
  });

  await test.step("let go right at the cut it is moved inside the safe line, which is nearer than the bleed, and that is said", async () => {
    await typeInto(page, "From the left", "30");
    const left = (await box(page.getByTestId("page"))).x + 5 * perMm;
    await expect.poll(async () => (await box(onTop(page, 1))).x - left).toBeCloseTo(30 * perMm, 0);
    await pull(page, await middleOf(page, 1), -31 * perMm, 0, "Shift");
    await expect(page.getByText("It ended too close to the cut, so it was moved inside the safe line.")).toBeVisible();
    await expect(field(page, "From the left")).toHaveValue("3");
  });

  await test.step("several: aligned, shared out, made as wide, moved as one, in front and behind", async () => {
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
    for (const [n, left, top] of [
      [1, 20, 20],
      [2, 90, 90],
      [3, 230, 140],
    ] as const) {
      await pick(page, n);
      for (const [name, mm] of Object.entries({ Width: 40, Height: 30, "From the left": left, "From the top": top }))
        await typeInto(page, name, String(mm));
      await nobodyChosen(page);
    }
    await pick(page, 1);
    for (const n of [2, 3]) await pick(page, n, "Control+Space");
    await expect(page.getByRole("heading", { name: "3 tiles" })).toBeVisible();
    await page.getByRole("button", { name: "Upper sides" }).click();
    await expectUndo(page, "Aligned 2 tiles");
    await page.getByRole("button", { name: "Same gaps across" }).click();
    const boxes = await Promise.all([1, 2, 3].map((n) => box(onTop(page, n))));
    for (const b of boxes) expect(b.y).toBeCloseTo(boxes[0]!.y, 0);
    expect(boxes[1]!.x - boxes[0]!.x).toBeCloseTo(boxes[2]!.x - boxes[1]!.x, 0);
    await page.getByText("the page", { exact: true }).click();
    await page.getByRole("button", { name: "Middles down" }).click();
    const before = await box(onTop(page, 3));
    await pull(page, await middleOf(page, 1), 10 * perMm, 12 * perMm, "Alt");
    await expectUndo(page, "Moved 3 tiles");
    expect((await box(onTop(page, 3))).x).toBeCloseTo(before.x + 10 * perMm, 0);
    await page.getByText("Lock their places").click();
    await expectUndo(page, "Locked or freed 3 tiles");
    const still = await box(onTop(page, 2));
    await pull(page, await middleOf(page, 2), 30, 30);
    expect(await box(onTop(page, 2))).toEqual(still);
    await expect(grip(page, "se")).toHaveCount(0);
    await undoButton(page).click();
    await expect(grip(page, "se")).toHaveCount(1);
    await nobodyChosen(page);
    const called = await onTop(page, 3).getAttribute("data-tile");
    await pick(page, 3);
    await page.getByRole("button", { name: "Behind all" }).click();
    await expectUndo(page, "Changed what lies in front");
    await expect(onTop(page, 1)).toHaveAttribute("data-tile", called!);
    await nobodyChosen(page);
  });

  await test.step("tied together they are chosen and moved as one; a second click takes one alone; untied they are three again", async () => {
    await pick(page, 1);
    await pick(page, 2, "Control+Space");
    await page.getByRole("button", { name: "Tie together" }).click();
    await expectUndo(page, "Tied 2 tiles together");
    await nobodyChosen(page);
    await onTop(page, 2).focus();
    await page.keyboard.press("Space");
    await expect(page.getByRole("heading", { name: "2 tiles" })).toBeVisible();
    await nobodyChosen(page);
    const [one, two] = [await box(onTop(page, 1)), await box(onTop(page, 2))];
    await pull(page, await middleOf(page, 1), 14 * perMm, 9 * perMm, "Alt");
    await expectUndo(page, "Moved 2 tiles");
    expect((await box(onTop(page, 2))).x).toBeCloseTo(two.x + 14 * perMm, 0);
    expect((await box(onTop(page, 1))).y).toBeCloseTo(one.y + 9 * perMm, 0);
    await undoButton(page).click();
    await onTop(page, 1).focus();
    await page.keyboard.press("Space");
    await expect(page.getByRole("heading", { name: "This tile" })).toBeVisible();
    // As anywhere, a click on the only chosen one lets go of it.
    await page.keyboard.press("Space");
    await expect(page.getByRole("heading", { name: "This page" })).toBeVisible();
    await page.keyboard.press("Space");
    await expect(page.getByRole("heading", { name: "2 tiles" })).toBeVisible();
    await page.keyboard.press("g");
    await expectUndo(page, "Untied 2 tiles");
    await nobodyChosen(page);
  });

  await test.step("the box is moved and sized alone over its photo, which stays where it is", async () => {
    await pick(page, 3);
    const shown = async () => paintedPage(page);
    const before = await shown();
    await page.getByText("Move the box alone: the photo stays").click();
    await onTop(page, 3).focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    await expectUndo(page, "Moved a tile");
    // On one side less of it is seen, on the other more, and between them what was there.
    const less = await differing(before, await shown());
    expect(less).toBeGreaterThan(0);
    expect(less).toBeLessThan(0.01);
    await undoButton(page).click();
    await page.getByText("Move the box alone: the photo stays").click();
    await onTop(page, 3).focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    expect(await differing(before, await shown())).toBeGreaterThan(less * 3);
    await undoButton(page).click();
    await nobodyChosen(page);
  });

  await test.step("guides for columns and rows, and thirds to compose by: tiles lie on both", async () => {
    const guides = page.getByRole("button", { name: "Guides", exact: true });
    if ((await guides.getAttribute("aria-expanded")) === "false") await guides.click();
    await typeInto(page, "Columns", "2");
    await typeInto(page, "Rows", "1");
    await page.getByRole("button", { name: "Lay guides for them" }).click();
    await expect(page.getByRole("separator", { name: /^Guide \d/ })).toHaveCount(6);
    await page.getByRole("button", { name: "Remove all guides" }).click();
    await expect(page.getByRole("separator", { name: /^Guide \d/ })).toHaveCount(0);
    await page.getByText("thirds", { exact: true }).click();
    await expect(page.locator("[data-aid=thirds] path")).toHaveCount(4);
    await pick(page, 1);
    await typeInto(page, "From the left", "95");
    await typeInto(page, "From the top", "20");
    await pull(page, await middleOf(page, 1), 4 * perMm, 0);
    await expect(field(page, "From the left")).toHaveValue("100");
    await nobodyChosen(page);
    await page.getByText("nothing", { exact: true }).click();
    await expect(page.locator("[data-aid]")).toHaveCount(0);
    await guides.click();
  });

  await test.step("pulled nearly as wide as another, it becomes just as wide, and says as what", async () => {
    await pick(page, 2);
    for (const [name, mm] of Object.entries({ Width: 53, Height: 30, "From the left": 88, "From the top": 95 }))
      await typeInto(page, name, String(mm));
    const from = await gripAt(page, "e");
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 6 * perMm, from.y, { steps: 4 });
    await page.mouse.move(from.x - 12 * perMm, from.y, { steps: 6 });
    await expect(page.getByText("40 mm", { exact: true })).toBeVisible();
    await page.mouse.up();
    await expect(field(page, "Width")).toHaveValue("40");
    await nobodyChosen(page);
  });

  await test.step("copies in columns and rows, and in a ring; one undo takes them back", async () => {
    await pick(page, 2);
    await page.getByRole("button", { name: "Copies", exact: true }).click();
    await typeInto(page, "Columns", "2");
    await typeInto(page, "Rows", "2");
    await page.getByRole("button", { name: "Make 3 copies" }).click();
    await expectUndo(page, "Made 3 copies of a tile");
    await expect(loose(page)).toHaveCount(6);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
    await nobodyChosen(page);
    await pick(page, 2);
    await typeInto(page, "How many", "5");
    await page.getByRole("button", { name: "Make a ring" }).click();
    await expect(loose(page)).toHaveCount(7);
    await expect(page.getByRole("heading", { name: "5 tiles" })).toBeVisible();
    await expectKept(page);
    await page.reload();
    await expect(loose(page)).toHaveCount(7);
  });

  await test.step("all steps by name, kept over the reload, each with the page before and after it; any of them is gone to", async () => {
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "All steps …" }).click();
    const steps = page.getByRole("dialog", { name: "All steps of this project" });
    const current = steps.locator("[aria-current=step]");
    await expect(current).toContainText("Made 4 copies of a tile");
    const aligned = steps.getByRole("button", { name: /^Aligned 2 tiles/ }).first();
    await aligned.hover();
    await expect(steps.getByText("Before this step")).toBeVisible();
    await expect(steps.locator("canvas")).toHaveCount(2);
    await aligned.click();
    await expect(current).toContainText("Aligned 2 tiles");
    await expect(steps.getByRole("button", { name: /\(undone\)/ }).first()).toBeVisible();
    await expect(loose(page)).toHaveCount(3);
    await steps.getByRole("button", { name: "As it was before all of these" }).click();
    await expect(loose(page)).toHaveCount(0);
    await steps.getByRole("button", { name: /^Made 4 copies of a tile/ }).click();
    await expect(loose(page)).toHaveCount(7);
    await page.keyboard.press("Escape");
    await expect(steps).toHaveCount(0);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
  });

  await test.step("words stay with what they lie on: dragged, turned, and back", async () => {
    await pick(page, 1);
    for (const [name, mm] of Object.entries({ Width: 60, Height: 40, "From the left": 100, "From the top": 20 }))
      await typeInto(page, name, String(mm));
    await nobodyChosen(page);
    await addWords(page, "A caption");
    await page.keyboard.type("Rosa");
    await page.keyboard.press("Escape");
    for (const [name, mm] of Object.entries({ Width: 30, Height: 8, "From the left": 105, "From the top": 48 }))
      await typeInto(page, name, String(mm));
    await nobodyChosen(page);
    const words = onTop(page, 4);
    const before = await box(words);
    const from = await middleOf(page, 1);
    await page.mouse.move(from.x, from.y);
    await page.keyboard.down("Alt");
    await page.mouse.down();
    await page.mouse.move(from.x + 120 * perMm, from.y + 20 * perMm, { steps: 8 });
    await expect.poll(async () => (await page.locator("[data-ring]").boundingBox())?.y ?? 0).toBeGreaterThan(from.y);
    const underTheHand = await paintedPage(page);
    await page.mouse.up();
    await page.keyboard.up("Alt");
    await expect.poll(async () => (await box(words)).y - before.y).toBeCloseTo(20 * perMm, -0.5);
    await expect.poll(async () => (await box(words)).x - before.x).toBeCloseTo(120 * perMm, -0.5);
    expect(await differing(underTheHand, await paintedPage(page))).toBe(0);
    await expect.poll(() => number(page, "Width")).toBe(60);
    await typeInto(page, "Turn, degrees", "90");
    await expectUndo(page, "Turned a tile");
    await expect.poll(async () => (await box(words)).height).toBeGreaterThan(2 * before.height);
    const placesOfUndo = await undoButton(page).evaluateHandle((button) => {
      const lefts = new Set<number>();
      const look = () => {
        lefts.add(button.getBoundingClientRect().left);
        requestAnimationFrame(look);
      };
      look();
      return lefts;
    });
    await undoButton(page).click();
    await undoButton(page).click();
    await expect.poll(async () => (await box(words)).x).toBeCloseTo(before.x, 0);
    await expectKept(page);
    expect(await placesOfUndo.evaluate((lefts) => lefts.size), "places of the undo button").toBe(1);
    await nobodyChosen(page);
    await words.focus();
    await page.keyboard.press("Space");
    await page.keyboard.press("Delete");
    await expect(loose(page)).toHaveCount(3);
    await openDrawer(page, "Photos");
  });

  await test.step("arranged and free ones are chosen and removed together, in one step", async () => {
    await nobodyChosen(page);
    await shelfPhotos(page).last().click();
    await page.getByRole("button", { name: "Arrange 1 photo" }).click();
    await expect(tiles(page)).toHaveCount(1);
    await nobodyChosen(page);
    await tiles(page).first().focus();
    await page.keyboard.press("Control+a");
    await expect(page.getByRole("heading", { name: "4 tiles" })).toBeVisible();
    await page.keyboard.press("Shift+Delete");
    await expectUndo(page, "Removed 4 tiles");
    await expect(loose(page)).toHaveCount(0);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
    await expect(tiles(page)).toHaveCount(1);
  });
});
