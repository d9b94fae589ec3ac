import { expect, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import { expectKept, longMs, savedFile, shelfPhotos, tile, tiles } from "./support/tessip.ts";

const wall = (page: Page) => page.getByRole("listbox", { name: "Photos" }).getByRole("option");

/** The first photos on the wall. */
async function chooseOnWall(page: Page, count: number): Promise<void> {
  await wall(page).first().click();
  for (let i = 1; i < count; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByRole("region", { name: "With the chosen photos" })).toContainText(`${count} chosen`);
}

test("what is chosen among the photos comes along into what is made, and onto the pages of what is open", async ({
  page,
}) => {
  await withPhotos(page, 30);
  let clicks = 0;
  let count = 0;
  const click = async (name: string | RegExp) => {
    clicks += 1;
    await page.getByRole("button", { name }).click();
  };

  await test.step("photos to a saved print file of a collage in at most five clicks", async () => {
    await page.getByRole("link", { name: /^Photos/ }).click();
    await wall(page).first().focus();
    await page.keyboard.press("Control+a");
    // Of photos that are alike only the one on top is chosen.
    const bar = page.getByRole("region", { name: "With the chosen photos" });
    count = Number.parseInt((await bar.getByRole("status").textContent())!, 10);
    await click(`Make something with these ${count}`);
    await expect(page.getByText(`With the ${count} photos you chose`)).toBeVisible();
    await click(`Start this collage with ${count} photos`);
    await expect(tiles(page)).toHaveCount(count);
    clicks += 2;
    await page.getByRole("link", { name: /^Send/ }).click();
    expect((await savedFile(page)).name).toMatch(/\.jpg$/);
    expect(clicks).toBeLessThanOrEqual(5);
  });

  await test.step("let go of, they stay behind", async () => {
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByRole("link", { name: /^Photos/ }).click();
    await chooseOnWall(page, 3);
    await click("Make something with these 3");
    await click("Without them");
    await expect(page.getByRole("button", { name: "Start this collage", exact: true })).toBeVisible();
  });

  await test.step("onto an open project: on a new page, beside what is there, in its place, on several", async () => {
    await page.getByRole("link", { name: /^Open My collage/ }).click();
    await expect(tiles(page)).toHaveCount(count);
    const put = async (some: number, how: string | RegExp, byMenu: boolean) => {
      await page.getByRole("link", { name: /^Photos/ }).click();
      await chooseOnWall(page, some);
      if (byMenu) {
        await page.getByRole("button", { name: "Other ways to put them on pages" }).click();
        await page.getByRole("menuitem", { name: how }).click();
      } else await page.getByRole("button", { name: how }).click();
    };
    await put(4, "Put these 4 on a new page", false);
    await expect(tiles(page)).toHaveCount(4);
    await put(2, "Add them to what is on this page", true);
    await expect(tiles(page)).toHaveCount(6);
    await put(3, "Replace what is on this page", true);
    await expect(tiles(page)).toHaveCount(3);
    await page.getByRole("button", { name: "Undo: Arranged 3 photos" }).click();
    await expect(tiles(page)).toHaveCount(6);
    await put(12, "On several pages …", true);
    await page.getByRole("button", { name: /^Make \d+ pages?$/ }).click();
    await expect(page.getByRole("button", { name: /^Undo: Added/ })).toBeVisible();
    await expect(page.getByRole("listbox", { name: "Pages", exact: true }).first()).toBeVisible();
    await expectKept(page);
  });

  await test.step("an empty place takes the photo that is clicked, and the next one is ready", async () => {
    await tile(page, 1).click();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Delete");
    await page.keyboard.press("Escape");
    await page.keyboard.press("d");
    await expect(shelfPhotos(page)).toHaveCount(0);
    await tile(page, 1).click();
    await expect(page.getByText("Click a photo to put it into the empty place")).toBeVisible();
    await shelfPhotos(page).nth(4).click();
    await expect(page.getByRole("button", { name: "Undo: Filled a tile" })).toBeVisible();
    await expect(tile(page, 1)).not.toHaveAttribute("aria-label", /empty/i);
    await expect(page.getByText("Click a photo to put it into the empty place")).toBeVisible();
    await shelfPhotos(page).nth(5).click();
    await expect(tile(page, 2)).not.toHaveAttribute("aria-label", /empty/i);
  });

  await test.step("pockets are filled on over backs and new sheets, and it is said", async () => {
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByText("Pocket pages", { exact: true }).click();
    await page.getByRole("button", { name: "Start these pages" }).click();
    await shelfPhotos(page).first().focus();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "Arrange 30 photos" }).click();
    await expect(
      page.getByText(/^30 photos are in pockets on \d+ pages now\. .*new sheets? (was|were) added\.$/),
    ).toBeVisible();
    await page.getByRole("button", { name: "Undo: Filled 30 tiles" }).click();
    await expect(page.getByRole("navigation", { name: "Steps of the project" })).toContainText("empty");
  });

  await test.step("a book is filled with them alone: twenty pages, a cover and a title in at most ten clicks", async () => {
    clicks = 0;
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByRole("link", { name: /^Photos/ }).click();
    await wall(page).first().focus();
    await page.keyboard.press("Control+a");
    await click(`Make something with these ${count}`);
    clicks += 1;
    await page.getByText("A book", { exact: true }).click();
    await click(`Start this book with ${count} photos`);
    await click(`Fill the book with ${count} photos`);
    await click("Fill it");
    await expect(page.getByText(/\d+ photos are on \d+ pages now/)).toBeVisible({ timeout: longMs });
    await expectKept(page);
    expect(clicks).toBeLessThanOrEqual(5);
  });
});
