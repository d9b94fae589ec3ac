import type { Page } from "@playwright/test";

/** What journeys of tiles that lie freely share. */

/** A number in the panel of what is chosen. */
export const number = async (page: Page, name: string) =>
  Number(await page.getByRole("textbox", { name, exact: true }).inputValue());
export const loose = (page: Page) => page.getByRole("option", { name: /^On top \d+ of/ });
export const onTop = (page: Page, n: number) => page.getByRole("option", { name: new RegExp(`^On top ${n} of`) });

/** The mouse presses there, moves so many pixels, and lets go. */
export async function pull(
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
