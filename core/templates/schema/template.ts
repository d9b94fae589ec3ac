import { z } from "zod";
import { leavesOf } from "#core/arrange";
import { colourSchema } from "#core/colour/schema";
import { drawnLookSchema, partSchema } from "#core/document/schema";

const side = z.number().min(10).max(3000);

/** What a place is for. One that holds nothing stays bare when photos flow in. */
const holdsSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("photo") }).readonly(),
  z.object({ kind: z.literal("nothing") }).readonly(),
  z.object({ kind: z.literal("colour"), colour: colourSchema }).readonly(),
]);

const placeSchema = z
  .object({
    id: z.string().min(1).max(64),
    holds: holdsSchema,
    /** Places with a number take photos first, the lowest before the others. */
    number: z.number().int().min(1).max(999).nullable(),
  })
  .readonly();
export type Place = z.infer<typeof placeSchema>;

/** A saved arrangement without photos: a slicing tree of places on a page of some size. Lengths in mm. */
export const templateSchema = z
  .object({
    id: z.string().min(1).max(64),
    name: z.string().trim().min(1).max(80),
    /** Templates that go together have the same one. */
    family: z.string().trim().max(40),
    page: z.object({ widthMm: side, heightMm: side }).readonly(),
    look: drawnLookSchema,
    /** Nothing is cropped, and white space is left around the photos. */
    loose: z.boolean(),
    tree: partSchema,
    places: z.array(placeSchema).min(1).max(500).readonly(),
  })
  .readonly()
  .superRefine((t, ctx) => {
    const leaves = leavesOf(t.tree).map((l) => l.tileId);
    const places = new Set(t.places.map((p) => p.id));
    const matches = leaves.length === t.places.length && places.size === leaves.length;
    if (!matches || !leaves.every((id) => places.has(id)))
      ctx.addIssue({ code: "custom", path: ["places"], message: "placesAndTreeDiffer" });
  });
export type Template = z.infer<typeof templateSchema>;
