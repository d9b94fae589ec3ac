import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page } from "@playwright/test";
import { withPhotos } from "./prepared.ts";
import { arrangeFirst, expectKept, expectUndo, shelfPhotos, startCollage, tiles, typeInto } from "./tessip.ts";

export const scratch = (name: string) => mkdtemp(join(tmpdir(), `tessip-${name}-`));
export const works = (page: Page) => page.getByRole("link", { name: /^Open / });
export const whereKept = (page: Page) => page.getByRole("button", { name: /^Where your projects are kept/ });
export const dialog = (page: Page) => page.getByRole("dialog");

export async function makeWork(page: Page, photos: number): Promise<string> {
  await withPhotos(page, photos);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 3);
  await typeInto(page, "Gap", "5 mm");
  await expectUndo(page, "Changed the gap");
  await expectKept(page);
  return page.url();
}

/** The work of `makeWork` with its history, its photos as pictures. */
export async function expectWork(page: Page, photos: number): Promise<void> {
  await page.goto("/");
  await works(page).first().click();
  await expect(tiles(page)).toHaveCount(3);
  await expectUndo(page, "Changed the gap");
  await expect(shelfPhotos(page)).toHaveCount(photos);
  await expect(shelfPhotos(page).first().locator("img")).toBeVisible();
}
