import { expect, type Page } from "@playwright/test";
import { chooseFiles, savedFile, shelfPhotos, startOwnSize, tiles, typeInto } from "../support/tessip.ts";

/** Square photos side by side on a square page without gaps, so that it is known where each of them prints. */
export async function sideBySide(page: Page, photos: readonly string[], sideMm: number, ppi: number): Promise<void> {
  await page.goto("/");
  await chooseFiles(page, photos);
  await startOwnSize(page, { widthMm: sideMm, heightMm: sideMm, ppi });
  await shelfPhotos(page).first().click();
  for (let i = 1; i < photos.length; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: new RegExp(`^Arrange ${photos.length} photo`) }).click();
  await expect(tiles(page)).toHaveCount(photos.length);
  await typeInto(page, "Gap", "0 mm");
  await page.getByRole("button", { name: "Full bleed" }).click();
}

export const kinds = ["jpeg", "png", "tiff", "webp", "pdf", "svg", "ora"] as const;
export type Kind = (typeof kinds)[number];

/** The open page as a file of each kind; from the page's place and back to it. */
export async function everyKind(page: Page, of: readonly Kind[] = kinds): Promise<Record<Kind, string>> {
  const made: Partial<Record<Kind, string>> = {};
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  for (const kind of of) {
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption(kind);
    if (kind === "tiff") await page.getByRole("combobox", { name: "Packed" }).selectOption("lzw");
    made[kind] = (await savedFile(page)).path;
  }
  await page.getByRole("link", { name: /^Pages/ }).click();
  return made as Record<Kind, string>;
}
