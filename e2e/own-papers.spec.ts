import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { repaints, slider } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  allIn,
  arrangeFirst,
  box,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  startOwnSize,
  tile,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** A picture of so many pixels a side, its lightness by place. */
async function paperOf(side: number, at: (x: number, y: number) => number): Promise<Buffer> {
  const data = Buffer.alloc(side * side * 3);
  for (let i = 0; i < side * side; i += 1) {
    const v = Math.round(255 * at(i % side, Math.floor(i / side)));
    data.set([v, Math.round(0.9 * v + 20), Math.round(0.7 * v + 60)], 3 * i);
  }
  return sharp(data, { raw: { width: side, height: side, channels: 3 } })
    .png()
    .toBuffer();
}
/** A paper as long as nobody would scan one. */
const bandOf = (width: number, height: number): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background: "#a8875a" } })
    .png()
    .toBuffer();
const dots = (x: number, y: number): number => {
  const [dx, dy] = [((x + 20) % 40) - 20, ((y + 20) % 40) - 20];
  return Math.hypot(dx, dy) < 11 ? 0.2 : 0.9;
};
const stripes = (x: number, y: number): number =>
  0.55 + 0.35 * Math.cos((2 * Math.PI * (x * Math.cos(0.5) + y * Math.sin(0.5))) / 36);

/** The lightness along a tile, a value for each pixel of the painted page: on a line through its middle, or the mean of all such lines. */
async function lightAlong(
  page: Page,
  n: number,
  way: "across" | "down",
  lines: "one" | "all" = "one",
): Promise<number[]> {
  const [at, sheet] = await Promise.all([box(tile(page, n)), box(page.getByTestId("page"))]);
  const painted = sharp(await paintedPage(page)).removeAlpha();
  const k = (await painted.metadata()).width! / sheet.width;
  const [left, top] = [Math.ceil((at.x - sheet.x) * k) + 2, Math.ceil((at.y - sheet.y) * k) + 2];
  const [w, h] = [Math.floor(at.width * k) - 6, Math.floor(at.height * k) - 6];
  const { data } = await painted
    .extract({ left, top, width: w, height: h })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [long, wide] = way === "across" ? [w, h] : [h, w];
  const value = (i: number, j: number) => data[way === "across" ? j * w + i : i * w + j]!;
  const from = lines === "one" ? Math.floor(wide / 2) : 0;
  const to = lines === "one" ? from + 1 : wide;
  return Array.from({ length: long }, (_, i) => {
    let sum = 0;
    for (let j = from; j < to; j += 1) sum += value(i, j);
    return sum / (to - from);
  });
}
/** The mean difference of a line to itself so many pixels on. */
const offBy = (line: readonly number[], px: number): number => {
  const pairs = line.slice(0, Math.floor(line.length - px - 1));
  const later = (i: number) => {
    const at = i + px;
    const [a, b] = [line[Math.floor(at)]!, line[Math.ceil(at)]!];
    return a + (b - a) * (at - Math.floor(at));
  };
  return pairs.reduce((sum, v, i) => sum + Math.abs(v - later(i)), 0) / pairs.length;
};

