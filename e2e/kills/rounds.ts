import { appendFileSync, copyFileSync, mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type BrowserContext, expect, type Page } from "@playwright/test";
import { seededRandom } from "../../core/random/index.ts";
import { killBrowser, openProfile } from "../support/browser.ts";
import { loseDatabase, losePrivateFiles, promiseToKeep, SmallDisk } from "../support/disk.ts";
import { samplePhotos } from "../support/files.ts";
import { standIn } from "../support/stand-in-folder.ts";
import { expectKept, saveWorkAsFile, typeInto } from "../support/tessip.ts";
import { type KeptState, lostFrom, readKept, type UnderWay } from "./kept-state.ts";

/**
 * Rounds of work that end in the middle: somebody edits, brings in, saves, exports, and the browser is killed at some moment,
 * with all of its processes at once. After the next start everything is looked for that was said to be kept.
 */

export interface KillsGiven {
  readonly baseURL: string;
  readonly rounds: number;
  readonly seed: number;
  readonly log: (line: string) => void;
}

export interface KillsReport {
  readonly rounds: number;
  /** Rounds that the driver itself did not get through. */
  readonly undone: number;
  readonly acknowledged: number;
  readonly killedDuring: Readonly<Record<string, number>>;
  readonly lost: readonly string[];
}

type Deed =
  | "gap"
  | "rename"
  | "page"
  | "undo"
  | "bringIn"
  | "saveFile"
  | "openFile"
  | "export"
  | "folder"
  | "another"
  | "pack";
const deeds: readonly Deed[] = [
  "gap",
  "gap",
  "gap",
  "rename",
  "page",
  "undo",
  "bringIn",
  "bringIn",
  "saveFile",
  "openFile",
  "export",
  "folder",
  "another",
  "pack",
];
/** What is done to the profile while the browser is closed. */
type Damage = "none" | "database" | "files" | "fullDisk";

class Somebody {
  readonly #page: Page;
  readonly #random: () => number;
  readonly #folder: string;
  doing: Deed | "nothing" = "nothing";
  underWay: UnderWay = {};
  #n: number;

  constructor(page: Page, random: () => number, folder: string, n: number) {
    this.#page = page;
    this.#random = random;
    this.#folder = folder;
    this.#n = n;
  }

