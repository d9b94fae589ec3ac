import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { arrangeFirst, chooseFiles, startCollage, tile } from "./support/tessip.ts";

const sheet = (page: Page) => page.getByTestId("page");
const percent = (page: Page) => page.getByTestId("zoom");

/** Photos of fine upright stripes, two pixels dark and two light, of which no preview keeps anything. */
async function stripes(count: number): Promise<string[]> {
  const folder = await mkdtemp(join(tmpdir(), "tessip-stripes-"));
  const [width, height] = [3600, 3600];
  const row = Buffer.from(Array.from({ length: width }, (_, x) => (x % 4 < 2 ? 20 : 235)));
  const grey = Buffer.concat(Array.from({ length: height }, () => row));
  return Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const path = join(folder, `stripes-${i}.png`);
      await sharp(grey, { raw: { width, height, channels: 1 } })
        .png({ compressionLevel: 1 })
        .toFile(path);
      return path;
    }),
  );
}

/** Darkest and lightest of a row of pixels in the middle of what a page's canvas shows. */
const contrast = (canvas: Locator): Promise<number> =>
  canvas.evaluate((at: HTMLCanvasElement) => {
    const row = at.getContext("2d")!.getImageData(at.width / 2 - 60, Math.round(at.height / 2), 120, 1).data;
    const greys = Array.from({ length: 120 }, (_, i) => row[4 * i]!).sort((a, b) => a - b);
    return greys[100]! - greys[20]!;
  });

const box = async (at: Locator) => (await at.boundingBox())!;

/** Fingers on the glass, by the browser's own protocol. */
async function fingers(page: Page) {
  const cdp = await page.context().newCDPSession(page);
  return (type: "touchStart" | "touchMove" | "touchEnd", points: readonly (readonly [number, number])[]) =>
    cdp.send("Input.dispatchTouchEvent", { type, touchPoints: points.map(([x, y], id) => ({ x, y, id })) });
}

