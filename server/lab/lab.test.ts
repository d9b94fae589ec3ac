import { createHash } from "node:crypto";
import { mkdir, mkdtemp, readdir, symlink, writeFile } from "node:fs/promises";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deflateSync } from "node:zlib";
import { serve } from "@hono/node-server";
import { expect, test } from "@jest/globals";
import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import sharp from "sharp";
import { JpegEncoder, rgbProfile } from "#core/files";
import type { LabCard, Order, Packet } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { checkPacket } from "./check-packet.ts";
import { labRoutes } from "./lab-routes.ts";
import { OrderShelf } from "./orders.ts";
import { readFile } from "./read-file.ts";
import { threadReader } from "./thread-reader.ts";

const card = (more: Partial<LabCard> = {}): LabCard =>
  labCardSchema.parse({
    schema: 1,
    id: "a-lab",
    name: "A lab",
    kind: "prints",
    unit: "mm",
    about: "",
    bleedMm: 2,
    safeMm: 1,
    ppi: { wanted: 100, least: 50 },
    file: { kind: "jpeg", quality: 0.9, name: "{page}", mostNameLength: 20 },
    sizes: [{ id: "s", name: "s", widthMm: 60, heightMm: 40, turns: true }],
    ...more,
  });

const book = card({
  id: "a-binder",
  kind: "book",
  book: {
    binding: "layFlat",
    gutterMm: 0,
    pages: { least: 2, most: 8, step: 2 },
    firstOnRight: false,
    files: "pages",
    papers: [{ id: "p", name: "p", leafMm: 0.5 }],
    covers: [
      {
        id: "c",
        name: "c",
        overhangMm: 3,
        wrapMm: 10,
        flapMm: 0,
        spine: { kind: "leaves", baseMm: 4 },
        leastForWordsMm: 5,
      },
    ],
  },
});

const px = (mm: number) => Math.round((mm / 25.4) * 100);

interface PictureOf {
  readonly w?: number;
  readonly h?: number;
  readonly ppi?: number;
}

/** A picture as this lab wants it: 60 × 40 mm with 2 mm of bleed, at 100 ppi. */
function picture({ w = px(64), h = px(44), ppi = 100 }: PictureOf = {}): Buffer {
  const encoder = new JpegEncoder({
    widthPx: w,
    heightPx: h,
    quality: 80,
    chroma: "444",
    progressive: false,
    ppi,
    profile: rgbProfile("srgb"),
  });
  const rows = new Uint8Array(4 * w * h).fill(120);
  return Buffer.concat([...encoder.addRows(rows), ...encoder.finish()]);
}

/** The same from another program's hand. */
const foreign = (kind: "jpeg" | "png" | "tiff", grey = false): Promise<Buffer> => {
  const image = sharp({ create: { width: px(64), height: px(44), channels: 3, background: "#3a7" } });
  const made = (grey ? image.toColourspace("b-w") : image).toFormat(kind);
  return (grey ? made : made.withMetadata({ density: 100, icc: "srgb" })).toBuffer();
};

const sum = (bytes: Uint8Array) => createHash("sha256").update(bytes).digest("hex");

interface Sent {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly holds?: Packet["files"][number]["holds"];
}

const packetOf = (files: readonly Sent[], more: Partial<Packet> = {}): Packet => ({
  schema: 1,
  labId: "a-lab",
  title: "A year",
  files: files.map((f) => ({
    name: f.name,
    bytes: f.bytes.length,
    sha256: sum(f.bytes),
    copies: 1,
    holds: f.holds ?? "page",
  })),
  ...more,
});

