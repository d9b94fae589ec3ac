import { execFileSync } from "node:child_process";
import { readFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import { unzipSync } from "fflate";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  differing,
  expectKept,
  expectUndo,
  longMs,
  shelfPhotos,
  startCollage,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const cards = (page: Page) => page.getByTestId("sheet").getByRole("option");
const cuts = (page: Page) => page.getByRole("region", { name: "Cut in this order" }).getByRole("listitem");
const sheetRow = (page: Page) => page.getByRole("listbox", { name: "All sheets" }).getByRole("option");

async function pack(page: Page): Promise<void> {
  await page.getByRole("button", { name: /^Pack (the sheets|again)$/ }).click();
  await expect(page.getByTestId("packed")).toBeVisible({ timeout: longMs });
}

async function savedZip(page: Page, button: RegExp): Promise<Record<string, Uint8Array>> {
  const download = page.waitForEvent("download", { timeout: longMs });
  await page.getByRole("button", { name: button }).click();
  const inside = unzipSync(await readFile(await (await download).path()));
  return Object.fromEntries(Object.entries(inside).filter(([name]) => name.endsWith(".jpg")));
}

/** Cuts a file of a 4 × 6 inch print as the list says, with the trimmer on the paper: 1.5 mm at its short sides are lost, and as much in proportion. */
async function cutApart(file: Buffer, list: readonly string[]): Promise<Buffer[]> {
  const { width, height } = await sharp(file).metadata();
  const perMm = 1200 / (101.6 + 3);
  const [w, h] = (width! < height! ? [101.6, 152.4] : [152.4, 101.6]).map((mm) => mm * perMm) as [number, number];
  let hand = { left: (width! - w) / 2, top: (height! - h) / 2, width: w, height: h };
  const pieces = [];
  for (const words of list) {
    const set = Number(words.match(/([\d.]+) in/)![1]) * 25.4 * perMm;
    const down = words.includes("left");
    const first = down ? { ...hand, width: set } : { ...hand, height: set };
    const rest = down
      ? { ...hand, left: hand.left + set, width: hand.width - set }
      : { ...hand, top: hand.top + set, height: hand.height - set };
    if (!words.includes("waste")) pieces.push(rest);
    hand = first;
  }
  const whole = (r: typeof hand) =>
    Object.fromEntries(Object.entries(r).map(([k, v]) => [k, Math.round(v)])) as typeof hand;
  return Promise.all([hand, ...pieces].map((r) => sharp(file).extract(whole(r)).toBuffer()));
}

test("cards of pocket pages: packed onto a lab's prints, cut apart in the files, moved by hand, and listed for the trimmer", async ({
  page,
}, info) => {
  await withPhotos(page, 7);
  await page.getByText("Pocket pages", { exact: true }).click();
  await page.getByText("6 × 8 in", { exact: true }).click();
  await page.getByText("4 portrait, 3 × 4 in", { exact: true }).click();
  await page.getByRole("button", { name: "Start these pages" }).click();
  await shelfPhotos(page).first().click();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Arrange 4 photos" }).click();
  await page.getByRole("listbox", { name: "The pages of this project" }).getByRole("option").nth(1).click();
  await shelfPhotos(page).nth(4).click();
  for (let i = 0; i < 2; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Arrange 3 photos" }).click();
  await expectKept(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  await page.getByLabel(/Already cut/).check();
  await page.getByText("In one zip", { exact: true }).click();
  const prints = Object.values(await savedZip(page, /^Save 7 JPEGs to disk/));

  await test.step("by one click everything in the pockets; nothing is packed without a sheet", async () => {
    await page.getByRole("link", { name: /^Print sheets/ }).click();
    await expect(page.getByText("Nothing to print yet")).toBeVisible();
    await page.getByRole("button", { name: "All cards of the pockets" }).click();
    await expect(page.getByRole("region", { name: "7 cards, 3 × 4 in" })).toBeVisible();
    await page.getByRole("button", { name: "Pack the sheets" }).click();
    await expect(page.getByRole("alert")).toContainText("No sheet is chosen.");
  });

  await test.step("two on each print, for the least money, apart with a single cut", async () => {
    await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
    await expect(page.getByText(/The machine may lose 0\.06 in at each edge/)).toBeVisible();
    await pack(page);
    await expect(page.getByTestId("packed")).toContainText("4 sheets, £0.76");
    await expectUndo(page, "Packed the print sheets");
    await expect(page.getByRole("link", { name: /^Print sheets/ })).toContainText("4 sheets");
    await expect(sheetRow(page)).toHaveCount(4);
    await expect(cards(page)).toHaveCount(2);
    await expect(cuts(page)).toHaveCount(1);
    await expect(cuts(page)).toContainText(/From the (top|left) 3 in/);
  });

  await test.step("the sheets' files have the lab's pixels, and cut along the cut each piece is the card itself", async () => {
    const files = Object.values(await savedZip(page, /^Save 4 sheets$/));
    expect(files).toHaveLength(4);
    const found: (number | undefined)[] = [];
    const small = (picture: Uint8Array, turn = 0) =>
      sharp(picture).rotate(turn).resize(300, 400, { fit: "fill" }).png().toBuffer();
    const wanted = await Promise.all(prints.map((p) => small(p)));
    const whichPrint = async (piece: Buffer): Promise<number | undefined> => {
      for (const turn of [0, 90, 270]) {
        const standing = await small(piece, turn);
        for (const [i, print] of wanted.entries()) if ((await differing(print, standing)) < 0.02) return i;
      }
      return undefined;
    };
    for (const [n, file] of files.entries()) {
      const meta = await sharp(Buffer.from(file)).metadata();
      expect([meta.width!, meta.height!].sort((a, b) => a - b)).toEqual([1200, 1800]);
      expect(meta.density).toBe(300);
      expect(meta.icc!.toString("latin1")).toContain("sRGB IEC61966-2.1");
      await sheetRow(page).nth(n).click();
      // Shown as it is read, a sheet may stand on its left edge.
      const stands = await page.getByTestId("sheet").evaluate((el) => el.style.transform !== "");
      const told = (await cuts(page).allTextContents()).map((t) =>
        stands ? t.replace("From the left", "From the top").replace("From the foot", "From the left") : t,
      );
      for (const piece of await cutApart(Buffer.from(file), told)) found.push(await whichPrint(piece));
    }
    await sheetRow(page).first().click();
    expect([...new Set(found)].sort()).toEqual([0, 1, 2, 3, 4, 5, 6]);
  });

  await test.step("a card is chosen by key and moved to another sheet by hand", async () => {
    await cards(page).first().focus();
    await page.keyboard.press("Enter");
    const chosen = page.getByTestId("sheet").getByRole("option", { selected: true });
    await expect(chosen).toHaveAccessibleName(/^page [12], pocket [1-4], on sheet 1$/);
    const lone = await page.evaluate(() => {
      const rows = [...document.querySelectorAll("[data-sheet]")];
      return rows.findIndex((r) => r.querySelectorAll("[data-card]").length === 1);
    });
    await page.getByRole("combobox", { name: "Move to" }).selectOption({ label: `Sheet ${lone === 0 ? 2 : lone + 1}` });
    await expectUndo(page, "Changed the print sheets");
    await expect(page.locator(`[data-sheet="${lone}"] [data-card]`)).toHaveCount(2);
    const full = lone === 1 ? 3 : 2;
    await page.getByTestId("sheet").getByRole("option").first().click();
    await page.getByRole("combobox", { name: "Move to" }).selectOption({ label: `Sheet ${full}` });
    await expect(page.getByText("There is no room for it on that sheet as everything lies.")).toBeVisible();
    await page.keyboard.press("Escape");
  });

  await test.step("of one card alone two copies", async () => {
    await page.getByRole("button", { name: "More about these" }).click();
    await page.getByRole("button", { name: "Piece 3", exact: true }).click();
    await expect(page.getByText("What you set here is for 1 of 7.")).toBeVisible();
    await typeInto(page, "Copies of each", "2");
    await expect(page.getByRole("region", { name: "8 cards, 3 × 4 in" })).toBeVisible();
    await page.getByRole("button", { name: "Piece 3, 2 copies" }).click();
    await expect(page.getByLabel("Copies of each (not the same now)")).toHaveValue("1");
    await undoButton(page).click();
    await expect(page.getByRole("region", { name: "7 cards, 3 × 4 in" })).toBeVisible();
    await page.getByRole("button", { name: "Less about these" }).click();
  });

  await test.step("what is asked for can be wrong, and that is said; what was packed before is marked as old", async () => {
    await page.getByRole("spinbutton").or(page.getByLabel("Copies of each")).first().fill("2");
    await page.keyboard.press("Enter");
    await expect(page.getByText("What you print has changed since these sheets were packed.")).toBeVisible();
    await page.getByRole("combobox", { name: "Paper" }).selectOption("printer");
    await typeInto(page, "Cannot print at the edge", "120 mm");
    await page.getByRole("button", { name: "Pack again" }).click();
    await expect(page.getByRole("alert")).toContainText("leave nothing of the paper to print on");
    await typeInto(page, "Cannot print at the edge", "5 mm");
    await typeInto(page, "Paper height", "80 mm");
    await typeInto(page, "Paper width", "90 mm");
    await page.getByRole("button", { name: "Pack again" }).click();
    await expect(page.getByRole("alert")).toContainText("A piece of 3 × 4 in fits on none of these sheets.");
    await typeInto(page, "Paper width", "210 mm");
    await typeInto(page, "Paper height", "297 mm");
    await typeInto(page, "Pixels per inch", "150");
  });

  await test.step("on one's own printer: with space, marks and words beside; the list of cuts as a PDF", async () => {
    await page.getByText("Gap", { exact: true }).click();
    await pack(page);
    await expect(page.getByTestId("packed")).toContainText(/^[34] sheets/);
    const n = await cuts(page).count();
    expect(n).toBeGreaterThan(6);
    const download = page.waitForEvent("download", { timeout: longMs });
    await page.getByRole("button", { name: "Save the cutting list" }).click();
    const path = info.outputPath("list.pdf");
    await (await download).saveAs(path);
    execFileSync("qpdf", ["--check", path]);
    const text = execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" });
    expect(text).toContain("My pocket pages: cutting list");
    expect(text).toContain("page 1, pocket 1");
    for (const words of await cuts(page).allTextContents()) expect(text).toContain(words.replace(/^\d+/, "").trim());
    const sheets = Object.values(await savedZip(page, /^Save [34] sheets$/));
    const meta = await sharp(Buffer.from(sheets[0]!)).metadata();
    expect([meta.width, meta.height, meta.density]).toEqual([1240, 1754, 150]);
  });

  await test.step("each page's cards together, marks at the edges, and what belongs where on the back", async () => {
    await page.getByLabel("Keep each page's cards on one sheet").check();
    await page.getByRole("combobox", { name: "Cut marks" }).selectOption("edges");
    await page.getByRole("combobox", { name: "Page and pocket" }).selectOption("back");
    await pack(page);
    const files = await savedZip(page, /^Save [34] sheets$/);
    const backs = Object.keys(files).filter((name) => name.includes("-back-"));
    expect(backs).toHaveLength(Object.keys(files).length / 2);
    for (const name of backs) {
      const { min, mean } = (await sharp(Buffer.from(files[name]!)).stats()).channels[0]!;
      expect([min < 100, mean > 240]).toEqual([true, true]);
    }
  });

  await test.step("all of it is there again after the tab was closed", async () => {
    await expectKept(page);
    await page.reload();
    await expect(page.getByTestId("packed")).toBeVisible();
    await expect(page.getByRole("region", { name: "14 cards, 3 × 4 in" })).toBeVisible();
  });
});

test("photos in usual sizes over a mix of prints; what is left over is filled; a roll; pages of a collage", async ({
  page,
}) => {
  await withPhotos(page, 6);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await shelfPhotos(page).first().click();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press("Shift+ArrowRight");

  await test.step("photos are taken in a size from the list, or one that is typed", async () => {
    await page.getByRole("link", { name: /^Print sheets/ }).click();
    await page.getByRole("button", { name: "Photos …" }).click();
    await page.getByRole("combobox", { name: "Size" }).selectOption({ label: "2 × 3 in" });
    await page.getByRole("button", { name: "Take these 5 photos" }).click();
    await page.getByRole("button", { name: "Photos …" }).click();
    await page.getByRole("combobox", { name: "Size" }).selectOption("own");
    await typeInto(page, "Width", "9 cm");
    await typeInto(page, "Height", "13 cm");
    await page.getByRole("button", { name: "Take these 5 photos" }).click();
    await expect(page.getByRole("region", { name: /photos?, / })).not.toHaveCount(0);
  });

  await test.step("a test print with rulers; sheets are made to what they measure", async () => {
    await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save a test print with rulers" }).click();
    const { data, info } = await sharp(await (await download).path())
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    // The longest dark row is the ruler: 50 mm, of 101.6 and twice the 1.5 that the machine loses, over 1,200 pixels.
    const runs = Array.from({ length: info.height }, (_, y) => {
      const row = data.subarray(y * info.width, (y + 1) * info.width);
      return row.reduce((dark, v) => dark + (v < 110 ? 1 : 0), 0);
    });
    const perMm = Math.min(info.width, info.height) / (101.6 + 3);
    expect(Math.abs(Math.max(...runs) - 50 * perMm)).toBeLessThan(3);
    await typeInto(page, "A ruler measures", "30 mm");
    await expect(page.getByText(/too far off to be the printer/)).toBeVisible();
    await typeInto(page, "A ruler measures", "48.6 mm");
    await expect(page.getByText("Sheets are made 2.9 % larger, so that cards come out right.")).toBeVisible();
    await expectUndo(page, "Changed the print sheets");
    await page.getByRole("button", { name: "Undo: Changed the print sheets" }).click();
    await expect(page.getByText(/Sheets are made/)).toHaveCount(0);
  });

  await test.step("over the lab's sizes at least cost; with white borders and corners to round by", async () => {
    await pack(page);
    await expect(page.getByTestId("packed")).toContainText(/sheets, £\d+\.\d\d/);
    const first = page.getByRole("region", { name: /photos?, / }).first();
    await first.getByRole("button", { name: "More about these" }).click();
    await typeInto(page, "White border", "3 mm");
    await typeInto(page, "Round corners to", "5 mm");
    await first.getByLabel("Fill what is left over with it").check();
    await pack(page);
    const before = await page.getByTestId("packed").textContent();
    await page.getByRole("button", { name: "Fill what is left over" }).click();
    await expect(page.getByText(/cop(y|ies) more|Nothing more fits/)).toBeVisible();
    const money = /£\d+\.\d\d/;
    expect((await page.getByTestId("packed").textContent())!.match(money)![0]).toBe(before!.match(money)![0]);
  });

  await test.step("whole pages as well, from a roll that is cut off where the last piece ends", async () => {
    await page.getByRole("button", { name: "All pages" }).click();
    await expect(page.getByRole("region", { name: "1 page, 8 × 8 in" })).toBeVisible();
    await page.getByRole("combobox", { name: "Paper" }).selectOption("roll");
    await typeInto(page, "Price of a metre", "9");
    await pack(page);
    await expect(page.getByTestId("packed")).toContainText(/1 sheet, \d\.\d\d/);
    await page.getByRole("button", { name: /^Do not print 1 page/ }).click();
    await expect(page.getByText("What you print has changed since these sheets were packed.")).toBeVisible();
    await page.keyboard.press("Control+z");
    await expect(page.getByTestId("packed")).toBeVisible();
  });
});
