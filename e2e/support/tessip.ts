import { execFileSync } from "node:child_process";
import { mkdtemp, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Locator, type Page } from "@playwright/test";
import { unzipSync } from "fflate";
import sharp from "sharp";

/** What a person does on the screen, in the words of this application. */

/** For what computes or writes large files; machines that run tests are now and then slowed down several times. */
export const longMs = 400_000;

export async function chooseFiles(page: Page, files: readonly string[]): Promise<void> {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Add photos" }).first().click();
  await (await chooser).setFiles([...files]);
  await allIn(page);
}

/** Nothing is coming in any more. */
export async function allIn(page: Page): Promise<void> {
  await expect(page.getByText(/^Bringing in/)).toHaveCount(0, { timeout: longMs });
}

export async function takeSample(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Try the sample photos" }).click();
  await expect(page.getByText("1 file was left out")).toBeVisible();
  await allIn(page);
  await page.getByRole("button", { name: "Close this list" }).click();
}

export async function startCollage(
  page: Page,
  lab: string,
  size: string,
  way?: "Portrait" | "Landscape",
): Promise<void> {
  await page.getByText(lab, { exact: true }).click();
  await page.getByText(size, { exact: true }).click();
  if (way) await page.getByText(way, { exact: true }).click();
  await page.getByRole("button", { name: "Start this collage" }).click();
  await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
}

/** A collage of one's own size, whose files have no bleed. */
export async function startOwnSize(
  page: Page,
  size: { readonly widthMm: number; readonly heightMm: number; readonly ppi: number; readonly bleedMm?: number },
): Promise<void> {
  await page.getByText("A size of my own", { exact: true }).click();
  await typeInto(page, "Width", `${size.widthMm} mm`);
  await typeInto(page, "Height", `${size.heightMm} mm`);
  await typeInto(page, "Bleed", `${size.bleedMm ?? 0} mm`);
  await typeInto(page, "Sharpness, ppi", String(size.ppi));
  await page.getByRole("button", { name: "Start this collage" }).click();
  await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
}

/** The one file of a work, saved to disk; whether it was made before or not. */
export async function savedFile(page: Page): Promise<{ readonly name: string; readonly path: string }> {
  const download = page.waitForEvent("download", { timeout: longMs });
  await page.getByRole("button", { name: /^Save (it once more|the .+ to disk)$/ }).click();
  const file = await download;
  const name = file.suggestedFilename();
  // Under its own name, since readers go by its ending.
  const path = join(await mkdtemp(join(tmpdir(), "tessip-saved-")), name);
  await file.saveAs(path);
  return { name, path };
}

export async function startBook(page: Page, lab: string, size: string): Promise<void> {
  await page.getByText("A book", { exact: true }).click();
  await page.getByText(lab, { exact: true }).click();
  await page.getByText(size, { exact: true }).click();
  await page.getByRole("button", { name: "Start this book" }).click();
  await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
}

export async function pace(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Fill the book with photos" }).click();
  await page.getByRole("button", { name: "Fill it" }).click();
  // The words about an earlier filling may still be there.
  await expect(page.getByText(/photos are on \d+ pages now/).first()).toBeVisible();
}

export const shelfPhotos = (page: Page): Locator => page.getByRole("listbox", { name: "Shelf" }).getByRole("option");
export const tiles = (page: Page): Locator =>
  page.getByRole("listbox", { name: "Pages", exact: true }).getByRole("option");
export const tile = (page: Page, n: number): Locator => tiles(page).nth(n - 1);

export type DrawerName = "Photos" | "Other ways" | "Templates" | "Papers" | "Ornaments" | "Shapes" | "Words";

export async function openDrawer(page: Page, name: DrawerName): Promise<void> {
  const tab = page.getByRole("tab", { name, exact: true });
  await tab.click();
  await expect(tab).toHaveAttribute("aria-selected", "true");
}

/** Words onto the page, by the shelf's drawer of them. */
export async function addWords(page: Page, kind: "A title" | "A caption" | "A story"): Promise<void> {
  await openDrawer(page, "Words");
  await page.getByRole("button", { name: kind, exact: true }).click();
  await page.getByTestId("writing").waitFor();
}

/** Words that lie over a photo, where it is calm. */
export async function addFreeWords(page: Page, kind: Parameters<typeof addWords>[1], text: string): Promise<void> {
  await addWords(page, kind);
  await page.keyboard.type(text);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Over what is calm" }).click();
  await expect(page.getByRole("button", { name: "Over what is calm", pressed: true })).toBeVisible();
}

