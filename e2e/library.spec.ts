import { mkdtemp, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { everyKind, samplePhotos } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  allIn,
  arrangeFirst,
  box,
  chooseFiles,
  expectUndo,
  longMs,
  startCollage,
  takeSample,
  tile,
  undoButton,
} from "./support/tessip.ts";

const scratch = () => mkdtemp(join(tmpdir(), "tessip-"));
const photo = (page: Page, name: string | RegExp): Locator =>
  page.getByRole("listbox", { name: "Photos" }).getByRole("option", { name });
const sheet = (page: Page): Locator => page.getByRole("complementary", { name: "About this photo" });

async function openSheet(page: Page, name: string | RegExp): Promise<void> {
  await photo(page, name).dblclick();
  await expect(sheet(page)).toBeVisible();
}

test("every kind of picture comes in the right way round, out of a zip too, and what is no good is named", async ({
  page,
}) => {
  const files = await everyKind(await scratch());
  await page.goto("/photos");
  await chooseFiles(page, [...files.made, files.zip, files.bomb, files.cut]);
  const list = page.getByTestId("incoming");
  await expect(list.getByText("3 files were left out")).toBeVisible();
  await expect(list.getByText("readme.txt: this is not a picture")).toBeVisible();
  await expect(list.getByText("zeros.jpg: inside the zip it would be larger than any photo")).toBeVisible();
  await expect(list.getByText("cut.zip: the zip is damaged")).toBeVisible();
  await expect(page.getByRole("heading", { name: `${files.made.length + 2} photos` })).toBeVisible();
  const pile = page.getByRole("button", { name: /much alike, in a pile/ }).first();
  await pile.click();
  // Red is left in all of them but the grey one; the TIFF was stored upside down, so there it is right.
  const colours = await page
    .getByRole("option")
    .locator("img")
    .evaluateAll(async (images) => {
      const found: Record<string, string> = {};
      for (const node of images as HTMLImageElement[]) {
        await node.decode();
        const ctx = new OffscreenCanvas(node.naturalWidth, node.naturalHeight).getContext("2d")!;
        ctx.drawImage(node, 0, 0);
        const side = (x: number) => {
          const [r, , b] = ctx.getImageData(Math.round(node.naturalWidth * x), 40, 1, 1).data;
          return r! > b! + 40 ? "red" : b! > r! + 40 ? "blue" : "grey";
        };
        found[(node.closest("[data-photo]") as HTMLElement).title] = `${side(0.2)}-${side(0.8)}`;
      }
      return found;
    });
  expect(colours).toMatchObject({
    "kind-jpeg.jpg": "red-blue",
    "kind-cmyk.jpg": "red-blue",
    "kind-grey.jpg": "grey-grey",
    "kind-png16.png": "red-blue",
    "kind-webp.webp": "red-blue",
    "kind-avif.avif": "red-blue",
    "kind-gif.gif": "red-blue",
    "kind-bmp.bmp": "red-blue",
    "kind-tiff.tif": "blue-red",
    "kind-wrong-ending.txt.png": "red-blue",
    "halves.heic": "red-blue",
    "zipped-1.jpg": "red-blue",
    "zipped-2.jpg": "red-blue",
  });
  await openSheet(page, /halves.heic/);
  const download = page.waitForEvent("download");
  await sheet(page).getByRole("button", { name: "Save the original" }).click();
  const kept = await readFile(await (await download).path());
  expect(kept.equals(await readFile(files.made.at(-1)!))).toBe(true);
});

