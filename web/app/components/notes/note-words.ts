import type { Author, NotePlace } from "#core/notes";
import { formats, notes as words } from "../../../text/index.ts";
import type { ShownNote } from "../../state/notes/shown-notes.ts";

/** Who wrote it, for whoever reads here. */
export const writerName = (by: Author, me: Author): string =>
  by.key === me.key ? words.you : by.name === "" ? words.nobody : by.name;

/** Where it belongs: "Page 12, a photo". */
export function placeWords({ where, thread }: ShownNote, numbers: ReadonlyMap<string, string>): string {
  if (thread.place.on === "book") return words.book;
  if (where.pageId === null) return words.goneAll;
  const page = pageWords(where.pageId, numbers);
  return `${page}, ${thread.place.on === "words" ? `“${thread.place.quote}”` : words.place[thread.place.on]}`;
}

/** A page that has no number is the cover. */
export function pageWords(pageId: string, numbers: ReadonlyMap<string, string>): string {
  const number = numbers.get(pageId);
  return number === undefined ? words.cover : words.page(number);
}

export const aboutWords = (place: NotePlace): string => words.about[place.on];

const dayMs = 86_400_000;
/** A day from now on nobody has written anything yet. */
export const isWrongClock = (at: string): boolean => Date.parse(at) > Date.now() + dayMs;

export const whenWords = (at: string): string =>
  isWrongClock(at) ? words.wrongClock : words.when(formats.dayHere(at), formats.clock(at));