/** Chooses the first photos on the shelf and arranges them. */
export async function arrangeFirst(page: Page, count: number): Promise<void> {
  await shelfPhotos(page).first().click();
  if (count > 1) {
    for (let i = 1; i < count; i += 1) await page.keyboard.press("Shift+ArrowRight");
  }
  await page.getByRole("button", { name: new RegExp(`^Arrange ${count} photo`) }).click();
  await expect(tiles(page)).toHaveCount(count);
}

export async function box(of: Locator): Promise<{ x: number; y: number; width: number; height: number }> {
  const found = await of.boundingBox();
  if (!found) throw new Error("not on screen");
  return found;
}

/** Drags with the mouse, in small steps, from the middle of one thing to the middle of another or by a distance. */
export async function drag(
  page: Page,
  from: Locator,
  to: Locator | { readonly dx: number; readonly dy: number },
  hold: { readonly x: number; readonly y: number } = { x: 0.5, y: 0.5 },
): Promise<void> {
  await from.scrollIntoViewIfNeeded();
  const a = await box(from);
  const start = { x: a.x + a.width * hold.x, y: a.y + a.height * hold.y };
  const end =
    "dx" in to
      ? { x: start.x + to.dx, y: start.y + to.dy }
      : await box(to).then((b) => ({ x: b.x + b.width / 2, y: b.y + b.height / 2 }));
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i += 1)
    await page.mouse.move(start.x + ((end.x - start.x) * i) / 8, start.y + ((end.y - start.y) * i) / 8);
  await page.mouse.up();
}

/** The name of what would be undone. */
export const undoButton = (page: Page): Locator => page.getByRole("button", { name: /^(Undo:|Nothing to undo)/ });
export const redoButton = (page: Page): Locator => page.getByRole("button", { name: /^(Redo:|Nothing to redo)/ });

export async function expectUndo(page: Page, name: string | RegExp): Promise<void> {
  await expect(undoButton(page)).toHaveAccessibleName(typeof name === "string" ? `Undo: ${name}` : name);
}

/** Everything done so far is in storage. */
export const expectKept = (page: Page): Promise<void> =>
  expect(page.locator("[data-keeping]")).toHaveAttribute("data-keeping", "kept");

/** Types into a length or number field and leaves it. */
export async function typeInto(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole("textbox", { name: label, exact: true });
  await field.fill(text);
  await field.press("Enter");
}

/** The page as it is painted on screen, as a PNG. */
export async function paintedPage(page: Page): Promise<Buffer> {
  const url = await onceAtRest(page, "picture");
  return Buffer.from(url.slice(url.indexOf(",") + 1), "base64");
}

/** The hash of its pixels, for whoever only asks whether they are others: a fraction of the work of a picture. */
export const printOfPage = (page: Page): Promise<string> => onceAtRest(page, "hash");

/** What is painted once nothing more comes: the last, careful repaint comes a moment after the first. */
const onceAtRest = (page: Page, give: "picture" | "hash"): Promise<string> =>
  page.evaluate(async (as) => {
    const [framesOfRest, msOfRest, mostMs] = [12, 300, 60_000];
    const from = performance.now();
    const painted = () => document.querySelector<HTMLCanvasElement>("[data-testid=page] canvas[data-painted]");
    let [frames, since, was] = [0, from, painted()];
    while (!was || frames < framesOfRest || performance.now() - since < msOfRest) {
      await new Promise(requestAnimationFrame);
      const canvas = painted();
      const now = performance.now();
      if (now - from > mostMs) throw new Error("the page does not come to rest");
      if (canvas === was && canvas?.dataset.painted === "high") frames += 1;
      else [frames, since, was] = [0, now, canvas];
    }
    if (as === "picture") return was.toDataURL("image/png");
    const { data } = was.getContext("2d")!.getImageData(0, 0, was.width, was.height);
    const hash = new Uint8Array(await crypto.subtle.digest("SHA-256", data));
    return `${was.width} × ${was.height} ${Array.from(hash, (b) => b.toString(16).padStart(2, "0")).join("")}`;
  }, give);

