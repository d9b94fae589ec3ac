import { z } from "zod";
import { orderPreferences, type TreeNode, tilingPatterns } from "#core/arrange";
import { patternSchema } from "#core/pockets/schema";
import { id } from "./parts.ts";

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
export type Grid = z.infer<typeof gridSchema>;

export const partSchema: z.ZodType<TreeNode> = z.lazy(() => z.union([leafSchema, splitSchema]));
const leafSchema = z
  .object({
    tileId: id,
    aspect: z.number().positive().max(1e4),
    shaped: z.literal(true).optional(),
    /** Tiles with the same number are equally large. */
    equal: z.number().int().min(1).max(1000).optional(),
  })
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
    together: z.array(z.array(id).min(2).readonly()).readonly(),
    order: z.enum(orderPreferences),
  })
  .readonly();
export type Tree = z.infer<typeof treeSchema>;

/** Rows of one height that all fill the width: a row's tiles share it by the shapes of their photos. */
const rowsSchema = z
  .object({
    kind: z.literal("rows"),
    rows: z.array(z.array(leafSchema).min(1).max(500).readonly()).min(1).max(500).readonly(),
  })
  .readonly();
export type Rows = z.infer<typeof rowsSchema>;

const pocketsSchema = z
  .object({
    kind: z.literal("pockets"),
    /** As the page shows it: of a back mirrored already. */
    pattern: patternSchema,
    /** How much smaller than its pocket a card is, in each direction. */
    cardClearanceMm: z.number().nonnegative().max(20),
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
export type PocketArrangement = z.infer<typeof pocketsSchema>;

/** Cells of one pattern, as many as there are tiles. Where they lie follows from the room and the gap. */
const tilingSchema = z
  .object({
    kind: z.literal("tiling"),
    pattern: z.enum(tilingPatterns),
    /** In the order in which they are read. */
    tileIds: z.array(id).min(1).max(500).readonly(),
    /** Cells go on to the room's edge, which cuts them. */
    cut: z.boolean(),
    /** How far a line of pennants hangs in the middle, in shares of its width. */
    sag: z.number().min(0).max(0.3),
  })
  .readonly();
export type Tiling = z.infer<typeof tilingSchema>;

export const arrangementSchema = z.discriminatedUnion("kind", [
  gridSchema,
  treeSchema,
  rowsSchema,
  pocketsSchema,
  tilingSchema,
]);
