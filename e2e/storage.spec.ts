import { execFileSync } from "node:child_process";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { type BrowserContext, expect, type Page, test } from "@playwright/test";
import { killBrowser, openProfile } from "./support/browser.ts";
import { filesUnder, loseDatabase, losePrivateFiles, promiseToKeep, SmallDisk } from "./support/disk.ts";
import { samplePhotos } from "./support/files.ts";
import { carryIn, carryOut, standIn } from "./support/stand-in-folder.ts";
import {
  arrangeFirst,
  chooseFiles,
  expectKept,
  expectUndo,
  longMs,
  shelfPhotos,
  startCollage,
  tiles,
  typeInto,
} from "./support/tessip.ts";

const scratch = (name: string) => mkdtemp(join(tmpdir(), `tessip-${name}-`));
const works = (page: Page) => page.getByRole("link", { name: /^Open / });
const whereKept = (page: Page) => page.getByRole("button", { name: /^Where your projects are kept/ });
const dialog = (page: Page) => page.getByRole("dialog");

async function makeWork(page: Page, photos: number): Promise<string> {
  await page.goto("/");
  await chooseFiles(page, samplePhotos(photos));
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 3);
  await typeInto(page, "Gap", "5 mm");
  await expectUndo(page, "Changed the gap");
  await expectKept(page);
  return page.url();
}

/** The work of `makeWork` with its history, its photos as pictures. */
async function expectWork(page: Page, photos: number): Promise<void> {
  await page.goto("/");
  await works(page).first().click();
  await expect(tiles(page)).toHaveCount(3);
  await expectUndo(page, "Changed the gap");
  await expect(shelfPhotos(page)).toHaveCount(photos);
  await expect(shelfPhotos(page).first().locator("img")).toBeVisible();
}

test("each of the two stores is made again from the other; when both are gone, what was here is named", async ({
  baseURL,
}) => {
  const folder = await scratch("profile");
  let context: BrowserContext = await openProfile(folder, baseURL!);
  let page = context.pages()[0]!;
  const again = async (damage: (profile: string) => void) => {
    await context.close();
    damage(folder);
    context = await openProfile(folder, baseURL!);
    page = context.pages()[0]!;
  };
  await makeWork(page, 4);
  // Counted some seconds after the last change.
  await expect
    .poll(() => page.evaluate(() => localStorage.getItem("tessip-here")), { timeout: 20_000 })
    .toContain('"works":1');

  await test.step("the database is gone: all of it is there, and a sentence says what happened", async () => {
    await again(loseDatabase);
    await page.goto("/");
    await expect(page.getByText("It was made again from the second copy: 1 project and 4 photos.")).toBeVisible();
    await expectWork(page, 4);
  });

  await test.step("the database is deleted under the open tab: it says so at once, and goes on", async () => {
    await page.evaluate(() => void indexedDB.deleteDatabase("tessip"));
    await expect(page.getByText("It was made again from the second copy: 1 project and 4 photos.")).toBeVisible();
    await typeInto(page, "Gap", "6 mm");
    await expectKept(page);
    await page.reload();
    await expectUndo(page, "Changed the gap");
    await expect(page.getByRole("textbox", { name: "Gap" })).toHaveValue(/^0\.24/);
  });

  await test.step("what keeps hangs: it is said, another takes its place, and what was done meanwhile is kept", async () => {
    await page.clock.install();
    const keeper = page.workers().find((w) => w.url().includes("keeper"))!;
    await keeper.evaluate(
      () =>
        void setTimeout(() => {
          for (;;);
        }),
    );
    await typeInto(page, "Gap", "7 mm");
    await page.clock.fastForward(21_000);
    await expect(whereKept(page)).toHaveAccessibleName(/the browser’s storage does not answer/);
    await page.clock.fastForward(6_000);
    await expectKept(page);
    await page.reload();
    await expect(page.getByRole("textbox", { name: "Gap" })).toHaveValue(/^0\.28/);
    await expectUndo(page, "Changed the gap");
  });

  await test.step("a newer version was here: nothing begins as if it were new", async () => {
    const bystander = await context.newPage();
    await bystander.goto("/health");
    await page.goto("about:blank");
    await bystander.evaluate(
      () =>
        new Promise<void>((done, failed) => {
          const request = indexedDB.open("tessip", 99);
          request.onsuccess = () => {
            request.result.close();
            done();
          };
          request.onerror = () => failed(request.error);
        }),
    );
    await page.goto("/");
    await expect(page.getByRole("heading", { name: "A newer Tessip has been here" })).toBeVisible();
    await expect(page.getByText("there was 1 project and 4 photos here")).toBeVisible();
    await bystander.close();
  });

  await test.step("the private files are gone: works are there, and lost originals are spoken of", async () => {
    await again(loseDatabase);
    await page.goto("/");
    await expect(works(page)).toHaveCount(1);
    await again(losePrivateFiles);
    await page.goto("/");
    await expect(page.getByText(/lost its second copy of your projects.*originals may be missing/)).toBeVisible();
    await works(page).first().click();
    await expect(tiles(page)).toHaveCount(3);
  });

  await test.step("everything is gone: it is named, and does not go away by itself", async () => {
    await again((profile) => {
      loseDatabase(profile);
      losePrivateFiles(profile);
    });
    for (const _ of [1, 2]) {
      await page.goto("/");
      await expect(page.getByRole("heading", { name: "There was 1 project and 4 photos here" })).toBeVisible();
    }
    await page.getByRole("button", { name: "Start afresh" }).click();
    await page.reload();
    await expect(page.getByRole("heading", { name: "First, some photos" })).toBeVisible();
    await expect(page.getByText("There was")).toHaveCount(0);
  });
  await context.close();
  await rm(folder, { recursive: true, force: true });
});

