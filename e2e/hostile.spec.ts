import { expect, test } from "@playwright/test";
import { hostileFiles } from "./hostile/generator.ts";
import { Giver } from "./hostile/give.ts";

/** Of several hundred (`npm run hostile`) one of each kind that once froze the tab, filled its memory, or tried to run something. */
const worst: Readonly<Record<string, "accepted" | "refused">> = {
  "use-bomb.svg": "refused",
  "use-loop.svg": "refused",
  "deep.svg": "refused",
  "entities.svg": "accepted",
  "acts-2.svg": "accepted",
  "utf16-le.svg": "accepted",
  "claims-0.tif": "refused",
  "says-60000x60000.png": "refused",
  "exif-loop.jpg": "accepted",
  "bomb.zip": "refused",
  "climbs.zip": "accepted",
  "deep-json.zip": "refused",
  "odd-ppi.json": "refused",
  "loops.pdf": "refused",
  "handler.txt": "accepted",
};

test("hostile files are refused or come in harmless; nothing that was there is touched, and nothing is asked for outside", async ({
  page,
  baseURL,
}) => {
  const outside: string[] = [];
  page.on("request", (r) => {
    if (/^https?:/.test(r.url()) && !r.url().startsWith(baseURL!)) outside.push(r.url());
  });
  page.on("console", (m) => {
    // No handler of a drawing may get as far as the policy.
    if (/Content Security Policy/i.test(m.text())) outside.push(m.text());
  });
  // How fast it goes is for `npm run hostile`.
  const giver = new Giver(page, Number.POSITIVE_INFINITY);
  await giver.begin();
  const all = await hostileFiles(1);
  const found: Record<string, string> = {};
  for (const name of Object.keys(worst)) {
    const file = all.find((f) => f.name === name && (name !== "climbs.zip" || f.door === "photos"))!;
    const { verdict, why } = await giver.give(file, worst[name]);
    found[name] = why ? `${verdict}: ${why}` : verdict;
  }
  expect(found).toEqual(worst);
  expect(outside).toEqual([]);
});
