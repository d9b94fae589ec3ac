import { z } from "zod";
import type { Change } from "../change.ts";
import { stepCodes } from "../history.ts";

/** A step as storage hands it back. Its changes were made by this program and are checked again when they are applied. */
export const stepSchema = z.object({
  name: z.object({ code: z.enum(stepCodes), count: z.number() }),
  changes: z.array(z.custom<Change>((c) => typeof c === "object" && c !== null && "type" in c)),
  inverses: z.array(z.custom<Change>((c) => typeof c === "object" && c !== null && "type" in c)),
  at: z.string(),
  mergeKey: z.string().optional(),
});
