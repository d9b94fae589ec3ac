import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import type { Order } from "#core/lab";
import { checkPacket } from "./check-packet.ts";
import { card, codes, foreign, openLab, packetOf, picture, type Sent } from "./lab.fixture.ts";
import { labRoutes } from "./lab-routes.ts";
import { OrderShelf } from "./orders.ts";
import { readFile } from "./read-file.ts";
import { threadReader } from "./thread-reader.ts";

test("the lab looks at the bytes itself, whatever the list says", async () => {
  const lab = await openLab();
  const right = picture();
  const changed = Uint8Array.from(right);
  changed[changed.length - 40]! ^= 1;
  const { said } = await lab.begin(
    packetOf([
      { name: "changed.jpg", bytes: right },
      { name: "missing.jpg", bytes: right },
    ]),
  );
  await lab.put(said.id, "changed.jpg", changed);
  expect(codes((await lab.finish(said.id)).said)).toEqual(["changed.jpg checksumWrong", "missing.jpg fileMissing"]);
  const wrong: Sent[] = [
    { name: "small.jpg", bytes: picture({ w: 200, h: 100 }) },
    { name: "coarse.jpg", bytes: picture({ ppi: 72 }) },
    { name: "png.jpg", bytes: await foreign("png") },
    { name: "grey.jpg", bytes: await foreign("jpeg", true) },
    { name: "words.jpg", bytes: Buffer.from("Dear lab, here is my book.") },
    { name: "a-name-that-goes-on-and-on.jpg", bytes: right },
  ];
  expect(codes(await lab.order(wrong))).toEqual([
    "small.jpg wrongPixels",
    "coarse.jpg wrongDensity",
    "png.jpg wrongKind",
    "grey.jpg wrongColours",
    "grey.jpg wrongProfile",
    "grey.jpg wrongDensity",
    "words.jpg notAPicture",
    "a-name-that-goes-on-and-on.jpg nameTooLong",
  ]);
});

test("PNG and TIFF are read as well", async () => {
  for (const kind of ["png", "tiff"] as const) {
    const folder = await mkdtemp(join(tmpdir(), "tessip-lab-"));
    const lab = card({ file: { ...card().file, kind } });
    const app = labRoutes({
      cards: [lab],
      orders: new OrderShelf(folder),
      now: () => new Date(),
      read: readFile,
      pause: async () => {},
      stalledMs: 200,
    });
    const bytes = await foreign(kind);
    const begun = (await (
      await app.request("/orders", { method: "POST", body: JSON.stringify(packetOf([{ name: "a", bytes }])) })
    ).json()) as Order;
    await app.request(`/orders/${begun.id}/files/a`, {
      method: "PUT",
      body: Uint8Array.from(bytes),
      headers: { "upload-offset": "0" },
    });
    const said = (await (await app.request(`/orders/${begun.id}/finish`, { method: "POST" })).json()) as Order;
    expect([kind, codes(said)]).toEqual([kind, []]);
  }
});

test("a large PDF is read in pieces, across their borders too", async () => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-pdf-"));
  const path = join(folder, "large.pdf");
  const page = "<< /Type /Page /TrimBox [ 0 0 170.08 113.39 ] >>\nendobj\n";
  const parts = ["%PDF-1.7\n"];
  for (let i = 0; i < 40; i += 1) parts.push(`x${"0".repeat(262_144 - 30 + i)}endobj\n`, page);
  await writeFile(path, parts.join(""));
  const facts = await readFile(path);
  expect(facts).toMatchObject({ kind: "pdf" });
  expect(facts?.kind === "pdf" && facts.trims).toHaveLength(40);
});

