import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import { expectKept, longMs, shelfPhotos } from "./support/tessip.ts";

const prints = (page: Page) => page.locator("[data-print]");
const price = (page: Page) => page.getByTestId("print-price");
const group = (page: Page, name: string) => page.getByRole("region", { name });

/** Chooses photos on the strip, from one to another, both counted from 1. */
async function choosePhotos(page: Page, from: number, to: number): Promise<void> {
  await shelfPhotos(page)
    .nth(from - 1)
    .click();
  for (let i = from; i < to; i += 1) await page.keyboard.press("Shift+ArrowRight");
}

test("ten prints in two sizes: few clicks, the price, copies, crops, and files that are exact", async ({ page }) => {
  await withPhotos(page, 10);
  let clicks = 0;
  const click = async (name: string | RegExp) => {
    clicks += 1;
    await page.getByRole("button", { name }).click();
  };

  await test.step("chosen on Start, with the lab and its sizes in sight", async () => {
    clicks += 1;
    await page.getByRole("radio", { name: "Photo prints" }).locator("..").click();
    await expect(page.getByText("£0.19")).toBeVisible();
    await expect(page.getByRole("button", { name: "Start these prints" })).toBeInViewport();
    await click("Start these prints");
    await expect(page.getByRole("heading", { name: "No prints yet" })).toBeVisible();
    await expect(page.getByRole("button", { name: /^4 × 6 in/ })).toBeDisabled();
  });

  await test.step("six in one size, four in another", async () => {
    await choosePhotos(page, 1, 6);
    await click(/^4 × 6 in/);
    await choosePhotos(page, 7, 10);
    await click(/^8 × 10 in/);
    await expect(group(page, "4 × 6 in, 6 prints")).toBeVisible();
    await expect(group(page, "8 × 10 in, 4 prints")).toBeVisible();
    await expect(price(page)).toHaveText("£8.74");
    await expectKept(page);
  });

  await test.step("saved after no more than eight clicks besides choosing", async () => {
    clicks += 1;
    await page.getByRole("link", { name: "Order or save" }).click();
    const files: string[] = [];
    page.on("download", (d) => files.push(d.suggestedFilename()));
    const first = page.waitForEvent("download", { timeout: longMs });
    await click("Save 10 JPEGs to disk");
    const saved = await first;
    const file = `${await saved.path()}`;
    const facts = await sharp(file).metadata();
    expect([facts.width, facts.height].sort()).toEqual([1200, 1800]);
    expect(facts.density).toBe(300);
    await expect.poll(() => files.length, { timeout: longMs }).toBe(10);
    expect(files.filter((f) => f.includes("4-x-6-in"))).toHaveLength(6);
    expect(clicks).toBeLessThanOrEqual(8);
  });

  await test.step("copies by button, key and number; nonsense changes nothing", async () => {
    await page.getByRole("link", { name: /^Prints/ }).click();
    await page
      .getByRole("button", { name: /^One copy more/ })
      .first()
      .click();
    await expect(price(page)).toHaveText("£8.93");
    await prints(page).first().click();
    await page.keyboard.press("+");
    await expect(price(page)).toHaveText("£9.12");
    await page.keyboard.press("-");
    const copies = page.getByRole("textbox", { name: "Copies" });
    await expect(copies).toHaveValue("2");
    await copies.fill("many");
    await copies.press("Enter");
    await expect(copies).toHaveValue("2");
    await copies.fill("5000");
    await copies.press("Enter");
    await expect(copies).toHaveValue("999");
    // Steps that follow each other closely are one.
    await expect(async () => {
      await page.getByRole("button", { name: "Undo: Changed a print" }).click();
      await expect(price(page)).toHaveText("£8.74", { timeout: 500 });
    }).toPass();
  });

  await test.step("another size, the paper the other way, a white edge", async () => {
    await prints(page).first().click();
    await expect(page.getByRole("heading", { name: "All prints" })).toBeVisible();
    await prints(page).first().click();
    await page.getByRole("radio", { name: "5 × 7 in" }).locator("..").click();
    await expect(group(page, "5 × 7 in, 1 print")).toBeVisible();
    await expect(price(page)).toHaveText("£9.04");
    const box = () => group(page, "5 × 7 in, 1 print").locator("[data-print]").boundingBox();
    const was = (await box())!;
    await page.getByText(was.width > was.height ? "Portrait" : "Landscape", { exact: true }).click();
    await expect.poll(async () => (await box())!.width > (await box())!.height).toBe(was.width <= was.height);
    await page.keyboard.press("Escape");
    await group(page, "5 × 7 in, 1 print").locator("[data-print]").press("Escape");
    const edge = page.getByRole("textbox", { name: "White edge" });
    await edge.fill("3 in");
    await edge.press("Enter");
    await expect(page.getByRole("alert")).toBeVisible();
    await edge.fill("0.2 in");
    await edge.press("Enter");
    await expect(page.getByRole("button", { name: "Undo: Changed the margin" })).toBeVisible();
  });

  await test.step("one opens to be cropped, and leads back", async () => {
    await prints(page).nth(2).dblclick();
    await expect(page.getByRole("heading", { name: "This print" })).toBeVisible();
    await expect(page.getByText("4 × 6 in").or(page.getByText("6 × 4 in")).first()).toBeVisible();
    await page.getByRole("link", { name: "All prints" }).click();
    await expect(prints(page)).toHaveCount(10);
  });

  await test.step("all taken away by key, and back", async () => {
    await prints(page).first().focus();
    await page.keyboard.press("Control+a");
    await expect(page.getByRole("heading", { name: "10 prints chosen" })).toBeVisible();
    await page.keyboard.press("Delete");
    await expect(page.getByRole("heading", { name: "No prints yet" })).toBeVisible();
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await expect(prints(page)).toHaveCount(10);
  });

  await test.step("a photo dragged onto a size; one that is there gets one copy more", async () => {
    const photo = (await shelfPhotos(page).nth(6).boundingBox())!;
    const size = (await page.getByRole("button", { name: /^8 × 10 in/ }).boundingBox())!;
    await page.mouse.move(photo.x + 20, photo.y + 20);
    await page.mouse.down();
    await page.mouse.move(photo.x + 40, photo.y - 10, { steps: 3 });
    await page.mouse.move(size.x + 20, size.y + 12, { steps: 5 });
    await page.mouse.up();
    await expect(group(page, "8 × 10 in, 5 prints")).toBeVisible();
    await expect(prints(page)).toHaveCount(10);
  });

  await test.step("ordered: the lab takes every size, and Start tells of it", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByText("To the lab", { exact: true }).click();
    await page.getByRole("button", { name: "Send it to Fernhill Prints" }).click();
    await expect(page.getByText(/^Order number [0-9A-F]{4}-/)).toBeVisible({ timeout: longMs });
    await page.getByRole("link", { name: "To all your projects" }).click();
    const orders = page.getByRole("region", { name: "Orders" });
    await expect(orders).toContainText("My prints");
    await expect(orders).toContainText("5 of 8 × 10 in");
    await expect(orders).toContainText(/£\d+\.\d\d/);
    await expect(orders.getByRole("status")).toContainText(/next|on its way/);
    await orders.getByRole("link", { name: "See the order of My prints" }).click();
    await expect(page.getByRole("article")).toContainText("Fernhill Prints");
  });
});
