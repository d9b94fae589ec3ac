import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addFreeWords,
  arrangeFirst,
  chooseFiles,
  expectKept,
  expectUndo,
  openDrawer,
  saveWorkAsFile,
  shelfPhotos,
  startCollage,
  tile,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const more = async (page: Page, item: string | RegExp) => {
  await page.getByRole("button", { name: "More about this project" }).click();
  await page.getByRole("menuitem", { name: item }).click();
};

async function openFile(page: Page, path: string): Promise<void> {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Open a project file" }).click();
  await (await chooser).setFiles(path);
}

test("a work as one file: saved, opened in another browser with nothing missing, and files that are no good", async ({
  page,
  browser,
  baseURL,
}, info) => {
  await withPhotos(page, 4);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 3);
  await page.keyboard.press("Escape");
  await addFreeWords(page, "A title", "On the water");
  await expectKept(page);
  const path = join(info.outputDir, "work.zip");
  expect(await saveWorkAsFile(page, path)).toBe("My-collage.tessip");
  const bytes = await readFile(path);
  const inside = unzipSync(bytes);
  const head = JSON.parse(new TextDecoder().decode(inside["project.json"]));

  await test.step("inside are the project, its originals byte for byte, its fonts and a preview", async () => {
    expect(Object.keys(inside).filter((n) => n.startsWith("originals/"))).toHaveLength(3);
    expect(Object.keys(inside).filter((n) => n.startsWith("fonts/eb-garamond"))).toHaveLength(2);
    expect(inside["preview.jpg"]!.length).toBeGreaterThan(1000);
    const originals = await Promise.all(samplePhotos(3).map((p) => readFile(p)));
    for (const photo of head.photos) {
      const kept = Buffer.from(inside[`originals/${photo.hash}`]!);
      expect(originals.some((o) => o.equals(kept))).toBe(true);
    }
  });

  const put = async (name: string, files: Record<string, Uint8Array>) => {
    const at = join(info.outputDir, name);
    await writeFile(at, zipSync(files, { level: 0 }));
    return at;
  };
  const text = (data: unknown) => new TextEncoder().encode(JSON.stringify(data));

  await test.step("in another browser it opens whole: photos, words, pages", async () => {
    const context = await browser.newContext({ baseURL: baseURL! });
    const other = await context.newPage();
    await other.goto("/");
    await openFile(other, path);
    await expect(other.getByText("“My collage” is among your projects now.")).toBeVisible();
    await other.getByRole("link", { name: "Open My collage" }).click();
    await expect(tiles(other)).toHaveCount(3);
    await expect(shelfPhotos(other)).toHaveCount(3);
    await expect(other.getByRole("option", { name: /words: On the water/ })).toBeVisible();
    await expect(other.getByText("Its photo is missing")).toHaveCount(0);
    await context.close();
  });

  await test.step("where photos were taken stays out where that is asked for", async () => {
    const exif = { IFD0: { Make: "Kingfisher" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "52/1 17/1 12/1" } };
    const placed = join(info.outputDir, "placed.jpg");
    await sharp(samplePhotos(1, 9)[0]!).withExif(exif).jpeg().toFile(placed);
    await page.getByRole("link", { name: /^Photos/ }).click();
    await chooseFiles(page, [placed]);
    await page.getByRole("link", { name: /^Pages/ }).click();
    await tile(page, 1).click();
    await openDrawer(page, "Photos");
    await shelfPhotos(page).last().click();
    await page.getByRole("button", { name: "Put the chosen photo here" }).click();
    await expectKept(page);
    const place = (zip: Buffer) =>
      Object.entries(unzipSync(zip)).flatMap(([name, file]) => {
        if (!name.startsWith("originals/")) return [];
        const at = join(info.outputDir, "one");
        writeFileSync(at, file);
        return [execFileSync("exiftool", ["-GPSLatitude", "-Make", "-s3", at]).toString()];
      });
    const [whole, bare] = [join(info.outputDir, "whole.zip"), join(info.outputDir, "bare.zip")];
    await saveWorkAsFile(page, whole);
    expect(place(await readFile(whole)).join()).toContain("52 deg 17'");
    await saveWorkAsFile(page, bare, { places: false });
    const said = place(await readFile(bare)).join();
    expect(said).not.toContain("52 deg");
    expect(said).toContain("Kingfisher");
    await page.goto("/");
    await openFile(page, bare);
    await expect(page.getByText(/is among your projects now/)).toBeVisible();
    await expect(page.getByText(/not in the file/)).toHaveCount(0);
  });

  await test.step("cut off, of a newer version, no project, with a photo missing, with paths that climb out", async () => {
    await page.goto("/");
    const cut = join(info.outputDir, "cut.zip");
    await writeFile(cut, bytes.subarray(0, bytes.length / 2));
    await openFile(page, cut);
    await expect(page.getByText(/That file ends in the middle/)).toBeVisible();
    await openFile(page, await put("newer.zip", { "project.json": text({ ...head, version: 7 }) }));
    await expect(page.getByText(/made by a newer Tessip/)).toBeVisible();
    await openFile(page, await put("other.zip", { "readme.txt": text("hello") }));
    await expect(page.getByText("That is not a project file. Nothing was changed.")).toBeVisible();
    await openFile(
      page,
      await put("damaged.zip", { "project.json": text({ ...head, project: { ...head.project, pages: 5 } }) }),
    );
    await expect(page.getByText(/cannot be read as a project/)).toBeVisible();
    const stroke = { does: "hide", hardness: 0, strength: 1, points: [[0, 0, 500]] };
    const brushed = structuredClone(head);
    const faded = brushed.project.pages[0].pieces[0].tiles.find(
      (t: { filling: { kind: string } }) => t.filling.kind === "photo",
    );
    faded.filling.view.fade = Array.from({ length: 10_000 }, () => stroke);
    await openFile(page, await put("brushed.zip", { ...inside, "project.json": text(brushed) }));
    await expect(page.getByText(/cannot be read as a project/).last()).toBeVisible();
    await expect(page.getByText(/is among your projects now/)).toHaveCount(0);
    const evil = { ...head.photos[0], id: "evil", hash: "f".repeat(64), name: "../../evil.jpg" };
    const { "preview.jpg": _, ...whole } = inside;
    await openFile(
      page,
      await put("climbing.zip", {
        ...whole,
        "project.json": text({
          ...head,
          project: { ...head.project, name: "Climbing" },
          photos: [...head.photos, evil],
        }),
        "../../../originals/x": text("out there"),
      }),
    );
    await expect(page.getByText("“Climbing” is among your projects now.")).toBeVisible();
    await expect(page.getByText(/evil.jpg was not in the file. Its place is kept/)).toBeVisible();
    await expect(page.getByRole("link", { name: /^Open / })).toHaveCount(3);
  });
});

