import { z } from "zod";

/** The page as it will be cut, and what the printer needs around it and inside it. Lengths in mm. */
export const pageFormatSchema = z
  .object({
    name: z.string().max(60),
    widthMm: z.number().positive().max(3000),
    heightMm: z.number().positive().max(3000),
    bleedMm: z.number().nonnegative().max(25),
    safeMm: z.number().nonnegative().max(50),
    /** How far the cut may lie from where it is meant to, where the lab says so. */
    cutWanderMm: z.number().nonnegative().max(25).optional(),
    ppi: z.number().min(36).max(1200),
    leastPpi: z.number().min(36).max(1200),
  })
  .readonly();
