import { fromMail, type NotesFile } from "#core/notes";
import { mostEvents, notesFileSchema } from "#core/notes/schema";
import { ok, type Result, refused } from "#core/result";

export type NotesTrouble = "notNotes" | "cut" | "newer" | "damaged" | "tooMany";

/** As many letters as all notes that a person can write have by far. */
const mostLetters = 60_000_000;

/** Notes out of a file or a mail; all of them, or why none. */
export function readNotes(text: string): Result<NotesFile, NotesTrouble> {
  if (text.length > mostLetters) return refused("tooMany");
  const inside = fromMail(mailText(text));
  if (inside === "cut") return refused("cut");
  const data = parsed(inside === "none" ? text : new TextDecoder().decode(inside));
  if (typeof data !== "object" || data === null || !("format" in data) || data.format !== "tessip-notes")
    return refused("notNotes");
  if ("version" in data && Number(data.version) > 1) return refused("newer");
  if ("events" in data && Array.isArray(data.events) && data.events.length > mostEvents) return refused("tooMany");
  const read = notesFileSchema.safeParse(data);
  return read.success ? ok(read.data) : refused("damaged");
}

/** A mail that was saved as a file may be written as quoted-printable (RFC 2045, section 6.7). */
const mailText = (text: string): string =>
  /^content-transfer-encoding:\s*quoted-printable/im.test(text)
    ? text
        .replace(/=\r?\n/g, "")
        .replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16)))
    : text;

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