/** All neighbours on the page stand equally far apart, to half a pixel of the screen. */
export async function expectEvenGaps(page: Page): Promise<void> {
  const boxes = await tileBoxes(page);
  const gaps: number[] = [];
  for (const a of boxes)
    for (const b of boxes) {
      const sameRow = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) > 1;
      const sameColumn = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > 1;
      if (sameRow && b.x > a.x) gaps.push(b.x - a.x - a.width);
      if (sameColumn && b.y > a.y) gaps.push(b.y - a.y - a.height);
    }
  const least = Math.min(...gaps);
  // Further neighbours lie further; the nearest of each pair must all agree, so compare those below twice the least.
  for (const g of gaps.filter((v) => v < 2 * least + 1)) expect(Math.abs(g - least)).toBeLessThan(0.5);
}

/** What a tile holds, as its name says. */
export const nameOf = (page: Page, n: number): Promise<string> =>
  tile(page, n)
    .getAttribute("aria-label")
    .then((l) => l!.replace(/^Tile \d+ of \d+: /, ""));

/** Where all tiles are on the screen, at one moment. */
export const tileBoxes = (page: Page): Promise<Awaited<ReturnType<typeof box>>[]> =>
  tiles(page).evaluateAll((all) =>
    all.map((t) => {
      const { x, y, width, height } = t.getBoundingClientRect();
      return { x, y, width, height };
    }),
  );

export const nobodyChosen = async (page: Page): Promise<void> => {
  await page.getByRole("region", { name: "The page on its mat" }).click({ position: { x: 8, y: 8 } });
};

/** The share of pixels that differ by more than a tolerance, both pictures brought to one size. */
export async function differing(a: Buffer, b: Buffer): Promise<number> {
  const { width, height } = await sharp(b).metadata();
  const [p, q] = await Promise.all(
    [a, b].map((f) =>
      sharp(f).resize(width, height, { kernel: "lanczos3", fit: "fill" }).blur(1.2).removeAlpha().raw().toBuffer(),
    ),
  );
  let off = 0;
  for (let i = 0; i < p!.length; i += 3)
    if (Math.max(...[0, 1, 2].map((c) => Math.abs(p![i + c]! - q![i + c]!))) > 24) off += 1;
  return off / (p!.length / 3);
}

type Ending = "jpeg" | "png" | "tiff" | "webp" | "svg" | "ora" | "pdf";

/** One for each way in which files are painted: pictures come out of one and the same. */
const eachPainter: readonly Ending[] = ["jpeg", "svg", "ora", "pdf"];
export const everyKind: readonly Ending[] = [...eachPainter, "png", "tiff", "webp"];

/** Files of the open page as pictures that another program made of them; of a PDF by two of them. */
async function* filesDrawn(
  page: Page,
  endings: readonly Ending[],
): AsyncGenerator<readonly [what: string, picture: Buffer]> {
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  const kind = page.getByRole("combobox", { name: "Kind of file" });
  for (const ending of endings) {
    await kind.selectOption(ending);
    const { path } = await savedFile(page);
    if (ending === "ora") yield [ending, Buffer.from(unzipSync(await readFile(path))["mergedimage.png"]!)];
    else if (ending === "svg") yield [ending, await sharp(path, { density: 150, unlimited: true }).png().toBuffer()];
    else if (ending === "pdf") {
      execFileSync("pdftoppm", ["-r", "150", "-png", "-singlefile", path, path]);
      yield ["pdf by poppler", await readFile(`${path}.png`)];
      execFileSync("mutool", ["draw", "-q", "-r", "150", "-o", `${path}.mupdf.png`, path, "1"]);
      yield ["pdf by mupdf", await readFile(`${path}.mupdf.png`)];
    } else yield [ending, await readFile(path)];
  }
}

/** Files show what the screen showed: no more than one pixel in a hundred differs. */
export async function expectFilesAsOnScreen(page: Page, screen: Buffer, endings = eachPainter): Promise<void> {
  for await (const [what, picture] of filesDrawn(page, endings)) {
    const off = await differing(picture, screen);
    expect([what, off < 0.01 ? "as on screen" : off]).toEqual([what, "as on screen"]);
  }
}

/** Takes the originals of all photos away, as a damaged disk would. */
export const loseOriginals = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const root = await navigator.storage.getDirectory();
    await root.removeEntry("originals", { recursive: true });
  });

/** "Save it as one file", and the file. */
export async function saveWorkAsFile(page: Page, path: string, { places = true } = {}): Promise<string> {
  await page.getByRole("button", { name: "More about this project" }).click();
  await page.getByRole("menuitem", { name: "Save it as one file" }).click();
  if (!places) await page.getByText("Leave out where photos were taken").click();
  const [saved] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("dialog").getByRole("button", { name: "Save the file" }).click(),
  ]);
  await saved.saveAs(path);
  return saved.suggestedFilename();
}
