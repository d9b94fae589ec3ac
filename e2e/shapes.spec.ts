import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { zipSync } from "fflate";
import sharp from "sharp";
import { loose, number, onTop, pull } from "./support/free-tiles.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  box,
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

test("shapes: for chosen tiles or new ones, with a photo in them, told their settings, printed by another program as they are", async ({
  page,
}) => {
  await withPhotos(page, 3);
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
      await page.getByRole("button", { name: "From an SVG or OpenRaster file …" }).click();
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

  await test.step("layers of a picture lie where they lay in it, with their names and strengths; what shows through goes on doing so", async () => {
    const before = await loose(page).count();
    const png = (w: number, h: number, background: { r: number; g: number; b: number; alpha: number }) =>
      sharp({ create: { width: w, height: h, channels: 4, background } })
        .png()
        .toBuffer();
    const zip = async (stack: string) =>
      Buffer.from(
        zipSync({
          mimetype: [Buffer.from("image/openraster"), { level: 0 }],
          "stack.xml": Buffer.from(stack),
          "data/ground.png": await png(600, 400, { r: 200, g: 40, b: 40, alpha: 1 }),
          "data/veil.png": await png(300, 200, { r: 40, g: 40, b: 200, alpha: 0.5 }),
          "data/note.png": await png(60, 60, { r: 0, g: 90, b: 0, alpha: 1 }),
        }),
      );
    const take = async (name: string, buffer: Buffer) => {
      const chooser = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "From an SVG or OpenRaster file …" }).click();
      await (await chooser).setFiles({ name, mimeType: "image/openraster", buffer });
    };
    await take(
      "layers.ora",
      await zip(
        `<?xml version="1.0"?><image version="0.0.6" w="600" h="400" xres="150" yres="150"><stack>
           <stack opacity="0.5"><layer name="A veil" src="data/veil.png" x="150" y="100" opacity="0.8"/></stack>
           <layer name="A note" src="data/note.png" x="500" y="10" visibility="hidden"/>
           <layer name="Gone" src="data/gone.png"/>
           <layer name="The ground" src="data/ground.png" x="0" y="0"/>
         </stack></image>`,
      ),
    );
    await expectUndo(page, "Took 3 layers from a picture");
    await expect(page.getByText("3 layers are on the page. Left out: 1 layer whose picture is missing")).toBeVisible();
    // The hidden one is kept, and not there to be taken hold of.
    await expect(loose(page)).toHaveCount(before + 2);
    await nobodyChosen(page);
    await onTop(page, before + 2).focus();
    await page.keyboard.press("Space");
    await expect.poll(() => number(page, "Width")).toBeCloseTo((300 / 150) * 25.4, 1);
    await expect.poll(() => number(page, "Height")).toBeCloseTo((200 / 150) * 25.4, 1);
    const all = page.getByRole("button", { name: "Everything, front to back" });
    if ((await all.getAttribute("aria-expanded")) === "false") await all.click();
    for (const name of ["A veil", "A note", "The ground"]) await expect(page.getByText(name).first()).toBeVisible();
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(before);
    await take("bomb.ora", await zip('<!DOCTYPE x [<!ENTITY a "aaaa">]><image w="9" h="9">&a;</image>'));
    await expect(page.getByText("bomb.ora is no OpenRaster picture")).toBeVisible();
    await take("text.ora", Buffer.from("not a zip at all"));
    await expect(page.getByText("text.ora is no OpenRaster picture")).toBeVisible();
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
