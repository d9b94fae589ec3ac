import { z } from "zod";
import { sections, timeSources } from "../sources.ts";
import { focusSchema } from "./focus.ts";

const wallTime = z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{3})?$/);

/**
 * What is known of a photo without its pixels. `widthPx` and `heightPx` are the true size, after orientation.
 * `takenAt` is wall-clock time where the photo was taken (ISO 8601 without a zone), since that is what people remember.
 * Fields with a default came later than the first photos that were kept.
 */
export const photoSchema = z
  .object({
    id: z.string().min(1).max(64),
    section: z.enum(sections).default("photos"),
    name: z.string().max(512),
    type: z.string().max(64),
    sizeBytes: z.number().int().nonnegative(),
    hash: z.string().regex(/^[0-9a-f]{64}$/),
    widthPx: z.number().int().positive(),
    heightPx: z.number().int().positive(),
    takenAt: wallTime,
    takenFrom: z.enum(timeSources),
    /** East of Greenwich, where the camera says so. */
    offsetMinutes: z.number().int().nullable().default(null),
    /** The time as the file gives it, once a person has corrected it. */
    foundTime: z
      .object({ takenAt: wallTime, takenFrom: z.enum(timeSources) })
      .readonly()
      .nullable()
      .default(null),
    camera: z.string().max(200).default(""),
    caption: z.string().max(4000),
    stars: z.number().int().min(0).max(5).default(0),
    hidden: z.boolean().default(false),
    /** Among the removed, from where it comes back for a while. */
    removed: z.boolean().default(false),
    /** When it was put there. */
    removedAt: z.string().max(64).optional(),
    /** Perceptual hash, mean colour, and how much fine detail there is; missing where it was not made. */
    likeness: z
      .object({
        look: z.string().regex(/^[0-9a-f]{16}$/),
        tint: z.string().regex(/^[0-9a-f]{6}$/),
        detail: z.number().nonnegative(),
      })
      .readonly()
      .nullable()
      .default(null),
    focus: focusSchema.nullable().default(null),
    /** A person's word on piles: not in any, or on top of its own. */
    pile: z.enum(["auto", "alone", "top"]).default("auto"),
    addedAt: z.string(),
  })
  .readonly();
export type Photo = z.infer<typeof photoSchema>;
/** A photo with the fields that have a default left out at will. */
export type PhotoInput = z.input<typeof photoSchema>;
