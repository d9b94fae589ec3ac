import { execFileSync } from "node:child_process";
import { createHash } from "node:crypto";
import { mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@jest/globals";
import { type NoteEvent, newEvent } from "#core/notes";
import { emlOf, filled, Outbox } from "./outbox.ts";
import { Rate } from "./rate.ts";
import { roomRoutes } from "./room-routes.ts";
import { RoomShelf } from "./room-shelf.ts";

const start = new Date("2026-05-01T10:00:00Z");
const dayMs = 86_400_000;

async function opened(within = tmpdir()) {
  const folder = await mkdtemp(join(within, "tessip-rooms-"));
  let now = start;
  const program = { script: "console.log('</script>')", style: "body{}" };
  const outbox = join(folder, "outbox");
  const app = roomRoutes({
    shelf: new RoomShelf(join(folder, "rooms")),
    outbox: new Outbox(outbox),
    program,
    now: () => now,
  });
  const json = (method: string, value: unknown) => ({ method, body: JSON.stringify(value) });
  return {
    app,
    json,
    rooms: join(folder, "rooms"),
    mails: async () => {
      const names = (await readdir(outbox).catch(() => [])).sort();
      return Promise.all(names.map((n) => readFile(join(outbox, n), "utf8")));
    },
    later: (ms: number) => {
      now = new Date(now.getTime() + ms);
    },
  };
}

const mails = {
  invitation: { subject: "Please read {work}", text: "Here: {link}\n{name}" },
  newNotes: { subject: "{count} new", text: "{link}" },
  newState: { subject: "New pages of {work}", text: "{link}" },
  approval: { subject: "Approved", text: "{work}" },
};
const wish = {
  endsAt: "2026-05-15T10:00:00Z",
  passphrase: "",
  makerMail: "nora@example.org",
  readers: ["hilde@example.org", "otto@example.org"],
  mails,
};
const picture = new Uint8Array([255, 216, 255, 1, 2, 3]);
const pictureHash = createHash("sha256").update(picture).digest("hex");
const leaf = { pageId: "p1", label: "1", box: { x: 0, y: 0, w: 100, h: 100 }, mark: "", noteMark: "" };
const data = {
  format: "tessip-proof",
  version: 1,
  workId: "w",
  workName: "Our year </script><b>",
  madeAt: "2026-05-01T10:00:00Z",
  maker: { key: "m", name: "Nora" },
  mark: "",
  leaves: [{ ...leaf, tiles: [], words: [], offers: [] }],
  views: [{ left: null, right: 0 }],
  offers: [],
  events: [] as NoteEvent[],
};
const proof = {
  data,
  words: { title: "Our year </title><script>", state: "s", noScripts: "n", leaves: ["Page 1"] },
  pictures: { leaves: [pictureHash], offers: [] as string[] },
};
const said = (id: string, more: Partial<Parameters<typeof newEvent>[1]> = {}): NoteEvent =>
  newEvent([], { does: "note", place: { on: "book" }, text: id, mark: "", ...more } as Parameters<typeof newEvent>[1], {
    id,
    at: "2026-05-01T10:00:00Z",
    by: { key: "h", name: "Hilde" },
  });

/** A room with pages in it. */
async function furnished(more: Partial<typeof wish> = {}, within?: string) {
  const at = await opened(within);
  const made = await at.app.request("/rooms", at.json("POST", { ...wish, ...more }));
  const { readerKey, makerKey } = (await made.json()) as { readerKey: string; makerKey: string };
  const put = await at.app.request(`/make/${makerKey}/pictures/${pictureHash}`, { method: "PUT", body: picture });
  expect(put.status).toBe(200);
  expect((await at.app.request(`/make/${makerKey}/proof`, at.json("PUT", proof))).status).toBe(200);
  return { ...at, readerKey, makerKey, inside: `/read/${readerKey}/in/open` };
}

test("a room shows its pages to those with the link, and nothing in them runs but the reader", async () => {
  const { app, readerKey, inside } = await furnished();
  const way = await app.request(`/read/${readerKey}`);
  expect([way.status, way.headers.get("location")]).toEqual([303, `${inside}/`]);
  const page = await app.request(`${inside}/`);
  const html = await page.text();
  const policy = page.headers.get("content-security-policy") ?? "";
  const script = html.slice(html.lastIndexOf("<script>") + 8, html.lastIndexOf("</script>"));
  expect(policy).toContain(`'sha256-${createHash("sha256").update(script).digest("base64")}'`);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toContain("unsafe");
  expect(html.match(/<script/g)).toHaveLength(2);
  expect(html).toContain("Our year &#60;/title&#62;&#60;script&#62;");
  expect(JSON.parse(html.slice(html.indexOf('id="proof-data">') + 16).split("</script>")[0]!).workName).toBe(
    data.workName,
  );
  expect(page.headers.get("set-cookie")).toBeNull();
  const shown = await app.request(`${inside}/pictures/${pictureHash}`);
  expect(new Uint8Array(await shown.arrayBuffer())).toEqual(picture);
  expect((await app.request(`${inside}/pictures/..%2froom.json`)).status).toBe(404);
});

test("each key opens what it is for and no more", async () => {
  const { app, json, readerKey, makerKey, rooms } = await furnished();
  expect(readerKey).not.toBe(makerKey);
  for (const path of [
    `/make/${readerKey}`,
    `/make/${readerKey}/notes`,
    `/read/${makerKey}/in/open/stream`,
    `/read/${"x".repeat(32)}/in/open/pictures/${pictureHash}`,
    "/rooms",
    "/make/",
  ])
    expect((await app.request(path)).status).toBe(404);
  expect((await app.request(`/read/${makerKey}`)).status).toBe(404);
  expect((await app.request(`/make/${readerKey}/proof`, json("PUT", proof))).status).toBe(404);
  expect((await app.request(`/make/${readerKey}`, { method: "DELETE" })).status).toBe(404);
  // Whoever sees the folders learns no key of a maker.
  const all = (await readdir(rooms, { recursive: true })).join();
  expect(all).not.toContain(readerKey);
  for (const name of await readdir(rooms)) {
    const text = await readFile(join(rooms, name, "room.json"), "utf8").catch(() => "");
    expect(text).not.toContain(makerKey);
  }
});

test("notes of readers and of the maker are a union, each once; what is no note is refused", async () => {
  const { app, json, makerKey, inside } = await furnished();
  const post = async (to: string, events: unknown) => {
    const answer = await app.request(`${to}/notes`, json("POST", events));
    return answer.ok ? ((await answer.json()) as { taken: number }).taken : answer.status;
  };
  expect(await post(inside, [said("a"), said("b"), said("a")])).toBe(2);
  expect(await post(`/make/${makerKey}`, [said("b", { text: "another" }), said("c")])).toBe(1);
  expect(await post(inside, [{ ...said("d"), text: 5 }])).toBe(400);
  expect(await post(inside, "x")).toBe(400);
  expect(await post(inside, Array(5001).fill(said("e")))).toBe(400);
  const read = await app.request(`/make/${makerKey}/notes`);
  const { events } = (await read.json()) as { events: { id: string; text: string }[] };
  expect(events.map((e) => [e.id, e.text])).toEqual([
    ["a", "a"],
    ["b", "b"],
    ["c", "c"],
  ]);
});

test("only pictures that are what their names say are kept, and no state is shown that lacks one", async () => {
  const { app, json, makerKey } = await furnished();
  const other = "0".repeat(64);
  const bad = await app.request(`/make/${makerKey}/pictures/${other}`, { method: "PUT", body: picture });
  expect(bad.status).toBe(400);
  const large = new Uint8Array(6_000_001);
  const hash = createHash("sha256").update(large).digest("hex");
  expect((await app.request(`/make/${makerKey}/pictures/${hash}`, { method: "PUT", body: large })).status).toBe(400);
  const lacking = await app.request(`/make/${makerKey}/lacking`, json("POST", [pictureHash, other]));
  expect(await lacking.json()).toEqual({ lacking: [other] });
  const without = { ...proof, pictures: { ...proof.pictures, leaves: [other] } };
  expect((await app.request(`/make/${makerKey}/proof`, json("PUT", without))).status).toBe(409);
  const none = { ...proof, pictures: { leaves: [], offers: [] } };
  expect((await app.request(`/make/${makerKey}/proof`, json("PUT", none))).status).toBe(400);
});

test("a passphrase is asked for, may be tried ten times a minute, and what is behind it cannot be reached beside it", async () => {
  const { app, readerKey, later } = await furnished({ passphrase: "marigold" });
  expect((await app.request(`/read/${readerKey}`)).headers.get("location")).toBe(`/read/${readerKey}/enter`);
  expect(await (await app.request(`/read/${readerKey}/enter`)).text()).toContain("Passphrase");
  expect((await app.request(`/read/${readerKey}/in/open/`)).status).toBe(404);
  expect((await app.request(`/read/${readerKey}/in/open/pictures/${pictureHash}`)).status).toBe(404);
  const enter = (word: string) =>
    app.request(`/read/${readerKey}/enter`, {
      method: "POST",
      body: new URLSearchParams({ passphrase: word }).toString(),
    });
  expect((await enter("lily")).status).toBe(403);
  const entered = await enter("marigold");
  expect(entered.status).toBe(303);
  expect((await app.request(`${entered.headers.get("location")}`)).status).toBe(200);
  for (let i = 0; i < 8; i += 1) await enter("lily");
  expect((await enter("marigold")).status).toBe(429);
  later(60_000);
  expect((await enter("marigold")).status).toBe(303);
});

test("a room that has ended or was withdrawn is gone from disk, and says so to those who come", async () => {
  const first = await furnished();
  first.later(15 * dayMs);
  const late = await first.app.request(`/read/${first.readerKey}`);
  expect([late.status, await late.text()]).toEqual([404, expect.stringContaining("closed")]);
  const second = await furnished();
  expect((await second.app.request(`/make/${second.makerKey}`, { method: "DELETE" })).status).toBe(200);
  expect((await second.app.request(`${second.inside}/`)).status).toBe(404);
  for (const { rooms } of [first, second])
    expect((await readdir(rooms, { recursive: true })).filter((n) => n !== "makers")).toEqual([]);
});

test("whoever looks on hears of notes and of new pages as they come", async () => {
  const { app, json, makerKey, inside } = await furnished();
  const heard: string[] = [];
  const listen = async (path: string, until: string) => {
    const reader = (await app.request(path)).body!.getReader();
    let text = "";
    for (let next = await reader.read(); !next.done; next = await reader.read()) {
      text += new TextDecoder().decode(next.value);
      if (text.includes(until)) break;
    }
    heard.push(text);
    await reader.cancel();
  };
  const both = [listen(`${inside}/stream`, '"state":2'), listen(`/make/${makerKey}/stream`, '"state":2')];
  await new Promise((go) => setTimeout(go, 50));
  await app.request(`${inside}/notes`, json("POST", [said("a")]));
  await app.request(`/make/${makerKey}/proof`, json("PUT", proof));
  await Promise.all(both);
  for (const text of heard) {
    expect(text).toContain('"state":1');
    expect(text).toContain('"text":"a"');
  }
});

test("what would be mail is written from templates: an invitation, new notes, new pages, an approval", async () => {
  const { app, json, makerKey, readerKey, inside, mails: written, later } = await furnished();
  await app.request(`/make/${makerKey}/invite`, { method: "POST" });
  await app.request(`${inside}/notes`, json("POST", [said("a")]));
  await app.request(`${inside}/notes`, json("POST", [said("b")]));
  later(700_000);
  const judged = said("c", { does: "judge", pageId: null, verdict: "approved" } as never);
  await app.request(`${inside}/notes`, json("POST", [judged]));
  await app.request(`/make/${makerKey}/proof`, json("PUT", proof));
  const all = await written();
  const subjects = all.map((m) => /^Subject: (.*)$/m.exec(m)?.[1]?.trim());
  expect(subjects.filter((s) => s?.startsWith("Please read"))).toHaveLength(2);
  expect(subjects.filter((s) => s === "1 new")).toHaveLength(2);
  expect(subjects.filter((s) => s === "Approved")).toHaveLength(1);
  expect(subjects.filter((s) => s?.startsWith("New pages"))).toHaveLength(2);
  const invitation = all.find((m) => m.includes("Please read"))!;
  const text = Buffer.from(invitation.split("\r\n\r\n")[1]!, "base64").toString();
  expect(text).toBe(`Here: http://localhost/room/read/${readerKey}\r\nNora`);
  expect(all.join()).not.toContain(makerKey);
});

test("a mail says no more in its head than it should", () => {
  const eml = emlOf({ to: "a@b.c\r\nBcc: x@y.z", subject: "Grüße\nX: 1", text: "ä".repeat(200) }, start);
  const head = eml.split("\r\n\r\n")[0]!;
  expect(head).not.toMatch(/^(Bcc|X):/m);
  expect(head).toContain(`=?utf-8?B?${Buffer.from("Grüße X: 1").toString("base64")}?=`);
  expect(Math.max(...eml.split("\r\n").map((l) => l.length))).toBeLessThan(100);
  expect(filled("{a} {b} {a}", { a: "1" })).toBe("1 {b} 1");
});

test("a note that was cut off in the middle of writing takes no other with it", async () => {
  const { app, json, makerKey, inside, rooms } = await furnished();
  await app.request(`${inside}/notes`, json("POST", [said("a")]));
  const id = (await readdir(rooms)).find((n) => n !== "makers")!;
  const path = join(rooms, id, "notes.ndjson");
  await writeFile(path, `${await readFile(path, "utf8")}\n{"id":"b","n":1,`);
  await app.request(`${inside}/notes`, json("POST", [said("c")]));
  const { events } = (await (await app.request(`/make/${makerKey}/notes`)).json()) as { events: { id: string }[] };
  expect(events.map((e) => e.id)).toEqual(["a", "c"]);
});

/** A disk of two megabytes; undefined where none can be mounted. */
async function smallDisk(): Promise<string | undefined> {
  const path = await mkdtemp(join(tmpdir(), "tessip-small-"));
  try {
    execFileSync("mount", ["-t", "tmpfs", "-o", "size=2m", "tmpfs", path], { stdio: "ignore" });
    return path;
  } catch {
    return undefined;
  }
}

test("on a full disk the room says so, loses nothing, and takes notes again when there is room", async () => {
  const disk = await smallDisk();
  if (!disk) return;
  try {
    const { app, json, makerKey, inside } = await furnished({}, disk);
    const post = (id: string, text = "x".repeat(4000)) =>
      app.request(`${inside}/notes`, json("POST", [said(id, { text })]));
    expect((await post("a")).status).toBe(200);
    await writeFile(join(disk, "filler"), new Uint8Array(3_000_000)).catch(() => {});
    let full = 200;
    let kept = 1;
    for (let i = 0; i < 20 && full === 200; i += 1) {
      full = (await post(`b${i}`)).status;
      if (full === 200) kept += 1;
    }
    expect(full).toBe(507);
    const large = new Uint8Array(100_000);
    const hash = createHash("sha256").update(large).digest("hex");
    expect((await app.request(`/make/${makerKey}/pictures/${hash}`, { method: "PUT", body: large })).status).toBe(507);
    expect((await app.request(`/make/${makerKey}/proof`, json("PUT", proof))).status).toBe(507);
    const before = (await (await app.request(`/make/${makerKey}/notes`)).json()) as { events: unknown[] };
    expect(before.events).toHaveLength(kept);
    expect((await app.request(`${inside}/`)).status).toBe(200);
    await rm(join(disk, "filler"));
    expect((await post("again")).status).toBe(200);
    const after = (await (await app.request(`/make/${makerKey}/notes`)).json()) as { events: { id: string }[] };
    expect(after.events.map((e) => e.id)).toContain("again");
    expect(after.events).toHaveLength(kept + 1);
  } finally {
    execFileSync("umount", ["-l", disk]);
  }
});

test("so much is allowed in a minute, for each by itself", () => {
  const rate = new Rate(2);
  expect([rate.allows("a", start), rate.allows("a", start), rate.allows("a", start), rate.allows("b", start)]).toEqual([
    true,
    true,
    false,
    true,
  ]);
  expect(rate.allows("a", new Date(start.getTime() + 60_000))).toBe(true);
});