test("a disk that is full to the last byte: changes are kept, photos wait, a kill loses nothing, and room mends it", async ({
  baseURL,
}) => {
  if (!SmallDisk.possible()) return;
  const disk = new SmallDisk(await scratch("disk"), 160);
  try {
    const profile = join(disk.path, "profile");
    let context = await openProfile(profile, baseURL!);
    let page = context.pages()[0]!;
    await page.goto("/");
    // Without the browser's promise it may take everything away when a disk fills while it writes.
    await context.close();
    promiseToKeep(profile, baseURL!);
    context = await openProfile(profile, baseURL!);
    page = context.pages()[0]!;
    await makeWork(page, 8);
    disk.fill();
    expect(disk.freeBytes).toBe(0);
    await typeInto(page, "Gap", "7 mm");
    await expect(page.getByText("This disk is full. What you change is still kept")).toBeVisible({ timeout: longMs });
    await expectKept(page);
    await page.getByRole("link", { name: /^Photos/ }).click();
    await chooseFiles(page, samplePhotos(2, 20));
    await expect(page.getByText("there is no room left for it on this disk").first()).toBeVisible();
    await killBrowser(context, profile);

    // A browser that is gone leaves some room, and one that starts makes some.
    disk.fill();
    context = await openProfile(profile, baseURL!);
    page = context.pages()[0]!;
    await disk.keptFull(async () => {
      await page.goto("/");
      await expect(page.getByText("This disk is full. What you change is still kept")).toBeVisible();
    });
    await works(page).first().click();
    await expect(tiles(page)).toHaveCount(3);
    await expect(page.getByRole("textbox", { name: "Gap" })).toHaveValue(/^0\.28/);
    await expectUndo(page, "Changed the gap");
    disk.makeRoom();
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByText("This disk is full.")).toHaveCount(0);
    await typeInto(page, "Gap", "8 mm");
    await expectKept(page);
    await killBrowser(context, profile);
    context = await openProfile(profile, baseURL!);
    page = context.pages()[0]!;
    await page.goto("/");
    await works(page).first().click();
    await expect(page.getByRole("textbox", { name: "Gap" })).toHaveValue(/^0\.31/);
    await expect(shelfPhotos(page)).toHaveCount(8);
    await context.close();
  } finally {
    disk.gone();
  }
});

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

