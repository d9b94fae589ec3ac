import { z } from "zod";
import { colourSchema } from "#core/colour/schema";
import {
  alignments,
  inkCentrings,
  largestPt,
  listKinds,
  mostColumns,
  mostSpans,
  quarterTurns,
  raisings,
  smallestPt,
  verticals,
} from "../settings.ts";

const sizePt = z.number().min(smallestPt).max(largestPt);

export const wordStyleSchema = z
  .object({
    font: z.string().min(1).max(60),
    sizePt,
    /** Distance of lines, as a share of the size. */
    leading: z.number().min(0.6).max(4),
    colour: colourSchema,
    bold: z.boolean(),
    italic: z.boolean(),
    align: z.enum(alignments),
    vertical: z.enum(verticals),
    /** Kept free inside the tile on every side. */
    insetMm: z.number().nonnegative().max(500),
    /** One line, centred by what its letters fill. */
    ink: z.enum(inkCentrings).optional(),
    /** Clockwise. */
    turn: z.union(quarterTurns.map((t) => z.literal(t))),
    /** Lines are broken for each paragraph as a whole, and not one after the other. */
    whole: z.literal(true).optional(),
    /** Long words may be divided at a line's end, by the language of the work. */
    hyphens: z.literal(true).optional(),
    /** Commas, quotation marks and hyphens reach beyond a line's ends, so that the edge looks straight. */
    hanging: z.literal(true).optional(),
    underline: z.boolean().optional(),
    /** Room added after each letter, in em. */
    trackingEm: z.number().min(-0.2).max(2).optional(),
    /** Between paragraphs, in lines. */
    paragraphLines: z.number().positive().max(5).optional(),
    /** How far the first line of each paragraph is moved in. */
    firstLineMm: z.number().positive().max(500).optional(),
    columns: z.number().int().min(2).max(mostColumns).optional(),
    columnGapMm: z.number().nonnegative().max(200).optional(),
    /** A tab reaches to the line's end, over a row of dots. */
    leaders: z.literal(true).optional(),
    /** A colour behind the letters. */
    highlight: colourSchema.optional(),
    /** A line around each letter, half of it beneath the letter itself. */
    outline: z
      .object({ colour: colourSchema, widthMm: z.number().positive().max(20) })
      .readonly()
      .optional(),
    /** Set along an arc of so many degrees, its middle up where it is positive; 360 is a circle. */
    bend: z.number().min(-360).max(360).optional(),
  })
  .readonly();
export type WordStyle = z.infer<typeof wordStyleSchema>;

/** From one place in a text (UTF-16) to another: what differs there from the style of the words. */
const spanSchema = z
  .object({
    from: z.number().int().nonnegative(),
    to: z.number().int().positive(),
    font: z.string().min(1).max(60).optional(),
    sizePt: sizePt.optional(),
    bold: z.boolean().optional(),
    italic: z.boolean().optional(),
    underline: z.boolean().optional(),
    colour: colourSchema.optional(),
    highlight: colourSchema.optional(),
    /** Smaller letters over the line, or under it. */
    raised: z.enum(raisings).optional(),
    /** The paragraph that begins in it is an item of a list. */
    list: z.enum(listKinds).optional(),
  })
  .readonly()
  .refine(({ from, to }) => from < to, "emptySpan");
export type Span = z.infer<typeof spanSchema>;

/** In order, none over another. */
export const spansSchema = z
  .array(spanSchema)
  .min(1)
  .max(mostSpans)
  .readonly()
  .refine((all) => all.every((s, i) => i === 0 || all[i - 1]!.to <= s.from), "spansCross");
