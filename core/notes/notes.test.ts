import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { applyChange, type Project, placed } from "#core/document";
import { scene } from "#core/scene";
import { collage, counter } from "../document/project.fixture.ts";
import {
  approvalOf,
  fromMail,
  inMail,
  judgementsOf,
  markOfPlace,
  merged,
  type NoteEvent,
  type NotePlace,
  newEvent,
  offersFor,
  pointOn,
  sceneMark,
  shareOf,
  stretchIn,
  threadsOf,
  unknownOf,
  whereabouts,
} from "./index.ts";
import { noteEventSchema, noteEventsSchema } from "./schema/index.ts";

const people = [
  { key: "me", name: "Nora" },
  { key: "sister", name: "Hilde" },
  { key: "other", name: "Hilde" },
];
const ids = fc.constantFrom("a", "b", "c", "d", "e", "f");
const base = {
  id: fc.constantFrom(..."ghijklmnopqrstuvw"),
  n: fc.integer({ min: 0, max: 6 }),
  at: fc.constantFrom("2026-01-01T10:00:00Z", "2026-01-02T10:00:00Z", "1999-01-01T00:00:00Z"),
  by: fc.constantFrom(...people),
};
const text = fc.constantFrom("", "That is not Aunt Hilde", "Yes it is");
const book = fc.constant<NotePlace>({ on: "book" });
const anyEvent: fc.Arbitrary<NoteEvent> = fc.oneof(
  fc.record({ ...base, id: ids, does: fc.constant("note" as const), place: book, text, mark: fc.constant("") }),
  fc.record({ ...base, does: fc.constant("reply" as const), to: ids, text }),
  fc.record({
    ...base,
    does: fc.constant("settle" as const),
    to: ids,
    state: fc.constantFrom("open" as const, "done" as const, "left" as const),
  }),
  fc.record({ ...base, does: fc.constant("reword" as const), to: ids, text }),
  fc.record({ ...base, does: fc.constant("remove" as const), to: ids }),
  fc.record({
    ...base,
    does: fc.constant("judge" as const),
    pageId: fc.constantFrom(null, "p1", "p2"),
    verdict: fc.constantFrom("approved" as const, "change" as const, "none" as const),
    mark: fc.constant(""),
  }),
);
/** Ids that meet, with other content under the same id now and then, as a forged file would have it. */
const anyEvents = fc.array(anyEvent, { maxLength: 12 }).map((events) => merged([], events));

test("merging is a union: in any order, in any grouping, twice is once, and everybody sees the same", () => {
  fc.assert(
    fc.property(anyEvents, anyEvents, anyEvents, (a, b, c) => {
      expect(merged(a, b)).toEqual(merged(b, a));
      expect(merged(merged(a, b), c)).toEqual(merged(a, merged(b, c)));
      expect(merged(a, a)).toBe(a);
      const both = merged(a, b);
      expect(merged(both, b)).toBe(both);
      expect(new Set(merged(a, b).map((e) => e.id))).toEqual(new Set([...a, ...b].map((e) => e.id)));
      expect(threadsOf(merged(a, b))).toEqual(threadsOf([...merged(b, a)].reverse()));
      expect(judgementsOf(merged(a, b))).toEqual(judgementsOf([...merged(b, a)].reverse()));
    }),
  );
});

test("of an id that is known, what came home changes nothing", () => {
  fc.assert(
    fc.property(anyEvents, anyEvents, (known, come) => {
      const fresh = unknownOf(known, come);
      const after = merged(known, fresh);
      for (const event of known) expect(after).toContain(event);
      expect(after.length).toBe(known.length + fresh.length);
      expect(unknownOf(after, come)).toEqual([]);
    }),
  );
});

