import { z } from "zod";
import type { Change } from "../changes/change.ts";
import { barePageSchema, freeTileSchema, groupSchema, pieceSchema, tileSchema } from "./page.ts";
import { projectSchema } from "./project.ts";
import { pageSchema } from "./whole-page.ts";

const id = z.string().min(1).max(64);
const ids = z.array(id).max(5000);
const place = z.number().int();

const {
  schema: _,
  id: __,
  kind: ___,
  createdAt: ____,
  pages: _____,
  cover: ______,
  ...settable
} = projectSchema.unwrap().shape;

/** Another value for some fields, and fields taken away. */
const patchOf = <S extends z.ZodRawShape>(shape: S) =>
  z.object({
    id,
    set: z.strictObject(shape).partial().optional(),
    unset: z.array(z.enum(Object.keys(shape) as [string, ...string[]])).optional(),
  });

const { id: _tileId, ...tileFields } = tileSchema.unwrap().shape;
const { frame, byTemplate, tieId } = freeTileSchema.unwrap().shape;
const freeFields = { frame, byTemplate, tieId };
const { id: _groupId, kind: _kind, tiles: _tiles, ...groupFields } = groupSchema.unwrap().shape;
const { id: _pageId, pieces: _pieces, ...pageFields } = barePageSchema.unwrap().shape;
const inPage = { pageId: id, groupId: id.optional() };

/** Each kind of change as it may come out of storage. */
export const changeSchemas = {
  setTiles: z.object({
    pageId: id,
    items: z.array(patchOf({ ...tileFields, ...freeFields })).max(5000),
  }),
  setGroups: z.object({ pageId: id, items: z.array(patchOf(groupFields)).max(500) }),
  setPages: z.object({ items: z.array(patchOf(pageFields)).max(1001) }),
  setProject: z.object(settable).partial(),
  insertPieces: z.object({
    ...inPage,
    pieces: z.array(z.object({ piece: z.union([pieceSchema, tileSchema]), at: place })).max(2000),
  }),
  removePieces: z.object({ ...inPage, ids }),
  orderPieces: z.object({ ...inPage, ids }),
  insertPages: z.object({ pages: z.array(z.object({ page: pageSchema, at: place })).max(1000) }),
  removePages: z.object({ pageIds: ids }),
  movePages: z.object({ pageIds: ids, to: place }),
  orderPages: z.object({ pageIds: ids }),
  replacePage: z.object({ page: pageSchema }),
  replaceAll: z.object({
    pages: z.array(pageSchema).min(1).max(1000).optional(),
    cover: pageSchema.nullable().optional(),
  }),
} satisfies { readonly [K in Change["type"]]: z.ZodType };

const isKnown = (type: unknown): type is Change["type"] =>
  typeof type === "string" && Object.hasOwn(changeSchemas, type);

/** Whether it is a change that this program could have made. */
export const isChange = (value: unknown): value is Change => {
  const type = typeof value === "object" && value !== null && "type" in value ? value.type : undefined;
  return isKnown(type) && changeSchemas[type].safeParse(value).success;
};
