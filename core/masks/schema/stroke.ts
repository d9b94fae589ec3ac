import { z } from "zod";

/** More than anybody brushes on one photo; each of them is drawn whenever it is. */
export const mostStrokes = 500;
const mostPoints = 600;
const place = z.number().int().min(-20_000).max(30_000);

/**
 * One way of a soft brush over a photo. Lengths are in 8,192ths of the photo's long side, from its own top left, so that a stroke stays on what it
 * was brushed over at any size, crop and turn.
 */
export const strokeSchema = z
  .object({
    does: z.enum(["hide", "show"]),
    strength: z.number().min(0).max(1),
    /** The share of its radius over which a brush is at its full strength. A harder one would ask for denser masks than readers smooth. */
    hardness: z.number().min(0).max(0.8),
    /** The middle of the brush and its radius, point by point. */
    points: z
      .array(z.tuple([place, place, z.number().int().min(1).max(20_000)]).readonly())
      .min(1)
      .max(mostPoints)
      .readonly(),
    /** Found by itself around the photo's edge; finding it again takes its place. */
    found: z.literal(true).optional(),
  })
  .readonly();