const [me, sister, namesake] = people as [NoteEvent["by"], NoteEvent["by"], NoteEvent["by"]];
/** Events one after the other, each by somebody who knows all that came before. */
function told(...said: readonly (readonly [NoteEvent["by"], Parameters<typeof newEvent>[1], string?])[]): NoteEvent[] {
  const events: NoteEvent[] = [];
  for (const [by, say, at = "2026-03-01T12:00:00Z"] of said)
    events.push(newEvent(events, say, { id: `e${events.length}`, at, by }));
  return events;
}
const note = { does: "note", place: { on: "book" }, text: "That is not Aunt Hilde", mark: "" } as const;

test("a note is answered by another, open again by its writer, and settled by whoever settles it last", () => {
  const events = told(
    [sister, note],
    [me, { does: "reply", to: "e0", text: "Who is it then?" }],
    [sister, { does: "reply", to: "e0", text: "Aunt Berta" }],
    [me, { does: "settle", to: "e0", state: "done" }],
    [sister, { does: "settle", to: "e0", state: "open" }],
    [me, { does: "settle", to: "e0", state: "left" }],
  );
  const states = events.map((_, i) => threadsOf(events.slice(0, i + 1))[0]?.state);
  expect(states).toEqual(["open", "answered", "open", "done", "open", "left"]);
  expect(threadsOf(events)[0]?.replies.map((r) => [r.by.name, r.text])).toEqual([
    ["Nora", "Who is it then?"],
    ["Hilde", "Aunt Berta"],
  ]);
});

test("a clock that is wrong by years changes no order", () => {
  const events = told(
    [sister, note, "2071-01-01T00:00:00Z"],
    [sister, { does: "settle", to: "e0", state: "done" }, "2071-01-01T00:00:00Z"],
    [me, { does: "settle", to: "e0", state: "open" }, "1999-01-01T00:00:00Z"],
  );
  expect(threadsOf([...events].reverse())[0]?.state).toBe("open");
});

test("only who wrote a note rewords it or takes it back; a namesake does not", () => {
  const events = told(
    [sister, note],
    [namesake, { does: "reword", to: "e0", text: "Lovely" }],
    [namesake, { does: "remove", to: "e0" }],
  );
  expect(threadsOf(events).map((t) => t.text)).toEqual([note.text]);
  const by = (e: NoteEvent) => (e.by === namesake ? { ...e, by: sister } : e);
  expect(threadsOf(events.slice(0, 2).map(by)).map((t) => t.text)).toEqual(["Lovely"]);
  expect(threadsOf(events.map(by))).toEqual([]);
});

test("an answer that comes before its note waits for it", () => {
  const events = told([sister, note], [me, { does: "reply", to: "e0", text: "Yes" }]);
  expect(threadsOf(events.slice(1))).toEqual([]);
  expect(threadsOf(merged(events.slice(1), events))[0]?.replies).toHaveLength(1);
});

test("of each person the last verdict on each page counts, and one that is withdrawn is gone", () => {
  const judge = (pageId: string | null, verdict: "approved" | "change" | "none") =>
    ({ does: "judge", pageId, verdict, mark: "" }) as const;
  const events = told(
    [sister, judge("p1", "change")],
    [sister, judge("p1", "approved")],
    [namesake, judge("p1", "change")],
    [sister, judge(null, "approved")],
    [sister, judge("p2", "approved")],
    [sister, judge("p2", "none")],
  );
  expect(judgementsOf(events).map((j) => [j.by.key, j.pageId, j.verdict])).toEqual([
    ["sister", "p1", "approved"],
    ["other", "p1", "change"],
    ["sister", null, "approved"],
  ]);
});

const project = collage([1.5, 0.7, 1]);
const page = project.pages[0]!;
const hashes: Record<string, string> = { p0: "0".repeat(64), p1: "1".repeat(64), p2: "2".repeat(64) };
const facts = { photo: () => undefined, hashOf: (id: string) => hashes[id] };
const tiles = () => placed(project, page).tiles;
const onPhoto = (i: number, within = { x: 0.25, y: -0.1 }): NotePlace => ({
  on: "photo",
  pageId: page.id,
  tileId: tiles()[i]!.id,
  within,
  near: { x: 1, y: 2 },
  photo: hashes[`p${i}`]!,
});
function changed(change: Parameters<typeof applyChange>[1]): Project {
  const done = applyChange(project, change);
  if (!done.ok) throw new Error(done.code);
  return done.value;
}

