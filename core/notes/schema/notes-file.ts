import { z } from "zod";
import { noteEventsSchema, plainLine } from "./events.ts";

/** What a reader gives back: a file of JSON, or the same in a mail. */
export const notesFileSchema = z
  .object({
    format: z.literal("tessip-notes"),
    version: z.literal(1),
    /** The work that they speak of. */
    workId: z.string().min(1).max(64),
    workName: z.string().max(200).transform(plainLine),
    /** When the proof was made that they were written on. */
    proofAt: z.string().max(40),
    events: noteEventsSchema,
  })
  .readonly();
export type NotesFile = z.infer<typeof notesFileSchema>;
