import { z } from "zod";
import { orderPreferences, type TreeNode } from "#core/arrange";
import { colourSchema } from "#core/colour/schema";
import { labCardSchema, pageFormatSchema } from "#core/lab/schema";
import { patternSchema } from "#core/pockets/schema";
import { printSheetsSchema } from "#core/sheets/schema";
import { units } from "#core/units";
import { firstWordStyles, wordRoles } from "#core/words";
import { wordStyleSchema } from "#core/words/schema";
import { numberPlaces } from "../../project/number-places.ts";

/** The first form of a project as it was written until November 2026. It is only read, and never changes. */

const id = z.string().min(1).max(64);
const length = z.number().nonnegative().max(3000);
const point = z.object({ x: z.number(), y: z.number() }).readonly();

/** How a tile looks at its photo; the photo itself is never touched. */
const viewSchema = z
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
  })
  .readonly();

/** Words in a tile: typed there, or a photo's own caption or day, which they follow until they are edited. */
const wordsSchema = z
  .object({
    kind: z.literal("words"),
    text: z.string().max(20_000),
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
  })
  .readonly();

const fillingSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("empty") }).readonly(),
  z.object({ kind: z.literal("photo"), view: viewSchema }).readonly(),
  /** A plain field of colour, where a page needs a rest. */
  z.object({ kind: z.literal("colour"), colour: colourSchema }).readonly(),
  wordsSchema,
]);

const borderSchema = z.object({ widthMm: length, colour: colourSchema }).readonly();

const outlineSchema = z.object({ kind: z.literal("rectangle"), cornerMm: length }).readonly();

/** Millimetres from the trim's top left; `turn` in degrees about the centre. */
const frameSchema = z.object({ centre: point, width: length, height: length, turn: z.number() }).readonly();

const tileSchema = z
  .object({
    id,
    outline: outlineSchema,
    frame: frameSchema,
    filling: fillingSchema,
    edge: z
      .object({
        border: borderSchema,
        /** Of a card that is printed by itself; as all cards of the work where it is missing. */
        bleedMm: length.optional(),
      })
      .readonly(),
    /** It stays where it is when the rest is arranged anew. */
    locked: z.boolean().default(false),
  })
  .readonly();

const sidesSchema = z.object({ top: length, right: length, bottom: length, left: length }).readonly();

const drawnLook = z.object({
  gapMm: length,
  margin: sidesSchema,
  cornerMm: length,
  border: borderSchema,
  background: colourSchema,
});
/** What a page's arrangement and tiles look like unless one of them says otherwise. */
const lookSchema = drawnLook
  .extend({
    /** A photo over all of the page, or of the spread that it is part of, under a veil of the background colour. */
    backdrop: z
      .object({ view: viewSchema, veil: z.number().min(0).max(1), across: z.enum(["page", "spread"]) })
      .readonly()
      .nullable()
      .default(null),
  })
  .readonly();

/** Shares of the room that is left when the gaps are taken out; they add up to 1. */
const tracks = z.array(z.number().positive().max(1)).min(1).max(500).readonly();
const whole = z.number().int().min(0).max(500);

const gridSchema = z
  .object({
    kind: z.literal("grid"),
    columns: tracks,
    rows: tracks,
    cells: z
      .array(z.object({ tileId: id, column: whole, row: whole, columns: whole.min(1), rows: whole.min(1) }).readonly())
      .readonly(),
    /** What a person typed; a side that is missing here is chosen to fit the photos. */
    asked: z.object({ rows: whole.min(1).optional(), columns: whole.min(1).optional() }).readonly(),
  })
  .readonly();

const partSchema: z.ZodType<TreeNode> = z.lazy(() => z.union([leafSchema, splitSchema]));
const leafSchema = z
  .object({ tileId: id, aspect: z.number().positive().max(1e4), shaped: z.literal(true).optional() })
  .readonly();
const splitSchema = z
  .object({
    way: z.enum(["side", "stack"]),
    parts: z.array(partSchema).min(2).max(500).readonly(),
    set: z
      .object({ shares: z.array(z.number().positive().max(1)).readonly(), aspect: z.number().positive().max(1e4) })
      .readonly()
      .optional(),
  })
  .readonly();

