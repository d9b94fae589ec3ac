import { execFileSync } from "node:child_process";
import { mkdtemp, readFile, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { measurePlate, placing } from "../core/pixels/zone-plate.fixture.ts";
import { samplePhotos } from "./support/files.ts";
import {
  addFreeWords,
  addWords,
  arrangeFirst,
  chooseFiles,
  paintedPage,
  savedFile,
  startCollage,
  startOwnSize,
  tile,
  typeInto,
} from "./support/tessip.ts";
import {
  deepGreys,
  deepPhotos,
  greyCharts,
  greys,
  orientations,
  plateFile,
  powerInSrgb,
  stripes,
} from "./truth/charts.ts";
import { everyKind, sideBySide } from "./truth/make.ts";
import { everyTruth } from "./truth/measure.ts";
import { apart, colourAt, differences, pixelsOff, seen, sound } from "./truth/readers.ts";

const scratch = () => mkdtemp(join(tmpdir(), "tessip-truth-"));

test("every kind of file is as large, as dense, as coloured and as crisp as it has to be, by programs that are not ours", async ({
  browser,
  baseURL,
}) => {
  const newPage = async () => (await browser.newContext({ baseURL: baseURL! })).newPage();
  const truths = await everyTruth(newPage, await scratch());
  for (const t of truths) {
    expect([t.kind, t.colours.mean < 1 && t.colours.worst < 3]).toEqual([t.kind, true]);
    if (t.plate) expect([t.kind, t.plate.lost < 4.2 && t.plate.alias < 5]).toEqual([t.kind, true]);
    if (t.offOther !== undefined) expect([t.kind, t.offOther < 0.02 && t.offScreen! < 0.02]).toEqual([t.kind, true]);
    if (t.kind === "pdf") expect(t).toMatchObject({ size: "272.126 x 272.126", profile: "PDF/X-4" });
    else if (t.kind !== "svg") expect(t).toMatchObject({ size: "960 × 960", density: "254" });
    if (["jpeg", "png", "tiff", "webp"].includes(t.kind)) expect(t.profile).toBe("sRGB IEC61966-2.1");
  }
});

test("a zone plate that is turned comes out as crisp, and without false patterns", async ({ page }) => {
  const n = 2000;
  const radians = (7 * Math.PI) / 180;
  // Turned, it has to be so much larger to cover the page.
  const larger = Math.cos(radians) + Math.sin(radians);
  const side = Math.round((n * 0.61) / larger);
  await sideBySide(page, [await plateFile(await scratch(), n)], side / 10, 254);
  await tile(page, 1).dblclick();
  await page.getByRole("slider", { name: "Turn" }).fill("7");
  await page.keyboard.press("Enter");
  const { png } = await everyKind(page, ["png"]);
  const { matrix } = placing(n, (side * larger) / n, 7);
  const placed = {
    ...matrix,
    e: side / 2 - ((matrix.a + matrix.c) * n) / 2,
    f: side / 2 - ((matrix.b + matrix.d) * n) / 2,
  };
  const turned = measurePlate(await seen(png, 254), n, placed, 3);
  expect(turned.ring(0.3)).toBeGreaterThan(88);
  expect(turned.lost).toBeLessThan(4.2);
  expect(turned.alias).toBeLessThan(5);
});

test("nine files of one picture, in all orientations that a camera writes, print as one and the same", async ({
  page,
}) => {
  await sideBySide(page, await orientations(await scratch()), 72, 254);
  const files = await everyKind(page, ["png", "pdf"]);
  for (const path of [files.png, files.pdf]) {
    const shown = await seen(path, 254);
    const third = (i: number) => {
      const w = Math.floor(shown.width / 3);
      const [x0, y0] = [(i % 3) * w, Math.floor(i / 3) * w];
      const data = new Uint8Array(w * w * 3);
      for (let y = 0; y < w; y += 1) {
        const from = 3 * ((y0 + y) * shown.width + x0);
        data.set(shown.data.subarray(from, from + 3 * w), 3 * y * w);
      }
      return { data, width: w, height: w };
    };
    for (let i = 1; i < 9; i += 1) expect(await pixelsOff(third(0), third(i))).toBeLessThan(0.03);
  }
});

test("greys print as they are, with a profile of their own and without; fine stripes are no reason to refuse a file", async ({
  browser,
  baseURL,
}) => {
  const newPage = async () => (await browser.newContext({ baseURL: baseURL! })).newPage();
  const folder = await scratch();
  for (const chart of await greyCharts(folder)) {
    const fresh = await newPage();
    await sideBySide(fresh, [chart], 48, 254);
    const files = await everyKind(fresh, ["png", "pdf"]);
    for (const path of [files.png, files.pdf]) {
      const shown = await seen(path, 254);
      const off = greys.map((g, k) =>
        apart(colourAt(shown, ((k % 5) + 0.5) / 5, (Math.floor(k / 5) + 0.5) / 5), [g, g, g]),
      );
      expect([path, differences(off).worst < 3]).toEqual([path, true]);
    }
  }
  const striped = await newPage();
  await sideBySide(striped, [await stripes(folder, 800)], 80, 254);
  const files = await everyKind(striped, ["jpeg", "png", "tiff"]);
  for (const path of Object.values(files)) {
    sound(path);
    const { data } = await seen(path, 254);
    // Row by row black and white, as they were drawn.
    const rows = [100, 101, 102, 103].map((y) => data[3 * (y * 800 + 400)]!);
    expect(Math.min(Math.abs(rows[0]! - rows[1]!), Math.abs(rows[2]! - rows[3]!))).toBeGreaterThan(200);
  }
});

test("a photo that is small on one page and large on another is in the PDF as large as its largest place needs", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, [await plateFile(await scratch(), 1600), await stripes(await scratch(), 400)]);
  await startOwnSize(page, { widthMm: 120, heightMm: 120, ppi: 254 });
  await page.getByRole("listbox", { name: "Shelf" }).getByRole("option").first().click();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: /^Arrange 2 photos/ }).click();
  await page.getByRole("button", { name: "Another page" }).first().click();
  await page.getByRole("listbox", { name: "Shelf" }).getByRole("option", { name: /plate/ }).click();
  await page.getByRole("button", { name: /^Arrange 1 photo/ }).click();
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
  const { path } = await savedFile(page);
  const widths = execFileSync("pdfimages", ["-list", path], { encoding: "utf8" })
    .split("\n")
    .slice(2)
    .map((l) => Number(l.trim().split(/\s+/)[3]));
  expect(Math.max(...widths.filter((w) => w > 0))).toBeGreaterThan(1050);
});

