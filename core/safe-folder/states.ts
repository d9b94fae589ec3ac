import { z } from "zod";
import { photoSchema } from "#core/photo/schema";

/** The files of a safe folder, version 1. `docs/SAFE-FOLDER.md` describes them for whoever reads them without this program. */

export const safeFolderVersion = 1;
export const markerName = "tessip-safe.json";

const sha = z.string().regex(/^[0-9a-f]{64}$/);

export const markerSchema = z.object({
  format: z.literal("tessip-safe-folder"),
  version: z.number().int().min(1),
});

/** One work: its record, and by their hashes the files beside it that hold its pages, steps and snapshots. */
export const workStateSchema = z
  .object({
    format: z.literal("tessip-work"),
    version: z.literal(1),
    id: z.string().min(1).max(64),
    /** As the browser keeps it: the project without its pages, their order, and how far its history is done. */
    record: z.looseObject({ id: z.string(), project: z.looseObject({ name: z.string() }) }),
    pages: z
      .array(z.tuple([z.string(), sha]))
      .max(1000)
      .readonly(),
    steps: z
      .array(z.tuple([z.number().int(), sha]))
      .max(1000)
      .readonly(),
    snapshots: z
      .array(z.tuple([z.string(), sha]))
      .max(1000)
      .readonly(),
    /** The hash of each photo that is on its pages or in its history, by the id under which it is named there. */
    photos: z.record(z.string(), sha).readonly(),
  })
  .readonly();
export type WorkState = z.infer<typeof workStateSchema>;

/** What is known of all photos, in parts by the first two letters of their hashes, and what else is one's own. */
export const libraryStateSchema = z
  .object({
    format: z.literal("tessip-library"),
    version: z.literal(1),
    photos: z.array(sha).max(256).readonly(),
    rest: sha,
  })
  .readonly();
export type LibraryState = z.infer<typeof libraryStateSchema>;

export const photoPartSchema = z.array(photoSchema).max(100_000);
/** Records of each table by their keys. */
const records = z.record(z.string(), z.unknown());
export const restPartSchema = z.object({
  spans: records,
  templates: records,
  favourites: records,
  labs: records,
  orders: records,
  fonts: records.optional(),
  notes: records.optional(),
});

const endings: Record<string, string> = {
  "image/jpeg": "jpg",
  "image/png": "png",
  "image/webp": "webp",
  "image/avif": "avif",
  "image/gif": "gif",
  "image/bmp": "bmp",
  "image/tiff": "tif",
  "image/heic": "heic",
  "image/svg+xml": "svg",
  "font/sfnt": "ttf",
};

/** An original under the hash of its bytes, with an ending that other programs know. */
export const originalName = (hash: string, type: string): string => `${hash}.${endings[type] ?? "bin"}`;

/** Every text in a value that is one of the ids, by another id; the same value back where none is. */
export function withIds(value: unknown, idOf: ReadonlyMap<string, string>): unknown {
  if (idOf.size === 0) return value;
  if (typeof value === "string") return idOf.get(value) ?? value;
  if (Array.isArray(value)) return value.map((v) => withIds(v, idOf));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [idOf.get(k) ?? k, withIds(v, idOf)]));
}
