import { execFileSync } from "node:child_process";
import { readFile, stat, writeFile } from "node:fs/promises";
import { basename } from "node:path";
import { pathToFileURL } from "node:url";
import { type Browser, expect, type Page, test } from "@playwright/test";
import { samplePhotos } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import { addFreeWords, arrangeFirst, box, longMs, startCollage, tile, tiles, undoButton } from "./support/tessip.ts";

const sheet = (page: Page) => page.getByRole("complementary", { name: "Notes" });
const pins = (page: Page) => page.getByRole("button", { name: /^Note \d+, / });
const noteField = (page: Page) => page.getByRole("textbox", { name: "Your note" });
const row = (page: Page, text: string) => sheet(page).getByRole("button", { name: new RegExp(text) });

async function toList(page: Page): Promise<void> {
  await page.getByRole("button", { name: "All notes" }).click();
}

/** Opens the proof as somebody does who got it by mail: from disk, with no network. */
async function openProof(browser: Browser, path: string, options: Parameters<Browser["newContext"]>[0] = {}) {
  const context = await browser.newContext({ offline: true, viewport: { width: 1280, height: 800 }, ...options });
  const reader = await context.newPage();
  const wrong: string[] = [];
  reader.on("console", (m) => m.type() === "error" && wrong.push(m.text()));
  reader.on("pageerror", (e) => wrong.push(e.message));
  reader.on("request", (r) => !/^(file|data|blob):/.test(r.url()) && wrong.push(r.url()));
  await reader.goto(pathToFileURL(path).href);
  return { reader, wrong, context };
}

async function pinOn(reader: Page, x: number, y: number): Promise<void> {
  await reader.getByRole("button", { name: "Pin a note" }).click();
  const leaf = await box(reader.locator(".leaf"));
  await reader.mouse.click(leaf.x + leaf.width * x, leaf.y + leaf.height * y);
}

