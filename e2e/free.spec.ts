import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import {
  box,
  chooseFiles,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  savedFile,
  shelfPhotos,
  startOwnSize,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** Tiles lie in mm on a page of 300 × 200 mm: where each is, from the panel of what is chosen. */
const field = (page: Page, name: string) => page.getByRole("textbox", { name, exact: true });
const number = async (page: Page, name: string) => Number(await field(page, name).inputValue());
const loose = (page: Page) => page.getByRole("option", { name: /^On top \d+ of/ });
const onTop = (page: Page, n: number) => page.getByRole("option", { name: new RegExp(`^On top ${n} of`) });
/** By key, since they lie over each other; the panel speaks of it a moment later. */
async function pick(page: Page, n: number, key = "Space"): Promise<void> {
  await onTop(page, n).focus();
  await page.keyboard.press(key);
  if (key !== "Space") return;
  const perMm = (await box(page.getByTestId("page"))).width / 310;
  const [left, top] = await onTop(page, n).evaluate((e) => [e.style.left, e.style.top].map(Number.parseFloat));
  await expect.poll(async () => Math.abs((await number(page, "From the left")) + 5 - left! / perMm)).toBeLessThan(0.2);
  await expect.poll(async () => Math.abs((await number(page, "From the top")) + 5 - top! / perMm)).toBeLessThan(0.2);
}
const grip = (page: Page, name: string) => page.locator(`[data-grip="${name}"]`);

async function pull(
  page: Page,
  from: { x: number; y: number },
  dx: number,
  dy: number,
  held?: "Shift" | "Alt",
): Promise<void> {
  await page.mouse.move(from.x, from.y);
  if (held) await page.keyboard.down(held);
  await page.mouse.down();
  await page.mouse.move(from.x + dx / 2, from.y + dy / 2, { steps: 4 });
  await page.mouse.move(from.x + dx, from.y + dy, { steps: 6 });
  await page.mouse.up();
  if (held) await page.keyboard.up(held);
}
const middleOf = async (page: Page, n: number) => {
  const b = await box(onTop(page, n));
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};
const gripAt = async (page: Page, name: string) => {
  const b = await box(grip(page, name));
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};

test("tiles that lie freely: moved, sized and turned by hand and by number, snapped, aligned, shared out, copied, locked", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, samplePhotos(4));
  await startOwnSize(page, { widthMm: 300, heightMm: 200, ppi: 100, bleedMm: 5 });
  for (let i = 0; i < 3; i += 1) {
    await shelfPhotos(page).nth(i).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Lay it freely on the page" }).click();
    await expect(loose(page)).toHaveCount(i + 1);
  }
  await expect(page.getByRole("link", { name: /^Pages/ })).toContainText("3 tiles");
  const perMm = (await box(page.getByTestId("page"))).width / 310;

  await test.step("by number, with sums, and turned about its own middle", async () => {
    await nobodyChosen(page);
    await pick(page, 3);
    await typeInto(page, "Width", "60");
    await typeInto(page, "Height", "40");
    await expectUndo(page, "Made a tile larger or smaller");
    await typeInto(page, "From the left", "200 + 20");
    await typeInto(page, "From the top", "30");
    await expectUndo(page, "Moved a tile");
    await typeInto(page, "Turn, degrees", "30");
    await expectUndo(page, "Turned a tile");
    await expect(field(page, "From the left")).toHaveValue("220");
    await expect(field(page, "Width")).toHaveValue("60");
    await page.getByRole("button", { name: "A quarter turn to the right" }).click();
    await expect(field(page, "Turn, degrees")).toHaveValue("120");
    await typeInto(page, "Turn, degrees", "0");
  });

  await test.step("dragged, it snaps to what lies there and says to what; with Alt it goes where the hand is", async () => {
    await pick(page, 1);
    await typeInto(page, "Width", "60");
    await typeInto(page, "Height", "40");
    await typeInto(page, "From the left", "40");
    await typeInto(page, "From the top", "140");
    const from = await middleOf(page, 1);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    // A millimetre beside the left side of the other.
    await page.mouse.move(from.x + 100 * perMm, from.y, { steps: 4 });
    await page.mouse.move(from.x + 181 * perMm, from.y, { steps: 8 });
    await expect(page.getByText(/60 mm × 40 mm · 220 mm from the left/)).toBeVisible();
    await page.mouse.up();
    await expect(field(page, "From the left")).toHaveValue("220");
    await expectUndo(page, "Moved a tile");
    await pull(page, await middleOf(page, 1), 2 * perMm, 0, "Alt");
    await expect.poll(() => number(page, "From the left")).toBeGreaterThan(221);
    await undoButton(page).click();
    await expect(field(page, "From the left")).toHaveValue("220");
  });

  await test.step("sized by a corner, keeping its shape with Shift; turned in steps; nudged by keys in three steps", async () => {
    await pull(page, await gripAt(page, "nw"), -20 * perMm, -5 * perMm, "Shift");
    await expect.poll(() => number(page, "Width")).toBeGreaterThan(75);
    const [w, h] = [await number(page, "Width"), await number(page, "Height")];
    expect(w / h).toBeCloseTo(1.5, 1);
    // The corner across from it stayed.
    expect((await number(page, "From the left")) + w).toBeCloseTo(280, 0);
    await pull(page, await gripAt(page, "turn"), 60 * perMm, 4 * perMm, "Shift");
    await expect.poll(() => number(page, "Turn, degrees")).toBeGreaterThan(0);
    expect((await number(page, "Turn, degrees")) % 15).toBe(0);
    await typeInto(page, "Turn, degrees", "0");
    const x = await number(page, "From the left");
    await onTop(page, 1).focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("Control+ArrowLeft");
    await expect.poll(async () => Math.abs((await number(page, "From the left")) - x - 10.9)).toBeLessThan(0.06);
    await page.keyboard.press(".");
    await expect(field(page, "Turn, degrees")).toHaveValue("1");
    await page.keyboard.press(",");
  });

  await test.step("let go right at the cut it is moved inside the safe line, which is nearer than the bleed, and that is said", async () => {
    await typeInto(page, "From the left", "30");
    await pull(page, await middleOf(page, 1), -31 * perMm, 0, "Shift");
    await expect(page.getByText("It ended too close to the cut, so it was moved inside the safe line.")).toBeVisible();
    await expect(field(page, "From the left")).toHaveValue("3");
  });

  await test.step("several: aligned, shared out, made as wide, moved as one, in front and behind", async () => {
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
    for (const [n, left, top] of [
      [1, 20, 20],
      [2, 90, 90],
      [3, 230, 140],
    ] as const) {
      await pick(page, n);
      for (const [name, mm] of Object.entries({ Width: 40, Height: 30, "From the left": left, "From the top": top }))
        await typeInto(page, name, String(mm));
      await nobodyChosen(page);
    }
    await pick(page, 1);
    for (const n of [2, 3]) await pick(page, n, "Control+Space");
    await expect(page.getByRole("heading", { name: "3 tiles" })).toBeVisible();
    await page.getByRole("button", { name: "Upper sides" }).click();
    await expectUndo(page, "Aligned 2 tiles");
    await page.getByRole("button", { name: "Same gaps across" }).click();
    const boxes = await Promise.all([1, 2, 3].map((n) => box(onTop(page, n))));
    for (const b of boxes) expect(b.y).toBeCloseTo(boxes[0]!.y, 0);
    expect(boxes[1]!.x - boxes[0]!.x).toBeCloseTo(boxes[2]!.x - boxes[1]!.x, 0);
    await page.getByText("the page", { exact: true }).click();
    await page.getByRole("button", { name: "Middles down" }).click();
    const before = await box(onTop(page, 3));
    await pull(page, await middleOf(page, 1), 10 * perMm, 12 * perMm, "Alt");
    await expectUndo(page, "Moved 3 tiles");
    expect((await box(onTop(page, 3))).x).toBeCloseTo(before.x + 10 * perMm, 0);
    await page.getByText("Lock their places").click();
    await expectUndo(page, "Locked or freed 3 tiles");
    const still = await box(onTop(page, 2));
    await pull(page, await middleOf(page, 2), 30, 30);
    expect(await box(onTop(page, 2))).toEqual(still);
    await expect(grip(page, "se")).toHaveCount(0);
    await undoButton(page).click();
    await expect(grip(page, "se")).toHaveCount(1);
    await nobodyChosen(page);
    const called = await onTop(page, 3).getAttribute("data-tile");
    await pick(page, 3);
    await page.getByRole("button", { name: "Behind all" }).click();
    await expectUndo(page, "Changed what lies in front");
    await expect(onTop(page, 1)).toHaveAttribute("data-tile", called!);
    await nobodyChosen(page);
  });

  await test.step("copies in columns and rows, and in a ring; one undo takes them back", async () => {
    await pick(page, 2);
    await page.getByRole("button", { name: "Copies", exact: true }).click();
    await typeInto(page, "Columns", "2");
    await typeInto(page, "Rows", "2");
    await page.getByRole("button", { name: "Make 3 copies" }).click();
    await expectUndo(page, "Made 3 copies of a tile");
    await expect(loose(page)).toHaveCount(6);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
    await nobodyChosen(page);
    await pick(page, 2);
    await typeInto(page, "How many", "5");
    await page.getByRole("button", { name: "Make a ring" }).click();
    await expect(loose(page)).toHaveCount(7);
    await expect(page.getByRole("heading", { name: "5 tiles" })).toBeVisible();
    await expectKept(page);
    await page.reload();
    await expect(loose(page)).toHaveCount(7);
  });

  await test.step("all steps by name, kept over the reload, each with the page before and after it; any of them is gone to", async () => {
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "All steps …" }).click();
    const steps = page.getByRole("dialog", { name: "All steps of this project" });
    const current = steps.locator("[aria-current=step]");
    await expect(current).toContainText("Made 4 copies of a tile");
    const aligned = steps.getByRole("button", { name: /^Aligned 2 tiles/ }).first();
    await aligned.hover();
    await expect(steps.getByText("Before this step")).toBeVisible();
    await expect(steps.locator("canvas")).toHaveCount(2);
    await aligned.click();
    await expect(current).toContainText("Aligned 2 tiles");
    await expect(steps.getByRole("button", { name: /\(undone\)/ }).first()).toBeVisible();
    await expect(loose(page)).toHaveCount(3);
    await steps.getByRole("button", { name: "As it was before all of these" }).click();
    await expect(loose(page)).toHaveCount(0);
    await steps.getByRole("button", { name: /^Made 4 copies of a tile/ }).click();
    await expect(loose(page)).toHaveCount(7);
    await page.keyboard.press("Escape");
    await expect(steps).toHaveCount(0);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
  });

  await test.step("arranged and free ones are chosen and removed together, in one step", async () => {
    await nobodyChosen(page);
    await shelfPhotos(page).last().click();
    await page.getByRole("button", { name: "Arrange 1 photo" }).click();
    await expect(tiles(page)).toHaveCount(1);
    await nobodyChosen(page);
    await tiles(page).first().focus();
    await page.keyboard.press("Control+a");
    await expect(page.getByRole("heading", { name: "4 tiles" })).toBeVisible();
    await page.keyboard.press("Shift+Delete");
    await expectUndo(page, "Removed 4 tiles");
    await expect(loose(page)).toHaveCount(0);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(3);
    await expect(tiles(page)).toHaveCount(1);
  });
});

