import { z } from "zod";
import { leavesOf } from "#core/arrange";
import { colourSchema } from "#core/colour/schema";
import { type Filling, newGroup, type Piece, plainTree, type Tile } from "#core/document";
import { drawnLookSchema, partSchema } from "#core/document/schema";

/** Templates as they were first written: one tree of places over a whole page. */

const holdsSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("photo") }).readonly(),
  z.object({ kind: z.literal("nothing") }).readonly(),
  z.object({ kind: z.literal("colour"), colour: colourSchema }).readonly(),
]);

const placeSchema = z
  .object({
    id: z.string().min(1).max(64),
    holds: holdsSchema,
    number: z.number().int().min(1).max(999).nullable(),
  })
  .readonly();
type Place = z.infer<typeof placeSchema>;

/** What both forms say of a template besides what lies on it. Lengths in mm. */
export const aboutTemplate = {
  id: z.string().min(1).max(64),
  name: z.string().trim().min(1).max(80),
  /** Templates that go together have the same one. */
  family: z.string().trim().max(40),
  page: z.object({ widthMm: z.number().min(10).max(3000), heightMm: z.number().min(10).max(3000) }).readonly(),
  look: drawnLookSchema,
};

export const firstTemplateSchema = z
  .object({
    ...aboutTemplate,
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
  })
  .transform(({ loose, tree, places, ...about }) => {
    const tiles = places.map((p): Tile => ({ id: p.id, filling: fillingOf(p) }));
    const taken = new Set(places.map((p) => p.id));
    const groupId = ["g", "group", "the-group"].find((id) => !taken.has(id)) ?? "g-0";
    const pieces: readonly Piece[] = [newGroup(plainTree(tree, loose), tiles, () => groupId)];
    return { ...about, pieces };
  });

function fillingOf({ holds, number }: Place): Filling {
  if (holds.kind === "colour") return holds;
  if (holds.kind === "nothing") return { kind: "empty", waits: { for: "nothing" } };
  return { kind: "empty", waits: { for: "photo", ...(number === null ? {} : { number }) } };
}
