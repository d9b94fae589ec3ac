import { execFileSync } from "node:child_process";
import { statSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { fillStorage } from "./fill-storage.ts";
import { inBrowser } from "./in-browser.ts";
import { withMemory } from "./memory.ts";

/**
 * A work of several gigabytes as one file: written from one browser, tested by a zip program that is not ours, and read by
 * another browser; with the most memory that all of a browser's processes took together.
 */

const { values } = parseArgs({ options: { count: { type: "string", default: "600" } } });
const count = Number(values.count);
const originalBytes = 8_000_000;
const long = { timeout: 900_000 };

await inBrowser(4192, async ({ url, open, folder }) => {
  const { page } = await open("from");
  await page.goto(`${url}/photos`);
  await page.getByRole("button", { name: "Add photos" }).first().waitFor();
  await page.evaluate(fillStorage, [count, originalBytes] as const);
  await page.goto(url);
  await page.getByText("A book", { exact: true }).click();
  await page.getByText("Marrow & Lisle", { exact: true }).click();
  await page.getByText("210 × 210 mm", { exact: true }).click();
  await page.getByRole("button", { name: "Start this book" }).click();
  await page.getByRole("link", { name: "Overview" }).click();
  await page.getByRole("button", { name: "Fill the book with photos" }).click();
  await page.getByLabel("Pages in the book").selectOption("120");
  await page.getByRole("button", { name: "Fill it" }).click();
  await page.getByText(/photos are on 120 pages now/).waitFor(long);
  await page.locator("[data-keeping=kept]").waitFor(long);
  const path = join(folder, "work.zip");
  const wrote = await withMemory(join(folder, "from"), async () => {
    const saving = page.waitForEvent("download", long);
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "Save it as one file" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Save the file" }).click();
    await (await saving).saveAs(path);
  });
  const bytes = statSync(path).size;
  const test = execFileSync("python3", ["-m", "zipfile", "-t", path], { encoding: "utf8" }).trim();
  const { page: other } = await open("to");
  await other.goto(url);
  const read = await withMemory(join(folder, "to"), async () => {
    const chooser = other.waitForEvent("filechooser");
    await other.getByRole("button", { name: "Open a project file" }).click();
    await (await chooser).setFiles(path);
    await other.getByRole("link", { name: "Open My book" }).waitFor(long);
  });
  const said = (what: string, { ms, mostMb }: { ms: number; mostMb: number }) =>
    `${what} in ${(ms / 1000).toFixed(0)} s (${(bytes / 1000 / ms).toFixed(0)} MB/s), at most ${mostMb.toFixed(0)} MB of memory in all processes\n`;
  process.stdout.write(`${count} photos, ${(bytes / 1e9).toFixed(2)} GB; python3 -m zipfile -t: ${test}\n`);
  process.stdout.write(said("written", wrote));
  process.stdout.write(said("read", read));
});
