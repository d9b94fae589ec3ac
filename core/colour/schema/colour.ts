import { z } from "zod";

/** An opaque sRGB colour as `#rrggbb`, lower case. */
export const colourSchema = z.string().regex(/^#[0-9a-f]{6}$/);
export type Colour = z.infer<typeof colourSchema>;
