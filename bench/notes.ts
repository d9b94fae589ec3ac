import { createHash } from "node:crypto";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { merged, type NoteEvent, newEvent, threadsOf } from "#core/notes";
import { Outbox } from "../server/room/outbox.ts";
import { roomRoutes } from "../server/room/room-routes.ts";
import { RoomShelf } from "../server/room/room-shelf.ts";

/** What merging costs beside parsing the same notes, and what a room takes: 50 readers, 5,000 notes, 300 MB of pictures. */

const ms = (work: () => void): number => {
  const at = performance.now();
  work();
  return performance.now() - at;
};
const middle = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;

const noteOf = (i: number, by: number): NoteEvent =>
  newEvent(
    [],
    { does: "note", place: { on: "book" }, text: `Note ${i}, and some words about it`, mark: "" },
    { id: `r${by}-${i}`, at: "2026-05-01T10:00:00Z", by: { key: `k${by}`, name: `Reader ${by}` } },
  );

const mine = Array.from({ length: 10_000 }, (_, i) => noteOf(i, 0));
const theirs = Array.from({ length: 10_000 }, (_, i) => noteOf(i, i % 2));
const text = JSON.stringify(theirs);
const rounds = Array.from({ length: 7 }, () => ({
  merge: ms(() => merged(mine, theirs)),
  threads: ms(() => threadsOf(mine)),
  parse: ms(() => JSON.parse(text)),
}));
const of = (what: keyof (typeof rounds)[number]) => middle(rounds.map((r) => r[what]));
console.log(
  `10,000 notes   merged ${of("merge").toFixed(1)} ms   threads ${of("threads").toFixed(1)} ms   parsed alone ${of("parse").toFixed(1)} ms   ratio ${(of("merge") / of("parse")).toFixed(1)}`,
);

const folder = await mkdtemp(join(tmpdir(), "tessip-bench-rooms-"));
const app = roomRoutes({
  shelf: new RoomShelf(join(folder, "rooms")),
  outbox: new Outbox(join(folder, "outbox")),
  program: { script: "", style: "" },
  now: () => new Date(),
});
const json = (method: string, value: unknown) => ({ method, body: JSON.stringify(value) });
const mail = { subject: "", text: "" };
const opened = await app.request(
  "/rooms",
  json("POST", {
    endsAt: new Date(Date.now() + 86_400_000).toISOString(),
    passphrase: "",
    makerMail: "",
    readers: [],
    mails: { invitation: mail, newNotes: mail, newState: mail, approval: mail },
  }),
);
const { readerKey, makerKey } = (await opened.json()) as { readerKey: string; makerKey: string };
const rss = (): number => process.memoryUsage().rss / 1e6;
const before = rss();
let most = before;
for (let i = 0; i < 60; i += 1) {
  const picture = new Uint8Array(5_000_000).fill(i);
  const hash = createHash("sha256").update(picture).digest("hex");
  await app.request(`/make/${makerKey}/pictures/${hash}`, { method: "PUT", body: picture });
  most = Math.max(most, rss());
}
console.log(`300 MB of pictures   ${(most - before).toFixed(0)} MB more memory at most`);
const at = performance.now();
// As the limit of writes within a minute has it: each reader says four times what it has.
await Promise.all(
  Array.from({ length: 50 }, async (_, by) => {
    for (let k = 0; k < 4; k += 1) {
      const notes = Array.from({ length: 25 }, (_, i) => noteOf(25 * k + i, by));
      const answer = await app.request(`/read/${readerKey}/in/open/notes`, json("POST", notes));
      if (!answer.ok) throw new Error(String(answer.status));
    }
  }),
);
const took = performance.now() - at;
const kept = (await (await app.request(`/make/${makerKey}/notes`)).json()) as { events: unknown[] };
console.log(
  `50 readers   ${kept.events.length} notes in ${took.toFixed(0)} ms, ${(took / 200).toFixed(1)} ms for each 25`,
);
await rm(folder, { recursive: true });
