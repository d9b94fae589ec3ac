import { mkdtemp, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { unzipSync } from "fflate";
import sharp from "sharp";
import { killBrowser, openProfile } from "./support/browser.ts";
import { withPhotos } from "./support/prepared.ts";
import { again, saved } from "./support/send.ts";
import {
  arrangeFirst,
  differing,
  expectKept,
  pace,
  paintedPage,
  startBook,
  startCollage,
  startOwnSize,
  typeInto,
} from "./support/tessip.ts";

test("a page as JPEG, PNG and TIFF, in other colours and without bleed, each read back by another program", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 5);
  const onScreen = await paintedPage(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  await expect(page.getByText("As Quayside Collage Press wants it")).toBeVisible();
  await page.getByRole("button", { name: "More options" }).click();
  const kind = page.getByRole("combobox", { name: "Kind of file" });
  const px = Math.round(((203.2 + 6) / 25.4) * 300);

  await test.step("JPEG: colours as fine as light and dark, or not; coarse first, or not", async () => {
    const fine = await sharp((await saved(page, "Save the JPEG to disk")).path).metadata();
    expect(fine).toMatchObject({
      width: px,
      height: px,
      density: 300,
      chromaSubsampling: "4:4:4",
      isProgressive: false,
    });
    await page.getByLabel(/Colours as fine/).uncheck();
    await page.getByLabel(/Coarse first/).check();
    const coarse = await saved(page, again);
    expect(await sharp(coarse.path).metadata()).toMatchObject({ chromaSubsampling: "4:2:0", isProgressive: true });
    expect(await differing(await sharp(coarse.path).png().toBuffer(), onScreen)).toBeLessThan(0.002);
  });

  for (const [of, ending] of [
    ["png", "png"],
    ["tiff", "tif"],
  ] as const)
    await test.step(`${of}: bit by bit what a JPEG comes near to`, async () => {
      await kind.selectOption(of);
      const { name, path } = await saved(page, again);
      expect(name).toBe(`quayside-My-collage-1.${ending}`);
      const meta = await sharp(path).metadata();
      expect(meta).toMatchObject({ format: of, width: px, height: px, channels: 3 });
      expect(Math.round(meta.density!)).toBe(300);
      expect(meta.icc!.toString("latin1")).toContain("sRGB IEC61966-2.1");
      expect(await differing(await sharp(path).png().toBuffer(), onScreen)).toBeLessThan(0.002);
    });

  await test.step("Display P3 looks the same to whoever reads the profile; without bleed it is as large as the page", async () => {
    await kind.selectOption("png");
    await page.getByRole("combobox", { name: "Colours", exact: true }).selectOption("displayP3");
    const { path } = await saved(page, again);
    expect((await sharp(path).metadata()).icc!.toString("latin1")).toContain("Display P3");
    const seen = await sharp(path).withIccProfile("srgb").png().toBuffer();
    expect(await differing(seen, onScreen)).toBeLessThan(0.002);
    await page.getByLabel(/Already cut/).check();
    await expect(page.getByText("2,400 × 2,400")).toBeVisible();
    const cut = await sharp((await saved(page, again)).path).metadata();
    expect([cut.width, cut.height]).toEqual([2400, 2400]);
    await page.getByRole("button", { name: "As the lab wants it" }).click();
    await expect(page.getByText("As Quayside Collage Press wants it")).toBeVisible();
  });

  await test.step("small for the web, in every kind of picture; sharpened, in packed strips", async () => {
    for (const of of ["jpeg", "png", "tiff"] as const) {
      await kind.selectOption(of);
      await page.getByLabel(/^Small, for the web/).check();
      await typeInto(page, "Longer side, pixels", "900");
      await expect(page.getByText("900 × 900")).toBeVisible();
      expect(await sharp((await saved(page, again)).path).metadata()).toMatchObject({ width: 900, height: 900 });
      await page.getByLabel(/^Small, for the web/).uncheck();
    }
    const plain = await readFile((await saved(page, again)).path);
    await page.getByRole("combobox", { name: "Packed" }).selectOption("deflate");
    await page.getByRole("combobox", { name: "Sharpened for paper" }).selectOption("matt");
    const packed = (await saved(page, again)).path;
    expect((await readFile(packed)).length).toBeLessThan(plain.length / 1.5);
    const crisp = async (from: Buffer | string) => (await sharp(from).greyscale().stats()).sharpness;
    expect(await crisp(packed)).toBeGreaterThan(1.05 * (await crisp(plain)));
    await page.getByRole("button", { name: "As the lab wants it" }).click();
  });
});

