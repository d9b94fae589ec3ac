import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import { type LabCard, type LabMood, labMoods, type Order, type OrderStage } from "#core/lab";
import { packetSchema } from "#core/lab/schema";
import { checkPacket } from "./check-packet.ts";
import type { OrderRecord, OrderShelf } from "./orders.ts";
import type { ReadFacts } from "./thread-reader.ts";

export interface PrintLab {
  readonly cards: readonly LabCard[];
  readonly orders: OrderShelf;
  readonly read: ReadFacts;
  readonly now: () => Date;
  /** Waits for so long; tests hand in one that does not. */
  readonly pause: (ms: number) => Promise<void>;
  /** An upload from which nothing came for so long is let go. */
  readonly stalledMs: number;
}

/** How long the stand-in takes, in ms of real time, from receipt to each stage: a day of its own is some seconds. */
const reached = { checked: 2_000, printing: 10_000, posted: 30_000 } as const;
const mostManifest = 2_000_000;
const mostMood = 1_000;
const slowMs = 400;

/** The stand-in print lab: takes packets, looks at every byte itself, and prints nothing. */
export function labRoutes(lab: PrintLab): Hono {
  const app = new Hono();
  let mood: LabMood = "well";

  app.get("/cards", (c) => c.json({ cards: lab.cards }));

  app.get("/mood", (c) => c.json({ mood }));
  app.put("/mood", async (c) => {
    const asked = (parsed(await textOf(c.req.raw.body, mostMood)) as { mood?: unknown } | undefined)?.mood;
    const next = labMoods.find((m) => m === asked);
    if (!next) throw new HTTPException(400, { message: "noSuchMood" });
    mood = next;
    return c.json({ mood });
  });

  app.post("/orders", async (c) => {
    if (mood === "slow") await lab.pause(slowMs);
    if (mood === "full") throw new HTTPException(507, { message: "labFull" });
    const read = packetSchema.safeParse(parsed(await textOf(c.req.raw.body, mostManifest)));
    if (!read.success) {
      const said = read.error.issues.find((i) => i.code === "custom")?.message;
      throw new HTTPException(400, { message: said ?? "notAPacket" });
    }
    if (!lab.cards.some((l) => l.id === read.data.labId)) throw new HTTPException(404, { message: "noSuchLab" });
    await lab.orders.sweep(lab.now());
    const begun = await lab.orders.begin(read.data, lab.now().toISOString()).catch(orFull);
    if (!begun) throw new HTTPException(507, { message: "labFull" });
    return c.json(await told(begun), 201);
  });

  app.get("/orders/:id", async (c) => c.json(await told(await found(c.req.param("id")))));

  app.put("/orders/:id/files/:name", async (c) => {
    const record = await found(c.req.param("id"));
    const name = c.req.param("name");
    const file = record.packet.files.find((f) => f.name === name);
    if (!file) throw new HTTPException(404, { message: "noSuchFile" });
    if (stageOf(record) !== "sending") throw new HTTPException(409, { message: "orderClosed" });
    const offset = c.req.header("upload-offset") ?? "";
    if (!/^\d{1,15}$/.test(offset)) throw new HTTPException(400, { message: "noOffset" });
    const from = Number(offset);
    const body = inTime(c.req.raw.body, lab.stalledMs);
    const here = await lab.orders.take(record, name, from, mooded(body, file.bytes, from)).catch(orFull);
    if (here === "elsewhere")
      return c.json({ code: "elsewhere", arrived: await lab.orders.arrivedBytes(record, name) }, 409);
    if (here === "tooMuch") throw new HTTPException(413, { message: "tooMuch" });
    return c.json({ arrived: here });
  });

  app.post("/orders/:id/finish", async (c) => {
    const record = await found(c.req.param("id"));
    if (stageOf(record) !== "sending") return c.json(await told(record));
    if (mood === "slow") await lab.pause(slowMs);
    const card = lab.cards.find((l) => l.id === record.packet.labId);
    if (!card) throw new HTTPException(404, { message: "noSuchLab" });
    const reasons = [
      ...(mood === "refuses" ? [{ code: "labSaysNo" as const, facts: {} }] : []),
      ...(await checkPacket(record.packet, card, (name) => lab.orders.arrived(record, name), lab.read)),
    ];
    for (const r of reasons) if (r.file && r.code === "checksumWrong") await lab.orders.forget(record, r.file);
    const now = lab.now().toISOString();
    const next: OrderRecord =
      reasons.length > 0
        ? { ...record, reasons, at: { ...record.at, refused: now } }
        : { ...record, reasons, at: { ...record.at, received: now }, receipt: receiptOf(record) };
    await lab.orders.keep(next);
    return c.json(await told(next));
  });

  /** As the bytes come in today: slowly, or not to their end. */
  async function* mooded(body: AsyncIterable<Uint8Array>, bytes: number, from: number): AsyncIterable<Uint8Array> {
    const end = mood === "cutsOff" ? Math.ceil(bytes * 0.6) : Number.POSITIVE_INFINITY;
    let here = from;
    for await (const part of body) {
      if (mood === "slow") await lab.pause(slowMs);
      if (here + part.length > end) {
        if (end > here) yield part.subarray(0, end - here);
        throw new HTTPException(503, { message: "cutOff" });
      }
      yield part;
      here += part.length;
    }
  }

  async function found(id: string): Promise<OrderRecord> {
    const record = await lab.orders.find(id);
    if (record === "damaged") throw new HTTPException(410, { message: "orderDamaged" });
    if (!record) throw new HTTPException(404, { message: "noSuchOrder" });
    return record;
  }

  function stageOf({ at }: OrderRecord): OrderStage {
    if (!at.received) return at.refused ? "refused" : "sending";
    const since = lab.now().getTime() - new Date(at.received).getTime();
    return since >= reached.posted
      ? "posted"
      : since >= reached.printing
        ? "printing"
        : since >= reached.checked
          ? "checked"
          : "received";
  }

  async function told(record: OrderRecord): Promise<Order> {
    const stage = stageOf(record);
    const at = { ...record.at };
    if (at.received)
      for (const next of ["checked", "printing", "posted"] as const) {
        const then = new Date(new Date(at.received).getTime() + reached[next]);
        if (then <= lab.now()) at[next] = then.toISOString();
      }
    const { id, packet, receipt, reasons } = record;
    return {
      id,
      labId: packet.labId,
      title: packet.title,
      stage,
      at,
      receipt,
      reasons,
      arrived: await lab.orders.arrivedAll(record),
    };
  }

  return app;
}

