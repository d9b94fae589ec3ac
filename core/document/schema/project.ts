import { z } from "zod";
import { colourSchema } from "#core/colour/schema";
import { labCardSchema, pageFormatSchema } from "#core/lab/schema";
import { patternSchema } from "#core/pockets/schema";
import { printSheetsSchema } from "#core/sheets/schema";
import { toneSchema } from "#core/tone/schema";
import { units } from "#core/units";
import { firstLanguage, firstWordStyles, isLanguage } from "#core/words";
import { wordStyleSchema } from "#core/words/schema";
import { mostNameLength } from "../project/name.ts";
import { numberPlaces } from "../project/number-places.ts";
import { lookSchema } from "./page.ts";
import { pageSchema } from "./whole-page.ts";

const bookSchema = z
  .object({
    paperId: z.string().max(40),
    coverId: z.string().max(40),
    /** Page numbers at the foot of each page, and what runs beside them. */
    numbers: z
      .object({
        shown: z.boolean(),
        place: z.enum(numberPlaces),
        running: z.enum(["nothing", "days", "name"]),
        style: wordStyleSchema,
      })
      .readonly(),
  })
  .readonly();
export type Book = z.infer<typeof bookSchema>;

const pocketsOfSchema = z
  .object({
    own: z.array(patternSchema).max(200).readonly(),
    cardClearanceMm: z.number().nonnegative().max(20),
    /** Around each card that is printed by itself. */
    bleedMm: z.number().nonnegative().max(25),
    output: z.enum(["inserts", "pages"]),
    /** Whole pages show the pockets too. */
    welds: z.boolean(),
  })
  .readonly();
export type PocketsOf = z.infer<typeof pocketsOfSchema>;

const spineSchema = z
  .object({
    text: z.string().max(200),
    style: wordStyleSchema,
    /** Read from the foot up or from the head down, or upright letter by letter on a wide one. */
    runs: z.enum(["up", "down", "across"]),
    /** The whole spine's own colour; the cover's where there is none. */
    colour: colourSchema.nullable(),
  })
  .readonly();
/** On a page, in mm from its trim's top left. */
const noteSchema = z
  .object({
    id: z.string().min(1).max(64),
    pageId: z.string().min(1).max(64),
    at: z.object({ x: z.number(), y: z.number() }).readonly(),
    text: z.string().max(2000),
  })
  .readonly();
/** A finding by its key, and by the mark of the state in which it was accepted. */
const acceptedSchema = z
  .object({ key: z.string().min(1).max(2000), mark: z.string().regex(/^[0-9a-f]{16}$/), reason: z.string().max(300) })
  .readonly();
export type Accepted = z.infer<typeof acceptedSchema>;
export type Note = z.infer<typeof noteSchema>;

export type Spine = z.infer<typeof spineSchema>;

/** A tag of BCP 47 that can be used. */
const wordStylesSchema = z
  .object({
    title: wordStyleSchema,
    heading: wordStyleSchema.default(firstWordStyles.heading),
    caption: wordStyleSchema,
    journal: wordStyleSchema,
    small: wordStyleSchema.default(firstWordStyles.small),
  })
  .readonly();

const languageSchema = z.string().min(2).max(35).refine(isLanguage, "noLanguage");

export const projectSchema = z
  .object({
    schema: z.literal(2),
    id: z.string().min(1).max(64),
    name: z.string().max(mostNameLength),
    kind: z.enum(["collage", "book", "pockets", "prints"]),
    /** What this person reads and types lengths in. */
    unit: z.enum(units),
    /** What dates on its pages are written in. */
    language: languageSchema.default(firstLanguage),
    /** Copied in, so that a lab's later change cannot alter a finished page. Missing for a size of one's own. */
    lab: labCardSchema.nullable(),
    format: pageFormatSchema,
    /** How a page looks where it does not say otherwise itself. */
    style: lookSchema,
    pages: z.array(pageSchema).min(1).max(1000).readonly(),
    /** Of a book: what was chosen from the lab's card, and what runs along on every page. */
    book: bookSchema.nullable().default(null),
    /** Laid flat, with its outside up. Its size follows from the book. */
    cover: pageSchema.nullable().default(null),
    /** Of the cover: what stands on its spine. */
    spine: spineSchema.nullable().default(null),
    /** Of pocket pages: patterns of one's own, what cards measure, and how the pages go out. */
    pockets: pocketsOfSchema.nullable().default(null),
    /** Colours that belong to this work. */
    palette: z.array(colourSchema).max(24).readonly().default([]),
    /** Tones that a person gave a name. */
    tones: z
      .array(z.object({ name: z.string().min(1).max(60), tone: toneSchema }).readonly())
      .max(60)
      .readonly()
      .default([]),
    /** How all pages of a work look, kept under a name to come back to, or to take to another work. */
    styles: z
      .array(
        z
          .object({
            name: z.string().min(1).max(60),
            style: lookSchema,
            palette: z.array(colourSchema).max(24).readonly(),
            words: wordStylesSchema,
          })
          .readonly(),
      )
      .max(40)
      .readonly()
      .default([]),
    /** What a person pinned to a place, to come back to. */
    notes: z.array(noteSchema).max(2000).readonly().default([]),
    /** Findings of the print check that a person said are meant so, each until its place changes. */
    accepted: z.array(acceptedSchema).max(5000).readonly().default([]),
    /** What is printed on sheets to be cut apart, and how it lies there. */
    sheets: printSheetsSchema.nullable().default(null),
    /** What new words look like. */
    words: wordStylesSchema.default(firstWordStyles),
    createdAt: z.string(),
  })
  .readonly();
export type Project = z.infer<typeof projectSchema>;