test("a proof goes out as a file, is read without a network, and its notes come home", async ({
  page,
  browser,
}, info) => {
  test.setTimeout(longMs);
  await withPhotos(page, 6);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 4);
  await page.keyboard.press("Escape");
  await addFreeWords(page, "A title", "Hilda and the boat");
  const proofPath = info.outputPath("proof.html");
  const notesPath = info.outputPath("hilde.tessip-notes");

  await test.step("notes where one works: on a photo, on a place, listed, gone to by key", async () => {
    await tile(page, 1).click();
    await page.keyboard.press("m");
    await expect(noteField(page)).toBeFocused();
    await noteField(page).fill("Is the horizon level?");
    await sheet(page).getByRole("textbox", { name: "Your name" }).fill("Nora");
    await page.getByRole("button", { name: "Pin it" }).click();
    await expect(pins(page)).toHaveCount(1);
    await toList(page);
    await page.getByRole("button", { name: "Point to a place" }).click();
    await page.getByRole("button", { name: /^Click where the note belongs/ }).click({ position: { x: 300, y: 300 } });
    await noteField(page).fill("Too dark?");
    await page.keyboard.press("Control+Enter");
    await toList(page);
    await expect(row(page, "horizon")).toContainText("Open");
    await page.keyboard.press("Shift+M");
    await expect(sheet(page)).toHaveCount(0);
    await page.keyboard.press("Shift+M");
    await page.keyboard.press("Tab");
    await row(page, "horizon").focus();
    await page.keyboard.press("ArrowDown");
    await expect(row(page, "Too dark")).toBeFocused();
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("Enter");
    await expect(page.getByText("Page 1, a photo")).toBeVisible();
    await expect(tile(page, 1)).toHaveAttribute("aria-selected", "true");
  });

  await test.step("on words that are marked while one writes", async () => {
    await page.getByRole("button", { name: "Close the notes" }).click();
    await page.getByRole("option", { name: /words: Hilda/ }).dblclick();
    await page.getByTestId("writing").waitFor();
    await page.keyboard.press("Control+Home");
    for (let i = 0; i < 5; i += 1) await page.keyboard.press("Shift+ArrowRight");
    await page.keyboard.press("Control+.");
    await expect(sheet(page).getByRole("radio", { name: "these words" })).toBeChecked();
    await noteField(page).fill("Hilde, with an e?");
    await page.keyboard.press("Control+Enter");
    await expect(sheet(page).getByText("Page 1, “Hilda”")).toBeVisible();
    await page.getByRole("button", { name: "Remove this note" }).click();
  });

  await test.step("a note goes where its photo goes, and says when what it speaks of was changed", async () => {
    const before = await box(pins(page).first());
    await expect(sheet(page).getByText("Perhaps done")).toHaveCount(0);
    await page.getByRole("button", { name: "Close the notes" }).click();
    await tile(page, 1).focus();
    await page.keyboard.press("Alt+ArrowRight");
    await expect(async () => {
      const now = await box(pins(page).first());
      expect(Math.abs(now.x - before.x) + Math.abs(now.y - before.y)).toBeGreaterThan(30);
    }).toPass();
    await page.getByRole("button", { name: /^Notes: 2 open/ }).click();
    await expect(row(page, "horizon")).toContainText("Perhaps done");
    await undoButton(page).click();
    await expect(row(page, "horizon")).not.toContainText("Perhaps done");
  });

  await test.step("answered, settled, removed and brought back", async () => {
    await row(page, "Too dark").click();
    await sheet(page).getByRole("textbox", { name: "Your answer" }).fill("A little.");
    await page.getByRole("button", { name: "Answer", exact: true }).click();
    await expect(sheet(page).getByText("A little.")).toBeVisible();
    await page.getByRole("button", { name: "It is done" }).click();
    await expect(sheet(page).getByText("Done", { exact: true })).toBeVisible();
    await toList(page);
    await expect(row(page, "Too dark")).toHaveCount(0);
    await sheet(page).getByText("All", { exact: true }).click();
    await row(page, "Too dark").click();
    await page.getByRole("button", { name: "Remove this note" }).click();
    await expect(row(page, "Too dark")).toHaveCount(0);
    await page.getByRole("button", { name: "Undo", exact: true }).first().click();
    await expect(row(page, "Too dark")).toHaveCount(1);
    await page.reload();
    await page.getByRole("button", { name: /^Notes: 1 open/ }).click();
    await expect(row(page, "horizon")).toBeVisible();
  });

  await test.step("the proof is one file", async () => {
    await page.getByRole("button", { name: "Make a proof …" }).click();
    const download = page.waitForEvent("download", { timeout: longMs });
    await page.getByRole("button", { name: "Make the proof" }).click();
    await (await download).saveAs(proofPath);
    expect((await stat(proofPath)).size).toBeLessThan(25_000_000 / 10);
    await expect(page.getByText(/-proof.html, .* MB, is among your downloads/)).toBeVisible();
  });

  await test.step("it shows its pages and words to a browser that runs no scripts", async () => {
    const { reader, context } = await openProof(browser, proofPath, { javaScriptEnabled: false });
    const picture = reader.getByRole("img", { name: "Page 1" });
    await expect(picture).toBeVisible();
    expect((await box(picture)).width).toBeGreaterThan(600);
    await expect(reader.getByText("Hilda and the boat")).toBeVisible();
    await expect(reader.getByText("This browser runs no scripts here")).toBeVisible();
    await context.close();
  });

  const { reader, wrong, context } = await openProof(browser, proofPath);
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await test.step("a reader sees the notes so far, and says something about a photo, with another photo and another crop", async () => {
    await expect(reader.getByRole("button", { name: "Note 1, Nora: Is the horizon level?" })).toBeVisible();
    await pinOn(reader, 0.75, 0.25);
    await expect(reader.getByRole("heading", { name: "About this photo" })).toBeVisible();
    await reader.getByRole("button", { name: "Suggest another photo" }).click();
    await reader
      .getByRole("button", { name: /^The photo / })
      .first()
      .click();
    await reader.getByRole("button", { name: "Pin it" }).click();
    await reader.getByRole("textbox", { name: "Your name" }).fill("Hilde <b>");
    await reader.getByRole("button", { name: "That is me" }).click();
    await pinOn(reader, 0.25, 0.75);
    await reader.getByRole("button", { name: "Show another crop" }).click();
    const frame = await box(reader.getByRole("img", { name: /^Draw a frame/ }));
    await reader.mouse.move(frame.x + frame.width * 0.15, frame.y + frame.height * 0.65);
    await reader.mouse.down();
    await reader.mouse.move(frame.x + frame.width * 0.35, frame.y + frame.height * 0.85, { steps: 4 });
    await reader.mouse.up();
    await expect(reader.getByText("The frame that you drew goes along with your note.")).toBeVisible();
    await noteField(reader).fill("<img src=x onerror=alert(1)> closer");
    await reader.getByRole("button", { name: "Pin it" }).click();
    await expect(reader.getByText("<img src=x onerror=alert(1)> closer")).toBeVisible();
  });

  await test.step("and marks words, approves the page, answers", async () => {
    const line = await box(reader.locator(".line").first());
    await reader.mouse.move(line.x + 2, line.y + line.height / 2);
    await reader.mouse.down();
    await reader.mouse.move(line.x + line.width * 0.29, line.y + line.height / 2, { steps: 6 });
    await reader.mouse.up();
    await reader.getByRole("button", { name: "Note on these words" }).click();
    await expect(reader.locator("blockquote")).toContainText("Hild");
    await noteField(reader).fill("Her name is Hilde.");
    await reader.keyboard.press("Control+Enter");
    await reader.getByRole("button", { name: "Note 1, Nora: Is the horizon level?" }).click();
    await reader.getByRole("textbox", { name: "Your answer" }).fill("It is level.");
    await reader.getByRole("button", { name: "Answer", exact: true }).click();
    await reader
      .getByRole("group", { name: /^Page 1/ })
      .getByRole("button", { name: "Approved" })
      .click();
    await reader
      .getByRole("group", { name: /^All of it/ })
      .getByRole("button", { name: "Approved" })
      .click();
  });

  let asText = "";
  await test.step("what was said is there again after the file was closed, and is given back as a file and as a text", async () => {
    await reader.reload();
    await expect(reader.getByText("Her name is Hilde.")).toBeVisible();
    await reader.getByRole("button", { name: /^Give my notes back/ }).click();
    const download = reader.waitForEvent("download");
    await reader.getByRole("button", { name: "Save the notes file" }).click();
    const file = await download;
    expect(file.suggestedFilename()).toMatch(/Hilde-b\.tessip-notes$/);
    await file.saveAs(notesPath);
    await reader.getByRole("button", { name: "Copy them as text" }).click();
    await expect(reader.getByText(/^Copied|does not let a page copy/)).toBeVisible();
    const byHand = reader.getByRole("textbox", { name: "Your notes as text" });
    asText =
      (await byHand.count()) > 0
        ? await byHand.inputValue()
        : await reader.evaluate(() => navigator.clipboard.readText());
    expect(asText).toContain("[notes begin]");
    expect(wrong).toEqual([]);
  });

  await test.step("it is read on a phone as well", async () => {
    await reader.keyboard.press("Escape");
    await reader.setViewportSize({ width: 390, height: 844 });
    await reader.reload();
    const leaf = await box(reader.locator(".leaf"));
    expect(leaf.width).toBeGreaterThan(340);
    expect(await reader.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await context.close();
  });

  await test.step("a notes file that is cut, of another work, or none is told so, and nothing is taken", async () => {
    const bring = async (name: string, text: string) => {
      const path = info.outputPath(name);
      await writeFile(path, text);
      await sheet(page).getByLabel("Bring notes home …").last().setInputFiles(path);
    };
    const notes = await readFile(notesPath, "utf8");
    await bring("none.txt", "Dear Nora, all is well.");
    await expect(page.getByText("There are no notes in that file.")).toBeVisible();
    await bring("cut.txt", asText.replace(/\n[^\n]+\nsum/, "\nsum"));
    await expect(page.getByText(/^Part of these notes is missing/)).toBeVisible();
    await bring("other.tessip-notes", notes.replace(/"workId": "[^"]+"/, '"workId": "another"'));
    await expect(page.getByText(/which is not in this browser/)).toBeVisible();
    await bring("bad.tessip-notes", notes.replace(/"at": "2/g, '"at": "x'));
    await expect(page.getByText(/^These notes cannot be read/)).toBeVisible();
    const event = JSON.parse(notes).events[0];
    const many = Array.from({ length: 100_000 }, (_, i) => ({ ...event, id: `x${i}` }));
    await bring("many.tessip-notes", JSON.stringify({ ...JSON.parse(notes), events: many }));
    await expect(page.getByText(/more notes in that file than a person can write/)).toBeVisible();
    await expect(page.getByRole("button", { name: /^Notes: 1 open/ })).toBeVisible();
  });

  await test.step("notes come home by a mail that is pasted, once, however often they come", async () => {
    const mail = `Hi Nora,\n${asText.replaceAll("\n", "\n> ")}\nLove, Hilde`;
    await page.evaluate((text) => {
      const data = new DataTransfer();
      data.setData("text/plain", text);
      window.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
    }, mail);
    await expect(page.getByText(/^6 notes and answers from Hilde <b> came home/)).toBeVisible();
    await expect(row(page, "closer")).toContainText("New");
    await expect(row(page, "closer")).toContainText("<img src=x onerror=alert(1)> closer");
    await expect(row(page, "horizon")).toContainText("Answered");
    await page.evaluate(
      (text) => {
        const data = new DataTransfer();
        data.items.add(new File([text], "hilde.tessip-notes"));
        document.body.dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }));
      },
      await readFile(notesPath, "utf8"),
    );
    await expect(page.getByText(/^Everything in there was in/)).toBeVisible();
    await expect(sheet(page).getByText("All pages are approved as they are.")).toBeVisible();
    await expect(sheet(page).getByText("Hilde <b> approved all of it, as it is now.")).toBeVisible();
  });

  await test.step("what was asked for is taken by one click each, and undone", async () => {
    await row(page, "this photo instead").click();
    const spoken = tiles(page).and(page.locator("[aria-selected=true]"));
    const said = await spoken.getAttribute("aria-label");
    await page.getByRole("button", { name: "Put this photo there" }).click();
    await expect(spoken).not.toHaveAttribute("aria-label", said ?? "");
    await undoButton(page).click();
    await expect(spoken).toHaveAttribute("aria-label", said ?? "");
    await toList(page);
    await row(page, "closer").click();
    await expect(page.getByRole("img", { name: "The crop that was asked for" })).toBeVisible();
    await page.getByRole("button", { name: "Take this crop" }).click();
    await expect(undoButton(page)).toHaveAttribute("aria-label", /Reframed|reframe/i);
    await toList(page);
    await expect(row(page, "closer")).toContainText("Perhaps done");
    await row(page, "Her name").click();
    await page.getByRole("button", { name: "Go to the words" }).click();
    await page.getByTestId("writing").waitFor();
    await page.keyboard.type("Hilde");
    await page.keyboard.press("Escape");
    await expect(page.getByRole("option", { name: /words: Hilde/ })).toBeVisible();
  });

  await test.step("what was approved and changed since is said, also where it is sent", async () => {
    await toList(page);
    await expect(page.getByText("1 page was approved and changed since:")).toBeVisible();
    await expect(page.getByText(/approved all of it, but it was changed since/)).toBeVisible();
    await page.getByRole("button", { name: "Close the notes" }).click();
    await page.getByRole("link", { name: /^Send/ }).click();
    await expect(page.getByText("1 page was approved and changed since:")).toBeVisible();
  });

  await test.step("pages with lines, and a contact sheet, as PDF for office paper", async () => {
    const made = async (name: string) => {
      const download = page.waitForEvent("download", { timeout: longMs });
      await page.getByRole("button", { name: "Make the PDF" }).click();
      const path = info.outputPath(name);
      await (await download).saveAs(path);
      return {
        info: execFileSync("pdfinfo", [path]).toString(),
        text: execFileSync("pdftotext", [path, "-"]).toString(),
      };
    };
    const open = async () => {
      await page.getByRole("button", { name: "More about this project" }).click();
      await page.getByRole("menuitem", { name: "Print to read on paper …" }).click();
    };
    await open();
    const pages = await made("pages.pdf");
    expect(pages.info).toMatch(/Pages: +1\n/);
    expect(pages.info).toMatch(/\(letter\)/);
    expect(pages.text).toContain("Page 1");
    expect(pages.text).toContain("Hilde");
    await open();
    await page.getByText("The photos", { exact: true }).click();
    await page.getByText("All photos", { exact: true }).click();
    await page.getByText("A4", { exact: true }).click();
    const photos = await made("photos.pdf");
    expect(photos.info).toMatch(/\(A4\)/);
    for (const path of samplePhotos(6)) expect(photos.text).toContain(basename(path));
  });

  await test.step("a project file that comes back from another computer brings only its notes", async () => {
    await page.getByRole("button", { name: "More about this project" }).click();
    await page.getByRole("menuitem", { name: "Save it as one file" }).click();
    const saved = page.waitForEvent("download", { timeout: longMs });
    await page.getByRole("button", { name: "Save the file" }).click();
    const path = info.outputPath("there.tessip");
    await (await saved).saveAs(path);
    const there = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const other = await there.newPage();
    await other.goto("/");
    const open = async (on: Page, file: string) => {
      const chooser = on.waitForEvent("filechooser");
      await on.getByRole("button", { name: "Open a project file" }).click();
      await (await chooser).setFiles(file);
    };
    await open(other, path);
    await other
      .getByRole("link", { name: /^Open / })
      .first()
      .click();
    await other.getByRole("button", { name: /^Notes: / }).click();
    await expect(row(other, "Her name")).toBeVisible();
    await other.getByRole("button", { name: "Write a note" }).click();
    await noteField(other).fill("Lovely.");
    await sheet(other).getByRole("textbox", { name: "Your name" }).fill("Hilde");
    await other.getByRole("button", { name: "Pin it" }).click();
    await other.getByRole("button", { name: "More about this project" }).click();
    await other.getByRole("menuitem", { name: "Save it as one file" }).click();
    const back = other.waitForEvent("download", { timeout: longMs });
    await other.getByRole("button", { name: "Save the file" }).click();
    const backPath = info.outputPath("back.tessip");
    await (await back).saveAs(backPath);
    await there.close();
    await page.goto("/");
    await open(page, backPath);
    await expect(page.getByText("There is 1 new note in it.")).toBeVisible();
    await page.getByRole("button", { name: "Take only the notes" }).click();
    await expect(page.getByText(/^1 note or answer from Hilde came home/)).toBeVisible();
    await expect(page.getByRole("link", { name: /^Open / })).toHaveCount(1);
    await page.getByRole("link", { name: /^Open / }).click();
    await expect(row(page, "Lovely")).toContainText("New");
  });
});
