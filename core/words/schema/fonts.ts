import { z } from "zod";
import { colourSchema } from "#core/colour/schema";
import { alignments, inkCentrings, largestPt, quarterTurns, smallestPt, verticals } from "../settings.ts";

export const wordStyleSchema = z
  .object({
    font: z.string().min(1).max(60),
    sizePt: z.number().min(smallestPt).max(largestPt),
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
  })
  .readonly();
export type WordStyle = z.infer<typeof wordStyleSchema>;
