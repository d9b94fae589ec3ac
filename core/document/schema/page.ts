import { z } from "zod";
import { colourSchema } from "#core/colour/schema";
import { outlineSchema } from "#core/outlines/schema";
import { arrangementSchema, partSchema } from "./arrangement.ts";
import { fillingSchema, viewSchema } from "./filling.ts";
import { frameSchema, ownDress, ownLook, sidesSchema } from "./look.ts";
import { id, length } from "./parts.ts";

export * from "./arrangement.ts";
export * from "./filling.ts";
export * from "./look.ts";

/** What scattered prints have around them: nothing, a white edge, or one with a deep foot for a caption. */
export const printFrames = ["none", "white", "foot"] as const;

export type Outline = z.infer<typeof outlineSchema>;

const tileFields = {
  id,
  filling: fillingSchema,
  ...ownDress,
  /** A rectangle where it is missing. */
  outline: outlineSchema.optional(),
  /** How much of it is seen against what lies behind it; all of it where this is missing. */
  opacity: z.number().min(0).max(1).optional(),
  /** `place`: it stays where it is when the rest is arranged anew. `filling`: what is in it stays in it. */
  lock: z
    .object({ place: z.literal(true).optional(), filling: z.literal(true).optional() })
    .readonly()
    .optional(),
  /** Of a card that is printed by itself; as all cards of the work where it is missing. */
  cardBleedMm: length.optional(),
  name: z.string().max(120).optional(),
  /**
   * It shows a part of a photo that runs through all tiles with the same `id`, as large as the box around them; `view` is how the photo lies in that.
   * While something else is in it, it keeps its part to be given back.
   */
  through: z.object({ id, view: viewSchema }).readonly().optional(),
  /** A border around all tiles with the same `id`, as if they were one shape: so far away from them, and so wide. */
  ring: z.object({ id, widthMm: length, colour: colourSchema, awayMm: length }).readonly().optional(),
  /** Kept, and not drawn. */
  hidden: z.literal(true).optional(),
};
/** A tile of a group, which gives it its place. */
export const tileSchema = z.object(tileFields).readonly();
export type Tile = z.infer<typeof tileSchema>;

/** A tile that lies where a hand put it. */
export const freeTileSchema = z
  .object({
    kind: z.literal("tile"),
    ...tileFields,
    frame: frameSchema,
    /** A template put it there: with another template it goes, and its photo finds another place. */
    byTemplate: z.literal(true).optional(),
    /** Tied to all that have the same: chosen and moved as one. */
    tieId: id.optional(),
  })
  .readonly();
export type FreeTile = z.infer<typeof freeTileSchema>;

/** Parts of a page that can be filled by themselves: of a spread its pages, of a cover its panels. */
const regionSchema = z.enum(["page", "left", "right", "backFlap", "back", "spine", "front", "frontFlap"]);
export type Region = z.infer<typeof regionSchema>;

const share = z.number().min(0).max(1);
/** What a group fills: a share of a region inside its margins (rooms that share an edge lie one gap apart), or a rectangle in mm. */
const roomSchema = z.discriminatedUnion("kind", [
  z
    .object({
      kind: z.literal("share"),
      of: regionSchema,
      share: z
        .object({ left: share, top: share, right: share, bottom: share })
        .refine((s) => s.left < s.right && s.top < s.bottom)
        .readonly(),
      /** In place of the page's margins. */
      margin: sidesSchema.optional(),
    })
    .readonly(),
  z
    .object({
      kind: z.literal("rectangle"),
      of: regionSchema,
      rect: z.object({ x: z.number(), y: z.number(), w: length, h: length }).readonly(),
    })
    .readonly(),
]);
export type Room = z.infer<typeof roomSchema>;

/** An arrangement with its tiles. */
export const groupSchema = z
  .object({
    kind: z.literal("group"),
    id,
    room: roomSchema,
    arrangement: arrangementSchema,
    /** Of a tree, what it was first made as, to go back to; missing while it is that. */
    first: partSchema.optional(),
    /** In the order in which they are read. */
    tiles: z.array(tileSchema).max(2000).readonly(),
    gapMm: length.optional(),
    ...ownDress,
    name: z.string().max(120).optional(),
    hidden: z.literal(true).optional(),
  })
  .readonly();
export type Group = z.infer<typeof groupSchema>;

export const pieceSchema = z.discriminatedUnion("kind", [groupSchema, freeTileSchema]);
export type Piece = Group | FreeTile;

export const scatterSchema = z
  .object({
    seed: z.number().int().nonnegative(),
    /** The area of all prints over that of the page. */
    cover: z.number().min(0.3).max(1.3),
    /** Degrees to either side. */
    maxTurn: z.number().min(0).max(45),
    /** The least share of each print that is to be seen. */
    share: z.number().min(0.3).max(1),
    frame: z.enum(printFrames),
  })
  .readonly();
export type Scatter = z.infer<typeof scatterSchema>;

export const barePageSchema = z
  .object({
    id,
    /** What lies on the page, back to front. */
    pieces: z.array(pieceSchema).max(500).readonly(),
    /** Pages of paper: two for two facing pages of a book as one, with tiles over the fold. */
    span: z.union([z.literal(1), z.literal(2)]),
    /** Bare on purpose. */
    blank: z.boolean(),
    /** Made by pacing and not touched since; it may be made again. */
    paced: z.boolean(),
    /** No page number and no running words on it. */
    plain: z.boolean(),
    /** Of a photo print: its size by its id in the lab's card, which way round it lies, and how many are wanted. */
    print: z
      .object({ sizeId: z.string().max(40), sideways: z.boolean(), copies: z.number().int().min(1).max(999) })
      .readonly()
      .optional(),
    /** Lines to lay things by, in mm from the left (`x`) or the top (`y`); never printed. */
    guides: z
      .array(z.object({ axis: z.enum(["x", "y"]), mm: z.number().min(-100).max(3100) }).readonly())
      .max(100)
      .readonly()
      .optional(),
    /** How its prints were scattered: to do so again, or otherwise. Where they lie is kept with each of them. */
    scatter: scatterSchema.optional(),
    ...ownLook,
  })
  .readonly();
export type Page = z.infer<typeof barePageSchema>;
export type Print = NonNullable<Page["print"]>;
