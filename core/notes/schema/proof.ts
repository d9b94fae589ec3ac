import { z } from "zod";
import { noteEventsSchema } from "./events.ts";

/** A proof as its maker hands it to a reading room: shown to others, so that every part of it has bounds. */

const name = z.string().max(300);
const pageId = z.string().min(1).max(64);
const mark = z.string().regex(/^([0-9a-f]{16})?$/);
const hash = z.string().regex(/^[0-9a-f]{64}$/);
const mm = z.number().min(-10_000).max(10_000);
const point = { x: mm, y: mm };
const letter = z.number().int().min(0).max(200_000);
const index = z.number().int().min(0).max(20_000);

const tile = z.object({
  id: z.string().min(1).max(64),
  centre: z.object(point).readonly(),
  width: mm,
  height: mm,
  turn: z.number().min(-3600).max(3600),
  photo: z
    .object({ hash, place: z.array(z.number()).length(6).readonly() })
    .readonly()
    .optional(),
  mark,
});

const words = z.object({
  tileId: z.string().min(1).max(64),
  text: z.string().max(200_000),
  mark,
  lines: z
    .array(z.object({ from: letter, to: letter, ...point, w: mm, h: mm, turn: z.number() }).readonly())
    .max(20_000)
    .readonly(),
});

export const proofDataSchema = z
  .object({
    format: z.literal("tessip-proof"),
    version: z.literal(1),
    workId: z.string().min(1).max(64),
    workName: name,
    madeAt: z.string().max(40),
    maker: z.object({ key: z.string().max(64), name }).readonly(),
    mark,
    leaves: z
      .array(
        z
          .object({
            pageId,
            label: name,
            box: z.object({ ...point, w: mm.positive(), h: mm.positive() }).readonly(),
            mark,
            noteMark: mark,
            tiles: z.array(tile.readonly()).max(5000).readonly(),
            words: z.array(words.readonly()).max(5000).readonly(),
            offers: z.array(index).max(100).readonly(),
          })
          .readonly(),
      )
      .min(1)
      .max(2000)
      .readonly(),
    views: z
      .array(z.object({ left: index.nullable(), right: index.nullable() }).readonly())
      .min(1)
      .max(2000)
      .readonly(),
    offers: z.array(z.object({ hash, name }).readonly()).max(5000).readonly(),
    events: noteEventsSchema,
  })
  .readonly();

/** What a room keeps of a proof besides its pictures, which it names by the hashes of their files. */
export const roomProofSchema = z
  .object({
    data: proofDataSchema,
    words: z
      .object({ title: name, state: name, noScripts: name, leaves: z.array(name).max(2000).readonly() })
      .readonly(),
    pictures: z
      .object({ leaves: z.array(hash).max(2000).readonly(), offers: z.array(hash).max(5000).readonly() })
      .readonly(),
  })
  .readonly()
  .refine(
    ({ data, pictures }) =>
      pictures.leaves.length === data.leaves.length && pictures.offers.length === data.offers.length,
    "picturesMissing",
  );
export type RoomProof = z.infer<typeof roomProofSchema>;
