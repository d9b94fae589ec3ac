import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { packedFont, postScriptFont, trueTypeFont } from "../web/words/own-fonts.fixture.ts";
import { repaints } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  differing,
  expectFilesAsOnScreen,
  expectUndo,
  nobodyChosen,
  paintedPage,
  savedFile,
  saveWorkAsFile,
  startOwnSize,
} from "./support/tessip.ts";

const fontButton = (page: Page) => page.getByRole("button", { name: /^Font: / });
const ownFonts = (page: Page) => page.getByRole("dialog", { name: "Your fonts" });

async function openOwn(page: Page): Promise<void> {
  await fontButton(page).click();
  await page.getByRole("menuitem", { name: "Your own fonts" }).click();
}

const bringIn = async (page: Page, paths: readonly string[]) =>
  ownFonts(page)
    .locator('input[type="file"]')
    .setInputFiles([...paths]);

/** What another program finds of fonts in a PDF: name, kind, whether it is embedded, as a part, with a way back to text. */
const fontsIn = (path: string): string[] =>
  execFileSync("pdffonts", [path], { encoding: "utf8" })
    .split("\n")
    .slice(2)
    .map((line) => line.trim().replace(/\s+/g, " "))
    .filter(Boolean);

test("own fonts: brought in as files and from the computer, kept, in print and in project files as far as their makers allow", async ({
  page,
  browser,
  baseURL,
}, info) => {
  const put = (name: string, bytes: Uint8Array) => {
    const path = info.outputPath(name);
    writeFileSync(path, bytes);
    return path;
  };
  const hand = put("hand.ttf", await trueTypeFont({ family: "Grandma’s Hand" }));
  const bold = put(
    "hand-bold.ttf",
    await trueTypeFont({ family: "Grandma’s Hand", bold: true }, packedFont("caveat", "700-normal")),
  );
  const script = put("script.otf", await postScriptFont("Opa Script", packedFont("great-vibes")));
  const keptBack = put("kept-back.ttf", await trueTypeFont({ family: "Kept Back", fsType: 2 }, packedFont("pacifico")));
  const damaged = put("broken.ttf", (await trueTypeFont({ family: "Broken" })).slice(0, 5000));
  const huge = put("huge.ttf", new Uint8Array(40_000_000));
  const computer = Buffer.from(await trueTypeFont({ family: "Desk Serif" }, packedFont("lora"))).toString("base64");
  await page.addInitScript((font) => {
    const bytes = Uint8Array.from(atob(font), (c) => c.charCodeAt(0));
    const face = (family: string) => ({
      family,
      fullName: family,
      style: "Regular",
      blob: async () => new Blob([bytes]),
    });
    const all = [face("Desk Serif"), ...Array.from({ length: 60 }, (_, i) => face(`Other ${i}`))];
    Object.assign(window, { queryLocalFonts: async () => all });
  }, computer);
  await withPhotos(page, 1);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });
  await addWords(page, "A title");
  await page.keyboard.type("Grandma wrote this");
  await page.keyboard.press("Escape");

  await test.step("files come in one by one; what is no font is named, and keeps no other out", async () => {
    await openOwn(page);
    await bringIn(page, [hand, damaged, bold, script, keptBack, huge]);
    const dialog = ownFonts(page);
    await expect(dialog.getByText("3 fonts are here now: Grandma’s Hand, Opa Script, Kept Back.")).toBeVisible();
    await expect(dialog.getByText(/^broken\.ttf did not come in\. The file is damaged/)).toBeVisible();
    await expect(dialog.getByText("huge.ttf did not come in. It is larger than 30 MB.")).toBeVisible();
    await expect(dialog.getByText("Regular, bold.")).toBeVisible();
    await expect(dialog.getByText(/Its maker keeps it out of files/)).toBeVisible();
    await dialog.getByRole("button", { name: "Use Grandma’s Hand" }).click();
    await expect(fontButton(page)).toHaveAccessibleName("Font: Grandma’s Hand");
    await expectUndo(page, /Changed how words look/);
  });

  await test.step("bold is its own bold, and a slant that it lacks is not offered", async () => {
    const plain = await paintedPage(page);
    await repaints(page, () => page.getByRole("button", { name: "Bold" }).click());
    expect(await differing(plain, await paintedPage(page))).toBeGreaterThan(0);
    await expect(page.getByRole("button", { name: "Italic" })).toBeDisabled();
    await repaints(page, () => page.getByRole("button", { name: "Bold" }).click());
  });

  await test.step("fonts of this computer are found by name, and kept", async () => {
    await openOwn(page);
    const dialog = ownFonts(page);
    await dialog.getByRole("button", { name: "Fonts of this computer" }).click();
    await expect(dialog.getByText("21 more. Type a part of the name.")).toBeVisible();
    await dialog.getByRole("textbox", { name: "Find a font" }).fill("desk");
    await dialog.getByRole("button", { name: "Bring in Desk Serif" }).click();
    await expect(dialog.getByText("Desk Serif is here now.")).toBeVisible();
    await dialog.getByRole("button", { name: "Take Desk Serif off the list" }).click();
    await expect(dialog.getByText("Off the list. Words that are set in it stay as they are.")).toBeVisible();
    await page.keyboard.press("Escape");
    await fontButton(page).click();
    await expect(page.getByRole("menuitemradio", { name: /^Opa Script/ })).toBeVisible();
    await expect(page.getByRole("menuitemradio", { name: /^Desk Serif/ })).toHaveCount(0);
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
  });

  await test.step("words in each of them, which are still there when the page is loaded anew", async () => {
    for (const name of ["Opa Script", "Kept Back"]) {
      await addWords(page, "A title");
      await page.keyboard.type(`By ${name}`);
      await page.keyboard.press("Escape");
      await fontButton(page).click();
      await repaints(page, () => page.getByRole("menuitemradio", { name: new RegExp(`^${name}`) }).click());
      await nobodyChosen(page);
    }
    const before = await paintedPage(page);
    await page.reload();
    await expect.poll(async () => differing(before, await paintedPage(page))).toBe(0);
  });

  await test.step("a PDF has their letters as text, cut down, and those that are kept back as shapes; all files agree", async () => {
    const screen = await paintedPage(page);
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
    const { path } = await savedFile(page);
    const fonts = fontsIn(path);
    expect(fonts).toHaveLength(2);
    expect(fonts.some((f) => /^[A-Z]{6}\+own\S+ CID TrueType Identity-H yes yes yes/.test(f))).toBe(true);
    expect(fonts.some((f) => /^[A-Z]{6}\+own\S+ CID Type 0C Identity-H yes yes yes/.test(f))).toBe(true);
    const text = execFileSync("pdftotext", [path, "-"], { encoding: "utf8" });
    expect(text).toContain("Grandma wrote this");
    expect(text).toContain("By Opa Script");
    expect(text).not.toContain("Kept Back");
    await page.getByRole("link", { name: /^Pages/ }).click();
    await expectFilesAsOnScreen(page, screen);
    await page.getByRole("link", { name: /^Pages/ }).click();
  });

  const file = info.outputPath("fonts.tessip");
  await test.step("a project file has those that may go along, and says which does not", async () => {
    await saveWorkAsFile(page, file);
    await expect(page.getByText(/^These fonts are not in the file: Kept Back\./)).toBeVisible();
    const names = execFileSync("unzip", ["-Z1", file], { encoding: "utf8" });
    expect(names.match(/^fonts\/own\/[0-9a-f]{64}\.ttf$/gm)).toHaveLength(3);
  });

  await test.step("in another browser they come with it; the one that does not is named, and its stand-in is a finding", async () => {
    const screen = await paintedPage(page);
    const context = await browser.newContext({ baseURL: baseURL! });
    const other = await context.newPage();
    await other.goto("/");
    const chooser = other.waitForEvent("filechooser");
    await other.getByRole("button", { name: "Open a project file" }).click();
    await (await chooser).setFiles(file);
    await expect(other.getByText(/^These fonts did not come along: Kept Back\./)).toBeVisible();
    await other
      .getByRole("link", { name: /^Open / })
      .first()
      .click();
    await expect(other.getByRole("link", { name: /^Check/ })).toContainText(/\d/);
    expect(await differing(screen, await paintedPage(other))).toBeGreaterThan(0);
    await other.getByRole("link", { name: /^Check/ }).click();
    await expect(other.getByText(/Kept Back/).first()).toBeVisible();
    await other.getByRole("link", { name: /^Pages/ }).click();
    await other.getByRole("listbox", { name: "What lies freely on the page" }).getByRole("option").nth(2).click();
    await expect(other.getByText(/The font “Kept Back” is not here\. EB Garamond stands in for it/)).toBeVisible();
    await openOwn(other);
    await expect(ownFonts(other).getByText(/Its file is not here/)).toBeVisible();
    await bringIn(other, [keptBack]);
    await expect(ownFonts(other).getByText("Kept Back is here now.")).toBeVisible();
    await other.keyboard.press("Escape");
    await expect.poll(async () => differing(screen, await paintedPage(other))).toBe(0);
    await context.close();
  });
});
