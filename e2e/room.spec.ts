import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { withPhotos } from "./support/prepared.ts";
import { arrangeFirst, box, longMs, startCollage, tile } from "./support/tessip.ts";

const outbox = join(import.meta.dirname, "..", "demo", ".cache", "outbox");
const sheet = (page: Page) => page.getByRole("complementary", { name: "Notes" });
const dialog = (page: Page) => page.getByRole("dialog", { name: "A reading room" });
const noteField = (page: Page) => page.getByRole("textbox", { name: "Your note" });

async function mailsTo(address: string): Promise<readonly string[]> {
  const names = (await readdir(outbox).catch(() => [])).sort();
  const all = await Promise.all(names.map((n) => readFile(join(outbox, n), "utf8")));
  return all.filter((m) => m.includes(`To: ${address}`));
}
const textOf = (mail: string): string => Buffer.from(mail.split("\r\n\r\n")[1]!, "base64").toString();

test("a reading room: asked by link, read without an account, notes and pages going both ways, closed for good", async ({
  page,
  browser,
}) => {
  test.setTimeout(longMs);
  const stamp = `${Date.now()}`;
  const [hilde, nora] = [`hilde-${stamp}@example.org`, `nora-${stamp}@example.org`];
  await withPhotos(page, 4);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await arrangeFirst(page, 3);
  await page.keyboard.press("Escape");
  let link = "";

  await test.step("a room is opened, and invitations are written", async () => {
    await page.keyboard.press("Shift+M");
    await page.getByRole("button", { name: "Ask by link …" }).click();
    await dialog(page)
      .getByRole("textbox", { name: /^Who is asked/ })
      .fill(hilde);
    await dialog(page).getByRole("textbox", { name: "Your own mail address" }).fill(nora);
    await dialog(page).getByRole("button", { name: "What the mails say" }).click();
    await dialog(page).getByRole("textbox", { name: "Subject" }).fill("Please read {work}");
    await dialog(page).getByRole("button", { name: "Open the room" }).click();
    await expect(page.getByText("The room is open, and shows the pages as they are now.")).toBeVisible({
      timeout: longMs,
    });
    link = await dialog(page).getByRole("textbox", { name: "The link for readers" }).inputValue();
    await dialog(page).getByRole("button", { name: "Write the invitations" }).click();
    await expect(page.getByText("1 invitation lies in the server’s outbox.")).toBeVisible();
    const [mail] = await mailsTo(hilde);
    expect(mail).toContain("Subject: Please read");
    expect(textOf(mail!)).toContain(link);
    await dialog(page).getByRole("button", { name: "Close", exact: true }).click();
  });

  const context = await browser.newContext({ viewport: { width: 1024, height: 768 } });
  const reader = await context.newPage();
  const wrong: string[] = [];
  reader.on("pageerror", (e) => wrong.push(e.message));
  const pictureOf = async () => (await reader.locator(".leaf > img").getAttribute("src")) ?? "";
  await test.step("a reader opens the link and says something; it arrives while the maker works", async () => {
    await reader.goto(link);
    await expect(reader.locator(".leaf > img")).toBeVisible();
    expect(await reader.evaluate(() => (document.querySelector(".leaf > img") as HTMLImageElement).naturalWidth)).toBe(
      1400,
    );
    await reader.getByRole("button", { name: "Pin a note" }).click();
    const leaf = await box(reader.locator(".leaf"));
    await reader.mouse.click(leaf.x + leaf.width / 4, leaf.y + leaf.height / 4);
    await noteField(reader).fill("Is that the old lock?");
    await reader.getByRole("button", { name: "Pin it" }).click();
    await reader.getByRole("textbox", { name: "Your name" }).fill("Hilde");
    await reader.getByRole("button", { name: "That is me" }).click();
    await expect(reader.getByText("Everything you said has arrived.")).toBeVisible();
    await expect(page.getByText("1 new note or answer from Hilde.")).toBeVisible();
    await expect(sheet(page).getByRole("button", { name: /old lock/ })).toContainText("New");
    expect(await mailsTo(nora)).toHaveLength(1);
  });

  await test.step("the answer is there at the reader’s, and what is said without a network arrives later", async () => {
    await sheet(page)
      .getByRole("button", { name: /old lock/ })
      .click();
    await sheet(page).getByRole("textbox", { name: "Your answer" }).fill("Yes, the one at Harrow.");
    await page.getByRole("button", { name: "Answer", exact: true }).click();
    await expect(reader.getByText("Yes, the one at Harrow.")).toBeVisible();
    await context.setOffline(true);
    await reader
      .getByRole("group", { name: /^All of it/ })
      .getByRole("button", { name: "Approved" })
      .click();
    await expect(reader.getByText("Not everything you said has arrived yet.")).toBeVisible();
    await context.setOffline(false);
    await expect(reader.getByText("Everything you said has arrived.")).toBeVisible();
    await page.getByRole("button", { name: "All notes" }).click();
    await expect(sheet(page).getByText("Hilde approved all of it, as it is now.")).toBeVisible();
    await expect
      .poll(() => mailsTo(nora).then((m) => m.some((x) => x.includes("is approved") || x.includes("=?utf-8?B?"))))
      .toBe(true);
  });

  await test.step("a new state of the pages goes there, only what changed, and the reader is told", async () => {
    const before = await pictureOf();
    await page.getByRole("button", { name: "Reading room …" }).click();
    await dialog(page).getByRole("button", { name: "Show the pages as they are now" }).click();
    await expect(page.getByText("The room shows the pages as they are now; none had changed.")).toBeVisible({
      timeout: longMs,
    });
    await dialog(page).getByRole("button", { name: "Close", exact: true }).click();
    await page.getByRole("button", { name: "Close the notes" }).click();
    await tile(page, 1).focus();
    await page.keyboard.press("Alt+ArrowRight");
    await page.keyboard.press("Shift+M");
    await page.getByRole("button", { name: "Reading room …" }).click();
    await dialog(page).getByRole("button", { name: "Show the pages as they are now" }).click();
    await expect(page.getByText(/1 picture was new/)).toBeVisible({ timeout: longMs });
    await expect(reader.getByText("The pages were changed meanwhile.")).toBeVisible();
    await reader.getByRole("button", { name: "Show them" }).click();
    await expect.poll(pictureOf).not.toBe(before);
    await expect(reader.getByText("Is that the old lock?")).toBeVisible();
    expect(wrong).toEqual([]);
  });

  await test.step("the room is closed: the link says so, and the notes stay with the maker", async () => {
    await dialog(page).getByRole("button", { name: "End this room" }).click();
    await dialog(page).getByRole("button", { name: "End this room" }).click();
    await expect(page.getByText("The room has ended, and nothing of it is left on the server.")).toBeVisible();
    await expect(reader.getByText(/This reading room is closed; give your notes back as a file/)).toBeVisible();
    await reader.goto(link);
    await expect(reader.getByRole("heading", { name: "This reading room is closed" })).toBeVisible();
    await dialog(page).getByRole("button", { name: "Close", exact: true }).click();
    await expect(sheet(page).getByRole("button", { name: /old lock/ })).toBeVisible();
  });

  await test.step("behind a passphrase", async () => {
    await page.getByRole("button", { name: "Ask by link …" }).click();
    await dialog(page).getByRole("textbox", { name: "A passphrase, if you want one" }).fill("marigold");
    await dialog(page).getByRole("button", { name: "Open the room" }).click();
    await expect(page.getByText("The room is open, and shows the pages as they are now.").last()).toBeVisible({
      timeout: longMs,
    });
    await expect(dialog(page).getByText(/^Open until/)).toBeVisible();
    await reader.goto(await dialog(page).getByRole("textbox", { name: "The link for readers" }).inputValue());
    await reader.getByLabel("Passphrase").fill("lily");
    await reader.getByRole("button", { name: "Enter" }).click();
    await expect(reader.getByText("That was not it.")).toBeVisible();
    await reader.getByLabel("Passphrase").fill("marigold");
    await reader.getByRole("button", { name: "Enter" }).click();
    // The pages may still be on their way.
    await expect(async () => {
      await reader.reload();
      await expect(reader.locator(".leaf > img")).toBeVisible({ timeout: 2000 });
    }).toPass();
    expect(await context.cookies()).toEqual([]);
    await context.close();
  });
});
