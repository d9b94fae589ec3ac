import { z } from "zod";

const mm = z.number().positive().max(1000);

/** A page of clear pockets as its front is seen, in mm from its top left; the holes for the binder lie on its left. */
export const patternSchema = z
  .object({
    id: z.string().min(1).max(64),
    name: z.string().min(1).max(80),
    binder: z.string().max(40),
    widthMm: mm,
    heightMm: mm,
    pockets: z
      .array(z.object({ x: z.number().nonnegative(), y: z.number().nonnegative(), w: mm, h: mm }).readonly())
      .min(1)
      .max(60)
      .readonly(),
  })
  .readonly();
export type PocketPattern = z.infer<typeof patternSchema>;
