import { createHash, randomBytes } from "node:crypto";
import { createReadStream } from "node:fs";
import { appendFile, mkdir, open, readdir, readFile, rename, rm, stat, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { z } from "zod";
import { orderStages, type Packet, type Reason } from "#core/lab";
import { packetSchema } from "#core/lab/schema";
import type { Arrived } from "./check-packet.ts";

const recordSchema = z.object({
  id: z.string(),
  packet: packetSchema,
  at: z.partialRecord(z.enum(orderStages), z.string()),
  receipt: z.string().nullable(),
  reasons: z.array(z.custom<Reason>()),
});
export type OrderRecord = z.infer<typeof recordSchema>;

const mostOrders = 500;
const dayMs = 86_400_000;
const keptDays = 60;
const unsentDays = 3;
const lastAt = ({ at }: OrderRecord): number => Math.max(...Object.values(at).map((t) => Date.parse(t)));

const idPattern = /^[0-9a-f]{16}$/;

/**
 * Orders as plain files in one folder: a record each, written whole or not at all, and what has arrived of each file under its
 * number. No name that a client gives is ever the name of a file here.
 */
export class OrderShelf {
  readonly #folder: string;
  /** Two requests at once do not write one file at the same time. */
  readonly #busy = new Set<string>();

  constructor(folder: string) {
    this.#folder = folder;
  }

  #at(id: string, ...path: string[]): string {
    return join(this.#folder, id, ...path);
  }

  /** Undefined where there are as many orders as fit. */
  async begin(packet: Packet, now: string): Promise<OrderRecord | undefined> {
    if ((await this.#ids()).length >= mostOrders) return undefined;
    const id = randomBytes(8).toString("hex");
    await mkdir(this.#at(id), { recursive: true });
    const record: OrderRecord = { id, packet, at: { sending: now }, receipt: null, reasons: [] };
    await this.keep(record);
    return record;
  }

  /** Undefined for an order that is not here; "damaged" for one whose record cannot be read. */
  async find(id: string): Promise<OrderRecord | "damaged" | undefined> {
    if (!idPattern.test(id)) return undefined;
    const text = await readFile(this.#at(id, "order.json"), "utf8").catch(() => undefined);
    if (text === undefined) return undefined;
    try {
      return recordSchema.parse(JSON.parse(text));
    } catch {
      return "damaged";
    }
  }

  async #ids(): Promise<readonly string[]> {
    return (await readdir(this.#folder).catch(() => [])).filter((name) => idPattern.test(name));
  }

  /** Takes away orders whose time is over: those that were never sent to their end sooner than the others. */
  async sweep(now: Date): Promise<void> {
    for (const id of await this.#ids()) {
      const record = await this.find(id);
      const since = record === "damaged" || !record ? (await stat(this.#at(id))).mtimeMs : lastAt(record);
      const keptMs = record !== "damaged" && record?.at.received ? keptDays * dayMs : unsentDays * dayMs;
      if (now.getTime() - since > keptMs) await rm(this.#at(id), { recursive: true, force: true });
    }
  }

  async keep(record: OrderRecord): Promise<void> {
    const beside = this.#at(record.id, `order.${randomBytes(4).toString("hex")}`);
    await writeFile(beside, JSON.stringify(record));
    await rename(beside, this.#at(record.id, "order.json"));
  }

  #file({ id, packet }: OrderRecord, name: string): string {
    return this.#at(id, `file-${packet.files.findIndex((f) => f.name === name)}`);
  }

  async arrivedBytes(record: OrderRecord, name: string): Promise<number> {
    return (await stat(this.#file(record, name)).catch(() => undefined))?.size ?? 0;
  }

  async arrivedAll(record: OrderRecord): Promise<Record<string, number>> {
    const each = record.packet.files.map(async (f) => [f.name, await this.arrivedBytes(record, f.name)] as const);
    return Object.fromEntries(await Promise.all(each));
  }

  /**
   * Adds what comes in to a file, from `from` on; never more than was announced. Gives back how much of it is here then,
   * "elsewhere" where that is not the end of what is here, "tooMuch" where more came than was said.
   */
  async take(
    record: OrderRecord,
    name: string,
    from: number,
    body: AsyncIterable<Uint8Array>,
  ): Promise<number | "elsewhere" | "tooMuch"> {
    const announced = record.packet.files.find((f) => f.name === name)?.bytes ?? 0;
    const path = this.#file(record, name);
    if (this.#busy.has(path)) return "elsewhere";
    this.#busy.add(path);
    try {
      let here = await this.arrivedBytes(record, name);
      if (here !== from) return "elsewhere";
      for await (const part of body) {
        if (here + part.length > announced) return "tooMuch";
        await appendFile(path, part);
        here += part.length;
      }
      return here;
    } finally {
      this.#busy.delete(path);
    }
  }

  /** What has arrived of a file, with its checksum. */
  async arrived(record: OrderRecord, name: string): Promise<Arrived | undefined> {
    const path = this.#file(record, name);
    const bytes = await this.arrivedBytes(record, name);
    if (bytes === 0) return undefined;
    const sum = createHash("sha256");
    for await (const part of createReadStream(path)) sum.update(part as Buffer);
    return { path, bytes, sha256: sum.digest("hex") };
  }

  /** Empties a file that came out wrong, so that it can be sent again. */
  async forget(record: OrderRecord, name: string): Promise<void> {
    const file = await open(this.#file(record, name), "w");
    await file.close();
  }
}
