import { z } from "zod";
import { cornerCuts } from "../corner.ts";
import type { Outline, OutlineName } from "../index.ts";

/** An outline as it is stored: its kind, and what can be set of that kind besides the corners that every tile has. */
const stored = <K extends OutlineName, S extends z.ZodRawShape>(kind: K, settings: S) =>
  z.object({ kind: z.literal(kind), ...settings }).readonly();

/** Far beyond the frame nothing is drawn; handles of curves may lie outside it. */
const share = z.number().min(-8).max(9);
/** More points than a letter or a drawn shape ever needs; a painter takes them at once. */
const mostSegments = 20_000;
const segmentSchema = z.union([
  z.tuple([z.literal(["M", "L"]), share, share]).readonly(),
  z.tuple([z.literal("C"), share, share, share, share, share, share]).readonly(),
  z.tuple([z.literal("Z")]).readonly(),
]);
const pathSchema = z
  .array(segmentSchema)
  .min(4)
  .max(mostSegments)
  .readonly()
  .refine((p) => p[0]?.[0] === "M", { message: "a path begins with where it starts" });

const cornerSchema = z.object({ cut: z.enum(cornerCuts), mm: z.number().nonnegative().max(500) }).readonly();

/** A kind that is missing here does not compile. */
const kinds = {
  rectangle: stored("rectangle", {}),
  corners: stored("corners", { each: z.tuple([cornerSchema, cornerSchema, cornerSchema, cornerSchema]).readonly() }),
  ellipse: stored("ellipse", {}),
  arch: stored("arch", {}),
  heart: stored("heart", {}),
  polygon: stored("polygon", { sides: z.number().int().min(3).max(12) }),
  star: stored("star", { points: z.number().int().min(3).max(24), inner: z.number().min(0.1).max(0.95) }),
  pennant: stored("pennant", {}),
  tag: stored("tag", {}),
  ticket: stored("ticket", {}),
  scallops: stored("scallops", { sizeMm: z.number().min(2).max(200) }),
  torn: stored("torn", {
    depthMm: z.number().min(0.5).max(30),
    seed: z.number().int().nonnegative().max(1e6),
  }),
  path: stored("path", { path: pathSchema, bleeds: z.literal(true).optional() }),
} as const satisfies { readonly [K in OutlineName]: z.ZodType<Extract<Outline, { readonly kind: K }>> };

export const outlineSchema = z.union([
  kinds.rectangle,
  kinds.corners,
  kinds.ellipse,
  kinds.arch,
  kinds.heart,
  kinds.polygon,
  kinds.star,
  kinds.pennant,
  kinds.tag,
  kinds.ticket,
  kinds.scallops,
  kinds.torn,
  kinds.path,
]);
