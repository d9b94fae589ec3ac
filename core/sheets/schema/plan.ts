import { z } from "zod";
import { labCardSchema } from "#core/lab/schema";
import type { Cutting } from "#core/packing";
import { cutMarks, mostPieces, pieceLabels } from "../choices.ts";

const id = z.string().min(1).max(64);
const length = z.number().nonnegative().max(3000);

/** What is printed: one card of a page of pockets, a whole page, or a photo by itself. */
const sourceSchema = z.discriminatedUnion("from", [
  z.object({ from: z.literal("insert"), pageId: id, tileId: id }).readonly(),
  z.object({ from: z.literal("page"), pageId: id }).readonly(),
  z.object({ from: z.literal("photo"), photoId: id }).readonly(),
]);
export type PieceSource = z.infer<typeof sourceSchema>;

const wantSchema = z
  .object({
    id,
    source: sourceSchema,
    /** As it is cut. */
    widthMm: z.number().min(5).max(3000),
    heightMm: z.number().min(5).max(3000),
    count: z.number().int().min(0).max(500),
    /** The picture goes on so far beyond the cut, where there is room. */
    bleedMm: z.number().min(0).max(25),
    /** It may be left so much larger where that saves a cut. */
    spareMm: z.number().min(0).max(20),
    /** White around the picture, inside the cut. */
    borderMm: length,
    /** Corners that will be rounded are drawn, to round them by. */
    cornerMm: length,
    /** Whether it may lie on its side. */
    turns: z.boolean(),
    /** What is left over is filled with more of it. */
    fills: z.boolean(),
  })
  .readonly();
export type Want = z.infer<typeof wantSchema>;

const price = z.number().nonnegative().max(100_000);
const stockSchema = z.discriminatedUnion("kind", [
  /** Sizes of a lab, by their ids in its card, which is copied in. */
  z
    .object({ kind: z.literal("lab"), card: labCardSchema, sizeIds: z.array(z.string()).max(200).readonly() })
    .readonly(),
  /** One's own printer: paper, and what it cannot print on at each edge. */
  z
    .object({
      kind: z.literal("printer"),
      widthMm: z.number().min(20).max(3000),
      heightMm: z.number().min(20).max(3000),
      marginMm: z.number().min(0).max(200),
      price,
      ppi: z.number().min(72).max(1200),
    })
    .readonly(),
  /** From a roll, cut off where the last card ends. */
  z
    .object({
      kind: z.literal("roll"),
      widthMm: z.number().min(20).max(3000),
      longestMm: z.number().min(50).max(20_000),
      marginMm: z.number().min(0).max(200),
      pricePerMetre: price,
      ppi: z.number().min(72).max(1200),
    })
    .readonly(),
]);
export type Stock = z.infer<typeof stockSchema>;

const waysSchema = z
  .object({
    /** Between two cards; with none they share one cut. */
    spacingMm: z.number().min(0).max(50),
    /** Cards of one page stay on one sheet where that costs nothing. */
    together: z.boolean(),
    marks: z.enum(cutMarks),
    labels: z.enum(pieceLabels),
  })
  .readonly();
export type SheetAlternatives = z.infer<typeof waysSchema>;

const cuttingSchema: z.ZodType<Cutting> = z.lazy(() =>
  z.union([
    z.object({ item: z.number().int().min(0).max(mostPieces), turned: z.boolean(), w: length, h: length }).readonly(),
    z
      .object({ across: z.boolean(), parts: z.array(cuttingSchema).min(2).max(1000).readonly(), w: length, h: length })
      .readonly(),
  ]),
);

const planSchema = z
  .object({
    /** Each piece that lies somewhere: its want, and which copy of it. What a sheet is cut into names them by their place here. */
    pieces: z
      .array(z.object({ wantId: id, copy: z.number().int().min(0).max(1000) }).readonly())
      .max(mostPieces)
      .readonly(),
    /** `size`: by id, as `sheetSizes` names them. */
    sheets: z
      .array(
        z
          .object({
            size: z.string().max(80),
            widthMm: length,
            heightMm: z.number().min(0).max(20_000),
            cutting: cuttingSchema,
          })
          .readonly(),
      )
      .max(mostPieces)
      .readonly(),
    cost: z.number().nonnegative(),
    /** Whether no cheaper way can exist. */
    proven: z.boolean(),
    /** Of what it was packed for; with another it is out of date. */
    mark: z.string().max(64),
  })
  .readonly();
export type SheetPlan = z.infer<typeof planSchema>;

export const printSheetsSchema = z
  .object({
    wants: z.array(wantSchema).max(2000).readonly(),
    stock: stockSchema.nullable(),
    ways: waysSchema,
    /** What a millimetre of a test print measured on paper; 1 where nobody has measured. */
    printsAt: z.number().min(0.8).max(1.25).default(1),
    plan: planSchema.nullable(),
  })
  .readonly();
export type PrintSheets = z.infer<typeof printSheetsSchema>;
