import { mkdir, readdir, symlink, writeFile } from "node:fs/promises";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { serve } from "@hono/node-server";
import { expect, test } from "@jest/globals";
import type { Order, Packet } from "#core/lab";
import { codes, openLab, packetOf, picture, px, type Sent } from "./lab.fixture.ts";

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
