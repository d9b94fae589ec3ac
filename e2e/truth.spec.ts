import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { measurePlate, placing } from "../core/pixels/zone-plate.fixture.ts";
import { arrangeFirst, chooseFiles, savedFile, startOwnSize, tile } from "./support/tessip.ts";
import { plateFile } from "./truth/charts.ts";

const scratch = () => mkdtemp(join(tmpdir(), "tessip-truth-"));

/** The one photo that there is, over the whole of a square page of so many pixels. */
async function onPage(page: Page, sidePx: number): Promise<void> {
  await page.goto("/");
  await startOwnSize(page, { widthMm: sidePx / 10, heightMm: sidePx / 10, ppi: 254 });
  await arrangeFirst(page, 1);
  await page.getByRole("button", { name: "Full bleed" }).click();
}

async function measured(path: string, n: number, scale: number, turn: number) {
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const { matrix } = placing(n, scale, turn);
  const about = { ...matrix, e: info.width / 2 - ((matrix.a + matrix.c) * n) / 2 };
  const placed = { ...about, f: info.height / 2 - ((matrix.b + matrix.d) * n) / 2 };
  return measurePlate({ data, width: info.width, height: info.height }, n, placed, 3);
}

test("a zone plate comes out as crisp as Lanczos 3 makes it and without false patterns, straight and turned", async ({
  page,
}) => {
  const n = 2000;
  const scale = 0.61;
  await page.goto("/");
  await chooseFiles(page, [await plateFile(await scratch(), n)]);
  const png = async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByRole("button", { name: "Otherwise" }).click();
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption("png");
    return (await savedFile(page)).path;
  };
  await onPage(page, n * scale);
  const straight = await measured(await png(), n, scale, 0);
  expect(straight.ring(0.3)).toBeGreaterThan(88);
  expect(straight.ring(0.4)).toBeGreaterThan(80);
  expect(straight.ring(0.8)).toBeLessThan(4.5);
  expect(straight.lost).toBeLessThan(4.2);
  expect(straight.alias).toBeLessThan(5);

  // Turned, it has to be so much larger to cover the page.
  const radians = (7 * Math.PI) / 180;
  const larger = Math.cos(radians) + Math.sin(radians);
  const side = Math.round((n * scale) / larger);
  await onPage(page, side);
  await tile(page, 1).dblclick();
  await page.getByRole("slider", { name: "Turn" }).fill("7");
  await page.keyboard.press("Enter");
  const turned = await measured(await png(), n, (side * larger) / n, 7);
  expect(turned.ring(0.3)).toBeGreaterThan(88);
  expect(turned.lost).toBeLessThan(4.2);
  expect(turned.alias).toBeLessThan(5);
});