const treeSchema = z
  .object({
    kind: z.literal("tree"),
    tree: partSchema,
    /** As it was first made, to go back to. */
    first: partSchema,
    /** Nothing is cropped, and white space is left around the photos. */
    loose: z.boolean(),
    /** What the search started from; another seed, another arrangement. */
    seed: z.number().int().nonnegative(),
    /** The photo that leads, by its tile, and the share of the room that it is wanted to have. */
    lead: z
      .object({ tileId: id, share: z.number().min(0.05).max(0.9) })
      .readonly()
      .nullable(),
    /** Tiles that stay neighbours. */
    together: z.array(z.array(id).min(2).readonly()).readonly().default([]),
    order: z.enum(orderPreferences).default("mostly"),
  })
  .readonly();

const pocketsSchema = z
  .object({
    kind: z.literal("pockets"),
    /** As the page shows it: of a back mirrored already. */
    pattern: patternSchema,
    /** How much smaller than its pocket a card is, in each direction. */
    lessMm: z.number().nonnegative().max(20),
    places: z
      .array(
        z
          .object({
            tileId: id,
            pocket: z.object({ x: z.number(), y: z.number(), w: z.number(), h: z.number() }).readonly(),
          })
          .readonly(),
      )
      .readonly(),
  })
  .readonly();

export const firstPageSchema = z
  .object({
    id,
    look: lookSchema,
    /** In the places of the arrangement, where there is one; back to front. */
    tiles: z.array(tileSchema).max(2000).readonly(),
    /** Lying on their own over those, wherever a hand put them; back to front. */
    over: z.array(tileSchema).max(500).readonly().default([]),
    /** Two facing pages of a book as one, with tiles over the fold. */
    leaves: z.union([z.literal(1), z.literal(2)]).default(1),
    /** Bare on purpose. */
    blank: z.boolean().default(false),
    /** Made by pacing and not touched since; it may be made again. */
    paced: z.boolean().default(false),
    /** No page number and no running words on it. */
    plain: z.boolean().default(false),
    arrangement: z.discriminatedUnion("kind", [gridSchema, treeSchema, pocketsSchema]).nullable(),
  })
  .readonly();

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

const pocketsOfSchema = z
  .object({
    own: z.array(patternSchema).max(200).readonly(),
    lessMm: z.number().nonnegative().max(20),
    /** Around each card that is printed by itself. */
    bleedMm: z.number().nonnegative().max(25),
    output: z.enum(["inserts", "pages"]),
    /** Whole pages show the pockets too. */
    welds: z.boolean(),
  })
  .readonly();

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

export const firstProjectSchema = z
  .object({
    schema: z.literal(1),
    id: z.string().min(1).max(64),
    name: z.string().max(120),
    kind: z.enum(["collage", "book", "pockets"]),
    /** What this person reads and types lengths in. */
    unit: z.enum(units),
    /** Copied in, so that a lab's later change cannot alter a finished page. Missing for a size of one's own. */
    lab: labCardSchema.nullable(),
    format: pageFormatSchema,
    /** What new pages look like. */
    style: lookSchema,
    pages: z.array(firstPageSchema).min(1).max(1000).readonly(),
    /** Of a book: what was chosen from the lab's card, and what runs along on every page. */
    book: bookSchema.nullable().default(null),
    /** Laid flat, with its outside up. Its size follows from the book. */
    cover: z.object({ page: firstPageSchema, spine: spineSchema }).readonly().nullable().default(null),
    /** Of pocket pages: patterns of one's own, what cards measure, and how the pages go out. */
    pockets: pocketsOfSchema.nullable().default(null),
    /** Colours that belong to this work. */
    palette: z.array(colourSchema).max(24).readonly().default([]),
    /** What a person pinned to a place, to come back to. */
    notes: z.array(noteSchema).max(2000).readonly().default([]),
    /** Findings of the print check that a person said are meant so, each until its place changes. */
    accepted: z.array(acceptedSchema).max(5000).readonly().default([]),
    /** What is printed on sheets to be cut apart, and how it lies there. */
    sheets: printSheetsSchema.nullable().default(null),
    /** What new words look like. */
    words: z
      .object({ title: wordStyleSchema, caption: wordStyleSchema, journal: wordStyleSchema })
      .readonly()
      .default(firstWordStyles),
    createdAt: z.string(),
  })
  .readonly();

export type FirstPage = z.infer<typeof firstPageSchema>;
export type FirstTile = FirstPage["tiles"][number];
export type FirstProject = z.infer<typeof firstProjectSchema>;
