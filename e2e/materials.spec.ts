import { createHash } from "node:crypto";
import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import {
  allIn,
  expectKept,
  expectUndo,
  openDrawer,
  saveWorkAsFile,
  startCollage,
  undoButton,
} from "./support/tessip.ts";

const hostile = `<?xml version="1.0"?>
<!DOCTYPE svg [<!ENTITY lol "lol">]>
<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 200 100" onload="parent.hacked=1">
  <style>@import url(http://127.0.0.1:1/a.css); .a { fill: url(http://127.0.0.1:1/b.svg#x) }</style>
  <script>parent.hacked = 2</script>
  <image href="http://127.0.0.1:1/c.png" width="10" height="10"/>
  <foreignObject width="50" height="50"><iframe xmlns="http://www.w3.org/1999/xhtml" src="http://127.0.0.1:1/d"></iframe></foreignObject>
  <a xlink:href="javascript:parent.hacked=3"><rect width="50" height="50" fill="#17757e"/></a>
  <rect id="tile" x="50" y="10" width="30" height="80" fill="#cc4422"/>
  <use href="#tile" x="60"/>
</svg>`;

const section = (page: Page, name: string) =>
  page.getByRole("radiogroup", { name: "Part of the library" }).getByText(name, { exact: true }).click();
const chooseIn = async (page: Page, files: { name: string; mimeType: string; buffer: Buffer }[]) => {
  await page.getByTestId("choose-files").setInputFiles(files);
  await allIn(page);
};

test("papers and ornaments have places of their own; a hostile drawing is cleaned, and a drawing is no photo", async ({
  page,
}) => {
  const asked: string[] = [];
  page.on("request", (r) => r.url().includes("127.0.0.1:1/") && asked.push(r.url()));
  await page.goto("/photos");
  await section(page, "Ornaments");
  await expect(page.getByRole("heading", { name: "No ornaments yet" })).toBeVisible();
  const clear = await sharp({ create: { width: 300, height: 200, channels: 4, background: "#dca42c80" } })
    .png()
    .toBuffer();
  await chooseIn(page, [
    { name: "trap.svg", mimeType: "image/svg+xml", buffer: Buffer.from(hostile) },
    { name: "half.png", mimeType: "image/png", buffer: clear },
    { name: "words.svg", mimeType: "image/svg+xml", buffer: Buffer.from("no drawing") },
  ]);
  const list = page.getByTestId("incoming");
  await expect(list.getByText(/^trap.svg: \d parts that could run or fetch something were left out/)).toBeVisible();
  await expect(list.getByText("words.svg: the drawing is damaged")).toBeVisible();
  await expect(page.getByRole("heading", { name: "2 ornaments" })).toBeVisible();
  const wall = page.getByRole("listbox", { name: "Ornaments" });

  await test.step("what is kept of it runs and fetches nothing, and still shows its own parts", async () => {
    await wall.getByRole("option", { name: /trap.svg/ }).dblclick();
    const sheet = page.getByRole("complementary");
    await expect(sheet).toContainText("any size: it is a drawing");
    const download = page.waitForEvent("download");
    await sheet.getByRole("button", { name: "Save the original" }).click();
    const kept = await readFile(await (await download).path(), "utf8");
    expect(kept).not.toMatch(/script|onload|http:\/\/127|foreignObject|iframe|import|ENTITY/i);
    expect(kept).toMatch(/use[^>]+href="#tile"/);
    const { data, info } = await sharp(Buffer.from(kept)).resize(200).raw().toBuffer({ resolveWithObject: true });
    const red = (x: number, y: number) => data[(y * info.width + x) * info.channels]!;
    expect(red(65, 50)).toBeGreaterThan(180);
    expect(red(125, 50)).toBeGreaterThan(180);
    expect(await page.evaluate(() => (window as unknown as { hacked?: number }).hacked)).toBeUndefined();
    expect(asked).toEqual([]);
  });

  await test.step("removing is asked, done and undone", async () => {
    await wall.getByRole("option", { name: /half.png/ }).click();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await expect(page.getByRole("dialog")).toContainText("Remove 1 ornament?");
    await page.getByRole("button", { name: "Remove it" }).click();
    await expect(page.getByRole("heading", { name: "1 ornament" })).toBeVisible();
    await expectUndo(page, "Removed 1 ornament");
    await undoButton(page).click();
    await expect(page.getByRole("heading", { name: "2 ornaments" })).toBeVisible();
  });

  await test.step("papers lie apart, and neither is among the photos, also after a reload", async () => {
    await section(page, "Papers");
    await page.getByRole("button", { name: "Try the sample papers" }).click();
    await expect(page.getByRole("heading", { name: "6 papers" })).toBeVisible();
    await section(page, "Photos");
    await expect(page.getByRole("heading", { name: "No photos yet" })).toBeVisible();
    await chooseIn(page, [{ name: "trap.svg", mimeType: "image/svg+xml", buffer: Buffer.from(hostile) }]);
    await expect(list.getByText("trap.svg: a drawing (SVG) is not a photo")).toBeVisible();
    await page.reload();
    await section(page, "Papers");
    await expect(page.getByRole("heading", { name: "6 papers" })).toBeVisible();
    await expect(page.getByRole("listbox", { name: "Papers" }).getByRole("option").first()).toBeVisible();
  });
});

test("a paper that is a drawing goes along in a project file, and comes out of files of before too", async ({
  page,
  browser,
  baseURL,
}, info) => {
  await page.goto("/photos");
  await section(page, "Papers");
  await page.getByRole("button", { name: "Try the sample papers" }).click();
  await expect(page.getByRole("heading", { name: "6 papers" })).toBeVisible();
  await page.goto("/");
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await openDrawer(page, "Papers");
  await page.getByRole("group", { name: "Papers" }).getByRole("button").first().click();
  await expectUndo(page, "Changed the background");
  await expectKept(page);
  const path = join(info.outputDir, "with-paper.zip");
  await saveWorkAsFile(page, path);
  const inside = unzipSync(await readFile(path));
  const head = JSON.parse(new TextDecoder().decode(inside["project.json"]));
  expect(head.photos).toHaveLength(1);
  expect(createHash("sha256").update(inside[`originals/${head.photos[0].hash}`]!).digest("hex")).toBe(
    head.photos[0].hash,
  );
  // As they were written once: the hash is that of the file that came in, and what lies under it was cleaned.
  const raw = "c".repeat(64);
  const before = join(info.outputDir, "of-before.zip");
  const renamed = { ...head, photos: [{ ...head.photos[0], hash: raw }] };
  await writeFile(
    before,
    zipSync(
      {
        "project.json": new TextEncoder().encode(JSON.stringify(renamed)),
        [`originals/${raw}`]: inside[`originals/${head.photos[0].hash}`]!,
      },
      { level: 0 },
    ),
  );
  for (const file of [path, before]) {
    const context = await browser.newContext({ baseURL: baseURL! });
    const other = await context.newPage();
    await other.goto("/");
    await other.locator('input[type="file"][accept*=".tessip"]').first().setInputFiles(file);
    await expect(other.getByText(/is among your projects now/)).toBeVisible();
    await expect(other.getByText(/not in the file/)).toHaveCount(0);
    await other.goto("/photos");
    await section(other, "Papers");
    await expect(other.getByRole("heading", { name: "1 paper" })).toBeVisible();
    await expect(other.getByRole("listbox", { name: "Papers" }).getByRole("option").locator("img")).toBeVisible();
    await context.close();
  }
});
