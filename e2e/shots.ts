import { spawn } from "node:child_process";
import { mkdir, mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { chromium, type Page } from "@playwright/test";
import { launchOptions, viewport } from "./support/browser.ts";
import { openDrawer, shelfPhotos, startCollage, takeSample } from "./support/tessip.ts";

/** One picture of each main view, made from the sample. `npm run shots -- NAME …` takes only those. */

const port = 4197;
const folder = join(import.meta.dirname, "..", "docs", "screenshots");
const wanted = new Set(process.argv.slice(2));

async function shot(page: Page, name: string): Promise<void> {
  if (wanted.size > 0 && !wanted.has(name)) return;
  await page.evaluate(() => document.fonts.ready);
  // What was just done is said for a moment only, and would cover what the picture is of.
  await page.addStyleTag({ content: "[data-scope=toast] { opacity: 0 !important }" });
  // The careful repaint comes when the page has rested for a moment.
  await page.waitForTimeout(900);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  process.stdout.write(`${name}.png\n`);
}

/** Panel and page run follow a moment after the page, a long one where the machine is slow. */
async function openPage(page: Page, n: number): Promise<void> {
  const inRun = page.getByRole("option", { name: new RegExp(`^Page ${n} `) });
  await inRun.first().click();
  await inRun.and(page.locator("[aria-selected=true]")).waitFor();
  await page.evaluate(() => new Promise<void>((idle) => requestIdleCallback(() => requestIdleCallback(() => idle()))));
}

const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
  stdio: ["ignore", "pipe", "inherit"],
});
await new Promise((ready) => server.stdout.once("data", ready));
await mkdir(folder, { recursive: true });
const browser = await chromium.launch(launchOptions);
try {
  const context = await browser.newContext({ viewport, locale: "en-GB", baseURL: `http://127.0.0.1:${port}` });
  const page = await context.newPage();
  await page.goto("/");
  await takeSample(page);
  await page.goto("/");
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await page.getByRole("textbox", { name: "Name of this project" }).fill("A year aboard");
  await page.keyboard.press("Enter");
  const listed = [0, 1, 2, 4, 6, 9, 13, 20, 24, 28, 33, 38];
  const ids = await page.evaluate(() => document.querySelectorAll("[data-photo]").length);
  if (ids === 0) throw new Error("the shelf is empty");
  await shelfPhotos(page).first().focus();
  for (let at = 0, i = 0; i < listed.length; i += 1) {
    for (; at < listed[i]!; at += 1) await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Space");
  }
  await page.getByRole("button", { name: /^Arrange 12/ }).click();
  await openDrawer(page, "Other ways");
  await page.getByRole("group", { name: "Other ways" }).getByRole("button").first().waitFor();
  await page.mouse.move(480, 400);
  await shot(page, "pages");
  await openDrawer(page, "Templates");
  await page.locator("[data-card]").first().waitFor();
  await shot(page, "templates");
  await openDrawer(page, "Photos");
  await shelfPhotos(page).first().click();
  for (let i = 0; i < 23; i += 1) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "A page for each" }).click();
  await page.getByText("each its own way, exactly").click();
  await page.getByRole("button", { name: "Make 2 pages" }).click();
  await page.getByRole("link", { name: /Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  await shot(page, "send");
  await page.getByRole("link", { name: "To all your projects" }).click();
  await page.getByText("Pocket pages", { exact: true }).click();
  await page.getByRole("link", { name: "To all your projects" }).click();
  await page.getByText("A book", { exact: true }).click();
  await page.getByText("Otterbourne Books", { exact: true }).click();
  await page.getByText("25 × 20 cm", { exact: true }).click();
  await page.getByText("Landscape", { exact: true }).click();
  await page.getByRole("button", { name: "Make an example book and pocket pages" }).click();
  await page.getByText(/are among your projects/).waitFor();
  await page.getByRole("link", { name: "Open Walls, tables and windows" }).click();
  await openDrawer(page, "Other ways");
  await page.getByText("Patterns", { exact: true }).click();
  await page.locator("[data-card]").nth(5).waitFor();
  await page.mouse.move(480, 30);
  await shot(page, "hexagons");
  await page.keyboard.press("Escape");
  await openPage(page, 7);
  await openDrawer(page, "Ornaments");
  await page.locator("[data-card]").nth(5).waitFor();
  await shot(page, "dressed");
  await openPage(page, 8);
  await openDrawer(page, "Papers");
  await page.getByText("All pages", { exact: true }).click();
  await page.getByRole("group", { name: "Palette of the work" }).waitFor();
  await page.mouse.move(480, 30);
  await shot(page, "papers");
  await page.getByText("This page", { exact: true }).click();
  await page.keyboard.press("PageDown");
  await page.getByRole("option", { name: /^On top 2 of/ }).click();
  await page.getByRole("button", { name: /^Shadow, soft/ }).click();
  await page.getByRole("button", { name: "Brush further" }).click();
  const brushed = await page.getByTestId("brush").boundingBox();
  if (brushed) await page.mouse.move(brushed.x + 0.16 * brushed.width, brushed.y + 0.8 * brushed.height);
  await shot(page, "faded");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "To all your projects" }).click();
  await page.getByRole("link", { name: "Open The kitchen drawer" }).click();
  await page.keyboard.press("PageDown");
  await shot(page, "pockets");
  await page.getByRole("link", { name: /^Print sheets/ }).click();
  await page.getByRole("button", { name: "All cards of the pockets" }).click();
  await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
  await page.getByRole("button", { name: "Pack the sheets" }).click();
  await page.getByTestId("packed").waitFor({ timeout: 60_000 });
  // One that has something to cut.
  await page
    .locator("[data-sheet]")
    .filter({ has: page.locator("[data-card]:nth-of-type(2)") })
    .first()
    .click();
  await shot(page, "sheets");
  await page.getByRole("button", { name: "Order them from Fernhill Prints" }).click();
  await page.locator("[data-stage=printing]").waitFor({ timeout: 120_000 });
  await shot(page, "orders");
  await page.getByRole("link", { name: "To all your projects" }).click();
  await page.getByRole("link", { name: "Open Our year on the Marigold" }).click();
  await page.getByRole("link", { name: "Overview" }).click();
  await page.getByRole("listbox", { name: "The pages of this book" }).getByRole("option").nth(3).click();
  await shot(page, "overview");
  await page.getByRole("button", { name: "Back to the page" }).click();
  await page.getByRole("option", { name: "The cover" }).click();
  await shot(page, "cover");
  await page.getByRole("link", { name: /^Check/ }).click();
  await page.locator("[data-testid=findings][aria-busy=false]").waitFor();
  await shot(page, "check");
  await page.getByRole("button", { name: "More about this project" }).click();
  await page.getByRole("menuitem", { name: "All words and captions" }).click();
  await page.getByTestId("captions").getByRole("textbox").nth(2).click();
  await shot(page, "words");
  await page.getByRole("button", { name: "More about this project" }).click();
  await page.getByRole("menuitem", { name: "Read through" }).click();
  // A leaf that is being turned hears no key.
  for (let i = 0; i < 8 && !(await page.getByText("Pages 2 and 3 of 40").isVisible()); i += 1) {
    await page.keyboard.press("ArrowRight");
    await page.waitForTimeout(700);
  }
  await page.getByRole("button", { name: /^Note 1, / }).click();
  await page.getByRole("button", { name: "Answer", exact: true }).waitFor();
  await shot(page, "reading");
  await page.getByRole("button", { name: "All notes" }).click();
  await page.getByRole("button", { name: "Make a proof …" }).click();
  await page.getByRole("textbox", { name: "Across every page" }).fill("");
  const download = page.waitForEvent("download", { timeout: 240_000 });
  await page.getByRole("button", { name: "Make the proof" }).click();
  const reader = await (
    await browser.newContext({ viewport, locale: "en-GB", offline: true, bypassCSP: true })
  ).newPage();
  const proof = join(await mkdtemp(join(tmpdir(), "tessip-shots-")), "proof.html");
  await (await download).saveAs(proof);
  await reader.goto(pathToFileURL(proof).href);
  await reader.locator(".leaf").first().waitFor();
  await reader.keyboard.press("ArrowRight");
  await reader.keyboard.press("ArrowRight");
  await reader.getByRole("button", { name: /^Note 1, / }).click();
  await shot(reader, "reader");
  await page.getByRole("button", { name: "Close the notes" }).click();
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /Photos/ }).click();
  for (const [day, name] of [
    ["22 March 2025", "Moving aboard"],
    ["6 April 2025", "First lock"],
  ] as const) {
    const heading = page.getByRole("textbox", { name: `Name of this event, ${day}` });
    await heading.fill(name);
    await heading.press("Enter");
  }
  await shot(page, "photos");
  await page.getByRole("link", { name: "To all your projects" }).click();
  await shot(page, "start");
  await page.getByText("Photo prints", { exact: true }).click();
  await page.getByRole("button", { name: "Start these prints" }).click();
  const print = async (from: number, more: number, size: RegExp) => {
    await shelfPhotos(page).nth(from).click();
    for (let i = 0; i < more; i += 1) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: size }).click();
  };
  await print(0, 5, /^4 × 6 in/);
  await print(6, 3, /^8 × 10 in/);
  await page.locator("[data-print]").nth(1).click();
  await page.keyboard.press("+");
  await shot(page, "prints");
} finally {
  await browser.close();
  server.kill();
}