test("the sample's library: piles, events, stars, captions, times, filters and the timeline, all of it undone again", async ({
  page,
}) => {
  await page.goto("/photos");
  await takeSample(page);
  await expect(page.getByRole("heading", { name: "146 photos" })).toBeVisible();

  await test.step("a burst lies in a pile, spreads out, and another goes on top", async () => {
    const pile = page.getByRole("button", { name: /^4 photos much alike/ }).first();
    const top = /HLD_00(\d\d)/.exec(
      (await page.getByRole("option").filter({ has: pile }).getAttribute("aria-label")) ?? "",
    )?.[1];
    const other = top === "14" ? "15" : "14";
    await pile.click();
    await expect(page.getByRole("button", { name: "Gather this pile again" })).toBeVisible();
    await openSheet(page, new RegExp(`HLD_00${other}.jpg`));
    await sheet(page).getByRole("button", { name: "Put on top of its pile" }).click();
    await expectUndo(page, "Changed a pile");
    await page.getByRole("button", { name: "Gather this pile again" }).click();
    await expect(photo(page, new RegExp(`HLD_00${other}.jpg.*4 photos much alike`))).toBeVisible();
    await expect(photo(page, new RegExp(`HLD_00${top}.jpg`))).toHaveCount(0);
    await sheet(page).getByRole("button", { name: "Take out of its pile" }).click();
    await expect(page.getByRole("button", { name: /^3 photos much alike/ }).first()).toBeVisible();
    await sheet(page).getByRole("button", { name: "Close" }).click();
  });

  await test.step("an event gets a name", async () => {
    const name = page.getByRole("textbox", { name: "Name of this event, 22 March 2025" });
    await name.fill("Moving aboard");
    await name.press("Enter");
    await expectUndo(page, "Named an event");
  });

  await test.step("stars and hiding, for several at once", async () => {
    await photo(page, /The day we got the keys/).click();
    await photo(page, /All of us, and Biscuit/).click({ modifiers: ["Control"] });
    await page.getByRole("region", { name: "With the chosen photos" }).getByRole("radio", { name: "4 stars" }).click();
    await expect(photo(page, /The day we got the keys.*4 stars/)).toBeVisible();
    await expectUndo(page, "Gave stars to 2 photos");
    await page.getByRole("button", { name: "Choose none" }).click();
    await photo(page, /First night/).click();
    await page.getByRole("button", { name: "Hide", exact: true }).click();
    await expect(photo(page, /First night/)).toHaveCount(0);
    await page.getByRole("button", { name: "Choose none" }).click();
  });

  await test.step("a camera one hour off is set right, and the sheet remembers what the file said", async () => {
    await photo(page, /The day we got the keys/).click();
    await page.getByRole("button", { name: "Correct the time" }).click();
    await expect(page.getByRole("dialog")).toContainText("09:20 becomes 22 Mar 2025, 10:20");
    await page.getByRole("button", { name: "Move the times" }).click();
    await expectUndo(page, "Corrected the time of a photo");
    await openSheet(page, /The day we got the keys/);
    await expect(sheet(page).getByRole("textbox", { name: "Taken" })).toHaveValue("2025-03-22 10:20:00");
    await expect(sheet(page)).toContainText("corrected by you");
    await sheet(page).getByRole("textbox", { name: "Taken" }).fill("yesterday");
    await sheet(page).getByRole("textbox", { name: "Taken" }).press("Enter");
    await expect(sheet(page).getByText("Type a day and a time")).toBeVisible();
    await sheet(page)
      .getByRole("button", { name: /Back to the time in the file/ })
      .click();
    await expect(sheet(page)).toContainText("by the camera’s clock");
    await sheet(page).getByRole("textbox", { name: "Caption" }).fill("Keys at last");
    await sheet(page).getByRole("textbox", { name: "Caption" }).blur();
    await expect(photo(page, /Keys at last/)).toBeVisible();
  });

  await test.step("filters narrow, and the timeline does by brushing", async () => {
    const title = page.getByRole("heading", { level: 1 });
    await page.getByRole("searchbox", { name: "Search captions and names" }).fill("keys");
    await expect(title).toHaveText("1 of 146 photos");
    await page.getByRole("searchbox", { name: "Search captions and names" }).fill("");
    await page.getByRole("button", { name: "Filter" }).click();
    await page.getByRole("radiogroup", { name: "At least so many stars" }).getByText("3").click();
    await expect(title).toHaveText("2 of 146 photos");
    await page.getByRole("button", { name: "Show all again" }).click();
    await page.getByLabel("From", { exact: true }).fill("2026-03-24");
    await expect(title).toHaveText("4 of 146 photos");
    await page.getByLabel("From", { exact: true }).fill("");
    await page.getByText("Hidden ones too").click();
    await expect(title).toHaveText("146 photos");
    await page.getByRole("button", { name: "Show all again" }).click();
    await page.keyboard.press("Escape");
    await expect(title).toHaveText("145 of 146 photos");
    await page.getByRole("button", { name: "Close", exact: true }).click();
    // The timeline grows a moment after the photo's sheet has gone.
    await expect(async () => {
      const line = await box(page.getByTestId("timeline").locator("svg"));
      await page.mouse.move(line.x + line.width * 0.5, line.y + 20);
      await page.mouse.down();
      await page.mouse.move(line.x + line.width * 0.7, line.y + 24, { steps: 6 });
      await page.mouse.up();
      await expect(title).toHaveText(/^[1-9]\d? of 146 photos$/, { timeout: 3000 });
    }).toPass();
    await page.getByRole("button", { name: "Zoom in" }).click();
    await expect(page.getByRole("button", { name: "All dates" })).toBeVisible();
    await page.getByRole("button", { name: "All dates" }).click();
    const line = await box(page.getByTestId("timeline").locator("svg"));
    await page.mouse.click(line.x + line.width * 0.95, line.y + 10);
    await expect(title).toHaveText("145 of 146 photos");
    await page.getByRole("combobox", { name: "Order" }).selectOption("largest");
    await expect(page.getByRole("listbox", { name: "Photos" }).getByRole("option").first()).toHaveAccessibleName(
      /aqueduct|HLD_0036|Senn valley|HLD_/,
    );
    await page.getByRole("combobox", { name: "Order" }).selectOption("oldest");
  });

  await test.step("everything is undone, step by step, and found again after a reload", async () => {
    await page.reload();
    await expect(photo(page, /Keys at last.*4 stars/)).toBeVisible();
    await expect(page.getByRole("textbox", { name: "Name of this event, 22 March 2025" })).toHaveValue("Moving aboard");
    await photo(page, /Keys at last/).click();
    await page.getByRole("region", { name: "With the chosen photos" }).getByRole("radio", { name: "4 stars" }).click();
    await expect(photo(page, /Keys at last.*4 stars/)).toHaveCount(0);
    await page.keyboard.press("Control+z");
    await expect(photo(page, /Keys at last.*4 stars/)).toBeVisible();
    await page.keyboard.press("Control+Shift+z");
    await expect(photo(page, /Keys at last.*4 stars/)).toHaveCount(0);
  });
});

