import { createHash, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { appendFile, mkdir, readdir, readFile, rename, rm, stat, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { z } from "zod";
import { inOrder, type NoteEvent } from "#core/notes";
import { mostEvents, noteEventSchema, type RoomProof, roomProofSchema } from "#core/notes/schema";

const mailSchema = z.object({ subject: z.string().max(200), text: z.string().max(8000) });
export const mailKinds = ["invitation", "newNotes", "newState", "approval"] as const;
export type MailKind = (typeof mailKinds)[number];

/** What its maker asks for when a room is opened, and may change later. */
export const roomWishSchema = z.object({
  endsAt: z.iso.datetime(),
  /** None where it is empty. */
  passphrase: z.string().max(200),
  makerMail: z.string().max(200),
  readers: z.array(z.string().min(3).max(200)).max(200),
  mails: z.object({ invitation: mailSchema, newNotes: mailSchema, newState: mailSchema, approval: mailSchema }),
});
export type RoomWish = z.infer<typeof roomWishSchema>;

const recordSchema = roomWishSchema.omit({ passphrase: true }).extend({
  id: z.string(),
  readerKey: z.string(),
  makerHash: z.string(),
  pass: z.object({ salt: z.string(), hash: z.string() }).nullable(),
  /** What an address within the room has besides its key: those who know the passphrase are told it. */
  door: z.string(),
  /** How many states of the pages it has shown. */
  states: z.number().int(),
});
export type RoomRecord = z.infer<typeof recordSchema>;

const keyPattern = /^[A-Za-z0-9_-]{32}$/;
const hashPattern = /^[0-9a-f]{64}$/;
const mostRooms = 200;
const mostPictureBytes = 6_000_000;
const mostRoomBytes = 400_000_000;
const longestDays = 370;
const dayMs = 86_400_000;

const newKey = (): string => randomBytes(24).toString("base64url");
const idOf = (key: string): string => createHash("sha256").update(key).digest("hex");

export class RoomFull extends Error {
  override readonly name = "RoomFull";
}

/**
 * Reading rooms as plain files: a folder each, named after the hash of its readers' key, so that nobody who sees the folders can enter. What has ended
 * or was withdrawn is deleted. Only ids of notes are held in memory.
 */
export class RoomShelf {
  readonly #folder: string;
  readonly #ids = new Map<string, Set<string>>();
  /** One writer of notes in each room at a time. */
  readonly #last = new Map<string, Promise<unknown>>();

  constructor(folder: string) {
    this.#folder = folder;
  }

  #at(id: string, ...path: string[]): string {
    return join(this.#folder, id, ...path);
  }

  /** Undefined where there are as many rooms as fit. */
  async open(
    wish: RoomWish,
    now: Date,
  ): Promise<{ readonly readerKey: string; readonly makerKey: string } | undefined> {
    await this.sweep(now);
    const there = await readdir(this.#folder).catch(() => []);
    if (there.filter((name) => hashPattern.test(name)).length >= mostRooms) return undefined;
    const [readerKey, makerKey] = [newKey(), newKey()];
    const { passphrase, ...rest } = wish;
    const salt = randomBytes(16).toString("hex");
    const record: RoomRecord = {
      ...rest,
      endsAt: new Date(Math.min(Date.parse(wish.endsAt), now.getTime() + longestDays * dayMs)).toISOString(),
      id: idOf(readerKey),
      readerKey,
      makerHash: idOf(makerKey),
      pass: passphrase === "" ? null : { salt, hash: scryptSync(passphrase, salt, 32).toString("hex") },
      door: passphrase === "" ? "open" : newKey(),
      states: 0,
    };
    await mkdir(this.#at(record.id, "pictures"), { recursive: true });
    await this.#keep(record);
    await mkdir(join(this.#folder, "makers"), { recursive: true });
    await writeFile(join(this.#folder, "makers", record.makerHash), record.id);
    return { readerKey, makerKey };
  }

  /** Undefined for a room that is not here, or not any more. */
  async byReader(key: string, now: Date): Promise<RoomRecord | undefined> {
    return keyPattern.test(key) ? this.#find(idOf(key), now) : undefined;
  }

  async byMaker(key: string, now: Date): Promise<RoomRecord | undefined> {
    if (!keyPattern.test(key)) return undefined;
    const id = await readFile(join(this.#folder, "makers", idOf(key)), "utf8").catch(() => "");
    const found = hashPattern.test(id) ? await this.#find(id, now) : undefined;
    return found?.makerHash === idOf(key) ? found : undefined;
  }

  async #find(id: string, now: Date): Promise<RoomRecord | undefined> {
    const text = await readFile(this.#at(id, "room.json"), "utf8").catch(() => undefined);
    if (text === undefined) return undefined;
    const record = recordSchema.safeParse(JSON.parse(text)).data;
    if (!record) return undefined;
    if (Date.parse(record.endsAt) > now.getTime()) return record;
    await this.withdraw(record);
    return undefined;
  }

  async #keep(record: RoomRecord): Promise<void> {
    const path = this.#at(record.id, "room.json");
    await writeFile(`${path}.new`, JSON.stringify(record));
    await rename(`${path}.new`, path);
  }

  async change(record: RoomRecord, wish: Omit<RoomWish, "passphrase">): Promise<RoomRecord> {
    const next = { ...record, ...wish };
    await this.#keep(next);
    return next;
  }

  knows(record: RoomRecord, passphrase: string): boolean {
    if (!record.pass) return true;
    const tried = scryptSync(passphrase, record.pass.salt, 32);
    return timingSafeEqual(tried, Buffer.from(record.pass.hash, "hex"));
  }

  /** Nothing of it is left. */
  async withdraw({ id, makerHash }: RoomRecord): Promise<void> {
    this.#ids.delete(id);
    await rm(join(this.#folder, "makers", makerHash), { force: true });
    await rm(this.#at(id), { recursive: true, force: true });
  }

  /** Deletes what has ended. */
  async sweep(now: Date): Promise<void> {
    for (const name of await readdir(this.#folder).catch(() => []))
      if (hashPattern.test(name)) await this.#find(name, now);
  }

  /** Of these pictures those that are not here. */
  async lacking({ id }: RoomRecord, hashes: readonly string[]): Promise<readonly string[]> {
    const here = new Set(await readdir(this.#at(id, "pictures")));
    return hashes.filter((h) => !here.has(h));
  }

  /** Straight to disk. False where it is too large, or not what its name says. */
  async takePicture({ id }: RoomRecord, hash: string, body: ReadableStream<Uint8Array>): Promise<boolean> {
    if (!hashPattern.test(hash)) return false;
    if ((await this.#bytes(id)) > mostRoomBytes) throw new RoomFull();
    const path = this.#at(id, "pictures", `${hash}.${randomBytes(4).toString("hex")}.new`);
    const digest = createHash("sha256");
    let bytes = 0;
    async function* counted(from: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
      for await (const chunk of from) {
        bytes += chunk.length;
        if (bytes > mostPictureBytes) throw new RangeError("tooMuch");
        digest.update(chunk);
        yield chunk;
      }
    }
    try {
      await pipeline(Readable.fromWeb(body as never), counted, createWriteStream(path));
      if (digest.digest("hex") !== hash) throw new RangeError("anotherHash");
      await rename(path, this.#at(id, "pictures", hash));
      return true;
    } catch (e) {
      await rm(path, { force: true });
      if (e instanceof RangeError) return false;
      throw isFull(e) ? new RoomFull() : e;
    }
  }

  async #bytes(id: string): Promise<number> {
    const names = await readdir(this.#at(id, "pictures"));
    let sum = 0;
    for (const name of names) sum += (await stat(this.#at(id, "pictures", name)).catch(() => ({ size: 0 }))).size;
    return sum;
  }

  async picture({ id }: RoomRecord, hash: string): Promise<ReadableStream | undefined> {
    if (!hashPattern.test(hash)) return undefined;
    const path = this.#at(id, "pictures", hash);
    const there = await stat(path).catch(() => undefined);
    return there && (Readable.toWeb(createReadStream(path)) as ReadableStream);
  }

  /** A new state of the pages; pictures that no page shows any more go. False where a picture is missing. */
  async show(record: RoomRecord, proof: RoomProof): Promise<boolean> {
    const all = [...proof.pictures.leaves, ...proof.pictures.offers];
    if ((await this.lacking(record, all)).length > 0) return false;
    const path = this.#at(record.id, "proof.json");
    await writeFile(`${path}.new`, JSON.stringify({ ...proof, data: { ...proof.data, events: [] } })).catch(orFull);
    await rename(`${path}.new`, path);
    await this.#keep({ ...record, states: record.states + 1 });
    const used = new Set(all);
    for (const name of await readdir(this.#at(record.id, "pictures")))
      if (!used.has(name)) await rm(this.#at(record.id, "pictures", name), { force: true });
    await this.say(record, proof.data.events);
    return true;
  }

  async proof({ id }: RoomRecord): Promise<RoomProof | undefined> {
    const text = await readFile(this.#at(id, "proof.json"), "utf8").catch(() => undefined);
    return text === undefined ? undefined : roomProofSchema.safeParse(JSON.parse(text)).data;
  }

  /** Notes that are not here yet are kept; those come back. Of an id that is here, what is here stays. */
  async say(record: RoomRecord, events: readonly NoteEvent[]): Promise<readonly NoteEvent[]> {
    const before = this.#last.get(record.id) ?? Promise.resolve();
    const next = before.then(() => this.#say(record, events));
    this.#last.set(
      record.id,
      next.catch(() => {}),
    );
    return next;
  }

  async #say(record: RoomRecord, events: readonly NoteEvent[]): Promise<readonly NoteEvent[]> {
    const known = await this.#known(record);
    const fresh: NoteEvent[] = [];
    for (const event of events) {
      if (known.has(event.id)) continue;
      if (known.size + fresh.length >= mostEvents) throw new RoomFull();
      if (!fresh.some((e) => e.id === event.id)) fresh.push(event);
    }
    if (fresh.length === 0) return fresh;
    // Each begins a line of its own, whatever was cut off before it.
    const lines = fresh.map((e) => `\n${JSON.stringify(e)}`).join("");
    await appendFile(this.#at(record.id, "notes.ndjson"), lines).catch(orFull);
    for (const e of fresh) known.add(e.id);
    return fresh;
  }

  async #known(record: RoomRecord): Promise<Set<string>> {
    const there = this.#ids.get(record.id);
    if (there) return there;
    const ids = new Set((await this.notes(record)).map((e) => e.id));
    this.#ids.set(record.id, ids);
    return ids;
  }

  /** A line that was cut off in the middle of writing is left out. */
  async notes({ id }: Pick<RoomRecord, "id">): Promise<readonly NoteEvent[]> {
    const text = await readFile(this.#at(id, "notes.ndjson"), "utf8").catch(() => "");
    const events = text.split("\n").flatMap((line) => {
      try {
        return noteEventSchema.safeParse(JSON.parse(line)).data ?? [];
      } catch {
        return [];
      }
    });
    return events.sort(inOrder);
  }
}

const isFull = (e: unknown): boolean =>
  typeof e === "object" && e !== null && "code" in e && (e.code === "ENOSPC" || e.code === "EDQUOT");

function orFull(e: unknown): never {
  throw isFull(e) ? new RoomFull() : e;
}
