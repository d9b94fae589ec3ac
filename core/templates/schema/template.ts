import { z } from "zod";
import { piecesSchema, scatterSchema } from "#core/document/schema";
import { aboutTemplate, firstTemplateSchema } from "./first-form.ts";

/** A page to begin others from, of some size: all that lies on it, with places that wait instead of photos and words. */
const ownSchema = z
  .object({
    ...aboutTemplate,
    pieces: piecesSchema,
    /** How its prints are scattered, so that they can be scattered anew. */
    scatter: scatterSchema.optional(),
  })
  .readonly();
export type Template = z.infer<typeof ownSchema>;

export const templateSchema = z.union([ownSchema, firstTemplateSchema]);

/** Something from outside as a template, if it is one. */
export function checkTemplate(data: unknown): Template | undefined {
  const read = templateSchema.safeParse(data);
  return read.success ? read.data : undefined;
}
