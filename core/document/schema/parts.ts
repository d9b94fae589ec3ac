import { z } from "zod";

/** What schemas of pages share. Lengths in mm. */

export const id = z.string().min(1).max(64);
export const length = z.number().nonnegative().max(3000);
export const point = z.object({ x: z.number(), y: z.number() }).readonly();
