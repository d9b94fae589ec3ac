import { z } from "zod";
import { orderWishes, type TreeNode } from "#core/arrange";
import { colourSchema } from "#core/colour";
import type { Rect } from "#core/geometry";

const id = z.string().min(1).max(64);
const length = z.number().nonnegative().max(3000);
const point = z.object({ x: z.number(), y: z.number() }).readonly();

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
  })
  .readonly();
export type View = z.infer<typeof viewSchema>;

export const fillingSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("empty") }).readonly(),
  z.object({ kind: z.literal("photo"), view: viewSchema }).readonly(),
  /** A plain field of colour, where a page needs a rest. */
  z.object({ kind: z.literal("colour"), colour: colourSchema }).readonly(),
]);
export type Filling = z.infer<typeof fillingSchema>;

const borderSchema = z.object({ widthMm: length, colour: colourSchema }).readonly();
export type Border = z.infer<typeof borderSchema>;

const outlineSchema = z.object({ kind: z.literal("rectangle"), cornerMm: length }).readonly();
export type Outline = z.infer<typeof outlineSchema>;

/** Millimetres from the trim's top left; `turn` in degrees about the centre. */
const frameSchema = z.object({ centre: point, width: length, height: length, turn: z.number() }).readonly();
export type Frame = z.infer<typeof frameSchema>;

const tileSchema = z
  .object({
    id,
    outline: outlineSchema,
    frame: frameSchema,
    filling: fillingSchema,
    edge: z.object({ border: borderSchema }).readonly(),
    /** It stays where it is when the rest is arranged anew. */
    locked: z.boolean().default(false),
  })
  .readonly();
export type Tile = z.infer<typeof tileSchema>;

const sidesSchema = z.object({ top: length, right: length, bottom: length, left: length }).readonly();

/** What a page's arrangement and tiles look like unless one of them says otherwise. */
export const lookSchema = z
  .object({
    gapMm: length,
    margin: sidesSchema,
    cornerMm: length,
    border: borderSchema,
    background: colourSchema,
  })
  .readonly();
export type Look = z.infer<typeof lookSchema>;

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
    order: z.enum(orderWishes).default("mostly"),
  })
  .readonly();
export type Tree = z.infer<typeof treeSchema>;

export type Arrangement = Grid | Tree;

/** More than anybody can look at; beyond it work could not be read back either. */
export const mostTiles = 500;

export const pageSchema = z
  .object({
    id,
    look: lookSchema,
    /** Back to front. */
    tiles: z.array(tileSchema).max(2000).readonly(),
    arrangement: z.discriminatedUnion("kind", [gridSchema, treeSchema]).nullable(),
  })
  .readonly();
export type Page = z.infer<typeof pageSchema>;

export const findTile = (page: Page, tileId: string): Tile | undefined => page.tiles.find((t) => t.id === tileId);

export const photoIdOf = (tile: Tile): string | undefined =>
  tile.filling.kind === "photo" ? tile.filling.view.photoId : undefined;

export const emptyTiles = (page: Page): readonly Tile[] => page.tiles.filter((t) => t.filling.kind === "empty");

export const frameRect = (f: Frame): Rect => ({
  x: f.centre.x - f.width / 2,
  y: f.centre.y - f.height / 2,
  w: f.width,
  h: f.height,
});

/** The page with `edit` done to each tile; the same page when no tile changed. */
export function mapTiles(page: Page, edit: (tile: Tile) => Tile): Page {
  const tiles = page.tiles.map(edit);
  return tiles.every((t, i) => t === page.tiles[i]) ? page : { ...page, tiles };
}
