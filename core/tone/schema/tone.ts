import { z } from "zod";
import { colourSchema } from "#core/colour/schema";

const share = z.number().min(0).max(1);
const either = z.number().min(-1).max(1);

/** How a picture's light and colours are changed as it is drawn; what is missing changes nothing. */
export const toneSchema = z
  .object({
    /** Black and white: how much of red, green and blue goes into the grey, in proportion. */
    grey: z.tuple([share, share, share]).readonly().optional(),
    /** Greys pass through this colour where they are as light as it is. */
    tint: z.object({ colour: colourSchema, amount: share }).readonly().optional(),
    /** In stops: 1 is twice the light. */
    exposure: z.number().min(-3).max(3).optional(),
    contrast: either.optional(),
    /** Dark parts made lighter, or darker. */
    dark: either.optional(),
    /** Light parts made lighter, or darker. */
    light: either.optional(),
    /** Towards yellow and red, or towards blue. */
    warmth: either.optional(),
    /** −1 leaves no colour, 1 doubles it. */
    saturation: either.optional(),
    /** How much of the picture is left on white paper. */
    strength: share.optional(),
    /** Light of red, green and blue times so much, as matching finds it. */
    balance: z
      .tuple([z.number().min(0.25).max(4), z.number().min(0.25).max(4), z.number().min(0.25).max(4)])
      .readonly()
      .optional(),
  })
  .readonly();
