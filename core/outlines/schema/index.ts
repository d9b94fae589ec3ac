import { z } from "zod";
import type { OutlineName } from "../index.ts";

/** An outline as it is stored: its kind, and what can be set of that kind besides the corners that every tile has. */
const stored = <K extends OutlineName, S extends z.ZodRawShape>(kind: K, settings: S) =>
  z.object({ kind: z.literal(kind), ...settings }).readonly();

/** A kind that is missing here does not compile. */
const kinds = {
  rectangle: stored("rectangle", {}),
  ellipse: stored("ellipse", {}),
} as const satisfies { readonly [K in OutlineName]: z.ZodType<{ readonly kind: K }> };

export const outlineSchema = z.union([kinds.rectangle, kinds.ellipse]);
