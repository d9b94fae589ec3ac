import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { counter } from "../document/project.fixture.ts";
import {
  fromMail,
  inMail,
  judgementsOf,
  merged,
  type NoteEvent,
  type NotePlace,
  offersFor,
  threadsOf,
  unknownOf,
} from "./index.ts";
import { me, namesake, people, sister, told } from "./notes.fixture.ts";
import { noteEventSchema, noteEventsSchema } from "./schema/index.ts";

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