async function openLab() {
  const folder = await mkdtemp(join(tmpdir(), "tessip-lab-"));
  let now = new Date("2026-05-01T10:00:00Z");
  const app = new Hono();
  app.route(
    "/lab",
    labRoutes({
      cards: [card(), book],
      orders: new OrderShelf(folder),
      now: () => now,
      read: readFile,
      pause: async () => {},
      stalledMs: 200,
    }),
  );
  app.onError((e, c) =>
    e instanceof HTTPException ? c.json({ code: e.message }, e.status) : c.json({ code: String(e) }, 500),
  );
  const ask = async (method: string, path: string, body?: BodyInit, headers: Record<string, string> = {}) => {
    const answer = await app.request(`/lab${path}`, { method, headers, ...(body === undefined ? {} : { body }) });
    return { status: answer.status, said: (await answer.json()) as Order & { code?: string; arrived: number } };
  };
  const begin = async (packet: unknown) => ask("POST", "/orders", JSON.stringify(packet));
  const put = (id: string, name: string, bytes: Uint8Array, from = 0) =>
    ask("PUT", `/orders/${id}/files/${encodeURIComponent(name)}`, Uint8Array.from(bytes), {
      "upload-offset": String(from),
    });
  const finish = (id: string) => ask("POST", `/orders/${id}/finish`);
  const order = async (files: readonly Sent[], more: Partial<Packet> = {}) => {
    const { said } = await begin(packetOf(files, more));
    for (const f of files) await put(said.id, f.name, f.bytes);
    return (await finish(said.id)).said;
  };
  const mood = (m: string) => ask("PUT", "/mood", JSON.stringify({ mood: m }));
  return {
    app,
    folder,
    ask,
    begin,
    put,
    finish,
    order,
    mood,
    later: (ms: number) => {
      now = new Date(now.getTime() + ms);
    },
  };
}

const codes = (order: Order) => order.reasons.map((r) => `${r.file ?? "packet"} ${r.code}`);

test("a packet that is right gets a receipt, and goes through the lab by its own clock", async () => {
  const lab = await openLab();
  const done = await lab.order([
    { name: "1.jpg", bytes: picture() },
    { name: "2.jpg", bytes: picture({ w: px(44), h: px(64) }) },
  ]);
  expect([done.stage, done.reasons]).toEqual(["received", []]);
  expect(done.receipt).toMatch(/^[0-9A-F]{4}-[0-9A-F]{4}$/);
  for (const stage of ["checked", "printing", "posted"]) {
    lab.later(stage === "posted" ? 25_000 : 9_000);
    expect((await lab.ask("GET", `/orders/${done.id}`)).said.stage).toBe(stage);
  }
});

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

test("a book: its pages are counted, and the cover's width goes by pages and paper", async () => {
  const lab = await openLab();
  const page = picture();
  const cover = (spineMm: number) => picture({ w: px(2 * 63 + spineMm + 20), h: px(46 + 20) });
  const of = (pages: number, spine: Buffer): Sent[] => [
    { name: "cover.jpg", bytes: spine, holds: "cover" },
    ...Array.from({ length: pages }, (_, i) => ({ name: `${i + 1}.jpg`, bytes: page })),
  ];
  const more = (pages: number): Partial<Packet> => ({
    labId: "a-binder",
    sizeId: "s",
    book: { pages, paperId: "p", coverId: "c" },
  });
  expect(codes(await lab.order(of(4, await cover(5)), more(4)))).toEqual([]);
  expect(codes(await lab.order(of(4, await cover(9)), more(4)))).toEqual(["cover.jpg wrongSpine"]);
  expect(codes(await lab.order(of(3, await cover(5)), more(4)))).toEqual(["packet wrongPageCount"]);
  expect(codes(await lab.order(of(5, await cover(5.5)), more(5)))).toContain("packet wrongPageCount");
});