test("sixteen bits of a photo come out of a TIFF for a lab that takes them, in the print's colours, and words over them stay", async ({
  page,
}) => {
  const folder = await scratch();
  const card = JSON.parse(await readFile("demo/labs/quayside-collage.json", "utf8"));
  const file = { ...card.file, kind: "tiff", packing: "deflate", bits: 16 };
  const sizes = [{ id: "6", name: "6 × 6 cm", widthMm: 60, heightMm: 60, turns: false }];
  const path = join(folder, "alder.lab.json");
  const own = {
    ...card,
    id: "own-deep",
    name: "Alder Prints",
    file,
    sizes,
    bleedMm: 0,
    safeMm: 2,
    ppi: { wanted: 254, least: 100 },
  };
  await writeFile(path, JSON.stringify(own));
  await page.goto("/labs");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Bring in a card file" }).click();
  await (await chooser).setFiles(path);
  await expect(page.getByRole("checkbox", { name: /16 bits a colour/ })).toBeChecked();
  await page.getByRole("button", { name: "Keep this card" }).click();
  await page.goto("/");
  await chooseFiles(page, await deepPhotos(folder));
  await startCollage(page, "Alder Prints", "6 × 6 cm");
  await arrangeFirst(page, 2);
  await typeInto(page, "Gap", "0 mm");
  await page.getByRole("button", { name: "Full bleed" }).click();
  await page.keyboard.press("Escape");
  await addWords(page, "A title");
  await page.keyboard.type("Deep");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Colour: White", exact: true }).click();
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /^Send/ }).click();
  const made = (await savedFile(page)).path;
  sound(made);
  expect(execFileSync("exiftool", ["-s3", "-BitsPerSample", "-Compression", made], { encoding: "utf8" })).toMatch(
    /16 16 16\s+Adobe Deflate/,
  );
  const raw = await sharp(made).keepIccProfile().toColourspace("rgb16").raw({ depth: "ushort" }).toBuffer();
  const at = (x: number, y: number) => raw.readUInt16LE(2 * 3 * (600 * y + x));
  for (const x of [20, 580])
    for (let y = 10; y < 590; y += 7) {
      const grey = deepGreys[y]!;
      const expected =
        at(20, 10) < at(580, 10) === (x === 20) ? Math.min(grey, powerInSrgb(grey)) : Math.max(grey, powerInSrgb(grey));
      expect(Math.abs(at(x, y) - expected)).toBeLessThan(40);
    }
  // The title's letters, in the one colour that it has.
  const levels = new Set<number>();
  for (let i = 0; i < raw.length; i += 6) levels.add(raw.readUInt16LE(i));
  expect(levels.size).toBeGreaterThan(1000);
  expect(Math.max(...levels)).toBe(65_535);
  await page.getByRole("button", { name: "More options" }).click();
  await page.getByLabel(/16 bits a colour/).uncheck();
  expect(execFileSync("exiftool", ["-s3", "-BitsPerSample", (await savedFile(page)).path], { encoding: "utf8" })).toBe(
    "8 8 8\n",
  );
});