test("the page is looked at closely: by wheel, keys, menu, hand and two fingers, down to each printed pixel", async ({
  page,
}) => {
  await page.goto("/");
  await chooseFiles(page, await stripes(1));
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 1);
  await page.keyboard.press("Escape");
  const canvas = sheet(page).locator("canvas").first();
  const whole = await box(sheet(page));

  await test.step("each printed pixel, painted from the photo itself and not from a preview", async () => {
    expect(await contrast(canvas)).toBeLessThan(60);
    await page.keyboard.press("3");
    await expect(percent(page)).toHaveText("313 %");
    await expect.poll(() => contrast(canvas)).toBeGreaterThan(150);
    // However large the page is, what is painted is no larger than the window.
    const painted = await canvas.evaluate((at: HTMLCanvasElement) => at.width * at.height);
    expect(painted).toBeLessThan(1280 * 800);
    await page.keyboard.press("0");
    await expect.poll(() => box(sheet(page))).toEqual(whole);
  });

  await test.step("ctrl and the wheel come closer where the pointer is; the wheel alone moves along", async () => {
    const at = { x: whole.x + 0.3 * whole.width, y: whole.y + 0.4 * whole.height };
    await page.mouse.move(at.x, at.y);
    const notches = async (n: number) => {
      const was = (await box(sheet(page))).width;
      await page.keyboard.down("Control");
      for (let i = 0; i < n; i += 1) await page.mouse.wheel(0, -100);
      await page.keyboard.up("Control");
      await expect.poll(async () => (await box(sheet(page))).width / was).toBeCloseTo(1.25 ** n, 1);
      return box(sheet(page));
    };
    // A page that is smaller than the window stays in its middle; from there on it grows about the pointer.
    const near = await notches(4);
    const closer = await notches(3);
    expect((at.x - closer.x) / closer.width).toBeCloseTo((at.x - near.x) / near.width, 2);
    expect((at.y - closer.y) / closer.height).toBeCloseTo((at.y - near.y) / near.height, 2);
    await page.mouse.wheel(30, 50);
    await expect.poll(async () => (await box(sheet(page))).y - closer.y).toBeCloseTo(-50, 0);
    expect((await box(sheet(page))).x - closer.x).toBeCloseTo(-30, 0);
    await page.keyboard.press("Control+ArrowLeft");
    await expect.poll(async () => (await box(sheet(page))).x - closer.x).toBeCloseTo(50, 0);
  });

  await test.step("the hand and the middle button move it; both leave the tiles alone", async () => {
    await page.getByRole("button", { name: "Move the page by hand" }).click();
    const from = await box(sheet(page));
    const drag = async (button: "left" | "middle") => {
      await page.mouse.move(500, 300);
      await page.mouse.down({ button });
      await page.mouse.move(460, 330, { steps: 4 });
      await page.mouse.up({ button });
    };
    await drag("left");
    await expect.poll(async () => (await box(sheet(page))).x - from.x).toBeCloseTo(-40, -1);
    expect((await box(sheet(page))).y - from.y).toBeCloseTo(30, -1);
    await page.keyboard.press("h");
    await expect(page.getByTestId("hand")).toHaveCount(0);
    await drag("middle");
    await expect.poll(async () => (await box(sheet(page))).x - from.x).toBeCloseTo(-80, -1);
    await expect(tile(page, 1)).toHaveAttribute("aria-selected", "false");
  });

  await test.step("two fingers", async () => {
    await page.keyboard.press("0");
    const touch = await fingers(page);
    await touch("touchStart", [
      [400, 300],
      [500, 300],
    ]);
    for (const far of [70, 90, 110])
      await touch("touchMove", [
        [450 - far, 300],
        [450 + far, 300],
      ]);
    await touch("touchEnd", []);
    await expect.poll(async () => (await box(sheet(page))).width / whole.width).toBeCloseTo(2.2, 1);
  });

  await test.step("by the menu: as large as on paper, as wide as the window, whole", async () => {
    const by = async (name: string) => {
      await percent(page).click();
      await page.getByRole("menuitem", { name: new RegExp(`^${name}`) }).click();
    };
    await by("As large as on paper");
    await expect(percent(page)).toHaveText("100 %");
    await expect.poll(async () => (await box(sheet(page))).width).toBeCloseTo((310.8 / 25.4) * 96, 0);
    await by("As wide as the window");
    await expect.poll(async () => (await box(sheet(page))).width).toBeGreaterThan(900);
    await by("Whole page");
    await expect.poll(() => box(sheet(page))).toEqual(whole);
    for (let i = 0; i < 30; i += 1) await page.getByRole("button", { name: "Further away", exact: true }).click();
    expect((await box(sheet(page))).width).toBeGreaterThan(100);
  });

  await test.step("a photo is reframed close by; its dimmed rest is painted no larger than the window", async () => {
    await page.keyboard.press("2");
    await tile(page, 1).dblclick({ position: { x: 300, y: 300 } });
    const open = page.getByTestId("reframe");
    await expect(open).toBeVisible();
    const painted = await open
      .locator("canvas")
      .evaluate((at: HTMLCanvasElement) => [at.width, at.height].map((px) => px < 1400));
    expect(painted).toEqual([true, true]);
    await page.keyboard.press("+");
    await page.keyboard.press("ArrowLeft");
    await expect(page.getByRole("button", { name: "Undo: Reframed a photo" })).toBeVisible();
    await expect(percent(page)).toHaveText("100 %");
    await page.keyboard.press("Enter");
  });

  await test.step("Send and reading through, too", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    const proof = page.getByTestId("proof");
    const was = (await box(proof)).width;
    await page.keyboard.press("3");
    await expect.poll(async () => (await box(proof)).width).toBeCloseTo(3671, 0);
    await expect.poll(() => contrast(proof.locator("canvas").first())).toBeGreaterThan(150);
    await page.keyboard.press("0");
    await expect.poll(async () => (await box(proof)).width).toBe(was);
    await page.goto(page.url().replace(/\/send$/, "/read"));
    const leaf = page.locator("[data-leaf]");
    await expect(leaf).toBeVisible();
    await page.keyboard.press("2");
    await expect.poll(async () => (await box(leaf)).width).toBeCloseTo((304.8 / 25.4) * 96, 0);
  });
});
