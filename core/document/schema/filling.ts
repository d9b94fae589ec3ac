import { z } from "zod";
import { ornamentSchema, paperSchema } from "#core/artwork/schema";
import { colourSchema } from "#core/colour/schema";
import { mostStrokes, strokeSchema } from "#core/masks/schema";
import { toneSchema } from "#core/tone/schema";
import { mostLetters, wordRoles } from "#core/words";
import { spansSchema, wordStyleSchema } from "#core/words/schema";
import { id, point } from "./parts.ts";

/** Written out, since what zod infers of so many parts is more than the compiler takes. */
export interface Repeats {
  readonly wideMm: number;
  readonly turn: number;
  readonly shift: Readonly<{ x: number; y: number }>;
  readonly runsOn?: true | undefined;
  readonly upright?: true | undefined;
  readonly pattern?:
    | { readonly a: Readonly<{ x: number; y: number }>; readonly b?: Readonly<{ x: number; y: number }> | undefined }
    | undefined;
}

/** A picture laid as a paper: as large as it is and again and again, in place of covering what it fills. */
const repeatsSchema: z.ZodType<Repeats> = z
  .object({
    /** How wide all of the picture is on paper. */
    wideMm: z.number().min(1).max(3000),
    /** Degrees, clockwise. */
    turn: z.number().min(-360).max(360),
    /** How far it is moved from where it would begin, in mm. */
    shift: point,
    /** One sheet over all of the page, out of which every such tile is cut. */
    runsOn: z.literal(true).optional(),
    /** It stays upright in a tile that is turned. */
    upright: z.literal(true).optional(),
    /**
     * Two ways from any place of its pattern to the same place again, in shares of its width; one for stripes. Where it is missing nothing comes again,
     * and every other piece is mirrored, so that edges meet what they were.
     */
    pattern: z.object({ a: point, b: point.optional() }).readonly().optional(),
  })
  .readonly();

/** How a tile looks at its photo; the photo itself is never touched. */
export const viewSchema = z
  .object({
    photoId: id,
    /** 1 just covers the tile. */
    zoom: z.number().min(0).max(100),
    /** What lies in the middle of the tile, as shares of the photo's width and height. */
    centre: point,
    /** Degrees, clockwise. */
    turn: z.number().min(-360).max(360),
    /** Left to right, as in a mirror. */
    flip: z.boolean(),
    /** Whether a person has framed it. Until then the framing follows the photo's focus and the tile's shape. */
    byHand: z.boolean().default(false),
    /** All of the photo may be seen, so that the tile is not covered. */
    whole: z.boolean().default(false),
    /** What then shows beside the photo; the page where there is none. */
    behind: colourSchema.nullable().default(null),
    /** How its light and colours are changed; not at all where it is missing. */
    tone: toneSchema.optional(),
    repeats: repeatsSchema.optional(),
    /** Parts of it brushed away, and back again, in the order in which that was done. */
    fade: z.array(strokeSchema).min(1).max(mostStrokes).readonly().optional(),
  })
  .readonly();
export type View = z.infer<typeof viewSchema>;

/** Words in a tile: typed there, or a photo's own caption or day, which they follow until they are edited. */
const wordsSchema = z
  .object({
    kind: z.literal("words"),
    text: z.string().max(mostLetters),
    style: wordStyleSchema,
    role: z.enum(wordRoles),
    from: z
      .object({ photoId: id, what: z.enum(["caption", "day", "both"]) })
      .readonly()
      .nullable(),
    /** A journaling card under the words: plain, or lined for a pen. */
    card: z
      .object({ ground: colourSchema, lines: z.enum(["none", "ruled", "squared"]), ink: colourSchema })
      .readonly()
      .nullable(),
    /** Stretches that look otherwise. They are those of the text, and go when it follows a photo. */
    spans: spansSchema.optional(),
    /** Left to right, as in a mirror. */
    mirrored: z.literal(true).optional(),
    /** The tile of words, anywhere in the work, in which their story goes on. */
    next: id.optional(),
    /** They are a part of a story that begins, or ends, within a paragraph. */
    cut: z
      .object({ start: z.literal(true).optional(), end: z.literal(true).optional() })
      .readonly()
      .optional(),
    /** The photo whose caption they said before somebody wrote over it. */
    about: id.optional(),
    /** They are a table of contents, of titles alone or with headings, until somebody writes over it. */
    contents: z.enum(["titles", "headings"]).optional(),
    /** Their tile grows with them, until a person gives it a size. */
    grows: z.literal(true).optional(),
  })
  .readonly();
export type Words = z.infer<typeof wordsSchema>;

/** What a place that a template made is for. One that waits for nothing stays bare when photos flow in. */
const waitsSchema = z.discriminatedUnion("for", [
  z
    .object({
      for: z.literal("photo"),
      /** Those with a number take photos first, the lowest before the others. */
      number: z.number().int().min(1).max(999).optional(),
      /** It is left over first where photos are few. */
      spare: z.literal(true).optional(),
    })
    .readonly(),
  z.object({ for: z.literal("paper") }).readonly(),
  z
    .object({
      for: z.literal("words"),
      /** Shown while it waits and never printed. */
      sample: z.string().max(2000),
      role: z.enum(wordRoles),
      style: wordStyleSchema,
    })
    .readonly(),
  z.object({ for: z.literal("nothing") }).readonly(),
]);
export type Waits = z.infer<typeof waitsSchema>;

export const fillingSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("empty"), waits: waitsSchema.optional() }).readonly(),
  z.object({ kind: z.literal("photo"), view: viewSchema }).readonly(),
  /** A plain field of colour, where a page needs a rest. */
  z.object({ kind: z.literal("colour"), colour: colourSchema }).readonly(),
  z.object({ kind: z.literal("paper"), paper: paperSchema }).readonly(),
  z.object({ kind: z.literal("ornament"), ornament: ornamentSchema }).readonly(),
  wordsSchema,
]);
export type Filling = z.infer<typeof fillingSchema>;