test("what is removed comes back whole, after a reload and beside another tab; a tab that only looks on changes nothing", async ({
  page,
  context,
}) => {
  const address = await makeWork(page, 4);
  const second = await context.newPage();

  await test.step("a second tab looks on: its controls say so and do nothing, until it takes the work over", async () => {
    await second.goto(address);
    await expect(second.getByText("Here you can look, but not change it.")).toBeVisible();
    await expect(second.getByRole("textbox", { name: "Gap" })).toBeDisabled();
    await expect(second.getByText("Only to look at: this project is open in another tab.")).toBeVisible();
    await second.getByRole("button", { name: "More about this project" }).click();
    await expect(second.getByRole("menuitem", { name: "Bring in finished pages …" })).toBeDisabled();
    await second.keyboard.press("Escape");
    await second.keyboard.press("Control+z");
    await expect(second.getByText("Nothing was changed: this project is open in another tab")).toBeVisible();
    await expectUndo(page, "Changed the gap");
    await second.getByRole("button", { name: "Work on it here instead" }).click();
    await expect(page.getByText("Here you can look, but not change it.")).toBeVisible();
    await typeInto(second, "Gap", "2 mm");
    await expectKept(second);
  });

  await test.step("a work that is removed in one tab does not come back by an edit in another", async () => {
    await page.goto("/");
    await page.getByRole("button", { name: "Remove My collage" }).click();
    await expect(works(page)).toHaveCount(0);
    await typeInto(second, "Gap", "3 mm");
    await expect(second.getByRole("alert").getByText(/Not kept: this project was removed/)).toBeVisible();
    await page.reload();
    await expect(works(page)).toHaveCount(0);
    await page.goto(address);
    await expect(page.getByRole("heading", { name: "This project was removed" })).toBeVisible();
    await page.goto("/");
    await page.getByRole("button", { name: "Removed (1)" }).click();
    await page.getByRole("button", { name: "Bring back My collage" }).click();
    await dialog(page).getByRole("button", { name: "Done" }).click();
    await second.close({ runBeforeUnload: false });
    await works(page).first().click();
    await expectUndo(page, "Changed the gap");
    await expect(tiles(page)).toHaveCount(3);
  });

  await test.step("a step of the history that is damaged ends it there, and the work is whole", async () => {
    await expectKept(page);
    await page.evaluate(async () => {
      const asked = indexedDB.open("tessip");
      const db = await new Promise<IDBDatabase>((found) => {
        asked.onsuccess = () => found(asked.result);
      });
      const steps = db.transaction("steps", "readwrite").objectStore("steps");
      const keys = await new Promise<IDBValidKey[]>((found) => {
        const all = steps.getAllKeys();
        all.onsuccess = () => found(all.result);
      });
      const put = steps.put({ changes: "all of them" }, keys[0]);
      await new Promise((done) => {
        put.onsuccess = done;
      });
      db.close();
    });
    await page.reload();
    await expect(page.getByText("Some earlier steps cannot be read any more")).toBeVisible();
    await expect(tiles(page)).toHaveCount(3);
    await expectUndo(page, "Changed the gap");
    const undo = page.getByRole("button", { name: /^Undo:/ });
    for (let most = 10; most > 0 && (await undo.count()) > 0; most -= 1) await undo.click();
    await expect(page.getByRole("button", { name: "Nothing to undo" })).toBeVisible();
    await expect(tiles(page)).toHaveCount(3);
  });

  await test.step("photos come back with their pictures after a reload and another tab's start", async () => {
    await page.getByRole("link", { name: /^Photos/ }).click();
    await page.getByRole("button", { name: "Choose all" }).click();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await page.getByRole("button", { name: /^Remove 4 photos/ }).click();
    await expect(page.getByRole("heading", { name: "No photos yet" })).toBeVisible();
    const third = await context.newPage();
    await third.goto("/");
    await third.close();
    await page.goto("/");
    await page.getByRole("button", { name: "Removed (4)" }).click();
    await page.getByRole("button", { name: "Bring all photos back" }).click();
    await dialog(page).getByRole("button", { name: "Done" }).click();
    await works(page).first().click();
    await expect(shelfPhotos(page)).toHaveCount(4);
    await page.getByRole("link", { name: /^Check/ }).click();
    await expect(page.getByText(/files are gone/)).toHaveCount(0);
  });

  await test.step("a damaged work is told from a missing one, and what can be read of it is kept", async () => {
    await page.goto(address);
    await page.getByRole("button", { name: "Another page" }).click();
    await expectKept(page);
    await page.goto("/work/nobody/pages");
    await expect(page.getByRole("heading", { name: "There is no project at this address" })).toBeVisible();
    await page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((done) => {
        const request = indexedDB.open("tessip");
        request.onsuccess = () => done(request.result);
      });
      const tx = db.transaction("pages", "readwrite");
      const keys = await new Promise<IDBValidKey[]>((done) => {
        const request = tx.objectStore("pages").getAllKeys();
        request.onsuccess = () => done(request.result);
      });
      tx.objectStore("pages").put({ id: "torn" }, keys[1]!);
      await new Promise((done) => {
        tx.oncomplete = done;
      });
      db.close();
    });
    await page.goto(address);
    await expect(page.getByRole("heading", { name: "The record of this project is damaged" })).toBeVisible();
    await page.getByRole("button", { name: "Keep the one page that can be read; 1 cannot" }).click();
    await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();
  });
});
