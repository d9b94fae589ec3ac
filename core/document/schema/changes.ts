import { z } from "zod";
import type { Change } from "../change.ts";
import { borderSchema, fillingSchema, lookSchema, pageSchema } from "./page.ts";
import { projectSchema } from "./project.ts";

const id = z.string().min(1).max(64);
const ids = z.array(id).max(5000);
const place = z.number().int();

const { schema: _, id: __, kind: ___, createdAt: ____, ...settable } = projectSchema.unwrap().shape;

/** Each kind of change as it may come out of storage. */
export const changeSchemas = {
  putPage: z.object({ page: pageSchema }),
  fillTiles: z.object({ pageId: id, fillings: z.array(z.object({ tileId: id, filling: fillingSchema })).max(5000) }),
  setLook: z.object({ pageId: id, look: lookSchema }),
  dressTiles: z.object({
    pageId: id,
    tileIds: ids,
    cornerMm: z.number().optional(),
    border: borderSchema.optional(),
    bleedMm: z.number().nullable().optional(),
  }),
  moveSeam: z.object({ pageId: id, axis: z.enum(["columns", "rows"]), index: place, atMm: z.number() }),
  insertPages: z.object({ pages: z.array(z.object({ page: pageSchema, at: place })).max(1000) }),
  removePages: z.object({ pageIds: ids }),
  movePages: z.object({ pageIds: ids, to: place }),
  orderPages: z.object({ pageIds: ids }),
  setProject: z.object(settable).partial(),
} satisfies { readonly [K in Change["type"]]: z.ZodType };

const isKnown = (type: unknown): type is Change["type"] =>
  typeof type === "string" && Object.hasOwn(changeSchemas, type);

/** Whether it is a change that this program could have made. */
export const isChange = (value: unknown): value is Change => {
  const type = typeof value === "object" && value !== null && "type" in value ? value.type : undefined;
  return isKnown(type) && changeSchemas[type].safeParse(value).success;
};