function orFull(e: unknown): never {
  throw (e as NodeJS.ErrnoException).code === "ENOSPC" ? new HTTPException(507, { message: "labFull" }) : e;
}

/** Counted while it comes in: what a header says of the length is no more than that. */
async function textOf(body: ReadableStream<Uint8Array> | null, mostBytes: number): Promise<string> {
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for await (const part of (body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += part.length;
    if (bytes > mostBytes) throw new HTTPException(413, { message: "notAPacket" });
    parts.push(part);
  }
  return Buffer.concat(parts).toString("utf8");
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The body as it comes, and an end to it when nothing comes any more. */
async function* inTime(body: ReadableStream<Uint8Array> | null, mostMs: number): AsyncIterable<Uint8Array> {
  if (!body) return;
  const reader = body.getReader();
  try {
    for (;;) {
      let timer: NodeJS.Timeout | undefined;
      const late = new Promise<never>((_, reject) => {
        timer = setTimeout(() => reject(new HTTPException(408, { message: "stalled" })), mostMs);
      });
      const { done, value } = await Promise.race([reader.read(), late]).finally(() => clearTimeout(timer));
      if (done) return;
      yield value;
    }
  } finally {
    await reader.cancel().catch(() => {});
  }
}

/** Short enough to be said over the telephone. */
const receiptOf = ({ id }: OrderRecord): string => `${id.slice(0, 4)}-${id.slice(4, 8)}`.toUpperCase();
