import { execFileSync } from "node:child_process";
import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync } from "fflate";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import { again, saved, titledCollage } from "./support/send.ts";
import {
  chooseFiles,
  differing,
  expectKept,
  expectUndo,
  openDrawer,
  paintedPage,
  shelfPhotos,
  startCollage,
  tiles,
  undoButton,
} from "./support/tessip.ts";

async function takeDrawing(page: Page, path: string): Promise<void> {
  await openDrawer(page, "Shapes");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "From an SVG or OpenRaster file …" }).click();
  await (await chooser).setFiles(path);
}

const run = (program: string, ...args: string[]): string =>
  execFileSync(program, args, { encoding: program === "qpdf" ? "latin1" : "utf8", maxBuffer: 1 << 28 });

test("a PDF: boxes, intent and fonts as other programs read them, words as text, JPEGs untouched, the same picture as on screen", async ({
  page,
}, info) => {
  const onScreen = await titledCollage(page, 5, "First light, afloat");
  await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
  const { name, path } = await saved(page, again);
  expect(name).toBe("My-collage.pdf");
  const pt = (mm: number) => (mm / 25.4) * 72;

  await test.step("it is sound, and its boxes say where the page is cut", async () => {
    expect(run("qpdf", "--check", path)).toContain("No syntax or stream encoding errors found");
    const boxes = run("pdfinfo", "-box", path);
    const box = (of: string) =>
      new RegExp(`${of}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`).exec(boxes)!.slice(1).map(Number);
    for (const [of, mm] of [
      ["MediaBox", [0, 0, 209.2, 209.2]],
      ["BleedBox", [0, 0, 209.2, 209.2]],
      ["TrimBox", [3, 3, 206.2, 206.2]],
    ] as const)
      for (const [i, v] of box(of).entries()) expect(v).toBeCloseTo(pt(mm[i]!), 1);
    expect(await readFile(path, "latin1")).toContain("/OutputIntents");
    // What ISO 15930-7 asks for, where other programs look for it.
    const told = JSON.parse(run("exiftool", "-json", "-G1", path))[0];
    expect(told).toMatchObject({
      "XMP-dc:Title": "My collage",
      "XMP-pdf:Producer": "Tessip",
      "XMP-pdf:Trapped": false,
      "XMP-pdfxid:GTS_PDFXVersion": "PDF/X-4",
      "XMP-xmpMM:RenditionClass": "default",
      "XMP-xmpMM:VersionID": 1,
      "PDF:PDFVersion": 1.6,
      "PDF:Trapped": false,
    });
    expect(told["XMP-xmp:CreateDate"].slice(0, 19)).toBe(told["PDF:CreateDate"].slice(0, 19));
    const qdf = run("qpdf", "--qdf", "--object-streams=disable", path, "-");
    expect(qdf).toMatch(/\/ID \[/);
    expect(qdf).not.toMatch(/\/(JavaScript|AA|Encrypt|EmbeddedFiles|Launch|Annots)\b/);
    const profile = qdf.slice(qdf.indexOf("acsp") - 36);
    expect(profile.slice(12, 24)).toBe("prtrRGB XYZ ");
    // Nothing but pictures that are packed already lies there as it is.
    const streams = (await readFile(path, "latin1")).match(/<<[^>]*\/Length \d+ >>\nstream/g)!;
    for (const s of streams) expect(s).toMatch(/FlateDecode|DCTDecode|\/Subtype \/XML/);
  });

  await test.step("words can be read, in a font of which only these letters are there; photos are the files themselves", async () => {
    expect(run("pdftotext", path, "-")).toContain("First light, afloat");
    expect(run("pdffonts", path)).toMatch(/[A-Z]{6}\+eb-garamond\S*\s+CID TrueType\s+Identity-H\s+yes yes yes/);
    const listed = run("pdfimages", "-list", path);
    expect(listed.match(/jpeg/g)).toHaveLength(5);
    const out = join(info.outputDir, "images");
    await mkdir(out, { recursive: true });
    run("pdfimages", "-j", path, join(out, "p"));
    // Nothing of where and with what it was taken goes along.
    expect(run("exiftool", "-GPSLatitude", "-Model", join(out, "p-000.jpg")).trim()).toBe("");
    const originals = await Promise.all(samplePhotos(5).map((p) => sharp(p).raw().toBuffer()));
    const inside = await sharp(join(out, "p-000.jpg")).raw().toBuffer();
    expect(originals.some((o) => o.equals(inside))).toBe(true);
  });

  await test.step("drawn by another program it is the picture on screen", async () => {
    const drawn = join(info.outputDir, "page");
    run("pdftoppm", "-r", "150", "-png", "-singlefile", path, drawn);
    expect(await differing(await readFile(`${drawn}.png`), onScreen)).toBeLessThan(0.01);
  });

  await test.step("with marks there is paper around it, and a line that names the page; a small one is much smaller", async () => {
    await page.getByLabel(/^Marks for the printer/).check();
    const marked = (await saved(page, again)).path;
    expect(run("pdfinfo", "-box", marked)).toMatch(/TrimBox:\s+28\.3/);
    expect(run("pdftotext", marked, "-")).toMatch(/My collage\s+Page 1\s+8 × 8 in/);
    await page.getByLabel("Small, to read on screen").check();
    const small = (await saved(page, again)).path;
    expect((await readFile(small)).length).toBeLessThan((await readFile(path)).length / 3);
    expect(run("qpdf", "--check", small)).toContain("No syntax or stream encoding errors found");
    // It is for reading, and does not say that it is for print.
    expect(run("exiftool", "-s3", "-GTS_PDFXVersion", small).trim()).toBe("");
  });
});

test("a page to go on with elsewhere: a drawing with its photos inside, and layers one over the other", async ({
  page,
  browser,
  baseURL,
}) => {
  const pageRun = page.getByRole("listbox", { name: "The pages of this project" }).getByRole("option");
  const onScreen = await titledCollage(page, 3, "Moored & <dry>");
  const kind = page.getByRole("combobox", { name: "Kind of file" });

  await test.step("SVG, drawn by another program", async () => {
    await kind.selectOption("svg");
    const { name, path } = await saved(page, again);
    expect(name).toBe("quayside-My-collage-1.svg");
    const text = await readFile(path, "utf8");
    expect(text).toContain('width="209.2mm"');
    expect(text).toContain('aria-label="Moored &#38; &#60;dry&#62;"');
    const drawn = await sharp(path, { density: 150, unlimited: true }).png().toBuffer();
    expect(await differing(drawn, onScreen)).toBeLessThan(0.002);

    await page.getByRole("link", { name: /^Pages/ }).click();
    await takeDrawing(page, path);
    await expectUndo(page, "Took a page from a drawing");
    await expect(page.getByText("The page from that drawing is here, after the one that was open.")).toBeVisible();
    await expect(pageRun).toHaveCount(2);
    await expect.poll(async () => differing(await paintedPage(page), onScreen)).toBe(0);
    await undoButton(page).click();
    await expect(pageRun).toHaveCount(0);

    // A tile is moved by another program, and the page opened where its photos are not.
    const moved = path.replace(/\.svg$/, "-moved.svg");
    const words =
      /<g (id="[^"]+" data-tessip-tile="[^"]+"><title>[^<]*<\/title>(?:(?!<\/?g ).)*\n?(?:<g opacity[^>]*>)?\s*<g role="img")/s;
    expect(text).toMatch(words);
    await writeFile(moved, text.replace(words, '<g transform="translate(0 20)" $1'));
    const context = await browser.newContext({ baseURL: baseURL! });
    const other = await context.newPage();
    await other.goto("/");
    await chooseFiles(other, samplePhotos(1, 9));
    await startCollage(other, "Quayside Collage Press", "8 × 8 in");
    await takeDrawing(other, moved);
    await expectUndo(other, "Took a page from a drawing");
    await expect(tiles(other)).toHaveCount(3);
    await expect(other.getByRole("option", { name: /words: Moored & <dry>/ })).toBeVisible();
    await openDrawer(other, "Photos");
    await expect(shelfPhotos(other)).toHaveCount(4);
    await expect(other.getByText(/missing/)).toHaveCount(0);
    await expect.poll(async () => differing(await paintedPage(other), onScreen)).toBeLessThan(0.06);
    expect(await differing(await paintedPage(other), onScreen)).toBeGreaterThan(0.002);
    await expectKept(other);
    await context.close();
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByRole("button", { name: "More options" }).click();
  });

  await test.step("OpenRaster: its first bytes say what it is, and its layers laid over each other are the page", async () => {
    await kind.selectOption("ora");
    const { path } = await saved(page, again);
    const bytes = await readFile(path);
    expect(bytes.subarray(30, 38).toString("latin1")).toBe("mimetype");
    const inside = unzipSync(bytes);
    expect(Buffer.from(inside.mimetype!).toString()).toBe("image/openraster");
    const stack = Buffer.from(inside["stack.xml"]!).toString();
    const layers = [...stack.matchAll(/<layer name="([^"]*)" src="([^"]*)"/g)]
      .map((m) => [m[1]!, m[2]!] as const)
      .reverse();
    expect(layers).toHaveLength(5);
    expect(layers.at(-1)![0]).toBe("Moored &#38; &#60;dry&#62;");
    // What is said of a photo among the family is nobody else's.
    expect(layers.slice(1, 4).map(([name]) => name)).toEqual(["photo 1", "photo 2", "photo 3"]);
    const [ground, ...over] = layers.map(([, src]) => Buffer.from(inside[src]!));
    const flat = await sharp(ground!)
      .composite(over.map((input) => ({ input })))
      .png()
      .toBuffer();
    expect(await differing(flat, onScreen)).toBeLessThan(0.002);
    expect(await differing(Buffer.from(inside["mergedimage.png"]!), flat)).toBeLessThan(0.001);
    await page.getByText("Name its layers after the photos’ captions").click();
    const named = unzipSync(await readFile((await saved(page, again)).path));
    expect(Buffer.from(named["stack.xml"]!).toString()).not.toContain('name="photo 1"');
  });
});
