import { expect, type Page } from "@playwright/test";
import { lostFrom, readKept } from "../kills/kept-state.ts";
import { samplePhotos } from "../support/files.ts";
import { addWords, allIn, arrangeFirst, chooseFiles, expectKept, openDrawer, startCollage } from "../support/tessip.ts";
import type { Door, Hostile } from "./shape.ts";

export type Verdict = "accepted" | "refused" | "slow" | "lost";

/** Longer than this, and somebody thinks that the program has stopped. */
const usualSlowMs = 12_000;
const givenUpMs = 100_000;
/** A file of which nothing is said and that brings nothing in is looked at for so long; one that should come in for longer. */
const looks = { accepted: 400, other: 40 };

/** Gives hostile files to the application, one after the other, and looks whether anything that was there is harmed. */
export class Giver {
  readonly #page: Page;
  readonly #slowMs: number;
  #address = "";

  constructor(page: Page, slowMs = usualSlowMs) {
    this.#page = page;
    this.#slowMs = slowMs;
  }

  /** A work that must not be touched by what comes after. */
  async begin(): Promise<void> {
    await this.#page.goto("/");
    await chooseFiles(this.#page, samplePhotos(3));
    await startCollage(this.#page, "Quayside Collage Press", "8 × 8 in");
    await arrangeFirst(this.#page, 3);
    await expectKept(this.#page);
    this.#address = this.#page.url();
  }

  async give(
    file: Hostile,
    expected?: Verdict,
  ): Promise<{ readonly verdict: Verdict; readonly ms: number; readonly why: string }> {
    const page = this.#page;
    await this.#open(file.door);
    const before = await readKept(page, false);
    const began = Date.now();
    let accepted = false;
    let slow = false;
    try {
      accepted = await within(givenUpMs, this.#hand(file, expected));
    } catch (e) {
      slow = true;
      if (!(e instanceof TooLate)) return { verdict: "slow", ms: Date.now() - began, why: String(e).split("\n")[0]! };
    }
    const ms = Date.now() - began;
    // The page answers, nothing ran, and what was there is there.
    const ran = await within(
      10_000,
      page.evaluate(() => [document.title, String((Object.prototype as { ran?: unknown }).ran)]),
    ).catch(() => ["", ""]);
    if (ran.join().includes("ran") || ran[1] !== "undefined") return { verdict: "lost", ms, why: "something ran" };
    const after = await readKept(page, false);
    const workId = /\/work\/([^/]+)/.exec(this.#address)?.[1] ?? "";
    // Finished pages are added to the work; nothing else may touch it.
    const lost = lostFrom(
      withoutHashes(before),
      withoutHashes(after),
      file.door === "finished" || file.door === "paste" ? { workId } : {},
    );
    if (lost.length > 0) return { verdict: "lost", ms, why: lost[0]! };
    if (slow || ms > this.#slowMs) return { verdict: "slow", ms, why: "" };
    return { verdict: accepted ? "accepted" : "refused", ms, why: "" };
  }

  async #open(door: Door): Promise<void> {
    const page = this.#page;
    const at: Record<Door, string> = {
      photos: "/photos",
      papers: "/photos",
      project: "/",
      everything: "/",
      templates: this.#address,
      finished: this.#address,
      paste: this.#address,
      lab: "/labs",
    };
    await page.goto(at[door]);
    if (door === "papers") await page.getByText("Papers", { exact: true }).click();
    if (door === "everything") await page.getByRole("button", { name: /^Where your projects are kept/ }).click();
    if (door === "templates") await openDrawer(page, "Templates");
    if (door === "finished") {
      await page.getByRole("button", { name: "More about this project" }).click();
      await page.getByRole("menuitem", { name: "Bring in finished pages …" }).click();
    }
    if (door === "paste") await addWords(page, "A caption");
  }

  /** How many photos, papers and ornaments there are. */
  async #count(): Promise<number> {
    return Object.keys((await readKept(this.#page, false)).tables.photos ?? {}).length;
  }

  /** Whether it was taken; resolves when that is said. */
  async #hand({ door, name, bytes }: Hostile, expected: Verdict | undefined): Promise<boolean> {
    const page = this.#page;
    const payload = { name, mimeType: "", buffer: Buffer.from(bytes) };
    if (door === "paste") {
      await page.keyboard.insertText(Buffer.from(bytes).toString("utf8"));
      await page.keyboard.press("Escape");
      await expectKept(page);
      return true;
    }
    const inputs: Record<Exclude<Door, "paste">, ReturnType<Page["locator"]>> = {
      photos: page.getByTestId("choose-files").first(),
      papers: page.getByTestId("choose-files").first(),
      project: page.locator('input[type="file"][accept*=".tessip"]').first(),
      everything: page.getByTestId("everything-file"),
      templates: page.locator('input[type="file"][accept^="application/json"]').first(),
      lab: page.locator('input[type="file"][accept^=".json"]').first(),
      finished: page.locator('dialog input[type="file"]').first(),
    };
    const before = await this.#count();
    await inputs[door].setInputFiles(payload);
    if (door === "photos" || door === "papers") {
      // There is one more, or something is said of it, or nothing of either for a while: then it held nothing.
      // Of two like files in a zip one is "already" here before the other is kept, so what should come in is waited for.
      const said = page.getByTestId("incoming").getByText(/left out|already|could not be read/);
      const most = expected === "accepted" ? looks.accepted : looks.other;
      for (let looked = 0; looked < most; looked += 1) {
        await allIn(page);
        if ((await this.#count()) !== before) break;
        if (expected !== "accepted" && (await said.count()) > 0) break;
        await page.waitForTimeout(150);
      }
      return (await page.getByText(/files? (was|were) left out/).count()) === 0 && (await this.#count()) !== before;
    }
    const said = {
      project: [/is among your projects now/, /Nothing was changed|That did not work|newer Tessip/],
      everything: [/came in\.|is here already/, /not a safe folder|newer Tessip|did not work/],
      templates: [/came in\.$/, /Nothing came in|none of them came in/],
      lab: [/is here now|Save|Keep/, /Nothing was changed|too long|no lab card|cannot be used/],
      finished: [/finished pages? came in/, /could not be read/],
    }[door] as [RegExp, RegExp];
    const [yes, no] = [page.getByText(said[0]).first(), page.getByText(said[1]).first()];
    await expect(yes.or(no).first()).toBeVisible({ timeout: givenUpMs });
    return !(await no.isVisible());
  }
}

class TooLate extends Error {}

function within<T>(ms: number, work: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new TooLate()), ms);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

/** Only names of originals are read each time; what is in them is looked at once, at the end. */
const withoutHashes = (state: Awaited<ReturnType<typeof readKept>>) => ({
  ...state,
  originals: Object.fromEntries(Object.keys(state.originals).map((name) => [name, name])),
});
