import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { type Download, expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { longMs, typeInto } from "./support/tessip.ts";

/** Works that the first form of a project was written in, each with the pages that it printed then. */
const folder = join(import.meta.dirname, "fixtures", "version-1");

async function openWork(page: Page, path: string, name: string): Promise<void> {
  await page.goto("/");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Open a project file" }).click();
  await (await chooser).setFiles(path);
  await page.getByRole("link", { name: `Open ${name}` }).click();
  await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
}

/** All pages as small PNGs, by the names of their files. */
async function smallPages(page: Page, count: number): Promise<Map<string, Buffer>> {
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  await page.getByRole("combobox", { name: "Kind of file" }).selectOption("png");
  await page.getByLabel(/^Small, for the web/).check();
  await typeInto(page, "Longer side, pixels", "400");
  const files: Download[] = [];
  page.on("download", (d) => files.push(d));
  await page.getByRole("button", { name: `Save ${count} PNGs to disk` }).click();
  await expect.poll(() => files.length, { timeout: longMs }).toBe(count);
  const read = files.map(async (f) => [f.suggestedFilename(), await readFile(await f.path())] as const);
  return new Map(await Promise.all(read));
}

/** The largest difference of any colour of any pixel. */
async function furthest(a: Buffer, b: Buffer): Promise<number> {
  const [p, q] = await Promise.all(
    [a, b].map((f) => sharp(f).removeAlpha().raw().toBuffer({ resolveWithObject: true })),
  );
  expect(p!.info).toMatchObject({ width: q!.info.width, height: q!.info.height });
  return p!.data.reduce((most, v, i) => Math.max(most, Math.abs(v - q!.data[i]!)), 0);
}

for (const [work, name, count] of [
  ["collage", "Fixture collage", 4],
  ["book", "Fixture book", 25],
  ["cards", "Fixture cards", 7],
  ["pocket-pages", "Fixture pocket pages", 2],
] as const)
  test(`a work of the first form prints as it did: ${name}`, async ({ page }) => {
    await openWork(page, join(folder, `${work}.tessip.zip`), name);
    const now = await smallPages(page, count);
    const then = (await readdir(join(folder, work))).toSorted();
    expect([...now.keys()].toSorted()).toEqual(then);
    for (const file of then)
      expect(await furthest(now.get(file)!, await readFile(join(folder, work, file))), file).toBe(0);
  });
