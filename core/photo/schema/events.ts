import { z } from "zod";

/** A name that a person gave to a stretch of time. */
export const namedSpanSchema = z
  .object({ id: z.string().min(1).max(64), name: z.string().min(1).max(120), from: z.string(), to: z.string() })
  .readonly();
export type NamedSpan = z.infer<typeof namedSpanSchema>;