test("focus leads the first framing; a photo on a page is named before it goes, and a better file takes its place", async ({
  page,
}) => {
  await withPhotos(page, 4);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 2);
  await page.getByRole("link", { name: /Photos/ }).click();
  await openSheet(page, /The day we got the keys/);
  await expect(sheet(page).getByText(/Faces were found|No face was found/)).toBeVisible({ timeout: longMs });
  await expect(sheet(page).getByRole("link", { name: "Page 1" })).toBeVisible();
  await expect(sheet(page)).toContainText("at 300 ppi");

  const point = sheet(page).getByRole("slider", { name: "Point of focus" });
  await point.press("ArrowRight");
  await expectUndo(page, "Changed what must be seen");
  await expect(sheet(page).getByText("Set by you.")).toBeVisible();
  await sheet(page).getByRole("button", { name: "Add a face" }).click();
  const at = await box(sheet(page).locator("img").first());
  await page.mouse.move(at.x + 20, at.y + 30);
  await page.mouse.down();
  await page.mouse.move(at.x + 70, at.y + 90, { steps: 4 });
  await page.mouse.up();
  const face = sheet(page).getByRole("button", { name: /^Face/ });
  await expect(face.last()).toBeVisible();
  const faces = await face.count();
  await face.last().press("Delete");
  await expect(face).toHaveCount(faces - 1);

  const better = await sharp(samplePhotos(1)[0]!).rotate().resize(3000).jpeg().toBuffer();
  await sheet(page)
    .getByTestId("replace-file")
    .setInputFiles({ name: "better.jpg", mimeType: "image/jpeg", buffer: better });
  await expect(page.getByText("The file was replaced on every page.")).toBeVisible();
  await expect(sheet(page)).toContainText("3,000 × 2,000");
  await sheet(page)
    .getByTestId("replace-file")
    .setInputFiles({ name: "no.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no picture") });
  await expect(page.getByText("no.jpg: this is not a picture")).toBeVisible();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(sheet(page)).toContainText("2,400 × 1,600");

  await photo(page, /The day we got the keys/).click();
  await page.getByRole("button", { name: "Remove" }).click();
  await expect(page.getByRole("dialog")).toContainText("The day we got the keys, On page 1");
  await page.getByRole("button", { name: "Remove it" }).click();
  await expect(page.getByRole("heading", { name: "3 photos" })).toBeVisible();
  await page.getByRole("link", { name: /Pages/ }).click();
  await expect(tile(page, 1)).toHaveAccessibleName(/Its photo is missing/);
  await page.getByRole("link", { name: /Photos/ }).click();
  // Each place has its own undo.
  await expect(page.getByRole("heading", { name: "3 photos" })).toBeVisible();
  await undoButton(page).click();
  await expect(page.getByRole("heading", { name: "4 photos" })).toBeVisible();
  await page.getByRole("link", { name: /Pages/ }).click();
  await expect(tile(page, 1)).toHaveAccessibleName(/The day we got the keys/);
});

test("a tab closed while photos come in keeps what was done and names the rest", async ({ page, context }) => {
  await page.goto("/photos");
  await page.getByRole("button", { name: "Try the sample photos" }).click();
  await expect(page.getByText(/^Bringing in ([5-9]|[1-9]\d) of 147/)).toBeVisible();
  await page.close();
  const again = await context.newPage();
  await again.goto("/photos");
  const list = again.getByTestId("incoming");
  await expect(list.getByText("it was still waiting when this tab was closed").first()).toBeVisible();
  await expect(again.getByRole("heading", { name: /^[1-9]\d* photos?$/ })).toBeVisible();
  await allIn(again);
});
