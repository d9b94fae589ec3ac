import { z } from "zod";
import { pageFormatSchema } from "#core/lab/schema";
import { outlineSchema } from "#core/outlines/schema";
import type { PageNote } from "../page/page-note.ts";
import { borderSchema, frameSchema, lookSchema } from "./page.ts";
import { pageSchema } from "./whole-page.ts";

const id = z.string().min(1).max(64);
const finite = z.number().min(-1e5).max(1e5);

const noteSchema = z.object({
  version: z.literal(1),
  corner: z.object({ x: finite, y: finite }),
  pages: z
    .array(
      z.object({
        page: pageSchema,
        place: z
          .object({ a: finite, b: finite, c: finite, d: finite, e: finite, f: finite })
          .refine((m) => Math.abs(m.a * m.d - m.b * m.c) > 1e-6),
        format: pageFormatSchema,
        style: lookSchema,
        tiles: z
          .array(
            z.object({
              id,
              frame: frameSchema,
              outline: outlineSchema,
              cornerMm: z.number().nonnegative().max(3000),
              border: borderSchema,
            }),
          )
          .max(3000),
      }),
    )
    .min(1)
    .max(8),
  photos: z.array(z.object({ id, hash: z.string().regex(/^[0-9a-f]{64}$/) })).max(3000),
});

/** What a drawing from outside says of its pages; nothing where it is not whole. */
export const checkPageNote = (data: unknown): PageNote | undefined => noteSchema.safeParse(data).data;
