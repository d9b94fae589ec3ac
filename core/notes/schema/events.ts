import { z } from "zod";

/**
 * Notes as they come from outside: from storage, a notes file, a pasted text, a project file, the reading room. Whoever wrote them may
 * have meant harm, so every text is made plain and every number has bounds.
 */

/** Control characters, marks that turn the direction of what follows, and invisible ones that make two names look alike. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what has to go
const unseen = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u00ad\u200b\u200e\u200f\u2028-\u202e\u2060-\u2069\ufeff]/g;
/** More marks on one letter than any script writes. */
const piledMarks = /(\p{M}{4})\p{M}+/gu;

const plainText = (text: string): string =>
  text.normalize("NFC").replace(/\r\n?/g, "\n").replace(unseen, "").replace(piledMarks, "$1").trim();
export const plainLine = (text: string): string => plainText(text).replace(/\s+/g, " ");

const id = z.string().regex(/^[A-Za-z0-9_.-]{1,64}$/);
const text = z.string().max(4000).transform(plainText);
const mm = z.number().min(-10_000).max(10_000);
const point = z.object({ x: mm, y: mm }).readonly();
const share = z.number().min(-2).max(2);
const hash = z.string().regex(/^[0-9a-f]{64}$/);
/** The state of what a note speaks of, as it was when that was written; empty where it speaks of no state. */
const mark = z.string().regex(/^([0-9a-f]{16})?$/);
const pageId = z.string().min(1).max(64);

const onTile = {
  pageId,
  tileId: z.string().min(1).max(64),
  /** From the tile's middle, in shares of its width and height, turned with it. */
  within: z.object({ x: share, y: share }).readonly(),
  /** Where on the page that was, in mm, for when the tile is gone. */
  near: point,
};
export const notePlaceSchema = z.discriminatedUnion("on", [
  z.object({ on: z.literal("book") }).readonly(),
  z.object({ on: z.literal("page"), pageId }).readonly(),
  /** In mm from the trim's top left. */
  z.object({ on: z.literal("point"), pageId, at: point }).readonly(),
  z.object({ on: z.literal("tile"), ...onTile }).readonly(),
  /** A photo by the hash of its file, which is the same on every computer. */
  z.object({ on: z.literal("photo"), ...onTile, photo: hash }).readonly(),
  /** Letters of a text, in UTF-16, and what they said. */
  z
    .object({
      on: z.literal("words"),
      ...onTile,
      from: z.number().int().min(0).max(1_000_000),
      to: z.number().int().min(0).max(1_000_000),
      quote: z.string().max(1000).transform(plainText),
    })
    .readonly(),
]);

const base = {
  id,
  /** One more than the highest number that its writer had seen: the order in which things were said, whatever clocks say. */
  n: z.number().int().min(0).max(1e12),
  at: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,6})?)?Z$/),
  by: z
    .object({ key: z.string().regex(/^[A-Za-z0-9_-]{0,64}$/), name: z.string().max(200).transform(plainLine) })
    .readonly(),
};
const part = z.number().min(0).max(1);

export const noteEventSchema = z.discriminatedUnion("does", [
  z
    .object({
      ...base,
      does: z.literal("note"),
      place: notePlaceSchema,
      text,
      mark,
      /** A photo that was offered to take the place of the one that is there. */
      swap: hash.optional(),
      /** The part of a photo that should be seen, in shares of its width and height. */
      crop: z.object({ x: part, y: part, w: part.positive(), h: part.positive() }).readonly().optional(),
    })
    .readonly(),
  z.object({ ...base, does: z.literal("reply"), to: id, text }).readonly(),
  z.object({ ...base, does: z.literal("settle"), to: id, state: z.enum(["open", "done", "left"]) }).readonly(),
  z.object({ ...base, does: z.literal("reword"), to: id, text }).readonly(),
  z.object({ ...base, does: z.literal("remove"), to: id }).readonly(),
  z
    .object({
      ...base,
      does: z.literal("judge"),
      /** Nothing for the work as a whole. */
      pageId: pageId.nullable(),
      verdict: z.enum(["approved", "change", "none"]),
      mark,
    })
    .readonly(),
]);

export type NotePlace = z.infer<typeof notePlaceSchema>;
export type NoteEvent = z.infer<typeof noteEventSchema>;

export const mostEvents = 20_000;
export const noteEventsSchema = z.array(noteEventSchema).max(mostEvents).readonly();
