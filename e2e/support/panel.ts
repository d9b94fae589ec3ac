import { expect, type Page } from "@playwright/test";
import { printOfPage } from "./tessip.ts";

/** What journeys of a page's dress share. */

export const slider = (page: Page, name: string) => page.getByRole("slider", { name, exact: true });

/** Opens a section of the panel that may be folded. */
export const openSection = async (page: Page, name: RegExp): Promise<void> => {
  const fold = page.getByRole("button", { name });
  if ((await fold.getAttribute("aria-expanded")) === "false") await fold.click();
};

/** Does something, and waits until the page is painted otherwise. */
export async function repaints(page: Page, act: () => Promise<unknown>): Promise<void> {
  const before = await printOfPage(page);
  await act();
  await expect.poll(() => printOfPage(page)).not.toBe(before);
}