test("papers of one's own: their repeat is found, they lie at their true size without a seam, in tiles and behind the page, and so in files", async ({
  page,
}) => {
  await page.goto("/photos");
  await page.getByRole("radiogroup", { name: "Part of the library" }).getByText("Papers", { exact: true }).click();
  await page.getByTestId("choose-files").setInputFiles([
    { name: "dots.png", mimeType: "image/png", buffer: await paperOf(600, dots) },
    { name: "stripes.png", mimeType: "image/png", buffer: await paperOf(500, stripes) },
    { name: "slope.png", mimeType: "image/png", buffer: await paperOf(300, (x, y) => (x + 2 * y) / 900) },
    { name: "tiny.png", mimeType: "image/png", buffer: await paperOf(1, () => 0.5) },
    { name: "band.png", mimeType: "image/png", buffer: await bandOf(20_000, 40) },
  ]);
  await allIn(page);
  await withPhotos(page, 4);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });
  await arrangeFirst(page, 4);
  await typeInto(page, "Gap", "8");
  await typeInto(page, "Margin", "14");
  await openDrawer(page, "Papers");
  const own = (name: string) => page.getByRole("button", { name: `Paper ${name}.png`, exact: true });
  const asPaper = () =>
    repaints(page, () => page.getByRole("button", { name: "Lay it as a paper, at its true size" }).click());

  await test.step("dots: laid by their repeat at the width that was typed; the same again so far on", async () => {
    await tile(page, 1).click();
    await own("dots").click();
    await expectUndo(page, "Filled a tile");
    await asPaper();
    await expectUndo(page, "Laid a paper");
    await expect(page.getByText(/^Its pattern comes again every 3\.4 mm, and 3\.4 mm the other way\./)).toBeVisible();
    await repaints(page, () => typeInto(page, "Width of it", "150"));
    await expect(page.getByText(/every 10 mm/)).toBeVisible();
    const perMm = (await sharp(await paintedPage(page)).metadata()).width! / 206;
    for (const way of ["across", "down"] as const) {
      const line = await lightAlong(page, 1, way, "all");
      expect(offBy(line, 10 * perMm)).toBeLessThan(4);
      expect(offBy(line, 5 * perMm)).toBeGreaterThan(20);
    }
  });

  await test.step("stripes: along the edge they are the same all the way down, on the diagonal they are not", async () => {
    await tile(page, 2).click();
    await own("stripes").click();
    await asPaper();
    await expect(page.getByText(/^It is striped, and comes again every 3(\.\d)? mm\./)).toBeVisible();
    await typeInto(page, "Width of it", "140");
    await repaints(page, () => page.getByRole("button", { name: "Along the edge" }).click());
    const ranges = async () =>
      Promise.all(
        (["across", "down"] as const).map(async (way) => {
          const line = await lightAlong(page, 2, way);
          return Math.max(...line) - Math.min(...line);
        }),
      );
    const [across, down] = await ranges();
    expect(Math.max(across!, down!)).toBeGreaterThan(80);
    expect(Math.min(across!, down!)).toBeLessThan(14);
    await repaints(page, () => page.getByRole("button", { name: "On the diagonal" }).click());
    expect(Math.min(...(await ranges()))).toBeGreaterThan(60);
    await repaints(page, () => slider(page, "To the right").fill("4"));
    await repaints(page, () => page.getByText("One sheet over all such tiles").click());
    await undoButton(page).click();
  });

  await test.step("what does not come again is mirrored, without a step where pieces meet; a single pixel is a plain field", async () => {
    await tile(page, 3).click();
    await own("slope").click();
    await asPaper();
    await expect(page.getByText(/^Nothing in it comes again/)).toBeVisible();
    await repaints(page, () => typeInto(page, "Width of it", "30"));
    const line = await lightAlong(page, 3, "across");
    const steps = line.slice(1).map((v, i) => Math.abs(v - line[i]!));
    expect(Math.max(...line) - Math.min(...line)).toBeGreaterThan(20);
    expect(Math.max(...steps)).toBeLessThan(8);
    await tile(page, 4).click();
    await own("tiny").click();
    await asPaper();
    await typeInto(page, "Width of it", "1");
    const plain = await lightAlong(page, 4, "across");
    expect(Math.max(...plain) - Math.min(...plain)).toBeLessThan(3);
    await typeInto(page, "Width of it", "0.2");
    await expect(page.getByText("Between 1 mm and 3 m.")).toBeVisible();
    await page.keyboard.press("Escape");
    await own("band").click();
    await repaints(page, () => page.getByRole("button", { name: "Lay it as a paper, at its true size" }).click());
    const band = await lightAlong(page, 4, "across");
    expect(Math.max(...band) - Math.min(...band)).toBeLessThan(4);
    await undoButton(page).click();
    await undoButton(page).click();
  });

  await test.step("behind the page as well; in files as on screen", async () => {
    await nobodyChosen(page);
    await own("dots").click();
    await expect(page.getByRole("heading", { name: "This page" })).toBeVisible();
    await asPaper();
    await repaints(page, () => typeInto(page, "Width of it", "90"));
    await expectKept(page);
    await page.mouse.move(5, 400);
    await expectFilesAsOnScreen(page, await paintedPage(page));
  });

  await test.step("as one photo again, and back", async () => {
    await page.getByRole("link", { name: /Pages/ }).click();
    await tile(page, 1).click();
    await expect(page.getByRole("button", { name: "Reframe" })).toHaveCount(0);
    await repaints(page, () => page.getByRole("button", { name: "As one photo again" }).click());
    await expect(page.getByRole("button", { name: "Reframe" })).toBeVisible();
    await undoButton(page).click();
    await expect(page.getByText(/every 10 mm/)).toBeVisible();
  });
});