test("what a lab's card says of PDFs is held to: nothing shows through, and black words are black ink alone", async ({
  page,
}) => {
  const folder = await scratch();
  const card = JSON.parse(await readFile("demo/labs/quayside-collage.json", "utf8"));
  const own = {
    ...card,
    id: "own-press",
    name: "Sallow Press",
    file: { ...card.file, press: "sheet-fed", flattened: true },
  };
  const path = join(folder, "sallow.lab.json");
  await writeFile(path, JSON.stringify(own));
  const clear = join(folder, "clear.png");
  await sharp({ create: { width: 500, height: 400, channels: 4, background: "#c0503080" } })
    .png()
    .toFile(clear);
  await page.goto("/labs");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Bring in a card file" }).click();
  await (await chooser).setFiles(path);
  await page.getByRole("button", { name: "Keep this card" }).click();
  await expect(page.getByRole("textbox", { name: "Printing press, if it has one" })).toHaveValue("sheet-fed");
  await page.goto("/");
  await chooseFiles(page, [clear, ...samplePhotos(2)]);
  await startCollage(page, "Sallow Press", "8 × 8 in");
  await arrangeFirst(page, 3);
  await page.keyboard.press("Escape");
  await addFreeWords(page, "A title", "Ink");
  await page.getByRole("button", { name: "Colour: Black", exact: true }).click();
  const onScreen = await paintedPage(page);
  const { pdf } = await everyKind(page, ["pdf"]);
  sound(pdf);
  const plain = execFileSync("qpdf", ["--qdf", "--object-streams=disable", pdf, "-"], {
    encoding: "latin1",
    maxBuffer: 1 << 28,
  });
  expect(plain).not.toMatch(/\/SMask|\/ca /);
  expect(plain).toMatch(/\n?.* 0 g BT/);
  expect(execFileSync("pdftotext", [pdf, "-"], { encoding: "utf8" })).toContain("Ink");
  const drawn = await seen(pdf, 100);
  const { data, info } = await sharp(onScreen).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  expect(await pixelsOff({ data, width: info.width, height: info.height }, drawn)).toBeLessThan(0.02);
});