test("a point of a tile, turned by any angle, comes back as the share it was made of", () => {
  const n = fc.double({ min: -1.9, max: 1.9, noNaN: true });
  const size = fc.double({ min: 1, max: 500, noNaN: true });
  fc.assert(
    fc.property(n, n, size, size, fc.integer({ min: -180, max: 180 }), (x, y, width, height, turn) => {
      const tile = { frame: { centre: { x: 30, y: 70 }, width, height, turn } };
      const back = shareOf(tile, pointOn(tile, { x, y }));
      expect(back.x).toBeCloseTo(x, 9);
      expect(back.y).toBeCloseTo(y, 9);
    }),
  );
  // A quarter to the right: what lay to the right of the middle lies below it.
  const tile = { frame: { centre: { x: 10, y: 20 }, width: 8, height: 4, turn: 90 } };
  const at = pointOn(tile, { x: 0.5, y: 0 });
  expect([at.x, at.y].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([10, 24]);
});

test("a note on a photo goes where that photo goes, and back to its tile where the photo is gone", () => {
  const [first, second] = tiles();
  const place = onPhoto(0);
  const there = (p: Project) => whereabouts(p, place, facts);
  expect(there(project)).toMatchObject({ pageId: page.id, tileId: first!.id, gone: false });
  expect(there(project).at).toEqual(pointOn(first!, { x: 0.25, y: -0.1 }));
  const swapped = changed({
    type: "setTiles",
    pageId: page.id,
    items: [
      { id: first!.id, set: { filling: second!.filling } },
      { id: second!.id, set: { filling: first!.filling } },
    ],
  });
  expect(there(swapped)).toMatchObject({ tileId: second!.id, gone: false });
  const emptied = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: first!.id, set: { filling: { kind: "empty" } } }],
  });
  expect(there(emptied)).toMatchObject({ tileId: first!.id, gone: false });
  const cleared = changed({ type: "replacePage", page: { ...page, pieces: [] } });
  expect(there(cleared)).toEqual({ pageId: page.id, tileId: null, at: { x: 1, y: 2 }, gone: true });
  const other = { ...project, pages: [{ ...page, id: "another", pieces: [] }] };
  expect(there(other)).toEqual({ pageId: null, tileId: null, at: { x: 1, y: 2 }, gone: true });
});

test("the state of a place is another once what it speaks of has changed, and the same where only something else has", () => {
  const [first, second] = tiles();
  const places: NotePlace[] = [
    onPhoto(0),
    { on: "page", pageId: page.id },
    { on: "point", pageId: page.id, at: { x: 1, y: 1 } },
  ];
  const before = places.map((p) => markOfPlace(project, p, facts));
  expect(before.every((m) => /^[0-9a-f]{16}$/.test(m))).toBe(true);
  const nextTo = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: second!.id, set: { filling: { kind: "empty" } } }],
  });
  const onIt = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: first!.id, set: { filling: { kind: "empty" } } }],
  });
  const same = (p: Project) => places.map((place, i) => markOfPlace(p, place, facts) === before[i]);
  expect(same({ ...project, name: "Another" })).toEqual([true, true, true]);
  expect(same(nextTo)).toEqual([true, false, false]);
  expect(same(onIt)).toEqual([false, false, false]);
  expect(markOfPlace(project, { on: "book" }, facts)).toBe("");
  // Another computer knows the same photo by another id.
  const renamed = JSON.parse(JSON.stringify(project).replaceAll('"p0"', '"x0"')) as Project;
  const there = { ...facts, hashOf: (id: string) => hashes[id.replace("x", "p")] };
  expect(markOfPlace(renamed, places[0]!, there)).toBe(before[0]);
});