  get workId(): string {
    return /\/work\/([^/]+)/.exec(this.#page.url())?.[1] ?? "";
  }

  async toWork(): Promise<void> {
    const page = this.#page;
    const pages = page.getByRole("link", { name: /^Pages/ });
    if (this.workId !== "") {
      if (await page.getByRole("dialog").isVisible()) await page.keyboard.press("Escape");
      if (!page.url().endsWith("/pages")) await pages.click();
    } else {
      await page.goto("/");
      const open = page.getByRole("link", { name: /^Open / });
      const begin = page.getByRole("button", { name: "Start this collage" });
      await begin.waitFor();
      if ((await open.count()) > 0) await open.nth(Math.floor(this.#random() * (await open.count()))).click();
      else await begin.click();
    }
    await page.getByRole("region", { name: "The page on its mat" }).waitFor();
  }

  /** Does it, and returns once it was said to be done. */
  async do(deed: Deed): Promise<void> {
    const page = this.#page;
    this.#n += 1;
    const n = this.#n;
    await this.toWork();
    this.underWay = { workId: this.workId };
    this.doing = deed;
    switch (deed) {
      case "gap":
        await typeInto(page, "Gap", `${((n % 89) / 10 + 0.1).toFixed(1)} mm`);
        break;
      case "rename": {
        const name = page.getByRole("textbox", { name: "Name of this project" });
        await name.fill(`Work ${n}`);
        await name.press("Enter");
        break;
      }
      case "page":
        await page.getByRole("button", { name: "Another page" }).first().click();
        break;
      case "undo":
        await page.keyboard.press("Control+z");
        break;
      case "bringIn": {
        await page.getByRole("link", { name: /^Photos/ }).click();
        const fresh = this.#fresh(1 + Math.floor(this.#random() * 3));
        await page.getByTestId("choose-files").first().setInputFiles(fresh);
        await expect(page.getByText(/^Bringing in/)).toHaveCount(0, { timeout: 60_000 });
        break;
      }
      case "saveFile":
        await saveWorkAsFile(page, join(this.#folder, "saved.zip"));
        break;
      case "openFile": {
        await saveWorkAsFile(page, join(this.#folder, "saved.zip"));
        await page.goto("/");
        await page.getByRole("button", { name: "Open a project file" }).waitFor();
        const input = page.locator('input[type="file"][accept*=".tessip"]').first();
        await input.setInputFiles(join(this.#folder, "saved.zip"));
        await page
          .getByText(/is among your projects now/)
          .first()
          .waitFor();
        break;
      }
      case "export": {
        await page.getByRole("link", { name: /^Send/ }).click();
        const save = page.getByRole("button", { name: /^Save (the|\d+) JPEG/ });
        await save.waitFor();
        await Promise.all([page.waitForEvent("download", { timeout: 30_000 }), save.click()]);
        break;
      }
      case "folder":
        await page.getByRole("button", { name: /^Where your projects are kept/ }).click();
        await page
          .getByRole("dialog")
          .getByRole("button", { name: /^(Choose a folder|Keep it in step now)$/ })
          .click();
        await page.getByText(/written and read back/).waitFor({ timeout: 60_000 });
        break;
      case "another":
        await page.getByRole("button", { name: "More about this project" }).click();
        await page.getByRole("menuitem", { name: "Duplicate it" }).click();
        await page
          .getByText(/is among your projects now/)
          .first()
          .waitFor();
        break;
      case "pack":
        await this.#pack();
        break;
    }
    await this.#settled();
    this.doing = "nothing";
  }

  /** Some photos onto sheets; they are packed anew where there are some already. */
  async #pack(): Promise<void> {
    const page = this.#page;
    await page.getByRole("link", { name: /^Photos/ }).click();
    if ((await page.getByText("Choose all").count()) === 0) return;
    await page.getByRole("button", { name: "Choose all" }).click();
    await page.getByRole("link", { name: /^Print sheets/ }).click();
    await page.getByRole("button", { name: "Photos …" }).click();
    await page.getByRole("button", { name: /^Take (this photo|these \d+ photos)$/ }).click();
    await page.getByRole("combobox", { name: "Paper" }).selectOption("lab");
    await page.getByRole("button", { name: /^Pack (the sheets|again)$/ }).click();
    await page.getByTestId("packed").waitFor();
  }

  async #settled(): Promise<void> {
    if (this.workId !== "") await expectKept(this.#page);
  }

  /** Photos whose bytes nobody has seen before: something behind the picture makes them others. */
  #fresh(count: number): string[] {
    return samplePhotos(count, Math.floor(this.#random() * 60)).map((path, i) => {
      const to = join(this.#folder, `fresh-${this.#n}-${i}.jpg`);
      copyFileSync(path, to);
      appendFileSync(to, `${this.#n} ${i} ${this.#random()}`);
      return to;
    });
  }
}

export async function killRounds({ baseURL, rounds, seed, log }: KillsGiven): Promise<KillsReport> {
  const random = seededRandom(seed);
  const smallDisks = SmallDisk.possible();
  const folder = mkdtempSync(join(tmpdir(), "tessip-kills-"));
  const lost: string[] = [];
  const killedDuring: Record<string, number> = {};
  let acknowledgedDeeds = 0;
  let undone = 0;
  let profile = "";
  let disk: SmallDisk | undefined;
  let acknowledged: KeptState | undefined;
  let last: UnderWay = {};
  let damage: Damage = "none";
  let n = 0;

  /** A new profile now and then: on a plain disk, or on a small one of its own. */
  const freshProfile = (small: boolean) => {
    disk?.gone();
    disk = undefined;
    if (profile && !small) rmSync(profile, { recursive: true, force: true });
    const at = join(folder, `profile-${n}`);
    if (small) disk = new SmallDisk(at, 200);
    profile = small ? join(at, "profile") : at;
    mkdirSync(profile, { recursive: true });
    acknowledged = undefined;
    last = {};
  };

  for (let round = 1; round <= rounds; round += 1) {
    n += 100;
    const onSmallDisk = smallDisks && round % 10 === 0;
    if (round === 1 || round % 20 === 1 || onSmallDisk) freshProfile(onSmallDisk);
    const context: BrowserContext = await openProfile(profile, baseURL);
    context.setDefaultTimeout(30_000);
    await standIn(context);
    const page = context.pages()[0]!;
    // Where something is said to be unkept, the tab asks before it goes.
    page.on("dialog", (d) => void d.accept().catch(() => {}));
    const person = new Somebody(page, random, folder, n);
    try {
      await page.goto("/");
      await page.getByRole("button", { name: "Start this collage" }).waitFor();
      if (acknowledged) {
        const found = await readKept(page, true);
        // Originals lie in the private files alone: without them the works are what is left.
        const before = damage === "files" ? { ...acknowledged, tables: { ...acknowledged.tables } } : acknowledged;
        const gone = lostFrom(before, found, last).filter((l) => damage !== "files" || !l.startsWith("the original"));
        for (const l of gone) lost.push(`round ${round} (${damage}): ${l}`);
      }
      if (onSmallDisk) {
        lost.push(...(await fullDiskRound(context, person, disk!, profile, baseURL, round)));
        acknowledgedDeeds += 4;
        freshProfile(false);
        log(`round ${round}: full disk, ${lost.length} lost so far${lost.length > 0 ? `: ${lost.at(-1)}` : ""}`);
        continue;
      }
      const killAfterMs = 2_500 + random() * 8_000;
      let killed: Promise<void> | undefined;
      const timer = setTimeout(() => {
        last = person.underWay;
        killedDuring[person.doing] = (killedDuring[person.doing] ?? 0) + 1;
        killed = killBrowser(context, profile);
      }, killAfterMs);
      try {
        while (!killed) {
          await person.do(deeds[Math.floor(random() * deeds.length)]!);
          if (killed) break;
          const now = await readKept(page, false);
          // Only now: what was kept after the last look may be there or not.
          acknowledged = now;
          person.underWay = {};
          acknowledgedDeeds += 1;
        }
      } catch (e) {
        // The browser went away under it, as it was meant to.
        if (!killed) throw e;
      } finally {
        clearTimeout(timer);
        if (!killed) {
          last = person.underWay;
          killed = killBrowser(context, profile);
        }
        await killed;
      }
      const roll = random();
      damage = roll < 0.1 ? "database" : roll < 0.16 ? "files" : "none";
      if (damage === "database") loseDatabase(profile);
      if (damage === "files") losePrivateFiles(profile);
      log(`round ${round}: ${acknowledgedDeeds} deeds acknowledged, ${lost.length} lost; then ${damage}`);
      // Without its originals a profile has nothing more to lose.
      if (damage === "files") {
        await audited(profile, baseURL, acknowledged, last, round, lost);
        freshProfile(false);
        damage = "none";
      }
    } catch (e) {
      log(`round ${round} could not be done: ${String(e).split("\n")[0]}`);
      undone += 1;
      await killBrowser(context, profile).catch(() => {});
      freshProfile(false);
    }
  }
  disk?.gone();
  rmSync(folder, { recursive: true, force: true });
  return { rounds, undone, acknowledged: acknowledgedDeeds, killedDuring, lost };
}

/** After the private files were lost: works and facts have to be there, made again from the database. */
async function audited(
  profile: string,
  baseURL: string,
  acknowledged: KeptState | undefined,
  last: UnderWay,
  round: number,
  lost: string[],
): Promise<void> {
  if (!acknowledged) return;
  const context = await openProfile(profile, baseURL);
  const page = context.pages()[0]!;
  await page.goto("/");
  await page.getByRole("button", { name: "Start this collage" }).waitFor();
  const found = await readKept(page, true);
  for (const l of lostFrom(acknowledged, found, last))
    if (!l.startsWith("the original")) lost.push(`round ${round} (files): ${l}`);
  await context.close();
}

/** A disk that is full to the last block, killed on it, and started on it; then with room. */
async function fullDiskRound(
  opened: BrowserContext,
  somebody: Somebody,
  disk: SmallDisk,
  profile: string,
  baseURL: string,
  round: number,
): Promise<readonly string[]> {
  const lost: string[] = [];
  let context = opened;
  let page = context.pages()[0]!;
  const gapOf = () => page.getByRole("textbox", { name: "Gap" }).inputValue();
  await somebody.do("bringIn");
  await somebody.do("bringIn");
  await somebody.do("gap");
  if (round % 20 === 0) {
    // Every other time the browser promised to keep what there is.
    await context.close();
    promiseToKeep(profile, baseURL);
    context = await openProfile(profile, baseURL);
    page = context.pages()[0]!;
    await page.goto("/");
    await page
      .getByRole("link", { name: /^Open / })
      .first()
      .click();
    await page.getByRole("region", { name: "The page on its mat" }).waitFor();
  }
  const address = page.url();
  const before = await readKept(page, true);
  disk.fill();
  await typeInto(page, "Gap", "7 mm");
  await expectKept(page);
  const kept = await gapOf();
  await killBrowser(context, profile);
  for (const full of [true, false]) {
    // A browser that is gone leaves some room.
    if (full) disk.fill();
    else disk.makeRoom();
    context = await openProfile(profile, baseURL);
    page = context.pages()[0]!;
    await page.goto(address);
    await page.getByRole("region", { name: "The page on its mat" }).waitFor();
    if ((await gapOf()) !== kept) lost.push(`round ${round}: the gap that was kept, ${full ? "full" : "with room"}`);
    if (!full) {
      const found = await readKept(page, true);
      lost.push(...lostFrom(before, found, { workId: somebody.workId || address.split("/")[4]! }));
    }
    await killBrowser(context, profile);
  }
  return lost;
}
