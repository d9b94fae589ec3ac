import { createHash } from "node:crypto";
import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import sharp from "sharp";
import { JpegEncoder, rgbProfile } from "#core/files";
import type { LabCard, Order, Packet } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { labRoutes } from "./lab-routes.ts";
import { OrderShelf } from "./orders.ts";
import { readFile } from "./read-file.ts";

export const card = (more: Partial<LabCard> = {}): LabCard =>
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

export const book = card({
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

export const px = (mm: number) => Math.round((mm / 25.4) * 100);

export interface PictureOf {
  readonly w?: number;
  readonly h?: number;
  readonly ppi?: number;
}

/** A picture as this lab wants it: 60 × 40 mm with 2 mm of bleed, at 100 ppi. */
export function picture({ w = px(64), h = px(44), ppi = 100 }: PictureOf = {}): Buffer {
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
export const foreign = (kind: "jpeg" | "png" | "tiff", grey = false): Promise<Buffer> => {
  const image = sharp({ create: { width: px(64), height: px(44), channels: 3, background: "#3a7" } });
  const made = (grey ? image.toColourspace("b-w") : image).toFormat(kind);
  return (grey ? made : made.withMetadata({ density: 100, icc: "srgb" })).toBuffer();
};

export const sum = (bytes: Uint8Array) => createHash("sha256").update(bytes).digest("hex");

export interface Sent {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly holds?: Packet["files"][number]["holds"];
}

export const packetOf = (files: readonly Sent[], more: Partial<Packet> = {}): Packet => ({
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

export async function openLab() {
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

export const codes = (order: Order) => order.reasons.map((r) => `${r.file ?? "packet"} ${r.code}`);
