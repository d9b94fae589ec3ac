import { expect, type Locator, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  expectUndo,
  nobodyChosen,
  openDrawer,
  shelfPhotos,
  startCollage,
  tile,
  tiles,
} from "./support/tessip.ts";

test.use({ hasTouch: true });

/** A finger on the glass, by the browser's own protocol. */
async function finger(page: Page) {
  const cdp = await page.context().newCDPSession(page);
  const send = (type: "touchStart" | "touchMove" | "touchEnd", at?: { x: number; y: number }) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: at ? [{ ...at, id: 0 }] : [] });
  return {
    down: (at: { x: number; y: number }) => send("touchStart", at),
    to: (at: { x: number; y: number }) => send("touchMove", at),
    up: () => send("touchEnd"),
  };
}

const middle = async (of: Locator) => {
  const b = await box(of);
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};

test("the desk by touch: a tile chosen, a photo carried to a tile, a free tile moved, a drawer opened", async ({
  page,
}) => {
  await withPhotos(page, 6);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  const hand = await finger(page);

  await test.step("a tap chooses a tile, and its panel speaks of it", async () => {
    await tile(page, 2).tap();
    await expect(tile(page, 2)).toHaveAttribute("aria-selected", "true");
    await page.getByRole("button", { name: "Remove and close the gap" }).tap();
    await expect(tiles(page)).toHaveCount(3);
    await page.getByRole("button", { name: /^Undo:/ }).tap();
    await expect(tiles(page)).toHaveCount(4);
  });

  await test.step("a photo is carried from the shelf into a tile, which says so before it is let go", async () => {
    const photo = await middle(shelfPhotos(page).nth(5));
    const to = await middle(tile(page, 1));
    await hand.down(photo);
    await expect
      .poll(async () => {
        await hand.to({ x: photo.x + 1, y: photo.y });
        return shelfPhotos(page)
          .nth(5)
          .evaluate((e) => Number(getComputedStyle(e).opacity) * Number(getComputedStyle(e.parentElement!).opacity));
      })
      .toBeLessThan(1);
    for (let i = 1; i <= 10; i += 1)
      await hand.to({ x: photo.x + ((to.x - photo.x) * i) / 10, y: photo.y + ((to.y - photo.y) * i) / 10 });
    await expect(tile(page, 1).getByText("Put the photo here")).toBeVisible();
    await hand.up();
    await expectUndo(page, "Filled a tile");
  });

  await test.step("a finger that rests on a tile, or on a photo of the shelf, opens its menu, and carries nothing away", async () => {
    const before = await tiles(page).evaluateAll((all) => all.map((t) => t.getAttribute("aria-label")));
    const rest = async (at: Locator) => {
      await hand.down(await middle(at));
      await expect(page.getByRole("menu")).toBeVisible();
      await hand.up();
    };
    await rest(tile(page, 3));
    await expect(tile(page, 3)).toHaveAttribute("aria-selected", "true");
    await expect(page.getByRole("menuitem", { name: "Reframe it" })).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("menu")).toHaveCount(0);
    await rest(shelfPhotos(page).nth(2));
    await expect(page.getByRole("menuitem", { name: "Lay it freely on the page" })).toBeVisible();
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
    expect(await tiles(page).evaluateAll((all) => all.map((t) => t.getAttribute("aria-label")))).toEqual(before);
  });

  await test.step("a tile that lies freely follows the finger", async () => {
    await openDrawer(page, "Shapes");
    await page.getByRole("tabpanel", { name: "Shapes" }).getByRole("button", { name: "Heart" }).tap();
    await expectUndo(page, "Put a shape on the page");
    const loose = page.getByRole("option", { name: /^On top 1 of/ });
    const from = await middle(loose);
    await hand.down(from);
    for (let i = 1; i <= 6; i += 1) await hand.to({ x: from.x - 8 * i, y: from.y - 4 * i });
    await hand.up();
    await expectUndo(page, "Moved a tile");
  });
});
