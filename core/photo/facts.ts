import { z } from "zod";

/**
 * What is known of a photo without its pixels. `widthPx` and `heightPx` are the true size, after orientation.
 * `takenAt` is wall-clock time where the photo was taken (ISO 8601 without a zone), since that is what people remember.
 */
export const photoSchema = z
  .object({
    id: z.string().min(1).max(64),
    name: z.string().max(512),
    type: z.string().max(64),
    sizeBytes: z.number().int().nonnegative(),
    hash: z.string().regex(/^[0-9a-f]{64}$/),
    widthPx: z.number().int().positive(),
    heightPx: z.number().int().positive(),
    takenAt: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d$/),
    takenFrom: z.enum(["exif", "file"]),
    caption: z.string().max(4000),
    addedAt: z.string(),
  })
  .readonly();
export type Photo = z.infer<typeof photoSchema>;

export const aspectOf = (p: Pick<Photo, "widthPx" | "heightPx">): number => p.widthPx / p.heightPx;

/** By the time taken; then by name, with numbers in it by their value, so that a camera's own order holds. */
export function byTimeTaken(a: Photo, b: Photo): number {
  if (a.takenAt !== b.takenAt) return a.takenAt < b.takenAt ? -1 : 1;
  return names.compare(a.name, b.name) || (a.id < b.id ? -1 : 1);
}

const names = new Intl.Collator("en", { numeric: true });