test("notes survive a mail: quoted, wrapped anew, with words around them; what was cut or changed is told", () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ maxLength: 400 }),
      fc.constantFrom("> ", "| ", "  ", ">> "),
      fc.nat(),
      (bytes, quote, at) => {
        const sent = inMail(bytes);
        expect(Math.max(...sent.split("\n").map((l) => l.length))).toBeLessThanOrEqual(76);
        const quoted = `Dear Nora,\r\n\r\n${sent.split("\n").join(`\r\n${quote}`)}\r\n-- \r\nHilde`;
        expect(fromMail(quoted)).toEqual(new Uint8Array(bytes));
        expect(fromMail(sent.slice(0, -4))).toBe("cut");
        const letters = sent.split("\n");
        if (letters.length < 4) return;
        const line = letters[1]!;
        const i = at % line.length;
        const other = line[i] === "A" ? "B" : "A";
        letters[1] = line.slice(0, i) + other + line.slice(i + 1);
        // The last letter's spare bits carry nothing.
        const read = fromMail(letters.join("\n"));
        if (read !== "cut") expect(read).toEqual(new Uint8Array(bytes));
      },
    ),
  );
  expect(fromMail("Dear Nora, all is well.")).toBe("none");
});

test("the letters of a mail are those that other programs read", () => {
  const bytes = new TextEncoder().encode('{"a":"ÿþ?>~"}');
  const letters = inMail(bytes).split("\n").slice(1, -2).join("");
  expect(Buffer.from(letters, "base64url")).toEqual(Buffer.from(bytes));
});

test("texts and names that mean harm come in as plain ones, and what is no note stays out", () => {
  const [event] = told([
    { key: "k", name: "Hil\u202Ede\n\u0000 <b>" },
    { ...note, text: "\u200Ba\u0301\u0301\u0301\u0301\u0301\u0301\u0301\r\nb\u2066" },
  ]);
  const read = noteEventSchema.parse(event);
  expect(read.by.name).toBe("Hilde <b>");
  expect(read.does === "note" && [...read.text].length).toBeLessThan(9);
  expect(read.does === "note" && read.text.endsWith("\nb")).toBe(true);
  for (const wrong of [
    { ...event, id: "../../x" },
    { ...event, n: -1 },
    { ...event, n: 1e300 },
    { ...event, at: "yesterday" },
    { ...event, text: "x".repeat(4001) },
    { ...event, place: { on: "point", pageId: "p", at: { x: Number.POSITIVE_INFINITY, y: 0 } } },
    { ...event, place: { on: "moon" } },
    { ...event, does: "delete" },
    { ...event, by: { key: "<script>", name: "x" } },
  ])
    expect(noteEventSchema.safeParse(wrong).success).toBe(false);
  const many = Array.from({ length: 20_001 }, (_, i) => ({ ...event, id: `x${i}` }));
  expect(noteEventsSchema.safeParse(many).success).toBe(false);
});

test("ten thousand notes come home at once and change nothing the second time", () => {
  const id = counter("m");
  const make = (count: number): NoteEvent[] =>
    Array.from({ length: count }, (_, i) => ({ ...note, id: id(), n: i, at: "2026-03-01T12:00:00Z", by: sister }));
  const [mine, theirs] = [make(5000), make(10_000)];
  const all = merged(merged([], mine), theirs);
  expect(all).toHaveLength(15_000);
  expect(merged(all, theirs)).toBe(all);
  expect(threadsOf(all)).toHaveLength(15_000);
});