test("what is no packet never becomes an order: names that climb, twice the same, too much, an unknown lab", async () => {
  const lab = await openLab();
  const one = { name: "1.jpg", bytes: picture() };
  const list = packetOf([one]);
  const with_ = (change: object) => ({ ...list, files: [{ ...list.files[0], ...change }] });
  for (const bad of [
    with_({ name: "../1.jpg" }),
    with_({ name: "a/b.jpg" }),
    with_({ sha256: "?" }),
    { files: [] },
    "?",
  ])
    expect(await lab.begin(bad)).toMatchObject({ status: 400, said: { code: "notAPacket" } });
  expect(await lab.begin(with_({ bytes: 5e9 }))).toMatchObject({ status: 400, said: { code: "packetTooLarge" } });
  expect(await lab.begin(packetOf([one, { ...one, name: "1.JPG" }]))).toMatchObject({
    status: 400,
    said: { code: "nameTwice" },
  });
  expect(await lab.begin({ ...list, labId: "nobody" })).toMatchObject({ status: 404, said: { code: "noSuchLab" } });
  expect(await readdir(lab.folder)).toEqual([]);
  expect(await lab.ask("GET", "/orders/..%2f..%2fetc")).toMatchObject({ status: 404 });
});

test("more than was said is not kept, nor a file that was not on the list", async () => {
  const lab = await openLab();
  const { said } = await lab.begin(packetOf([{ name: "1.jpg", bytes: new Uint8Array(1000) }]));
  expect(await lab.put(said.id, "2.jpg", new Uint8Array(10))).toMatchObject({
    status: 404,
    said: { code: "noSuchFile" },
  });
  const zeros = new ReadableStream({ pull: (c) => c.enqueue(new Uint8Array(65_536)) });
  const answer = await lab.app.request(`/lab/orders/${said.id}/files/1.jpg`, {
    method: "PUT",
    headers: { "upload-offset": "0" },
    body: zeros,
    duplex: "half",
  } as RequestInit);
  expect(answer.status).toBe(413);
  expect((await lab.ask("GET", `/orders/${said.id}`)).said.arrived).toEqual({ "1.jpg": 0 });
});

test("cut off in the middle, a file goes on where it stopped; anywhere else is refused", async () => {
  const lab = await openLab();
  const bytes = picture();
  const { said } = await lab.begin(packetOf([{ name: "1.jpg", bytes }]));
  await lab.mood("cutsOff");
  expect(await lab.put(said.id, "1.jpg", bytes)).toMatchObject({ status: 503, said: { code: "cutOff" } });
  await lab.mood("well");
  const here = (await lab.ask("GET", `/orders/${said.id}`)).said.arrived as unknown as Record<string, number>;
  expect(here["1.jpg"]).toBe(Math.ceil(bytes.length * 0.6));
  expect(await lab.put(said.id, "1.jpg", bytes)).toMatchObject({ status: 409, said: { code: "elsewhere" } });
  expect(await lab.put(said.id, "1.jpg", bytes.subarray(here["1.jpg"]), here["1.jpg"])).toMatchObject({ status: 200 });
  expect((await lab.finish(said.id)).said.stage).toBe("received");
  expect(await lab.put(said.id, "1.jpg", bytes)).toMatchObject({ status: 409, said: { code: "orderClosed" } });
});

test("a lab that is full takes no order; one that refuses says so; one that is slow comes to the same", async () => {
  const lab = await openLab();
  const one = [{ name: "1.jpg", bytes: picture() }];
  await lab.mood("full");
  expect(await lab.begin(packetOf(one))).toMatchObject({ status: 507, said: { code: "labFull" } });
  await lab.mood("refuses");
  expect(codes(await lab.order(one))).toEqual(["packet labSaysNo"]);
  await lab.mood("slow");
  expect((await lab.order(one)).stage).toBe("received");
  expect((await lab.mood("cheerful")).status).toBe(400);
});

