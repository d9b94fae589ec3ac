import { rm } from "node:fs/promises";
import { join } from "node:path";
import { type BrowserContext, expect, test } from "@playwright/test";
import { killBrowser, openProfile } from "./support/browser.ts";
import { loseDatabase, losePrivateFiles, promiseToKeep, SmallDisk } from "./support/disk.ts";
import { samplePhotos } from "./support/files.ts";
import { dialog, expectWork, makeWork, scratch, whereKept, works } from "./support/kept-work.ts";
import { chooseFiles, expectKept, expectUndo, longMs, shelfPhotos, tiles, typeInto } from "./support/tessip.ts";

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