test("the files of a book: paused, in a folder, and in one zip after the browser was killed half way", async ({
  baseURL,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-e2e-"));
  let context = await openProfile(join(folder, "profile"), baseURL!);
  let page = await context.newPage();
  let second = Buffer.alloc(0);
  await withPhotos(page, 24);
  await startBook(page, "Pennywhistle Press", "15 × 15 cm");
  await page.getByRole("link", { name: "Overview" }).click();
  await pace(page);
  await expectKept(page);
  await page.getByRole("link", { name: /^Send/ }).click();

  await test.step("into a folder that was chosen, paused on the way", async () => {
    await page.evaluate(() => {
      const picks = window as unknown as { showDirectoryPicker: () => Promise<FileSystemDirectoryHandle> };
      picks.showDirectoryPicker = async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle("chosen", { create: true });
    });
    await page.getByText("Some pages", { exact: true }).click();
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("1-3");
    await page.getByText("Into a folder", { exact: true }).click();
    await page.getByRole("button", { name: "Save 3 JPEGs to disk" }).click();
    await page.getByRole("button", { name: "Pause" }).click();
    await expect(page.getByText(/^Paused: [12] of 3 are done/)).toBeVisible();
    await page.getByRole("button", { name: "Go on", exact: true }).click();
    await expect(page.getByTestId("saved")).toContainText("3 files");
    const sizes = await page.evaluate(async () => {
      const at = await (await navigator.storage.getDirectory()).getDirectoryHandle("chosen");
      const found: [string, number][] = [];
      const all = at as unknown as { values(): AsyncIterable<FileSystemFileHandle> };
      for await (const h of all.values()) found.push([h.name, (await h.getFile()).size]);
      return found;
    });
    expect(sizes).toHaveLength(3);
    for (const [, size] of sizes) expect(size).toBeGreaterThan(20_000);
  });

  await test.step("leave to write is taken back at the second file: what was made is kept for another folder", async () => {
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("4-6");
    await page.evaluate(() => {
      const picks = window as unknown as { showDirectoryPicker: () => Promise<unknown> };
      const good = picks.showDirectoryPicker;
      picks.showDirectoryPicker = async () => {
        const folder = (await good()) as FileSystemDirectoryHandle;
        let asked = 0;
        const getFileHandle = async (name: string, how: FileSystemGetFileOptions) => {
          asked += 1;
          if (asked > 1) throw new DOMException("no longer", "NotAllowedError");
          return folder.getFileHandle(name, how);
        };
        picks.showDirectoryPicker = good;
        return { getFileHandle };
      };
    });
    await page.getByRole("button", { name: "Save 3 JPEGs to disk" }).click();
    await expect(page.getByRole("alert")).toContainText("The browser may no longer write into that folder");
    await expect(page.getByRole("alert")).toContainText("3 of 3 files are done and kept.");
    await page.getByRole("button", { name: "Go on where it stopped" }).click();
    await expect(page.getByTestId("saved")).toContainText("3 files");
  });

  await test.step("the disk is full in the middle: what is whole is kept, and with room again only the rest is made", async () => {
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("7-12");
    await page.getByText("In one zip", { exact: true }).click();
    const cdp = await context.newCDPSession(page);
    const { origin } = new URL(page.url());
    const used = await page.evaluate(async () => (await navigator.storage.estimate()).usage!);
    await cdp.send("Storage.overrideQuotaForOrigin", { origin, quotaSize: used + 1_500_000 });
    await page.getByRole("button", { name: "Save 6 JPEGs to disk" }).click();
    await expect(page.getByRole("alert").filter({ hasText: "There is no room left on this disk." })).toBeVisible();
    await expect(page.getByText(/^[1-5] of 6 files are done and kept/)).toBeVisible();
    await cdp.send("Storage.overrideQuotaForOrigin", { origin });
    const zip = await saved(page, "Go on where it stopped");
    const inside = unzipSync(await readFile(zip.path));
    const pictures = Object.entries(inside).filter(([name]) => name.endsWith(".jpg"));
    expect(pictures).toHaveLength(6);
    for (const [, bytes] of pictures) expect((await sharp(bytes).stats()).isOpaque).toBe(true);
  });

  await test.step("killed half way, what was done is kept, and only the rest is made", async () => {
    await page.getByText(/^All \d+ files$/).click();
    await page.getByText("In one zip", { exact: true }).click();
    await page.getByRole("button", { name: /^Save \d+ JPEGs to disk/ }).click();
    await expect(page.getByText(/^File [4-9] of/)).toBeVisible();
    await killBrowser(context, folder);
    context = await openProfile(join(folder, "profile"), baseURL!);
    page = await context.newPage();
    await page.goto("/");
    await page.getByRole("link", { name: "Open My book" }).click();
    await page.getByRole("link", { name: /^Send/ }).click();
    await expect(page.getByText(/files were being made when Tessip was closed\. [3-9] of them are done/)).toBeVisible();
    await page.getByText("In one zip", { exact: true }).click();
    const zip = await saved(page, "Go on where it stopped");
    expect(zip.name).toBe("My-book.zip");
    const inside = unzipSync(await readFile(zip.path));
    const names = Object.keys(inside)
      .filter((n) => n.endsWith(".jpg"))
      .sort();
    expect(names.length).toBeGreaterThanOrEqual(12);
    const first = await sharp(Buffer.from(inside[names[0]!]!)).metadata();
    const px = Math.round(((150 + 2 * 2) / 25.4) * 254);
    expect([first.width, first.height, first.density]).toEqual([px, px, 254]);
    for (const name of names) expect((await sharp(Buffer.from(inside[name]!)).metadata()).width).toBe(px);
    second = Buffer.from(inside[names.find((n) => /-0*2\.jpg$/.test(n))!]!);
  });

  await test.step("what faces each other in one file, and the first page, which is seen alone, by itself", async () => {
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "A file holds" }).selectOption("mixed");
    await page.getByText("Some pages", { exact: true }).click();
    await page.getByRole("textbox", { name: "Pages, as 1-4, 8" }).fill("1-3");
    const {
      "order.txt": _,
      "packet.json": __,
      ...inside
    } = unzipSync(await readFile((await saved(page, "Save 2 JPEGs to disk")).path));
    const [alone, spread] = await Promise.all(Object.values(inside).map((file) => sharp(Buffer.from(file)).metadata()));
    const [leaf, bleed] = [Math.round((150 / 25.4) * 254), Math.round((2 / 25.4) * 254)];
    expect([alone!.width, alone!.height]).toEqual([leaf + 2 * bleed, leaf + 2 * bleed]);
    expect([spread!.width, spread!.height]).toEqual([2 * leaf + 2 * bleed, leaf + 2 * bleed]);
    const left = { left: 0, top: 0, width: bleed + leaf, height: leaf + 2 * bleed };
    const half = await sharp(Buffer.from(Object.values(inside)[1]!))
      .extract(left)
      .png()
      .toBuffer();
    expect(await differing(await sharp(second).extract(left).png().toBuffer(), half)).toBeLessThan(0.005);
  });
  await context.close();
});

test("a poster is written in bands, stopped once on the way, and is whole to its foot", async ({ page }) => {
  await withPhotos(page, 14);
  await startOwnSize(page, { widthMm: 800, heightMm: 900, ppi: 300, bleedMm: 3 });
  await arrangeFirst(page, 12);
  await page.getByRole("link", { name: /^Send/ }).click();
  await expect(page.getByText("9,520 × 10,701")).toBeVisible();
  await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
  await expect(page.getByText(/Making the file: [1-9]\d? % done/)).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByText("Stopped. Nothing was saved.")).toBeVisible();
  await expect(page.getByRole("link", { name: /Send/ })).toContainText("not saved yet");
  const { path } = await saved(page, again);
  const meta = await sharp(path).metadata();
  expect(meta).toMatchObject({ width: 9520, height: 10_701, density: 300, hasProfile: true });
  // The foot of a canvas that is too large stays blank without a word: see that there is a picture down there.
  const foot = await sharp(path).extract({ left: 4000, top: 10_100, width: 400, height: 400 }).stats();
  expect(Math.max(...foot.channels.map((c) => c.stdev))).toBeGreaterThan(3);
});