test("two orders at once over a socket keep apart", async () => {
  const lab = await openLab();
  const server = serve({ fetch: lab.app.fetch, port: 0, hostname: "127.0.0.1" });
  await new Promise((ready) => server.once("listening", ready));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/lab`;
  try {
    const ends = await Promise.all(
      [
        [60, 40],
        [40, 60],
      ].map(async ([w, h]) => {
        const bytes = picture({ w: px(w! + 4), h: px(h! + 4) });
        const begun = (await (
          await fetch(`${url}/orders`, { method: "POST", body: JSON.stringify(packetOf([{ name: "1.jpg", bytes }])) })
        ).json()) as Order;
        for (let at = 0; at < bytes.length; at += 500)
          await fetch(`${url}/orders/${begun.id}/files/1.jpg`, {
            method: "PUT",
            headers: { "upload-offset": String(at) },
            body: Uint8Array.from(bytes.subarray(at, at + 500)),
          });
        return (await (await fetch(`${url}/orders/${begun.id}/finish`, { method: "POST" })).json()) as Order;
      }),
    );
    expect(ends.map((o) => o.stage)).toEqual(["received", "received"]);
    expect(ends[0]!.receipt).not.toBe(ends[1]!.receipt);
  } finally {
    server.close();
  }
});

test("a list that goes on for ever is let go after two megabytes, whatever its header says", async () => {
  const lab = await openLab();
  let given = 0;
  const body = new ReadableStream({
    pull: (c) => {
      given += 65_536;
      c.enqueue(new Uint8Array(65_536).fill(32));
    },
  });
  const answer = await lab.app.request("/lab/orders", { method: "POST", body, duplex: "half" } as RequestInit);
  expect(answer.status).toBe(413);
  expect(given).toBeLessThan(3_000_000);
  expect(await readdir(lab.folder)).toEqual([]);
});

test("an upload from which nothing comes any more is let go, and can go on", async () => {
  const lab = await openLab();
  const bytes = picture();
  const { said } = await lab.begin(packetOf([{ name: "1.jpg", bytes }]));
  const stalled = new ReadableStream({ start: (c) => c.enqueue(Uint8Array.from(bytes.subarray(0, 100))) });
  const put = (body: BodyInit, from: string) =>
    lab.app.request(`/lab/orders/${said.id}/files/1.jpg`, {
      method: "PUT",
      headers: { "upload-offset": from },
      body,
      duplex: "half",
    } as RequestInit);
  expect((await put(stalled, "0")).status).toBe(408);
  expect((await put(Uint8Array.from(bytes.subarray(100)), "100")).status).toBe(200);
  for (const offset of ["", "-1", "1e2", "0x10", "1.0"]) expect((await put("x", offset)).status).toBe(400);
});

test("a disk that is full is said as such", async () => {
  const lab = await openLab();
  const { said } = await lab.begin(packetOf([{ name: "1.jpg", bytes: picture() }]));
  // Every write to this device fails as on a full disk.
  await symlink("/dev/full", join(lab.folder, said.id, "file-0"));
  expect(await lab.put(said.id, "1.jpg", picture())).toMatchObject({ status: 507, said: { code: "labFull" } });
});

test("a torn record is that order's own fault; orders go after their time, and no more than fit are begun", async () => {
  const lab = await openLab();
  const one = packetOf([{ name: "1.jpg", bytes: picture() }]);
  const { said } = await lab.begin(one);
  const { said: torn } = await lab.begin(one);
  await writeFile(join(lab.folder, torn.id, "order.json"), '{"id":');
  expect(await lab.ask("GET", `/orders/${torn.id}`)).toMatchObject({ status: 410, said: { code: "orderDamaged" } });
  expect((await lab.ask("GET", `/orders/${said.id}`)).status).toBe(200);
  lab.later(4 * 86_400_000);
  await lab.begin(one);
  expect((await lab.ask("GET", `/orders/${said.id}`)).status).toBe(404);
  for (let i = 0; i < 500; i += 1) await mkdir(join(lab.folder, i.toString(16).padStart(16, "0")), { recursive: true });
  expect(await lab.begin(one)).toMatchObject({ status: 507, said: { code: "labFull" } });
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