test("of what was approved it is known what still stands: by page, and as a whole", () => {
  const judge = (pageId: string | null, verdict: "approved" | "change", mark: string, by = sister) => ({
    pageId,
    verdict,
    mark,
    by,
    at: "",
  });
  const marks = new Map([
    ["a", "1"],
    ["b", "2"],
    ["c", "3"],
    ["d", "4"],
    ["e", "5"],
  ]);
  const found = approvalOf(
    [
      judge("a", "approved", "1"),
      judge("b", "approved", "old"),
      judge("c", "approved", "3"),
      judge("c", "change", "3", me),
      judge("d", "change", "old"),
      judge("gone", "approved", "1"),
      judge(null, "approved", "whole"),
      judge(null, "approved", "old", me),
      judge(null, "change", "whole", namesake),
    ],
    marks,
    "whole",
  );
  expect(found).toEqual({
    approved: ["a"],
    changedSince: ["b", "d"],
    toChange: ["c"],
    wholeBy: [sister],
    wholeBefore: [me],
    wholeToChange: [namesake],
  });
});

test("a page is in the same state on another computer, and in another once anything on it is drawn otherwise", () => {
  const shape = { aspect: 1.5, focus: null };
  const seen = { photo: (id: string) => (/^[px]\d/.test(id) ? shape : undefined) };
  const mark = (p: Project, hashOf: (id: string) => string | undefined) =>
    sceneMark(scene(placed(p, p.pages[0]!), seen), hashOf);
  const now = mark(project, facts.hashOf);
  const elsewhere = JSON.parse(JSON.stringify(project).replaceAll(/"p(\d)"/g, '"x$1"')) as Project;
  expect(mark(elsewhere, (id) => hashes[id.replace("x", "p")])).toBe(now);
  expect(mark({ ...project, name: "Another" }, facts.hashOf)).toBe(now);
  expect(
    mark(changed({ type: "setProject", style: { ...project.style, background: "#fefefe" } }), facts.hashOf),
  ).not.toBe(now);
  expect(
    mark(changed({ type: "setProject", style: { ...project.style, gapMm: project.style.gapMm + 0.01 } }), facts.hashOf),
  ).not.toBe(now);
  const [first, second] = tiles();
  const swapped = changed({
    type: "setTiles",
    pageId: page.id,
    items: [
      { id: first!.id, set: { filling: second!.filling } },
      { id: second!.id, set: { filling: first!.filling } },
    ],
  });
  expect(mark(swapped, facts.hashOf)).not.toBe(now);
});

test("photos are offered that were taken nearest, those on no page first, and never the page's own", () => {
  const photo = (id: string, takenAt: string, stars = 0) => ({ id, takenAt, stars });
  const here = [photo("a", "2026-05-01T10:00:00"), photo("b", "2026-05-01T18:00:00")];
  const others = [
    ...here,
    photo("nextDay", "2026-05-02T10:00:00"),
    photo("hourAfter", "2026-05-01T19:00:00"),
    photo("hourBefore", "2026-05-01T09:00:00", 3),
    photo("used", "2026-05-01T10:01:00"),
    photo("undated", ""),
  ];
  const offered = (most: number) => offersFor(here, others, new Set(["used"]), most);
  expect(offered(9)).toEqual(["hourBefore", "hourAfter", "nextDay", "undated", "used"]);
  expect(offered(2)).toEqual(["hourBefore", "hourAfter"]);
  expect(offered(0)).toEqual([]);
  expect(offersFor([], others, new Set(), 5)).toEqual([]);
});

test("words that a note quotes are found again where they stand now, the nearest of several", () => {
  const quoted = { from: 10, to: 15, quote: "Hilda" };
  expect(stretchIn("Aunt with  Hilda there", { ...quoted, from: 11, to: 16 })).toEqual({ from: 11, to: 16 });
  expect(stretchIn("Hilda and her boat, and Hilda", quoted)).toEqual({ from: 0, to: 5 });
  expect(stretchIn("Hilda and her dog and Hilda", { ...quoted, from: 15, to: 20 })).toEqual({ from: 22, to: 27 });
  expect(stretchIn("Hilde", quoted)).toBeUndefined();
});