test("the lab measures the letters of a PDF by what is drawn, whatever scales and stacks lie around them", async () => {
  const folder = await mkdtemp(join(tmpdir(), "tessip-type-"));
  const path = join(folder, "type.pdf");
  const read = async (content: string, entries = "/Filter /FlateDecode") => {
    const packed = deflateSync(Buffer.from(content, "latin1")).toString("latin1");
    const page = "<< /Type /Page /TrimBox [ 0 0 170.08 113.39 ] >>\nendobj\n";
    const stream = `<< ${entries} /Length ${packed.length} >>\nstream\n${packed}\nendstream\nendobj\n`;
    await writeFile(path, `%PDF-1.7\n1 0 obj\n${page}2 0 obj\n${stream}`, "latin1");
    const facts = await readFile(path);
    return facts?.kind === "pdf" ? facts.leastTypePt : undefined;
  };
  const mm = 72 / 25.4;
  const text = (size: number, m: string) => `BT /F1 ${size} Tf ${m} Tm <0001> Tj ET`;
  expect(await read(`q ${mm} 0 0 ${-mm} 0 300 cm ${text(4, "1 0 0 -1 10 20")} Q`)).toBeCloseTo(4 * mm);
  // What was scaled between q and Q is over after it; turned letters keep their size.
  expect(await read(`q .5 0 0 .5 0 0 cm ${text(20, "1 0 0 1 0 0")} Q ${text(12, "0 1 -1 0 5 5")}`)).toBeCloseTo(10);
  expect(await read(`q .5 0 0 .5 0 0 cm Q ${text(12, "1 0 0 1 0 0")}`)).toBeCloseTo(12);
  expect(await read("0 0 10 10 re f /F1 2 Tf")).toBeUndefined();
  expect(await read(text(3, "1 0 0 1 0 0"), "/Subtype /Image /Filter /FlateDecode")).toBeUndefined();
  expect(await read("no letters").then(() => readFile(path))).toMatchObject({ trims: [{ w: 170.08 }] });
});

test("a lab that prints no small letters refuses a PDF that has them, and takes pictures as they are", async () => {
  const limits = card({ file: { ...card().file, leastTypePt: 6 } });
  const sent = (name: string) => packetOf([{ name, bytes: picture() }]);
  const facts = (leastTypePt: number | undefined) => ({ kind: "pdf", trims: [], leastTypePt }) as const;
  const reasons = async (leastTypePt: number | undefined) => {
    const [file] = sent("a.pdf").files;
    const arrived = { path: "", bytes: file!.bytes, sha256: file!.sha256 };
    const all = await checkPacket(
      sent("a.pdf"),
      limits,
      async () => arrived,
      async () => facts(leastTypePt),
    );
    return all.map((r) => [r.code, r.facts]);
  };
  expect(await reasons(5.5)).toEqual([["typeTooSmall", { is: 5.5, least: 6 }]]);
  expect(await reasons(5.98)).toEqual([]);
  expect(await reasons(undefined)).toEqual([]);
});

const threadOf = (text: string) => new URL(`data:text/javascript,${encodeURIComponent(text)}`);

test("a thread that reads too long or dies costs its own file only", async () => {
  const read = threadReader(
    threadOf(`import { parentPort } from "node:worker_threads";
      parentPort.on("message", ({ id, path }) => {
        if (path === "endless") for (;;);
        if (path === "deadly") throw new Error("out of its depth");
        parentPort.postMessage({ id, facts: { kind: "pdf", trims: [] } });
      });`),
    1_000,
  );
  expect(await read("good")).toMatchObject({ kind: "pdf" });
  // Nothing is held up by it here: this thread goes on counting.
  let turns = 0;
  const ticking = setInterval(() => {
    turns += 1;
  }, 5);
  expect(await read("endless")).toBeUndefined();
  clearInterval(ticking);
  expect(turns).toBeGreaterThan(20);
  expect(await read("deadly")).toBeUndefined();
  expect(await read("good")).toMatchObject({ kind: "pdf" });
});

test("a file that says which size it is for is held to that size", async () => {
  const lab = await openLab();
  const list = packetOf([{ name: "1.jpg", bytes: picture(), holds: "sheet" }]);
  const outcome = async (sizeId: string) => {
    const { said } = await lab.begin({ ...list, files: [{ ...list.files[0], sizeId }] });
    await lab.put(said.id, "1.jpg", picture());
    return codes((await lab.finish(said.id)).said);
  };
  expect(await outcome("s")).toEqual([]);
  expect(await outcome("another")).toEqual(["1.jpg wrongPixels"]);
});
