import { readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { loose } from "./support/free-tiles.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  drag,
  expectKept,
  expectUndo,
  openDrawer,
  shelfPhotos,
  startCollage,
  tile,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const card = (page: Page, name: string) => page.locator(`[data-card][aria-label^="${name}, "]`);

async function take(page: Page, name: string): Promise<void> {
  await page.getByRole("combobox", { name: "Photos" }).selectOption("any");
  await page.getByRole("searchbox", { name: "Search by name" }).fill(name);
  await card(page, name).click();
  await page.mouse.move(300, 20);
}

test("templates of every kind: places that say what they wait for, words that are kept, prints, patterns, and one's own changed", async ({
  page,
}) => {
  await withPhotos(page, 8);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await openDrawer(page, "Templates");

  await test.step("an empty page laid out by one shows numbers, and which drawer each place waits for", async () => {
    await take(page, "Title, story and one");
    await expectUndo(page, "Laid out by a template");
    await expect(tiles(page)).toHaveCount(3);
    await expect(tile(page, 1)).toHaveAccessibleName(
      "Tile 1 of 3: empty, waits for words such as “A title for this page”",
    );
    await expect(tile(page, 2)).toHaveAccessibleName("Tile 2 of 3: empty, waits for photo 1");
    await expect(tile(page, 2)).toContainText("1");
    await expect(page.getByRole("link", { name: /^Pages/ })).toContainText("1 empty");
  });

  await test.step("a photo goes where one is waited for, and words are written into their place", async () => {
    await tile(page, 2).click();
    await expect(page.getByRole("tab", { name: "Photos", exact: true })).toHaveAttribute("aria-selected", "true");
    await drag(page, shelfPhotos(page).nth(1), tile(page, 2));
    await expect(tile(page, 2)).not.toHaveAccessibleName(/empty/);
    await tile(page, 1).dblclick();
    await page.keyboard.type("Midsummer at the lock");
    await page.keyboard.press("Escape");
    await expect(tile(page, 1)).toHaveAccessibleName(/Midsummer at the lock/);
    await page.keyboard.press("Escape");
  });

  await test.step("another template keeps the words: the title has its place, and looks as that place has it", async () => {
    await openDrawer(page, "Templates");
    await take(page, "Title over one");
    await expect(tiles(page)).toHaveCount(2);
    await expect(tile(page, 1)).toHaveAccessibleName(/Midsummer at the lock/);
    await expect(tile(page, 2)).not.toHaveAccessibleName(/empty/);
    // Without a place for words they lie where they were.
    await take(page, "Two panes");
    await expect(loose(page)).toHaveCount(1);
    await expect(loose(page).first()).toHaveAccessibleName(/Midsummer at the lock/);
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(2);
    await expect(loose(page)).toHaveCount(0);
  });

  await test.step("a wall of hexagons, and prints on a table, each with as many photos as there are", async () => {
    await page.getByRole("button", { name: "Another page" }).first().click();
    await openDrawer(page, "Photos");
    await arrangeFirst(page, 8);
    await openDrawer(page, "Templates");
    await take(page, "Seven hexagons");
    // One cell more than was drawn, for the eighth.
    await expect(page.getByText("There was one photo more than places")).toBeVisible();
    await expect(tiles(page)).toHaveCount(8);
    await take(page, "Eight on the table");
    await expect(loose(page)).toHaveCount(8);
    await expect(tiles(page)).toHaveCount(0);
    await expect(page.getByText("empty, waits")).toHaveCount(0);
    // Prints flow back into cuts.
    await take(page, "Eight panes");
    await expect(tiles(page)).toHaveCount(8);
    await expect(loose(page)).toHaveCount(0);
    for (let i = 1; i <= 8; i += 1) await expect(tile(page, i)).not.toHaveAccessibleName(/empty/);
  });

  await test.step("where photos are few a place that is to be left over is, and not the leader", async () => {
    await page.getByRole("searchbox", { name: "Search by name" }).fill("");
    await page.getByRole("button", { name: "Save as a template" }).click();
    const asked = page.getByRole("dialog");
    await asked.getByRole("textbox", { name: "Name", exact: true }).fill("Two by four");
    await asked.getByRole("textbox", { name: "Family, if it belongs with others" }).fill("Our house");
    await asked.getByText("Left over first", { exact: true }).click();
    await asked.getByRole("button", { name: "Place 3 of 8" }).click();
    await expect(asked.getByRole("button", { name: "Place 3 of 8, left over first" })).toBeVisible();
    await asked.getByRole("button", { name: "Save the template" }).click();
    await expect(page.getByText("Two by four is among your templates.")).toBeVisible();
    await page.getByRole("button", { name: "Another page" }).first().click();
    await openDrawer(page, "Photos");
    await arrangeFirst(page, 7);
    await openDrawer(page, "Templates");
    await take(page, "Two by four");
    await expect(tiles(page)).toHaveCount(8);
    await expect(tile(page, 3)).toHaveAccessibleName(/empty/);
  });

  await test.step("one's own is changed on purpose: its name, its family, its order, the open page's layout; and back", async () => {
    await card(page, "Two by four").hover();
    await page.getByRole("button", { name: "Change Two by four" }).click();
    const asked = page.getByRole("dialog");
    await expect(asked.getByRole("button", { name: "Place 3 of 8, left over first" })).toBeVisible();
    await asked.getByRole("textbox", { name: "Name", exact: true }).fill("Sundays");
    await asked.getByRole("textbox", { name: "Family, if it belongs with others" }).fill("Week ends");
    await asked.getByRole("button", { name: "Start over" }).click();
    await asked.getByText("Order", { exact: true }).click();
    await asked.getByRole("button", { name: "Place 5 of 8" }).click();
    await asked.getByRole("button", { name: "Keep the changes" }).click();
    await expect(page.getByText("Sundays is changed. Pages laid out by it stay as they are.")).toBeVisible();
    await expect(card(page, "Two by four")).toHaveCount(0);
    await page.getByRole("button", { name: "Undo", exact: true }).last().click();
    await expect(card(page, "Two by four")).toBeVisible();
    await page.getByRole("searchbox", { name: "Search by name" }).fill("");
    await page.getByRole("combobox", { name: "Family" }).selectOption("Our house");
    await expect(page.locator("[data-card]")).toHaveCount(1);
    await page.getByRole("combobox", { name: "Family" }).selectOption("");
    await page.getByRole("searchbox", { name: "Search by name" }).fill("Two by four");
  });

  await test.step("only what is chosen is saved, with what lies freely; from a file it comes in as it went out", async () => {
    await take(page, "Five on the table");
    await expect(page.getByText("2 photos found no place here. They are on the shelf.")).toBeVisible();
    await expect(loose(page)).toHaveCount(5);
    await loose(page).first().click();
    await page.getByRole("searchbox", { name: "Search by name" }).fill("");
    await page.getByRole("button", { name: "Save as a template" }).click();
    const asked = page.getByRole("dialog");
    await asked.getByText("Only what is chosen on the page").click();
    await asked.getByRole("textbox", { name: "Name", exact: true }).fill("One print");
    await asked.getByRole("button", { name: "Save the template" }).click();
    await expect(page.getByText("One print is among your templates.")).toBeVisible();
    await expect(asked).toHaveCount(0);
    await page.getByRole("searchbox", { name: "Search by name" }).fill("One print");
    await card(page, "One print").hover();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save to disk: One print" }).click();
    const path = join(tmpdir(), `one-print-${process.pid}.json`);
    await (await download).saveAs(path);
    const [only, more] = JSON.parse(await readFile(path, "utf8")).templates[0].pieces;
    expect(more).toBeUndefined();
    expect(only).toMatchObject({ kind: "tile", filling: { kind: "empty", waits: { for: "photo" } } });
  });

  await test.step("as a drawing it goes to a vector program and comes back, changed there or not; any other drawing comes in too", async () => {
    await page.getByRole("searchbox", { name: "Search by name" }).fill("Two by four");
    await card(page, "Two by four").hover();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save as an SVG drawing: Two by four" }).click();
    const path = join(tmpdir(), `two-by-four-${process.pid}.svg`);
    await (await download).saveAs(path);
    const text = await readFile(path, "utf8");
    const { width, height } = await sharp(path).metadata();
    expect(width / height).toBeCloseTo(1, 2);
    const bringIn = async (svg: string, name: string) => {
      const chooser = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Bring in a file" }).click();
      await (await chooser).setFiles({ name, mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
    };
    await bringIn(text, "back.svg");
    await expect(card(page, "Two by four")).toHaveCount(2);
    // One shape was moved there: it lies freely, the others where they were.
    await bringIn(
      text.replace(/(<path id="[^"]*")/, '$1 transform="translate(0 9)"').replaceAll("Two by four", "Moved"),
      "m.svg",
    );
    await take(page, "Moved");
    await expect(loose(page)).toHaveCount(8);
    const drawn = (shapes: string) =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">${shapes}</svg>`;
    await bringIn(
      drawn('<circle cx="30" cy="50" r="20"/><circle cx="75" cy="50" r="20"/><script>1</script>'),
      "Two suns.svg",
    );
    await take(page, "Two suns");
    await expect(loose(page)).toHaveCount(2);
    await bringIn(drawn('<path d="M0 0 L5 5" fill="none"/>'), "line.svg");
    await expect(page.getByText("That drawing has no closed shape that could become a place.")).toBeVisible();
  });
  await expectKept(page);
});
