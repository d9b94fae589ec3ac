import { execFileSync } from "node:child_process";
import { readFile, rm } from "node:fs/promises";
import { basename, join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { killBrowser, openProfile } from "./support/browser.ts";
import { filesUnder } from "./support/disk.ts";
import { samplePhotos } from "./support/files.ts";
import { dialog, makeWork, scratch, whereKept, works } from "./support/kept-work.ts";
import { carryIn, carryOut, standIn } from "./support/stand-in-folder.ts";
import { expectKept, expectUndo, shelfPhotos, tiles, typeInto } from "./support/tessip.ts";

test("a safe folder: two browsers in turn on one, killed on the way, and everything as one file", async ({
  browser,
  baseURL,
}, info) => {
  const [home, shared] = [await scratch("home"), await scratch("shared")];
  let context = await openProfile(home, baseURL!);
  await standIn(context);
  let page = context.pages()[0]!;
  await makeWork(page, 5);
  await page.goto("/");
  await expect(whereKept(page)).toHaveAccessibleName(/Kept in this browser/);

  await test.step("chosen once, everything is in it, each original byte for byte", async () => {
    await whereKept(page).click();
    await dialog(page).getByRole("button", { name: "Choose a folder" }).click();
    await expect(dialog(page).getByText("All of it was written and read back just now.")).toBeVisible();
    await dialog(page).getByRole("button", { name: "Done" }).click();
    await expect(whereKept(page)).toHaveAccessibleName(/Kept here, and in Family books just now/);
    await carryOut(page, shared);
    const files = filesUnder(shared);
    const originals = await Promise.all(samplePhotos(5).map((p) => readFile(p)));
    const kept = [...files].filter(([p]) => p.startsWith("originals/"));
    expect(kept).toHaveLength(5);
    for (const [, bytes] of kept) expect(originals.some((o) => o.equals(bytes))).toBe(true);
    const readable = [...files].find(([p]) => p.endsWith("/work.json"))!;
    expect(JSON.parse(readable[1].toString())).toMatchObject({ name: "My collage", pages: 1 });
  });

  await test.step("what is changed follows by itself; killed meanwhile, it goes on at the next start", async () => {
    await works(page).first().click();
    await typeInto(page, "Gap", "6 mm");
    await expectKept(page);
    await killBrowser(context, home);
    context = await openProfile(home, baseURL!);
    await standIn(context);
    page = context.pages()[0]!;
    await page.goto("/");
    await expect(whereKept(page)).toHaveAccessibleName(/in Family books just now/);
    await carryOut(page, shared);
  });

  const away = await browser.newContext({ baseURL: baseURL! });
  await standIn(away);
  const other = await away.newPage();
  await test.step("on another computer the folder brings everything", async () => {
    await other.goto("/");
    await carryIn(other, shared);
    await whereKept(other).click();
    await dialog(other).getByRole("button", { name: "Choose a folder" }).click();
    await expect(dialog(other).getByText(/written and read back/)).toBeVisible();
    await dialog(other).getByRole("button", { name: "Done" }).click();
    await works(other).first().click();
    await expect(tiles(other)).toHaveCount(3);
    await expectUndo(other, "Changed the gap");
    await expect(other.getByRole("textbox", { name: "Gap" })).toHaveValue(/^0\.24/);
    await expect(shelfPhotos(other)).toHaveCount(5);
    await expect(shelfPhotos(other).first().locator("img")).toBeVisible();
  });

  await test.step("changed on both apart from each other, both are kept and told", async () => {
    const inStep = async (at: Page) => {
      await at.goto("/");
      await whereKept(at).click();
      await dialog(at).getByRole("button", { name: "Keep it in step now" }).click();
      await expect(dialog(at).getByText("All of it was written and read back just now.")).toBeVisible();
      await dialog(at).getByRole("button", { name: "Done" }).click();
    };
    await typeInto(other, "Gap", "1 mm");
    await expectKept(other);
    await inStep(other);
    await works(page).first().click();
    await typeInto(page, "Gap", "9 mm");
    await expectKept(page);
    await inStep(page);
    await carryOut(other, shared);
    await carryIn(page, shared);
    await inStep(page);
    await expect(page.getByText(/Changed here and on another computer: both are kept now/)).toBeVisible();
    await expect(works(page)).toHaveCount(2);
    await expect(works(page).filter({ hasText: "(from the other computer)" })).toHaveCount(1);
  });

  await test.step("a folder that is gone is told, and nothing here is touched; chosen anew, it is filled again", async () => {
    await page.evaluate(async () =>
      (await navigator.storage.getDirectory()).removeEntry("Family books", { recursive: true }),
    );
    await whereKept(page).click();
    await dialog(page).getByRole("button", { name: "Keep it in step now" }).click();
    await expect(dialog(page).getByText("The folder is not there at the moment.")).toBeVisible();
    await dialog(page).getByRole("button", { name: "Another folder" }).click();
    await expect(dialog(page).getByText("All of it was written and read back just now.")).toBeVisible();
    await dialog(page).getByRole("button", { name: "Done" }).click();
  });

  await test.step("everything as one file, and out of it in a third browser", async () => {
    await whereKept(page).click();
    const download = page.waitForEvent("download");
    await dialog(page).getByRole("button", { name: "Save everything" }).click();
    const path = join(info.outputDir, "everything.zip");
    await (await download).saveAs(path);
    await expect(dialog(page).getByRole("button", { name: /^Save what is new/ })).toBeVisible();
    const third = await browser.newContext({ baseURL: baseURL! });
    const fresh = await third.newPage();
    await fresh.goto("/");
    await whereKept(fresh).click();
    await fresh.getByTestId("everything-file").setInputFiles(path);
    await expect(fresh.getByText("2 projects and 5 photos came in.")).toBeVisible();
    await dialog(fresh).getByRole("button", { name: "Done" }).click();
    await expect(works(fresh)).toHaveCount(2);
    await works(fresh).first().click();
    await expectUndo(fresh, "Changed the gap");
    await third.close();
    for (const from of [path, shared]) {
      const into = join(info.outputDir, "unpacked");
      await rm(into, { recursive: true, force: true });
      expect(execFileSync("node", ["scripts/unpack.mjs", from, into]).toString()).toContain("5 photos are in");
      const out = filesUnder(into);
      for (const photo of samplePhotos(5)) expect(out.get(basename(photo))!.equals(await readFile(photo))).toBe(true);
      expect(out.get("captions.csv")!.toString()).toContain('"There she is: the Marigold"');
    }
  });
  await away.close();
  await context.close();
  for (const folder of [home, shared]) await rm(folder, { recursive: true, force: true });
});
