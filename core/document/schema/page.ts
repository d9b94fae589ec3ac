import { z } from "zod";
import { orderPreferences, type TreeNode, tilingPatterns } from "#core/arrange";
import { ornamentSchema, paperSchema } from "#core/artwork/schema";
import { colourSchema } from "#core/colour/schema";
import { mostStrokes, strokeSchema } from "#core/masks/schema";
import { outlineSchema } from "#core/outlines/schema";
import { patternSchema } from "#core/pockets/schema";
import { toneSchema } from "#core/tone/schema";
import { wordRoles } from "#core/words";
import { wordStyleSchema } from "#core/words/schema";
import { firstLight, noShadow, noSoft } from "../page/plain-dress.ts";

const id = z.string().min(1).max(64);
const length = z.number().nonnegative().max(3000);
const point = z.object({ x: z.number(), y: z.number() }).readonly();

/** What scattered prints have around them: nothing, a white edge, or one with a deep foot for a caption. */
export const printFrames = ["none", "white", "foot"] as const;

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

export const borderSchema = z
  .object({
    widthMm: length,
    colour: colourSchema,
    /** At the foot it is so wide, as of an instant print, and the photo lies within it instead of going on under it. */
    footMm: length.optional(),
    /** Where it lies by the outline: inside where nothing is said. */
    lies: z.enum(["across", "outside"]).optional(),
    /** A finer line inside of it, so far from it. */
    second: z.object({ gapMm: length, widthMm: length, colour: colourSchema }).readonly().optional(),
  })
  .readonly();
export type Border = z.infer<typeof borderSchema>;

export type Outline = z.infer<typeof outlineSchema>;

/** Millimetres from the trim's top left; `turn` in degrees about the centre. */
export const frameSchema = z.object({ centre: point, width: length, height: length, turn: z.number() }).readonly();
export type Frame = z.infer<typeof frameSchema>;

const sidesSchema = z.object({ top: length, right: length, bottom: length, left: length }).readonly();
export type Margin = z.infer<typeof sidesSchema>;

const farMm = z.number().min(-100).max(100);
/** What falls from a tile on what lies under it, or into it as if the sheet above it were cut out. */
export const shadowSchema = z
  .object({
    falls: z.enum(["none", "under", "inside"]),
    strength: z.number().min(0).max(1),
    colour: colourSchema,
    /** How high it lies over what is below; by its place among what lies there where this is missing. */
    liftMm: z.number().min(0).max(30).optional(),
    /** In place of where the work's light throws it: how far it is moved, and the deviation of its blur. */
    own: z
      .object({ x: farMm, y: farMm, blurMm: z.number().min(0).max(50) })
      .readonly()
      .optional(),
  })
  .readonly();
export type Shadow = z.infer<typeof shadowSchema>;

/** So far inwards from each side a tile fades in. */
export const softSchema = sidesSchema;
export type Soft = z.infer<typeof softSchema>;

/** Where the light comes from, clockwise from the top, and how high it stands over the page, in degrees. */
export const lightSchema = z
  .object({ fromDeg: z.number().min(0).max(360), heightDeg: z.number().min(15).max(85) })
  .readonly();
export type Light = z.infer<typeof lightSchema>;

/** What a tile wears. Where a tile does not say, its group does, then the page, then the work's style. */
const dress = { cornerMm: length, border: borderSchema, shadow: shadowSchema, soft: softSchema };
/** What works were saved without at first. */
const later = {
  shadow: shadowSchema.default(noShadow),
  soft: softSchema.default(noSoft),
  light: lightSchema.default(firstLight),
};

const whiteBorderSchema = z
  .object({
    by: z.discriminatedUnion("unit", [
      z.object({ unit: z.literal("mm"), mm: length.max(500) }).readonly(),
      /** Of the page's shorter side. */
      z.object({ unit: z.literal("share"), share: z.number().min(0).max(0.4) }).readonly(),
    ]),
    colour: colourSchema,
    /** All of the page is kept, and the border is wider on two sides; even on all sides, with a little of the page under it, where it is missing. */
    whole: z.literal(true).optional(),
  })
  .readonly();

const lookFields = {
  ...{ gapMm: length, margin: sidesSchema, ...dress, background: colourSchema },
  /** On the page itself, over its colour and under a photo that lies behind everything. */
  paper: paperSchema.nullable().optional(),
  /** Paper left bare around the finished page, once it is printed: the page is set inside it. */
  whiteBorder: whiteBorderSchema.nullable().optional(),
};
const drawnLook = z.object({ ...lookFields, ...later });
/** A look without any photo: what a template carries. */
export const drawnLookSchema = drawnLook.readonly();
export type DrawnLook = z.infer<typeof drawnLookSchema>;

/** A photo over all of the page, or of the spread that it is part of, under a veil of a colour: the page's own where none is said. */
const backdropSchema = z
  .object({
    view: viewSchema,
    veil: z.number().min(0).max(1),
    veilColour: colourSchema.optional(),
    across: z.enum(["page", "spread"]),
  })
  .readonly();

/** How a page looks, with nothing left to be inherited: the work's style, and what is asked of a page that is placed. */
export const lookSchema = drawnLook.extend({ backdrop: backdropSchema.nullable().default(null) }).readonly();
export type Look = z.infer<typeof lookSchema>;

/** What a page says itself; everything else is as the work's style has it. No backdrop at all is `null`. */
const ownLook = { ...z.object(lookFields).partial().shape, backdrop: backdropSchema.nullable().optional() };
const ownDress = z.object(dress).partial().shape;

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

const arrangementSchema = z.discriminatedUnion("kind", [
  gridSchema,
  treeSchema,
  rowsSchema,
  pocketsSchema,
  tilingSchema,
]);

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
