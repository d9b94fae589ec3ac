import type { Page } from "@playwright/test";
import { withPhotos } from "./prepared.ts";
import {
  addFreeWords,
  arrangeFirst,
  expectKept,
  expectUndo,
  longMs,
  nobodyChosen,
  paintedPage,
  startCollage,
  tile,
} from "./tessip.ts";

/** What journeys of sending share. */

/** Whether it was made before or not. */
export const again = /^Save (it once more|the .+ to disk)$/;

export async function saved(
  page: Page,
  button: string | RegExp,
): Promise<{ readonly name: string; readonly path: string }> {
  const download = page.waitForEvent("download", { timeout: longMs });
  await page.getByRole("button", { name: button }).click();
  const file = await download;
  return { name: file.suggestedFilename(), path: await file.path() };
}

/** A collage with a title, on its way to be sent; gives back how it looks. */
export async function titledCollage(page: Page, photos: number, title: string): Promise<Buffer> {
  await withPhotos(page, photos);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, photos);
  await page.keyboard.press("Escape");
  await addFreeWords(page, "A title", title);
  await nobodyChosen(page);
  // What lets through what lies behind it has to come out the same in each kind of file.
  await tile(page, photos).click();
  await page.getByRole("button", { name: /^Shadow, soft edge/ }).click();
  const opacity = page.getByRole("textbox", { name: "Opacity, %" });
  await opacity.fill("40");
  await page.keyboard.press("Enter");
  await expectUndo(page, "Changed how see-through a tile is");
  await page.keyboard.press("Escape");
  await expectKept(page);
  const onScreen = await paintedPage(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  return onScreen;
}
