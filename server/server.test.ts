import { mkdir, mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { expect, test } from "@jest/globals";
import { labCardSchema } from "#core/lab/schema";
import { createApp } from "./app.ts";
import { OrderShelf } from "./lab/orders.ts";
import { readLabs } from "./labs.ts";
import { openSample } from "./sample.ts";

const home = await mkdtemp(join(tmpdir(), "tessip-server-"));
await mkdir(join(home, "web", "assets"), { recursive: true });
await mkdir(join(home, "sample"));
await writeFile(join(home, "web", "index.html"), "<title>Tessip</title>");
await writeFile(join(home, "web", "assets", "app-1a2b.js"), "1");
await writeFile(
  join(home, "sample", "index.json"),
  JSON.stringify({
    title: "A year",
    photos: [{ file: "A_1.jpg", bytes: 3 }],
    papers: [{ file: "dots.svg", bytes: 3 }],
  }),
);
await writeFile(join(home, "sample", "A_1.jpg"), Uint8Array.of(1, 2, 3));
await writeFile(join(home, "sample", "dots.svg"), "<svg");
await writeFile(join(home, "secret.jpg"), "secret");

const lines: string[] = [];
const log = (line: string) => lines.push(line);
const labs = await readLabs("demo/labs", log);
const lab = {
  cards: labs,
  orders: new OrderShelf(join(home, "orders")),
  now: () => new Date("2026-05-01T10:00:00Z"),
  read: async () => undefined,
  pause: async () => {},
  stalledMs: 1000,
};
const app = createApp({
  lab,
  rooms: undefined,
  sample: await openSample(join(home, "sample")),
  webFolder: relative(process.cwd(), join(home, "web")),
  log,
  host: "127.0.0.1",
});

test("it is well, and hands out lab cards that keep the rules", async () => {
  expect(await (await app.request("/health")).json()).toEqual({ ok: true });
  const { cards } = (await (await app.request("/lab/cards")).json()) as { cards: unknown[] };
  expect(cards).toHaveLength(8);
  for (const card of cards) expect(labCardSchema.safeParse(card).success).toBe(true);
});

test("every answer forbids foreign and inline scripts, framing and sniffing", async () => {
  for (const path of ["/", "/health", "/nowhere.js"]) {
    const { headers } = await app.request(path);
    const policy = headers.get("content-security-policy") ?? "";
    expect(policy).toContain("default-src 'self'");
    expect(policy).toMatch(/script-src 'self' 'wasm-unsafe-eval';/);
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/https?:|\*|'unsafe-eval'/);
    expect(headers.get("x-content-type-options")).toBe("nosniff");
  }
});

test("built files may be kept for good, the page that names them may not, and places lead to it", async () => {
  expect((await app.request("/assets/app-1a2b.js")).headers.get("cache-control")).toContain("immutable");
  for (const path of ["/", "/work/abc/pages"]) {
    const answer = await app.request(path);
    expect(await answer.text()).toContain("Tessip");
    expect(answer.headers.get("cache-control")).toBe("no-cache");
  }
  expect((await app.request("/assets/gone.js")).status).toBe(404);
});

test("sample photos are handed out by the names in their index, and nothing else is", async () => {
  expect(await (await app.request("/sample")).json()).toMatchObject({ title: "A year" });
  expect((await app.request("/sample/files/A_1.jpg")).headers.get("content-type")).toBe("image/jpeg");
  expect((await app.request("/sample/files/dots.svg")).headers.get("content-type")).toBe("application/octet-stream");
  for (const path of [
    "/sample/files/B.jpg",
    "/sample/files/..%2f..%2fsecret.jpg",
    "/..%2fsecret.jpg",
    "/assets/..%2f..%2fsecret.jpg",
  ])
    expect((await app.request(path)).status).toBe(404);
  const bare = createApp({ lab, rooms: undefined, sample: undefined, webFolder: ".", log, host: "127.0.0.1" });
  expect((await bare.request("/sample")).status).toBe(404);
});

test("a fault inside is logged and answered without its insides", async () => {
  const broken = createApp({
    rooms: undefined,
    lab,
    sample: {
      index: { title: "", photos: [], papers: [], ornaments: [] },
      read: async () => Promise.reject(new Error("disk at /root/x")),
    },
    webFolder: ".",
    log,
    host: "127.0.0.1",
  });
  const answer = await broken.request("/sample/files/A.jpg");
  expect(answer.status).toBe(500);
  expect(await answer.text()).toBe('{"code":"serverFault"}');
  expect(lines.at(-1)).toContain("disk at /root/x");
});

test("a lab card that breaks the rules is named and left out", async () => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-labs-"));
  await writeFile(join(folder, "odd.json"), JSON.stringify({ ...labs[0], bleedMm: -3 }));
  expect(await readLabs(folder, log)).toEqual([]);
  expect(lines.at(-1)).toContain("odd.json");
});

test("foreign pages and foreign names cannot talk to it; its own can", async () => {
  const ask = async (method: string, headers: Record<string, string>) =>
    (await app.request("/lab/mood", { method, headers, ...(method === "GET" ? {} : { body: '{"mood":"well"}' }) }))
      .status;
  expect(await ask("PUT", { host: "127.0.0.1:4173", origin: "http://127.0.0.1:4173" })).toBe(200);
  expect(await ask("PUT", { host: "localhost:4173", "sec-fetch-site": "same-origin" })).toBe(200);
  expect(await ask("PUT", { host: "127.0.0.1:4173" })).toBe(200);
  expect(await ask("PUT", { host: "127.0.0.1:4173", origin: "http://evil.example" })).toBe(403);
  expect(await ask("PUT", { host: "127.0.0.1:4173", origin: "null" })).toBe(403);
  expect(await ask("PUT", { host: "127.0.0.1:4173", "sec-fetch-site": "cross-site" })).toBe(403);
  expect(await ask("PUT", { host: "127.0.0.1:4173", "sec-fetch-site": "same-site" })).toBe(403);
  expect(await ask("GET", { host: "rebound.example:4173" })).toBe(421);
  expect(await ask("GET", { host: "[::1]:4173" })).toBe(200);
});

test("an unknown place of the lab is not a place of the application", async () => {
  for (const path of ["/lab", "/lab/nothing", "/lab/orders/x/y/z"]) expect((await app.request(path)).status).toBe(404);
});
