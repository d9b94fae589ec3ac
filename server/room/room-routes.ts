import { createHash } from "node:crypto";
import { type Context, Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import { streamSSE } from "hono/streaming";
import { z } from "zod";
import { type NoteEvent, proofPage, scriptInPage } from "#core/notes";
import { noteEventSchema, roomProofSchema } from "#core/notes/schema";
import { filled, type Outbox } from "./outbox.ts";
import { Rate } from "./rate.ts";
import { closedPage, emptyPage, passPage, plainStyle } from "./room-pages.ts";
import { type MailKind, RoomFull, type RoomRecord, type RoomShelf, roomWishSchema } from "./room-shelf.ts";

export interface ReadingRooms {
  readonly shelf: RoomShelf;
  readonly outbox: Outbox;
  /** The reader's program, as it was built with the client. */
  readonly program: { readonly script: string; readonly style: string };
  readonly now: () => Date;
}

const mostProofBytes = 24_000_000;
const mostNotesBytes = 2_000_000;
const mostAtOnce = 5000;
const newNotesEveryMs = 600_000;
const heartbeatMs = 25_000;

const hash256 = (text: string): string => `'sha256-${createHash("sha256").update(text).digest("base64")}'`;

const plainPolicy = `default-src 'none'; style-src ${hash256(plainStyle)}; form-action 'self'; base-uri 'none'`;

/** What happens in a room, for those who look on. */
type Heard = { readonly notes: readonly NoteEvent[] } | { readonly state: number } | { readonly closed: true };

/**
 * Reading rooms: a maker, known by one key, shows pages and hears of notes; readers, who share another, see the pages and write notes. Nobody can list
 * rooms, and no key opens more than it is for.
 */
export function roomRoutes({ shelf, outbox, program, now }: ReadingRooms): Hono {
  const app = new Hono();
  const listeners = new Map<string, Set<(heard: Heard) => void>>();
  const tell = (id: string, heard: Heard) => {
    for (const hear of listeners.get(id) ?? []) hear(heard);
  };
  const writes = new Rate(240);
  const tries = new Rate(10);
  const rooms = new Rate(20);
  const told = new Map<string, number>();
  const script = scriptInPage(program.script);
  const readerPolicy = [
    "default-src 'none'",
    `script-src ${hash256(script)}`,
    `style-src ${hash256(program.style)}`,
    "img-src 'self' data: blob:",
    "font-src data:",
    "connect-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join("; ");

  app.use(async (c, next) => {
    await next();
    c.header("Cache-Control", "no-store");
    c.header("X-Robots-Tag", "noindex");
    c.header("Referrer-Policy", "no-referrer");
    c.header("X-Content-Type-Options", "nosniff");
  });
  app.onError((e, c) => {
    if (e instanceof RoomFull) return c.json({ code: "roomFull" }, 507);
    if (e instanceof HTTPException) return c.json({ code: e.message }, e.status);
    throw e;
  });

  app.get("/here", (c) => c.json({ ok: true }));

  app.post("/rooms", async (c) => {
    if (!rooms.allows("all", now())) throw new HTTPException(429, { message: "tooOften" });
    const wish = roomWishSchema.safeParse(await body(c, 100_000)).data;
    if (!wish) throw new HTTPException(400, { message: "notAWish" });
    const opened = await shelf.open(wish, now());
    if (!opened) throw new HTTPException(507, { message: "roomFull" });
    return c.json(opened, 201);
  });

  const made = async (c: Context): Promise<RoomRecord> => {
    const room = await shelf.byMaker(c.req.param("key") ?? "", now());
    if (!room) throw new HTTPException(404, { message: "noSuchRoom" });
    return room;
  };

  app.get("/make/:key", async (c) => {
    const { endsAt, states, readers, makerMail, mails, pass } = await made(c);
    return c.json({ endsAt, states, readers, makerMail, mails, passphrase: pass !== null });
  });
  app.put("/make/:key", async (c) => {
    const room = await made(c);
    const wish = roomWishSchema.omit({ passphrase: true }).safeParse(await body(c, 100_000)).data;
    if (!wish) throw new HTTPException(400, { message: "notAWish" });
    await shelf.change(room, wish);
    return c.json({ ok: true });
  });
  app.delete("/make/:key", async (c) => {
    const room = await made(c);
    await shelf.withdraw(room);
    tell(room.id, { closed: true });
    return c.json({ ok: true });
  });
  app.post("/make/:key/lacking", async (c) => {
    const room = await made(c);
    const hashes = z
      .array(z.string().regex(/^[0-9a-f]{64}$/))
      .max(8000)
      .safeParse(await body(c, 1_000_000)).data;
    if (!hashes) throw new HTTPException(400, { message: "noHashes" });
    return c.json({ lacking: await shelf.lacking(room, hashes) });
  });
  app.put("/make/:key/pictures/:hash", async (c) => {
    const room = await made(c);
    const stream = c.req.raw.body;
    if (!stream || !(await shelf.takePicture(room, c.req.param("hash"), stream)))
      throw new HTTPException(400, { message: "notThatPicture" });
    return c.json({ ok: true });
  });
  app.put("/make/:key/proof", async (c) => {
    const room = await made(c);
    const proof = roomProofSchema.safeParse(await body(c, mostProofBytes)).data;
    if (!proof) throw new HTTPException(400, { message: "notAProof" });
    if (!(await shelf.show(room, proof))) throw new HTTPException(409, { message: "picturesMissing" });
    tell(room.id, { state: room.states + 1 });
    const link = addressOf(c, room);
    if (room.states > 0) for (const to of room.readers) await mail(room, "newState", to, { link, count: "" });
    return c.json({ states: room.states + 1 });
  });
  app.post("/make/:key/invite", async (c) => {
    const room = await made(c);
    for (const to of room.readers) await mail(room, "invitation", to, { link: addressOf(c, room), count: "" });
    return c.json({ written: room.readers.length });
  });
  app.get("/make/:key/notes", async (c) => c.json({ events: await shelf.notes(await made(c)) }));
  app.post("/make/:key/notes", async (c) => c.json({ taken: (await takeNotes(c, await made(c))).length }));
  app.get("/make/:key/stream", async (c) => stream(c, await made(c)));

  const read = async (c: Context): Promise<RoomRecord | undefined> => shelf.byReader(c.req.param("key") ?? "", now());
  /** Behind the door, if there is one. */
  const inside = async (c: Context): Promise<RoomRecord> => {
    const room = await read(c);
    if (!room || room.door !== c.req.param("door")) throw new HTTPException(404, { message: "noSuchRoom" });
    return room;
  };
  const html = (c: Context, text: string, status: 200 | 403 | 404 = 200, policy = plainPolicy) => {
    c.header("Content-Security-Policy", `${policy}; frame-ancestors 'none'`);
    return c.html(text, status);
  };

  app.get("/read/:key", async (c) => {
    const room = await read(c);
    if (!room) return html(c, closedPage, 404);
    return c.redirect(`${c.req.path.replace(/\/$/, "")}/${room.pass ? "enter" : `in/${room.door}/`}`, 303);
  });
  app.get("/read/:key/enter", async (c) => ((await read(c)) ? html(c, passPage(false)) : html(c, closedPage, 404)));
  app.post("/read/:key/enter", async (c) => {
    const room = await read(c);
    if (!room) return html(c, closedPage, 404);
    if (!tries.allows(room.id, now())) throw new HTTPException(429, { message: "tooOften" });
    const given = new URLSearchParams(await textOf(c, 2000)).get("passphrase") ?? "";
    if (!shelf.knows(room, given)) return html(c, passPage(true), 403);
    return c.redirect(`${c.req.path.replace(/enter$/, "")}in/${room.door}/`, 303);
  });
  app.get("/read/:key/in/:door/", async (c) => {
    const room = await read(c);
    if (!room || room.door !== c.req.param("door")) return html(c, closedPage, 404);
    const proof = await shelf.proof(room);
    if (!proof) return html(c, emptyPage);
    const { data, words, pictures } = proof;
    const live = { ...data, events: await shelf.notes(room), room: { state: room.states } };
    const parts = proofPage(live, words, {
      policy: readerPolicy,
      script,
      style: program.style,
      leaf: (i) => `pictures/${pictures.leaves[i]}`,
      offer: (i) => `pictures/${pictures.offers[i]}`,
    });
    return html(c, [...parts].join(""), 200, readerPolicy);
  });
  app.get("/read/:key/in/:door/pictures/:hash", async (c) => {
    const picture = await shelf.picture(await inside(c), c.req.param("hash"));
    if (!picture) throw new HTTPException(404, { message: "noSuchPicture" });
    return c.body(picture, 200, { "Content-Type": "image/jpeg", "X-Content-Type-Options": "nosniff" });
  });
  app.post("/read/:key/in/:door/notes", async (c) => {
    const room = await inside(c);
    const fresh = await takeNotes(c, room);
    await tellMaker(c, room, fresh);
    return c.json({ taken: fresh.length });
  });
  app.get("/read/:key/in/:door/stream", async (c) => stream(c, await inside(c)));

  async function takeNotes(c: Context, room: RoomRecord): Promise<readonly NoteEvent[]> {
    const events = z
      .array(noteEventSchema)
      .max(mostAtOnce)
      .safeParse(await body(c, mostNotesBytes)).data;
    if (!events) throw new HTTPException(400, { message: "notNotes" });
    if (!writes.allows(room.id, now())) throw new HTTPException(429, { message: "tooOften" });
    const fresh = await shelf.say(room, events);
    if (fresh.length > 0) tell(room.id, { notes: fresh });
    return fresh;
  }

  function stream(c: Context, room: RoomRecord) {
    return streamSSE(c, async (out) => {
      const heard: Heard[] = [{ state: room.states }];
      let wake: (() => void) | undefined;
      const hear = (what: Heard) => {
        heard.push(what);
        wake?.();
      };
      const own = listeners.get(room.id) ?? new Set();
      listeners.set(room.id, own);
      own.add(hear);
      const end = () => {
        own.delete(hear);
        if (own.size === 0) listeners.delete(room.id);
        wake?.();
      };
      out.onAbort(end);
      try {
        while (!out.aborted) {
          const next = heard.shift();
          if (next) await out.writeSSE({ data: JSON.stringify(next) });
          else {
            const pause = new Promise<void>((go) => {
              wake = go;
              setTimeout(go, heartbeatMs).unref();
            });
            await pause;
            if (heard.length === 0) await out.writeSSE({ event: "still", data: "" });
          }
          if (next && "closed" in next) break;
        }
      } finally {
        end();
      }
    });
  }

  const addressOf = (c: Context, room: RoomRecord): string =>
    `${new URL(c.req.url).origin}/room/read/${room.readerKey}`;

  async function mail(
    room: RoomRecord,
    kind: MailKind,
    to: string,
    values: { link: string; count: string },
  ): Promise<void> {
    const proof = await shelf.proof(room);
    const all = { ...values, work: proof?.data.workName ?? "", name: proof?.data.maker.name ?? "" };
    const { subject, text } = room.mails[kind];
    await outbox.put({ to, subject: filled(subject, all), text: filled(text, all) }, now());
  }

  /** One mail about new notes in a while; about an approval of the whole at once. */
  async function tellMaker(c: Context, room: RoomRecord, fresh: readonly NoteEvent[]): Promise<void> {
    if (room.makerMail === "" || fresh.length === 0) return;
    const values = { link: addressOf(c, room), count: String(fresh.length) };
    if (fresh.some((e) => e.does === "judge" && e.pageId === null && e.verdict === "approved"))
      await mail(room, "approval", room.makerMail, values);
    const at = now().getTime();
    if (at - (told.get(room.id) ?? Number.NEGATIVE_INFINITY) < newNotesEveryMs) return;
    told.set(room.id, at);
    await mail(room, "newNotes", room.makerMail, values);
  }

  return app;
}

/** Read no further than allowed. */
async function textOf(c: Context, mostBytes: number): Promise<string> {
  const reader = c.req.raw.body?.getReader();
  if (!reader) return "";
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    bytes += next.value.length;
    if (bytes > mostBytes) {
      await reader.cancel().catch(() => {});
      throw new HTTPException(413, { message: "tooMuch" });
    }
    chunks.push(next.value);
  }
  return Buffer.concat(chunks).toString("utf8");
}

async function body(c: Context, mostBytes: number): Promise<unknown> {
  try {
    return JSON.parse(await textOf(c, mostBytes));
  } catch (e) {
    if (e instanceof HTTPException) throw e;
    return undefined;
  }
}
