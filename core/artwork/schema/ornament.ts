import { z } from "zod";
import { colourSchema } from "#core/colour/schema";

/** An ornament that is drawn by code in a few colours. */
export const ornamentSchema = z
  .object({
    /** Its name among the ornaments; one that a later version knows is not drawn. */
    design: z.string().min(1).max(40),
    /** Its inks. */
    colours: z.array(colourSchema).min(1).max(8).readonly(),
    /** A person chose them: they no longer follow the work's palette. */
    ownColours: z.literal(true).optional(),
    /** Left to right, as in a mirror. */
    flip: z.literal(true).optional(),
  })
  .readonly();
export type Ornament = z.infer<typeof ornamentSchema>;