test("snapshots, copies, another beginning, two works as one, another size, finished pages, and reading through", async ({
  page,
}, info) => {
  await withPhotos(page, 9);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 6);
  await page.keyboard.press("Escape");

  await test.step("a snapshot is gone back to, and that can be undone", async () => {
    await more(page, "Snapshots …");
    await page.getByRole("textbox", { name: "Name", exact: true }).fill("Before the change");
    await page.getByRole("button", { name: "Keep it as it is now" }).click();
    await expect(page.getByRole("button", { name: "Go back to Before the change" })).toBeVisible();
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.keyboard.press("s");
    await page
      .getByRole("button", { name: "Another page" })
      .or(page.getByRole("button", { name: "Another page", exact: true }))
      .first()
      .click();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("2 pages");
    await more(page, "Snapshots …");
    await page.getByRole("button", { name: "Go back to Before the change" }).click();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("6 tiles");
    await expectUndo(page, "Went back to a snapshot");
    await undoButton(page).click();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("2 pages");
    await undoButton(page).click();
  });

  await test.step("duplicated, and begun anew with bare places", async () => {
    await more(page, "Duplicate it");
    await expect(page.getByRole("textbox", { name: "Name of this project" })).toHaveValue("My collage, a copy");
    await expect(tiles(page)).toHaveCount(6);
    await more(page, "Begin another like it, without photos");
    await expect(page.getByRole("textbox", { name: "Name of this project" })).toHaveValue("My collage, a copy, anew");
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("6 empty");
  });

  await test.step("another project's pages come behind these", async () => {
    await more(page, "Add pages from another project …");
    await page.getByLabel("Which project").selectOption({ label: "My collage (1)" });
    await page.getByRole("button", { name: "Add the pages" }).click();
    await expect(page.getByText("1 page came in.")).toBeVisible();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("2 pages, 6 empty");
  });

  await test.step("every page is solved again for another size, and one undo brings it back", async () => {
    const dialog = page.getByRole("dialog");
    await more(page, "Another lab or size …");
    // It begins at the present one, which is no change.
    await expect(page.getByLabel("Lab", { exact: true })).toHaveValue("quayside-collage");
    await expect(dialog.getByText("This is the size that the project has.")).toBeVisible();
    await expect(dialog.getByRole("button", { name: "Fit all pages to the new size" })).toBeDisabled();
    await page.getByLabel("Lab", { exact: true }).selectOption({ label: "A size of my own" });
    await dialog.getByRole("textbox", { name: "Width" }).fill("20000 mm");
    await dialog.getByRole("textbox", { name: "Width" }).press("Enter");
    await expect(dialog.getByRole("alert")).toContainText("No side can be longer");
    await dialog.getByRole("textbox", { name: "Width" }).fill("400 mm");
    await dialog.getByRole("textbox", { name: "Width" }).press("Enter");
    await page
      .getByLabel("What happens to the pages")
      .selectOption({ label: "Only a larger sheet, all stays where it is" });
    await dialog.getByRole("button", { name: "Take the larger sheet" }).click();
    await expect(page.getByText("Every page lies on a larger sheet now.")).toBeVisible();
    await expectUndo(page, "Changed the size");
    await undoButton(page).click();
    await more(page, "Another lab or size …");
    await page.getByLabel("Lab", { exact: true }).selectOption({ label: "Lindal Sheet Works" });
    await page.getByLabel("Size", { exact: true }).selectOption({ label: "30 × 60 cm" });
    await page.getByRole("button", { name: "Fit all pages to the new size" }).click();
    await expect(page.getByText("All pages fit the new size.")).toBeVisible();
    await expect(page.getByText(/· Lindal Sheet Works/)).toBeVisible();
    await expectUndo(page, "Changed the size");
    await undoButton(page).click();
    await expect(page.getByText(/· Quayside Collage Press/)).toBeVisible();
  });

  await test.step("finished pages come in whole, with a word where they do not fit", async () => {
    await mkdir(info.outputDir, { recursive: true });
    const picture = (w: number, h: number, name: string) => {
      const path = join(info.outputDir, name);
      return sharp({ create: { width: w, height: h, channels: 3, background: "#7799aa" } })
        .png()
        .toFile(path)
        .then(() => path);
    };
    const fits = await picture(2471, 2471, "fits.png");
    const small = await picture(300, 200, "small.png");
    const pdf = join(info.outputDir, "two-pages.pdf");
    await writeFile(pdf, twoPages());
    const broken = join(info.outputDir, "broken.pdf");
    await writeFile(broken, "%PDF-1.4 and then nothing");
    await more(page, "Bring in finished pages …");
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Choose files" }).click();
    await (await chooser).setFiles([fits, small, pdf, broken]);
    await expect(page.getByText("4 finished pages came in.")).toBeVisible();
    await expect(page.getByText(/small.png is .*; this page with its bleed is/)).toBeVisible();
    await expect(page.getByText(/small.png has \d+ ppi at this size/)).toBeVisible();
    await expect(page.getByText(/broken.pdf could not be read, and was left out/)).toBeVisible();
    await expect(page.getByText(/fits.png (is|has)/)).toHaveCount(0);
    await page.getByRole("button", { name: "Done" }).click();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("6 pages");
  });

  await test.step("read through, with a note pinned to its place", async () => {
    await more(page, "Read through");
    await expect(page.getByRole("button", { name: "Turn the page" })).toBeVisible();
    // The keys are heard from the moment after it is first seen.
    await expect(async () => {
      await page.keyboard.press("Home");
      await expect(page.getByText("Page 1 of 6")).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.getByRole("button", { name: "Turn the page" }).click();
    await expect(page.getByText("Page 2 of 6")).toBeVisible();
    await page.getByRole("button", { name: "Pin a note" }).click();
    await page
      .locator("[data-leaf]")
      .first()
      .click({ position: { x: 80, y: 90 } });
    await page.getByRole("textbox", { name: "Your note" }).fill("Is the horizon level?");
    await page.getByRole("button", { name: "Pin it" }).click();
    await expect(page.getByRole("button", { name: "Note 1, You: Is the horizon level? (Open)" })).toBeVisible();
    await page.getByRole("button", { name: "Close the notes" }).click();
    await page.keyboard.press("ArrowRight");
    await expect(page.getByRole("status").filter({ hasText: "Page 3 of 6" })).toBeVisible();
    await expect(page.getByRole("button", { name: /^Note 1/ })).toHaveCount(0);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
  });
});

/** A PDF of two pages of 8 inches by hand: a filled rectangle on each. */
function twoPages(): string {
  const objects = [
    "<< /Type /Catalog /Pages 2 0 R >>",
    "<< /Type /Pages /Kids [3 0 R 5 0 R] /Count 2 >>",
    "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 593 593] /Contents 4 0 R >>",
    "<< /Length 39 >>\nstream\n0.8 0.2 0.1 rg 60 60 400 300 re f      \nendstream",
    "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 593 593] /Contents 6 0 R >>",
    "<< /Length 39 >>\nstream\n0.1 0.4 0.7 rg 90 90 300 400 re f      \nendstream",
  ];
  let out = "%PDF-1.4\n";
  const at = objects.map((o, i) => {
    const from = out.length;
    out += `${i + 1} 0 obj\n${o}\nendobj\n`;
    return from;
  });
  const table = at.map((a) => `${String(a).padStart(10, "0")} 00000 n \n`).join("");
  return `${out}xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${table}trailer << /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${out.length}\n%%EOF\n`;
}
