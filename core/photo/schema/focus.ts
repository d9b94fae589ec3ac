import { z } from "zod";

const share = z.number().min(0).max(1);

/** Where the interest of a photo lies; all in shares of its width and height. */
export const focusSchema = z
  .object({
    /** From chin to forehead, ear to ear. */
    faces: z
      .array(z.object({ x: share, y: share, w: share, h: share }).readonly())
      .max(100)
      .readonly(),
    point: z.object({ x: share, y: share }).readonly(),
    /** `you` is never overwritten by a finder. */
    from: z.enum(["faces", "interest", "you"]),
  })
  .readonly();
export type Focus = z.infer<typeof focusSchema>;
