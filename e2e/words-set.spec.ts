import { execFileSync } from "node:child_process";
import { expect, type Page, test } from "@playwright/test";
import { openSection, repaints, slider } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  drag,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  printOfPage,
  savedFile,
  startOwnSize,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const free = (page: Page, n: number) =>
  page
    .getByRole("listbox", { name: "What lies freely on the page" })
    .getByRole("option")
    .nth(n - 1);

/** What another program put on the clipboard, pasted where one writes. */
const paste = (page: Page, html: string, plain: string) =>
  page.getByRole("textbox", { name: /^Words\./ }).evaluate(
    (field, [asHtml, asText]) => {
      const data = new DataTransfer();
      if (asHtml) data.setData("text/html", asHtml);
      data.setData("text/plain", asText!);
      field.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
    },
    [html, plain],
  );

const story =
  "The lock keeper waved us through at five in the morning, before the others were awake, and we had the whole flight to ourselves. " +
  "Grandmother said it was the incomprehensible luck of early risers; we called it photography. ";

test("words set like a book: pasted with their looks, in columns, divided, on an arc, from right to left, and the same in files", async ({
  page,
}) => {
  await withPhotos(page, 1);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });

  await test.step("text from elsewhere keeps bold, italics and lists; scripts and pictures of it are left out", async () => {
    await addWords(page, "A story");
    await page.evaluate(() => {
      (window as unknown as { hurt?: boolean }).hurt = false;
    });
    await paste(
      page,
      `<style>b{color:red}</style><h2>Spring</h2><p>${story}<i>Then it rained.</i></p><ul><li>one<li>two</ul>` +
        `<script>window.hurt = true</script><img src="x" onerror="window.hurt = true"><p>${story}</p>`,
      "",
    );
    await expectUndo(page, "Pasted words");
    await expect(free(page, 1)).toHaveAccessibleName(
      /words: Spring\s+The lock keeper .*Then it rained\.\s+one\s+two\s+The lock/s,
    );
    expect(await page.evaluate(() => (window as unknown as { hurt?: boolean }).hurt)).toBe(false);
    await page.keyboard.press("Control+Home");
    await page.keyboard.press("Shift+End");
    await expect(page.getByRole("button", { name: "Bold" })).toHaveAttribute("aria-pressed", "true");
    await page.keyboard.press("Escape");
  });

  await test.step("in three columns of filled lines, divided words, and room between paragraphs", async () => {
    await drag(page, page.locator('[data-grip="se"]'), { dx: 130, dy: 60 });
    await openSection(page, /^Lines and paragraphs/);
    await repaints(page, () => page.getByRole("combobox", { name: "Columns" }).selectOption("3"));
    await repaints(page, () => typeInto(page, "Between them", "9"));
    await repaints(page, () => page.getByRole("button", { name: "To both sides" }).click());
    await repaints(page, async () => {
      await page.getByText("Set lines by the whole paragraph").click();
      await page.getByText("Divide long words at line ends").click();
    });
    await repaints(page, () => page.getByText("Let commas and quotes hang over the edge").click());
    await repaints(page, () => typeInto(page, "Between paragraphs, lines", "0.5"));
    await repaints(page, () => page.getByRole("button", { name: "Fit the words" }).click());
    await expectUndo(page, "Fitted words and their box");
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await nobodyChosen(page);
  });

  await test.step("in a PDF it is read column by column, divided words whole, by another program", async () => {
    await page.getByRole("link", { name: /^Send/ }).click();
    await page.getByRole("button", { name: "More options" }).click();
    await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
    const { path } = await savedFile(page);
    const text = execFileSync("pdftotext", [path, "-"], { encoding: "utf8" }).replace(/\s+/g, " ");
    expect(text).toMatch(
      /^Spring The lock keeper waved us through at five in the morning, before the others were awake, and we had/,
    );
    expect(text).toMatch(
      /Grandmother said it was the incomprehensible luck of early risers; we called it photography. Then it rained/,
    );
    expect(text).toMatch(/one . two The lock keeper/);
    await page.getByRole("link", { name: /^Pages/ }).click();
  });

  await test.step("a heading along an arc, its letters apart, with a line around them", async () => {
    await addWords(page, "A title");
    await page.keyboard.type("Lock to lock");
    await page.keyboard.press("Escape");
    await openSection(page, /^Letters:/);
    await repaints(page, () => slider(page, "Along an arc").fill("60"));
    await repaints(page, () => slider(page, "Room between").fill("0.1"));
    await page.getByText("A line around the letters").click();
    await repaints(page, () => page.getByRole("button", { name: "Its colour: Clay" }).click());
    await page.getByRole("combobox", { name: "Kind of words" }).selectOption("A heading");
    await expectUndo(page, "Changed how words look");
    await undoButton(page).click();
    // The caret stands among letters that are turned.
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("End");
    await page.keyboard.type("!");
    await expect(free(page, 2)).toHaveAccessibleName(/words: Lock to lock!/);
    await page.keyboard.press("Escape");
    await nobodyChosen(page);
  });

  await test.step("a table of contents follows the titles, until somebody writes in it", async () => {
    const before = await printOfPage(page);
    await openDrawer(page, "Words");
    await page.getByRole("button", { name: "Contents", exact: true }).click();
    await expectUndo(page, "Added a table of contents");
    await expect(free(page, 3)).toHaveAccessibleName(/words: Lock to lock!\s\u2060?1$/);
    await page.getByText("With headings").click();
    await expectUndo(page, "Changed how words look");
    await nobodyChosen(page);
    await free(page, 2).focus();
    await page.keyboard.press("Space");
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("End");
    await page.keyboard.type(" again");
    await page.keyboard.press("Escape");
    await expect(free(page, 3)).toHaveAccessibleName(/words: Lock to lock! again\s\u2060?1$/);
    await nobodyChosen(page);
    await free(page, 3).focus();
    await page.keyboard.press("Space");
    await expect(page.getByText("These are the titles of the pages.", { exact: false })).toBeVisible();
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("Control+End");
    await page.keyboard.type(" and back");
    await page.keyboard.press("Escape");
    await expect(page.getByText("These are the titles of the pages.", { exact: false })).toHaveCount(0);
    for (let i = 0; i < 4; i += 1) await undoButton(page).click();
    await expect.poll(() => printOfPage(page)).toBe(before);
    await nobodyChosen(page);
  });

  await test.step("Arabic, Hebrew, an emoji and a ligature in one line: lent by fonts that have them, and told", async () => {
    await addWords(page, "A caption");
    await page.keyboard.insertText("office \u0633\u0644\u0627\u0645 \u{1f642} \u05e9\u05dc\u05d5\u05dd \u4e2d");
    await page.keyboard.press("Escape");
    await expect(page.getByText(/Another font that has them lends them/)).toBeVisible();
    await expect(page.getByText("No font here has \u4e2d. Take other letters.")).toBeVisible();
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("End");
    await page.keyboard.press("Backspace");
    await page.keyboard.press("Escape");
    await expect(page.getByText(/No font here has/)).toHaveCount(0);
    await nobodyChosen(page);
  });

  await test.step("a story that does not fit goes on in another box, and comes back when that is taken away", async () => {
    const before = await printOfPage(page);
    await addWords(page, "A story");
    await paste(page, "", `${story.repeat(3)}The end.`);
    await page.keyboard.press("Escape");
    await drag(page, page.locator('[data-grip="s"]'), { dx: 0, dy: -90 });
    await expect(free(page, 4).getByText(/words? hidden/)).toBeVisible();
    await page.getByRole("button", { name: "On into another box" }).click();
    await expectUndo(page, "Let a story run on");
    await expect(free(page, 4).getByText(/words? hidden/)).toHaveCount(0);
    await expect(page.getByText("Part 1 of 2 of a story.", { exact: false })).toBeVisible();
    await expect(free(page, 5)).toHaveAccessibleName(/The end\./);
    await expect(free(page, 4)).not.toHaveAccessibleName(/The end\./);
    // What is written in the first part pushes words into the next.
    const second = (await free(page, 5).getAttribute("aria-label"))!;
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("Control+Home");
    await page.keyboard.type("Once, long ago and far away, on a wide and quiet river, ");
    await page.keyboard.press("Escape");
    await expect(free(page, 5)).not.toHaveAccessibleName(second.replace(/^On top \d of \d: /, ""));
    await expect(free(page, 5)).toHaveAccessibleName(/The end\./);
    // Painted line by line while somebody wrote, it is what is painted at once.
    const written = await printOfPage(page);
    await expectKept(page);
    await page.reload();
    await expect.poll(() => printOfPage(page)).toBe(written);
    await free(page, 4).focus();
    await page.keyboard.press("Space");
    await page.getByRole("button", { name: "The next part" }).click();
    await expect(page.getByText("Part 2 of 2 of a story.", { exact: false })).toBeVisible();
    await page.getByRole("button", { name: "Take it off the page" }).click();
    await expect(free(page, 4)).toHaveAccessibleName(/Once, long ago .*The end\./s);
    await expect(free(page, 4).getByText(/words? hidden/)).toBeVisible();
    await free(page, 4).focus();
    await page.keyboard.press("Space");
    await page.keyboard.press("Delete");
    await expect.poll(() => printOfPage(page)).toBe(before);
  });

  await test.step("what is no size, and fifty thousand words at once, do no harm", async () => {
    const before = await printOfPage(page);
    await addWords(page, "A story");
    await typeInto(page, "Size, pt", "0");
    await expect(page.getByRole("textbox", { name: "Size, pt" })).toHaveValue("3");
    // The panel may still be telling what came of the last.
    await expect(async () => {
      await typeInto(page, "Size, pt", "2000");
      await expect(page.getByRole("textbox", { name: "Size, pt" })).toHaveValue("500", { timeout: 3000 });
    }).toPass();
    await typeInto(page, "Size, pt", "11");
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await paste(page, "", `${"word ".repeat(49_999)}${"endless".repeat(40)}`);
    await expect(page.getByRole("status").filter({ hasText: /\d{2},?\d{3} words hidden/ })).toBeVisible();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Take it off the page" }).click();
    await expect.poll(() => printOfPage(page)).toBe(before);
  });

  await test.step("files show what the screen shows; words of a PDF are read the way they run", async () => {
    await expectFilesAsOnScreen(page, await paintedPage(page));
    const { path } = await savedFile(page);
    const text = execFileSync("pdftotext", ["-raw", path, "-"], { encoding: "utf8" });
    expect(text).toContain("office");
    for (const word of ["\u0633\u0644\u0627\u0645", "\u05e9\u05dc\u05d5\u05dd"]) expect(text).toContain(word);
  });
});
