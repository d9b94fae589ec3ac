import { readFile, writeFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import { arrangeFirst, expectKept, typeInto } from "./support/tessip.ts";

async function bringIn(page: Page, path: string): Promise<void> {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Bring in a card file" }).click();
  await (await chooser).setFiles(path);
}

async function type(page: Page, label: string, text: string): Promise<void> {
  await page.getByRole("textbox", { name: label, exact: true }).fill(text);
}

test("a lab's card of one's own: typed with a drawing that follows, kept, saved and brought in; and what it wants is held to", async ({
  page,
}, info) => {
  await withPhotos(page, 4);
  await page.getByRole("link", { name: "Add another lab …" }).click();

  await test.step("what contradicts itself cannot be kept, and is named", async () => {
    await page.getByRole("button", { name: "A new card" }).click();
    await type(page, "Name of the lab", "Sallow Street Prints");
    await typeInto(page, "Bleed", "-3");
    await expect(page.getByRole("alert").first()).toBeVisible();
    await typeInto(page, "Bleed", "4 mm");
    await expect(page.getByRole("figure")).toContainText("4 mm cut away");
    await typeInto(page, "Keep clear", "50 mm");
    await expect(page.getByText("Nothing is left of this size when its edge is kept clear.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Keep this card" })).toBeDisabled();
    await typeInto(page, "Keep clear", "3 mm");
    await typeInto(page, "At least", "400");
    await expect(page.getByText("The pixels it still takes are more than those it wants.")).toBeVisible();
    await typeInto(page, "At least", "100");
  });

  await test.step("sizes, limits and names; kept", async () => {
    const size = page.getByRole("group", { name: "100 × 150 mm" });
    await size.getByRole("textbox", { name: "Width" }).fill("12 cm");
    await page.keyboard.press("Enter");
    await page.getByRole("group", { name: "120 × 150 mm" }).getByRole("textbox", { name: "Price" }).fill("0.4");
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Add a size" }).click();
    await expect(page.getByRole("group", { name: "200 × 300 mm" })).toBeVisible();
    await page.getByRole("button", { name: "Remove 200 × 300 mm" }).click();
    await type(page, "Names", "{project}_{size}_{page}");
    await type(page, "Largest file, MB", "0.2");
    await type(page, "Longest name, characters", "20");
    await type(page, "Smallest letters, pt", "6.5");
    await type(page, "Currency, as GBP", "eur");
    await expect(page.getByText("A-120-x-150-m-03.jpg")).toBeVisible();
    await page.getByRole("button", { name: "Keep this card" }).click();
    await expect(page.getByText("Sallow Street Prints is kept in this browser.")).toBeVisible();
  });

  const saved = info.outputPath("card.json");
  await test.step("saved as a file, deleted, undone; files that are no cards are refused in words", async () => {
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save as a file" }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe("Sallow-Street-Prints.lab.json");
    await file.saveAs(saved);
    const card = JSON.parse(await readFile(saved, "utf8"));
    expect(card).toMatchObject({
      bleedMm: 4,
      currency: "EUR",
      file: { mostMb: 0.2, mostNameLength: 20, leastTypePt: 6.5 },
    });
    expect(card.sizes).toEqual([expect.objectContaining({ widthMm: 120, price: 0.4 })]);
    await page.getByRole("button", { name: "Delete this card" }).click();
    await expect(page.getByRole("button", { name: "Sallow Street Prints", exact: true })).toHaveCount(0);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByRole("button", { name: "Sallow Street Prints", exact: true })).toBeVisible();
    const wrong = info.outputPath("wrong.json");
    await writeFile(wrong, "Dear lab,");
    await bringIn(page, wrong);
    await expect(page.getByText(/it is not JSON/)).toBeVisible();
    await writeFile(wrong, JSON.stringify({ ...card, bleedMm: -2 }));
    await bringIn(page, wrong);
    await expect(page.getByText(/look at “bleedMm”/)).toBeVisible();
  });

  await test.step("a book's card begins from a lab's, and its rules hold together", async () => {
    await page.getByRole("button", { name: "Begin from Marrow & Lisle" }).click();
    await expect(page.getByRole("textbox", { name: "Name of the lab" })).toHaveValue("Marrow & Lisle, mine");
    await expect(page.getByRole("figure")).toContainText("hidden in the fold");
    const fewest = await page.getByRole("textbox", { name: "Fewest pages" }).inputValue();
    const most = await page.getByRole("textbox", { name: "Most pages" }).inputValue();
    await typeInto(page, "Fewest pages", "900");
    await expect(page.getByText("The fewest pages are more than the most.")).toBeVisible();
    await typeInto(page, "Fewest pages", fewest);
    await page.getByRole("button", { name: "Add a paper" }).click();
    await page.getByRole("button", { name: "Remove Paper", exact: true }).click();
    await page.getByRole("button", { name: "Add a cover" }).click();
    const cover = page.getByRole("group", { name: "Cover: Hard cover" }).last();
    await cover.getByRole("combobox", { name: "Spine goes by" }).selectOption("table");
    const row = (n: number) => cover.getByRole("group", { name: `Row ${n} of the spine's table` });
    const put = async (n: number, label: string, text: string) => {
      await row(n).getByRole("textbox", { name: label }).fill(text);
      await page.keyboard.press("Enter");
    };
    await put(1, "Up to pages", "60");
    await put(1, "Width of the spine", "7 mm");
    await expect(page.getByText("The spine's table ends before the most pages.")).toBeVisible();
    await cover.getByRole("button", { name: "Add a row" }).click();
    await put(2, "Up to pages", most);
    await put(2, "Width of the spine", "5 mm");
    await expect(page.getByText("The spine's table has to rise.")).toBeVisible();
    await put(2, "Width of the spine", "14 mm");
    await page.getByRole("button", { name: "Keep this card" }).click();
    await expect(page.getByText("Marrow & Lisle, mine is kept in this browser.")).toBeVisible();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save as a file" }).click();
    const { book } = JSON.parse(await readFile(await (await download).path(), "utf8"));
    expect(book.covers.at(-1).spine).toEqual({
      kind: "table",
      rows: [
        { upToPages: 60, mm: 7 },
        { upToPages: Number(most), mm: 14 },
      ],
    });
  });

  await test.step("work for that lab: its name pattern and its limits are checked before, and files looked at after", async () => {
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByText("Sallow Street Prints", { exact: true }).click();
    await page.getByRole("button", { name: "Start this collage" }).click();
    await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
    await page.getByRole("textbox", { name: "Name of this project" }).fill("A very long name for a small work");
    await page.keyboard.press("Enter");
    await arrangeFirst(page, 4);
    await page.getByRole("link", { name: /^Check/ }).click();
    await expect(page.getByText("A file may become too large")).toBeVisible();
    // A long name loses letters, and never its page.
    await expect(page.getByText("A file name too long for the lab")).toHaveCount(0);
    await page.getByRole("link", { name: /^Send/ }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    expect((await download).suggestedFilename()).toBe("A-120-x-150-mm-1.jpg");
    await expect(page.getByText("The lab takes files up to 0.2 MB, and this one is larger.")).toBeVisible();
    await page.getByRole("button", { name: "Take quality 90 % instead" }).click();
    await expect(page.getByText("As you asked for it")).toBeVisible();
    await expectKept(page);
  });

  await test.step("the lab's card changes: work that was begun goes by its own copy, and the check says so", async () => {
    await page.goto("/labs");
    await page.getByRole("button", { name: "Sallow Street Prints", exact: true }).click();
    await typeInto(page, "Bleed", "2 mm");
    await page.getByRole("button", { name: "Keep this card" }).click();
    await expect(page.getByText("Sallow Street Prints is kept in this browser.")).toBeVisible();
    await page.getByRole("link", { name: "To all your projects" }).click();
    await page.getByRole("link", { name: "Open A very long name" }).click();
    await page.getByRole("link", { name: /^Check/ }).click();
    await expect(page.getByText("The lab has changed what it asks for")).toBeVisible();
    await expect(page.getByText("the bleed").first()).toBeVisible();
  });
});