test("shapes: for chosen tiles or new ones, with a photo in them, told their settings, printed by another program as they are", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, samplePhotos(3));
  await startOwnSize(page, { widthMm: 200, heightMm: 200, ppi: 100 });
  const shape = (name: string) => page.getByRole("tabpanel", { name: "Shapes" }).getByRole("button", { name });

  await test.step("a new tile, in a plain colour, and another with the chosen photo", async () => {
    await openDrawer(page, "Shapes");
    await shape("Heart").click();
    await expectUndo(page, "Put a shape on the page");
    await expect(page.getByRole("combobox", { name: "Outline" })).toHaveValue("heart");
    await typeInto(page, "Width", "100");
    await typeInto(page, "Height", "80");
    await typeInto(page, "From the left", "0");
    await typeInto(page, "From the top", "0");
    await page.getByRole("button", { name: "Plain colour: Clay" }).click();
    await openDrawer(page, "Photos");
    await nobodyChosen(page);
    await shelfPhotos(page).first().click();
    await openDrawer(page, "Shapes");
    await shape("Star").click();
    await expect(page.getByText("On paper 70 × 70 mm")).toBeVisible();
    await typeInto(page, "Points", "8");
    await expectUndo(page, "Changed the outline");
    await typeInto(page, "Width", "80");
    await typeInto(page, "Height", "80");
    await typeInto(page, "From the left", "110");
    await typeInto(page, "From the top", "110");
  });

  await test.step("a tile that is there gets another shape, and is painted so in the file", async () => {
    await shape("Polygon").click();
    await typeInto(page, "Sides", "4");
    await expect(page.getByRole("combobox", { name: "Outline" })).toHaveValue("polygon");
    await typeInto(page, "Border", "2");
    await page.getByRole("button", { name: "Border colour: Black" }).click();
    await expectKept(page);
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption("png");
    const { path } = await savedFile(page);
    const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const perMm = info.width / 200;
    const at = (xMm: number, yMm: number) => {
      const i = 3 * (Math.round(yMm * perMm) * info.width + Math.round(xMm * perMm));
      return [data[i], data[i + 1], data[i + 2]];
    };
    const [clay, white] = [
      [178, 71, 42],
      [255, 255, 255],
    ];
    // The heart: filled in its middle and in both lobes; bare at its notch, its upper corners and beside its point.
    for (const [x, y] of [
      [50, 40],
      [25, 10],
      [75, 10],
      [50, 75],
    ] as const)
      expect([x, y, at(x, y)]).toEqual([x, y, clay]);
    for (const [x, y] of [
      [50, 4],
      [2, 2],
      [98, 2],
      [30, 75],
      [70, 75],
    ] as const)
      expect([x, y, at(x, y)]).toEqual([x, y, white]);
    // The photo stands on a corner: bare where a rectangle's corners would be, black all along its four sides.
    for (const [x, y] of [
      [115, 115],
      [185, 115],
      [115, 185],
      [185, 185],
    ] as const)
      expect([x, y, at(x, y)]).toEqual([x, y, white]);
    for (const [x, y] of [
      [130.7, 130.7],
      [169.3, 130.7],
      [130.7, 169.3],
      [169.3, 169.3],
    ] as const)
      expect(Math.max(...(at(x, y) as number[]))).toBeLessThan(60);
    expect(Math.max(...(at(150, 150) as number[]))).toBeGreaterThan(60);
  });

  await test.step("shapes joined, cut out and mirrored; a torn edge, and corners each their own", async () => {
    await page.getByRole("link", { name: /^Pages/ }).click();
    await nobodyChosen(page);
    await onTop(page, 1).focus();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "Cut the upper shapes out of the lowest" }).click();
    await expectUndo(page, "Made one shape of several");
    await expect(loose(page)).toHaveCount(1);
    await expect(page.getByRole("combobox", { name: "Outline" })).toHaveValue("path");
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(2);
    await nobodyChosen(page);
    await onTop(page, 2).focus();
    await page.keyboard.press("Space");
    await page.getByRole("button", { name: "Mirror left to right" }).click();
    await expectUndo(page, "Mirrored a tile");
    const outline = page.getByRole("combobox", { name: "Outline", exact: true });
    await outline.selectOption("torn");
    await page.getByRole("button", { name: "Tear it otherwise" }).click();
    await expectUndo(page, "Changed the outline");
    await outline.selectOption("corners");
    await page.getByRole("combobox", { name: "Top right, Outline" }).selectOption("scoop");
    await typeInto(page, "Top right", "15");
    await expectUndo(page, "Changed the outline");
    await typeInto(page, "Grow or shrink by", "4");
    await page.getByRole("button", { name: "Grow the shape, corners sharp" }).click();
    await expectUndo(page, "Grew or shrank a shape");
    await expect.poll(() => number(page, "Width")).toBeCloseTo(88, 0);
    await nobodyChosen(page);
  });

  await test.step("tiles put down by eye are shown as they would lie exactly, left alone, and then taken", async () => {
    await onTop(page, 1).focus();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "Arrange these exactly" }).click();
    await expect(page.getByRole("status").filter({ hasText: "Dashed is where they lie" })).toBeVisible();
    await page.getByRole("button", { name: "Leave them" }).click();
    await expect(loose(page)).toHaveCount(2);
    await page.getByRole("button", { name: "Arrange these exactly" }).click();
    await page.getByRole("button", { name: "Take it" }).click();
    await expectUndo(page, "Arranged 2 tiles exactly");
    await expect(tiles(page)).toHaveCount(2);
    await expect(loose(page)).toHaveCount(0);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(2);
  });

  await test.step("a shape dragged out of its drawer lies where it is let go", async () => {
    const before = await loose(page).count();
    await openDrawer(page, "Shapes");
    await nobodyChosen(page);
    const sheet = await box(page.getByTestId("page"));
    const from = await box(shape("Arch"));
    await page.mouse.move(from.x + 40, from.y + 30);
    await page.mouse.down();
    await page.mouse.move(sheet.x + sheet.width * 0.3, sheet.y + sheet.height * 0.5, { steps: 8 });
    await expect(loose(page)).toHaveCount(before + 1);
    await page.mouse.up();
    await expectUndo(page, "Put a shape on the page");
    await expect.poll(() => number(page, "From the left")).toBeCloseTo(60 - 35, 0);
    await expect(page.getByRole("combobox", { name: "Outline", exact: true })).toHaveValue("arch");
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(before);
  });

  await test.step("a drawing: its closed shapes become tiles of their size, colour and name; what cannot is said; nothing in it runs", async () => {
    await openDrawer(page, "Shapes");
    const folder = await mkdtemp(join(tmpdir(), "tessip-drawing-"));
    const drawing = async (name: string, inside: string) => {
      await writeFile(
        join(folder, name),
        `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="100mm" height="80mm" viewBox="0 0 100 80">${inside}</svg>`,
      );
      const chooser = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Shapes from an SVG file …" }).click();
      await (await chooser).setFiles(join(folder, name));
    };
    const before = await loose(page).count();
    await drawing(
      "wall.svg",
      `<script>document.title = "taken over"</script>
       <rect onclick="document.title = 'taken over'" width="30" height="20" fill="#b2472a"><title>The door</title></rect>
       <symbol id="pane" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></symbol>
       <use xlink:href="#pane" x="40" y="10" width="20" height="20"/>
       <image href="https://example.org/outside.png" width="10" height="10"/>
       <text x="1" y="70">Words</text>
       <path d="M0 60L50 60" fill="none" stroke="black"/>`,
    );
    await expectUndo(page, "Took 2 shapes from a drawing");
    await expect(page.getByText("Left out: 1 open line, 1 piece of text, 1 picture.")).toBeVisible();
    await expect(loose(page)).toHaveCount(before + 2);
    await expect(page).not.toHaveTitle(/taken over/);
    await nobodyChosen(page);
    await onTop(page, before + 1).focus();
    await page.keyboard.press("Space");
    await expect.poll(() => number(page, "Width")).toBeCloseTo(30, 1);
    await expect.poll(() => number(page, "Height")).toBeCloseTo(20, 1);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(before);
    await drawing("words.svg", `<text x="1" y="70">Only words</text>`);
    await expect(page.getByText(/words\.svg has no closed shape that could become a tile/)).toBeVisible();
    await drawing("broken.svg", `<rect width="3`);
    await expect(page.getByText("That file is no SVG drawing that can be read.")).toBeVisible();
    await expect(loose(page)).toHaveCount(before);
  });

  await test.step("guides: dragged out of the page's edge, typed, moved by key, snapped to, and dragged off again", async () => {
    const sheet = await box(page.getByTestId("page"));
    const perMm = sheet.width / 200;
    await page.mouse.move(sheet.x - 10, sheet.y + 200);
    await page.mouse.down();
    await page.mouse.move(sheet.x + 60 * perMm, sheet.y + 210, { steps: 6 });
    await page.mouse.up();
    await expectUndo(page, "Laid a guide");
    const guide = page.getByRole("separator", { name: /^Guide 1/ });
    await guide.focus();
    await page.keyboard.press("Shift+ArrowRight");
    await expectUndo(page, "Moved a guide");
    await nobodyChosen(page);
    const guides = page.getByRole("button", { name: "Guides", exact: true });
    if ((await guides.getAttribute("aria-expanded")) === "false") await guides.click();
    await typeInto(page, "Guide 1, from the left", "300");
    await expect(page.getByText("That is off the page.")).toBeVisible();
    await typeInto(page, "Guide 1, from the left", "33");
    await onTop(page, 1).focus();
    await page.keyboard.press("Space");
    await expect.poll(() => number(page, "From the left")).toBeGreaterThanOrEqual(0);
    await typeInto(page, "From the left", "35");
    const b = await box(onTop(page, 1));
    await pull(page, { x: b.x + b.width / 2, y: b.y + b.height / 2 }, -1.5 * perMm, 0);
    await expect.poll(() => number(page, "From the left")).toBeCloseTo(33, 1);
    await nobodyChosen(page);
    const line = await box(guide);
    await page.mouse.move(line.x + line.width / 2, sheet.y + sheet.height - 12);
    await page.mouse.down();
    await page.mouse.move(sheet.x - 30, sheet.y + sheet.height - 12, { steps: 5 });
    await page.mouse.up();
    await expectUndo(page, "Removed a guide");
    await expect(guide).toHaveCount(0);
  });
});
