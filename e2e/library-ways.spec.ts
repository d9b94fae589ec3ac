import { mkdtemp, readFile, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Locator, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { datedFiles, pngThatSays, samplePhotos, withThumbnail } from "./support/files.ts";
import { allIn, arrangeFirst, box, chooseFiles, shelfPhotos, startCollage } from "./support/tessip.ts";

const scratch = () => mkdtemp(join(tmpdir(), "tessip-"));
const photo = (page: Page, name: string | RegExp): Locator =>
  page.getByRole("listbox", { name: "Photos" }).getByRole("option", { name });
const sheet = (page: Page): Locator => page.getByRole("complementary", { name: "About this photo" });

test("times and captions are read from where they stand, and say so; odd sizes get a word or come in", async ({
  page,
}) => {
  const folder = await scratch();
  const files = await datedFiles(folder);
  const huge = join(folder, "huge.jpg");
  await sharp({
    create: { width: 18_000, height: 17_000, channels: 3, background: "#7799bb" },
    limitInputPixels: false,
  })
    .jpeg({ quality: 40 })
    .toFile(huge);
  const claims = join(folder, "claims.png");
  await writeFile(claims, pngThatSays(60_000, 60_000));
  await page.goto("/photos");
  await chooseFiles(page, [...files, huge, claims]);
  await expect(
    page.getByTestId("incoming").getByText("claims.png: it has more pixels than a browser can hold"),
  ).toBeVisible();
  const taken = async (name: RegExp, at: string, from: string) => {
    await photo(page, name).dblclick();
    await expect(sheet(page).getByRole("textbox", { name: "Taken" })).toHaveValue(at);
    await expect(sheet(page)).toContainText(from);
  };
  await taken(/scan.jpg/, "2019-08-07 06:05:04", "from the file’s notes (XMP)");
  await expect(sheet(page).getByRole("textbox", { name: "Caption" })).toHaveValue("Scanned by Nan");
  await taken(/IMG_2024/, "2024-02-03 10:11:12", "from the file’s name");
  await taken(/PXL_2021/, "2021-01-02 03:04:05", "from the file’s name");
  await photo(page, /plain.jpg/).dblclick();
  await expect(sheet(page)).toContainText("a guess, from the file’s own date");
  await photo(page, /huge.jpg/).dblclick();
  await expect(sheet(page)).toContainText("18,000 × 17,000");
  await expect(photo(page, /huge.jpg/).locator("img")).toBeVisible();
});

test("while photos wait, the small pictures inside them are shown, and they can be dropped and pasted", async ({
  page,
}) => {
  await page.goto("/photos");
  const [one] = samplePhotos(1);
  const waiting = await Promise.all(Array.from({ length: 40 }, (_, i) => withThumbnail(one!, `copy ${i}`)));
  await page
    .getByTestId("choose-files")
    .setInputFiles(waiting.map((buffer, i) => ({ name: `copy-${i}.jpg`, mimeType: "image/jpeg", buffer })));
  await expect(page.getByTestId("waiting").locator("img").first()).toBeVisible();
  await page.getByRole("button", { name: "Stop bringing in" }).click();
  await allIn(page);

  const [, two, three] = await Promise.all(samplePhotos(3).map((f) => readFile(f, "base64")));
  const handOver = (type: "drop" | "paste", name: string, data: string) =>
    page.evaluate(
      ([kind, fileName, base64]) => {
        const bytes = Uint8Array.from(atob(base64!), (c) => c.charCodeAt(0));
        const files = new DataTransfer();
        files.items.add(new File([bytes], fileName!, { type: "image/jpeg" }));
        window.dispatchEvent(
          kind === "drop"
            ? new DragEvent("drop", { dataTransfer: files, bubbles: true, cancelable: true })
            : new ClipboardEvent("paste", { clipboardData: files, bubbles: true }),
        );
      },
      [type, name, data],
    );
  await handOver("drop", "dropped.jpg", two!);
  await expect(photo(page, /dropped.jpg/)).toBeVisible();
  await handOver("paste", "pasted.jpg", three!);
  await expect(photo(page, /pasted.jpg/)).toBeVisible();
});

test("choosing by a drawn box, piles by key, hiding and showing, an event and a size to filter by, the shelf's own timeline", async ({
  page,
}) => {
  const small = join(await scratch(), "small.jpg");
  await sharp(samplePhotos(1)[0]!).resize(400).jpeg().toFile(small);
  await page.goto("/");
  await chooseFiles(page, [...samplePhotos(24), small]);
  await startCollage(page, "Quayside Collage Press", "12 × 12 in");
  await page.getByRole("link", { name: /Photos/ }).click();
  const title = page.getByRole("heading", { level: 1 });
  await expect(title).toHaveText("25 photos");

  await test.step("a drawn box chooses what it touches", async () => {
    const last = await box(page.getByRole("listbox", { name: "Photos" }).getByRole("option").nth(1));
    const first = await box(page.getByRole("listbox", { name: "Photos" }).getByRole("option").first());
    await page.mouse.move(first.x - 20, first.y + 5);
    await page.mouse.down();
    await page.mouse.move(last.x + 20, last.y + 40, { steps: 5 });
    await page.mouse.up();
    const chosen = page.getByRole("region", { name: "With the chosen photos" });
    await expect(chosen).toContainText("2 chosen");
    await chosen.getByRole("button", { name: "Hide", exact: true }).click();
    await expect(title).toHaveText("23 of 25 photos");
  });

  await test.step("hidden ones are found and shown again", async () => {
    await page.getByRole("button", { name: "Filter", exact: true }).click();
    await page.getByText("Hidden ones too").click();
    await expect(title).toHaveText("25 photos");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Show again" }).click();
    await page.getByRole("button", { name: /Filter/ }).click();
    await page.getByText("Hidden ones too").click();
    await expect(title).toHaveText("25 photos");
    await page.getByRole("combobox", { name: "Event" }).selectOption({ label: "6 April 2025 (11 photos)" });
    await expect(title).toHaveText("11 of 25 photos");
    await page.getByRole("combobox", { name: "Event" }).selectOption("");
    await page.getByText("Too small for this page").click();
    await expect(title).toHaveText(/^[1-9]\d* of 25 photos$/);
    await expect(photo(page, /small.jpg/)).toBeVisible();
    await page.getByRole("button", { name: "Show all again" }).click();
    await page.keyboard.press("Escape");
    // The focus goes back to the button a moment later, and would be taken from the pile.
    await expect(page.getByRole("button", { name: "Filter", exact: true })).toBeFocused();
  });

  await test.step("a pile opens and closes by key", async () => {
    const top = page.getByRole("listbox", { name: "Photos" }).getByRole("option", { name: /4 photos much alike/ });
    await top.focus();
    await page.keyboard.press("p");
    await expect(page.getByRole("button", { name: "Gather this pile again" })).toBeVisible();
    await page.keyboard.press("p");
    await expect(page.getByRole("button", { name: "Gather this pile again" })).toHaveCount(0);
  });

  await test.step("a bar over the shelf leads to its photos", async () => {
    await page.getByRole("link", { name: /Pages/ }).click();
    await arrangeFirst(page, 3);
    const bars = page.getByTestId("shelf-time").getByRole("button");
    await expect(bars.first()).toHaveAccessibleName(/3 on pages/);
    await bars.last().click();
    await expect(shelfPhotos(page).filter({ hasText: "" }).last()).toBeInViewport();
  });
});
