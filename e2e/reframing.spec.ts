import { expect, type Locator, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  expectEvenGaps,
  expectUndo,
  nameOf,
  nobodyChosen,
  printOfPage,
  startCollage,
  tile,
} from "./support/tessip.ts";

test("reframed: turned by quarters, straightened by a line, shown whole, and all of it by fingers", async ({
  browser,
}) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 }, locale: "en-GB" });
  const page = await context.newPage();
  await withPhotos(page, 4);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await tile(page, 1).dblclick();
  const layer = page.getByTestId("reframe");
  const turn = async () => Number.parseFloat((await page.getByText(/^-?[\d.]+°$/).textContent())!);
  const zoom = async () =>
    Number.parseFloat(
      (await page
        .locator("p")
        .filter({ hasText: /^\d+ %$/ })
        .textContent())!,
    );
  const at = await box(tile(page, 1));
  const middle = { x: at.x + at.width / 2, y: at.y + at.height / 2 };
  const ppi = async () => Number.parseInt((await page.getByTestId("sharpness").getByText(/ppi$/).textContent())!, 10);
  const first = await printOfPage(page);

  await test.step("by a line along the horizon", async () => {
    await page.getByRole("button", { name: "Straighten by a line" }).click();
    await expect(page.getByText("Draw a line along what should be level")).toBeVisible();
    await page.mouse.move(middle.x - 50, middle.y);
    await page.mouse.down();
    await page.mouse.move(middle.x + 50, middle.y + 100 * Math.tan((6 * Math.PI) / 180), { steps: 4 });
    await page.mouse.up();
    await expect.poll(turn).toBeCloseTo(-6, 0);
    await expect(page.getByText("Draw a line along what should be level")).toHaveCount(0);
    await expectUndo(page, "Reframed a photo");
    await page.getByRole("button", { name: "Back to the first crop", exact: true }).click();
    await expect.poll(turn).toBe(0);
  });

  await test.step("by quarters, mirrored, whole with a colour beside it", async () => {
    await expect.poll(ppi).toBeGreaterThan(0);
    const sharp = await ppi();
    await page.getByRole("button", { name: "A quarter to the right" }).click();
    await expect.poll(ppi).not.toBe(sharp);
    await page.getByText("Show all of the photo").click();
    await expect.poll(zoom).toBeLessThan(100);
    await page.getByRole("button", { name: "Beside it: Pine" }).click();
    await page.getByRole("button", { name: "A quarter to the left" }).click();
    await page.getByRole("button", { name: "Mirror top to bottom" }).click();
    await page.getByRole("button", { name: "Mirror left to right" }).click();
    await page.getByRole("button", { name: "The page", exact: true }).click();
    await page.getByText("Show all of the photo").click();
    await expect.poll(zoom).toBeGreaterThanOrEqual(100);
    await page.getByRole("button", { name: "Back to the first crop", exact: true }).click();
  });

  await test.step("two fingers zoom and turn it, one moves it", async () => {
    const touch = await context.newCDPSession(page);
    const fingers = (type: "touchStart" | "touchMove" | "touchEnd", ...points: { x: number; y: number }[]) =>
      touch.send("Input.dispatchTouchEvent", {
        type,
        touchPoints: points.map((p, id) => ({ x: p.x, y: p.y, id })),
      });
    await fingers("touchStart", { x: middle.x - 40, y: middle.y }, { x: middle.x + 40, y: middle.y });
    for (let i = 1; i <= 5; i += 1) {
      const [reach, angle] = [40 + i * 8, (i * 4 * Math.PI) / 180];
      const by = { x: reach * Math.cos(angle), y: reach * Math.sin(angle) };
      await fingers(
        "touchMove",
        { x: middle.x - by.x, y: middle.y - by.y },
        { x: middle.x + by.x, y: middle.y + by.y },
      );
    }
    await expect.poll(zoom).toBeGreaterThan(150);
    await fingers("touchEnd");
    await expect.poll(turn).toBeCloseTo(20, 0);
    await expectUndo(page, "Reframed a photo");
    await fingers("touchStart", middle);
    await fingers("touchMove", { x: middle.x + 12, y: middle.y });
    await fingers("touchMove", { x: middle.x + 30, y: middle.y });
    await fingers("touchEnd");
    await layer.focus();
    await page.keyboard.press("Enter");
    expect(await printOfPage(page)).not.toBe(first);
  });

  await test.step("a finger moves a seam, and, held for a moment, swaps two photos", async () => {
    const touch = await context.newCDPSession(page);
    const finger = (type: "touchStart" | "touchMove" | "touchEnd", p?: { x: number; y: number }) =>
      touch.send("Input.dispatchTouchEvent", { type, touchPoints: p ? [{ x: p.x, y: p.y, id: 1 }] : [] });
    const centre = async (of: Locator) => {
      const b = await box(of);
      return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
    };
    await nobodyChosen(page);
    const seam = page.getByRole("separator").first();
    const level = (await seam.getAttribute("aria-orientation")) === "horizontal";
    const from = await centre(seam);
    await finger("touchStart", from);
    await finger("touchMove", level ? { x: from.x, y: from.y + 12 } : { x: from.x + 12, y: from.y });
    await finger("touchMove", level ? { x: from.x, y: from.y + 30 } : { x: from.x + 30, y: from.y });
    await finger("touchEnd");
    await expectUndo(page, "Moved a line between photos");
    await expectEvenGaps(page);
    const [one, two] = [await nameOf(page, 1), await nameOf(page, 2)];
    const [a, b] = [await centre(tile(page, 1)), await centre(tile(page, 2))];
    await finger("touchStart", a);
    // The hand has hold of the photo when the tile it came from steps back.
    await expect(tile(page, 1)).toHaveClass(/own/);
    for (let i = 1; i <= 6; i += 1)
      await finger("touchMove", { x: a.x + ((b.x - a.x) * i) / 6, y: a.y + ((b.y - a.y) * i) / 6 });
    await expect(tile(page, 2)).toHaveClass(/target/);
    await finger("touchEnd");
    await expectUndo(page, "Swapped two photos");
    expect([await nameOf(page, 1), await nameOf(page, 2)]).toEqual([two, one]);
  });
  await context.close();
});
