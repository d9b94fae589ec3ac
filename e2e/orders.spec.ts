import { readFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync } from "fflate";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  expectKept,
  longMs,
  pace,
  shelfPhotos,
  startBook,
  startCollage,
  typeInto,
} from "./support/tessip.ts";

/** The lab is one for all tests of this file, which run one after the other. */
async function labIs(page: Page, mood: string): Promise<void> {
  await page.getByRole("combobox", { name: "The stand-in lab today" }).selectOption({ label: mood });
  await expect
    .poll(async () => ((await (await page.request.get("/lab/mood")).json()) as { mood: string }).mood)
    .not.toBe(mood === "takes everything" ? "?" : "well");
}

const stage = (page: Page) => page.locator("[data-stage]").first();

test.afterEach(async ({ page }) => {
  await page.request.put("/lab/mood", { data: { mood: "well" } });
});

test("a collage goes to the lab: full, cut off, sent back, and taken; the order moves on by itself", async ({
  page,
}) => {
  await withPhotos(page, 4);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await expectKept(page);
  const toSend = async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByText("To the lab", { exact: true }).click();
  };
  const orders = () => page.goto(page.url().replace(/\/(send|pages)$/, "/orders"));

  await test.step("nothing was sent yet; the stand-in says how it behaves", async () => {
    await orders();
    await expect(page.getByRole("heading", { name: "Nothing was sent yet" })).toBeVisible();
    await labIs(page, "takes no more orders");
    await toSend();
    await page.getByRole("button", { name: "Send it to Quayside Collage Press" }).click();
    await expect(page.getByRole("alert")).toContainText("The lab takes no more orders just now.", { timeout: longMs });
    await page.context().setOffline(true);
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByRole("alert")).toContainText("The lab does not answer.", { timeout: longMs });
    await page.context().setOffline(false);
  });

  await test.step("cut off at 60 %, and gone on with where it stopped", async () => {
    await page.request.put("/lab/mood", { data: { mood: "cutsOff" } });
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByRole("alert")).toContainText("The line to the lab was cut.", { timeout: longMs });
    await page.request.put("/lab/mood", { data: { mood: "well" } });
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByText(/^Order number [0-9A-F]{4}-/)).toBeVisible({ timeout: longMs });
    await expect(page.getByRole("article")).toHaveCount(1);
    await expect(page.getByRole("article")).toContainText("Quayside Collage Press · 1 file");
    await expect(stage(page)).toHaveAttribute("data-stage", /received|checked/);
    await expect(stage(page)).toHaveAttribute("data-stage", "printing", { timeout: longMs });
  });

  await test.step("sent back with the reason", async () => {
    await labIs(page, "sends everything back");
    await toSend();
    await page.getByRole("button", { name: /^Send(ing)? it|^Save it once more/ }).click();
    await expect(page.getByRole("alert").first()).toContainText("sends them back", { timeout: longMs });
    await page.getByRole("link", { name: "2 orders" }).click();
    await expect(page.getByRole("article").first()).toContainText("The lab takes no orders of this kind today.");
  });

  await test.step("what the lab cannot use it finds in the bytes: here another kind of colours", async () => {
    await labIs(page, "takes everything");
    await toSend();
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "Colours", exact: true }).selectOption("displayP3");
    await page.getByRole("button", { name: "Send it to Quayside Collage Press" }).click();
    await expect(page.getByRole("alert").first()).toContainText("sends them back", { timeout: longMs });
    await page.getByRole("link", { name: "3 orders" }).click();
    await expect(page.getByRole("article").first()).toContainText("Its colour profile is not sRGB.");
  });
});

test("a book with its cover, and print sheets, are taken by labs that count and measure them; or carried there in one zip", async ({
  page,
}) => {
  await withPhotos(page, 24);
  await startBook(page, "Pennywhistle Press", "15 × 15 cm");
  await page.getByRole("link", { name: "Overview" }).click();
  await pace(page);
  await expectKept(page);

  await test.step("the book", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByText("To the lab", { exact: true }).click();
    await typeInto(page, "How many books", "3");
    await page.getByRole("button", { name: "Send it to Pennywhistle Press" }).click();
    await expect(page.getByText(/^Order number /)).toBeVisible({ timeout: longMs });
    await expect(page.getByRole("heading", { name: "My book, 3 copies" })).toBeVisible();
    await expect(page.getByRole("link", { name: /^Send/ })).toContainText("sent to the lab");
  });

  await test.step("an order is forgotten, and remembered again", async () => {
    await page.getByRole("button", { name: "Remove from this list: My book, 3 copies" }).click();
    await expect(page.getByRole("article")).toHaveCount(0);
    await page.getByRole("button", { name: "Undo", exact: true }).click();
    await expect(page.getByText(/^Order number /)).toBeVisible();
  });

  await test.step("in one zip, with an order sheet and the list", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByText("In one zip", { exact: true }).click();
    await page.getByText("Some pages", { exact: true }).click();
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("1-2");
    const download = page.waitForEvent("download", { timeout: longMs });
    await page.getByRole("button", { name: "Save 2 JPEGs to disk" }).click();
    const inside = unzipSync(await readFile(await (await download).path()));
    const text = new TextDecoder().decode(inside["order.txt"]);
    expect(text).toContain("Order for Pennywhistle Press");
    const list = JSON.parse(new TextDecoder().decode(inside["packet.json"]));
    expect(list.files).toHaveLength(2);
    expect(list.files.map((f: { copies: number }) => f.copies)).toEqual([1, 1]);
    for (const f of list.files) {
      expect(inside[f.name]!.length).toBe(f.bytes);
      const sum = Buffer.from(await crypto.subtle.digest("SHA-256", Uint8Array.from(inside[f.name]!))).toString("hex");
      expect([f.sha256, text.includes(sum)]).toEqual([sum, true]);
    }
  });

  await test.step("print sheets of some photos", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    await shelfPhotos(page).first().click();
    for (let i = 0; i < 4; i += 1) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("link", { name: /^Print sheets/ }).click();
    await page.getByRole("button", { name: "Photos …" }).click();
    await page.getByRole("combobox", { name: "Size" }).selectOption("3x4");
    await page.getByRole("button", { name: "Take these 5 photos" }).click();
    await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
    await page.getByRole("button", { name: "Pack the sheets" }).click();
    await expect(page.getByTestId("packed")).toContainText("3 sheets");
    await page.getByRole("button", { name: "Order them from Fernhill Prints" }).click();
    const order = page.getByRole("article", { name: "My book, 3 print sheets" });
    await expect(order.getByText(/^Order number /)).toBeVisible({ timeout: longMs });
  });
});
