import { expect, test } from "@jest/globals";
import type { ProofData } from "#core/notes";
import { type NoteEvent, newEvent } from "#core/notes";
import { readNotes } from "../app/state/notes/read-notes.ts";
import { asFile, asText, fileNameOf, notesFileOf } from "./give-back.ts";

const by = { key: "r", name: "Hilde" };
const say = (events: readonly NoteEvent[], text: string): NoteEvent =>
  newEvent(
    events,
    { does: "note", place: { on: "book" }, text, mark: "" },
    { id: `n${events.length}`, at: "2026-03-01T12:00:00Z", by },
  );
const before = say([], "before");
const data: ProofData = {
  format: "tessip-proof",
  version: 1,
  workId: "w",
  workName: "Our year — Ähre",
  madeAt: "2026-03-01T11:00:00Z",
  maker: { key: "m", name: "Nora" },
  mark: "",
  leaves: [],
  views: [],
  offers: [],
  events: [before],
};
const own = say([before], "mine — “ü” \u05d0 😀");

test("what a reader gives back is read as it was written, as a file, in a mail and in a mail that was saved", () => {
  const file = notesFileOf(data, [before, own]);
  expect(file.events).toEqual([own]);
  const mail = asText(file, "Notes");
  // As a mail program writes what is not plain letters.
  const saved = `Content-Transfer-Encoding: quoted-printable\r\n\r\n${mail.replaceAll("=", "=3D").replace("[notes", "=5Bnotes").replaceAll("\n", "=\r\n\r\n")}`;
  for (const text of [asFile(file), mail, saved]) {
    const read = readNotes(text);
    expect(read.ok && read.value).toEqual(file);
  }
});

test("what holds no notes, or not whole ones, is told apart", () => {
  const mail = asText(notesFileOf(data, [own]), "Notes");
  const code = (text: string) => {
    const read = readNotes(text);
    return read.ok ? "" : read.code;
  };
  expect(code("Dear Nora")).toBe("notNotes");
  expect(code('{"format":"another"}')).toBe("notNotes");
  expect(code("[1,2")).toBe("notNotes");
  expect(code(mail.slice(0, -8))).toBe("cut");
  expect(code('{"format":"tessip-notes","version":2}')).toBe("newer");
  expect(code('{"format":"tessip-notes","version":1,"events":[]}')).toBe("damaged");
  expect(code(JSON.stringify({ format: "tessip-notes", version: 1, events: Array(20_001).fill(0) }))).toBe("tooMany");
});

test("a notes file has a name that every mail program and disk takes", () => {
  expect(fileNameOf(data, "Hilde <b>/..")).toBe("Our-year-A-hre-Hilde-b.tessip-notes");
  expect(fileNameOf({ ...data, workName: "日本" }, "")).toBe("notes.tessip-notes");
});
