import { z } from "zod";
import { mostPacketBytes, mostTitleLength, orderStages, reasonCodes } from "../packet.ts";

/** What goes to the lab: the list of its files, by which the lab knows whether everything arrived whole. */

/** A plain name without any way to another folder. */
const fileNameSchema = z.string().regex(/^(?!.*\.\.)[A-Za-z0-9][A-Za-z0-9._-]{0,199}$/);

const mostFiles = 2000;

const packetFileSchema = z
  .object({
    name: fileNameSchema,
    bytes: z.number().int().positive().max(mostPacketBytes),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
    /** How many prints of it. */
    copies: z.number().int().min(1).max(1000),
    holds: z.enum(["page", "spread", "cover", "sheet", "document"]),
    /** Of a print sheet: its size, by its id in the lab's card. */
    sizeId: z.string().max(40).optional(),
  })
  .readonly();
export type PacketFile = z.infer<typeof packetFileSchema>;

export const packetSchema = z
  .object({
    schema: z.literal(1),
    labId: z.string().regex(/^[a-z0-9-]{1,40}$/),
    title: z.string().max(mostTitleLength),
    /** The size that was chosen, by its id in the lab's card; of print sheets each file has its own. */
    sizeId: z.string().max(40).optional(),
    /** Of a book. */
    book: z
      .object({
        pages: z.number().int().positive().max(2000),
        paperId: z.string().max(40),
        coverId: z.string().max(40),
      })
      .readonly()
      .optional(),
    files: z.array(packetFileSchema).min(1).max(mostFiles).readonly(),
  })
  .readonly()
  .superRefine(({ files }, ctx) => {
    if (new Set(files.map((f) => f.name.toLowerCase())).size < files.length)
      ctx.addIssue({ code: "custom", path: ["files"], message: "nameTwice" });
    if (files.reduce((sum, f) => sum + f.bytes, 0) > mostPacketBytes)
      ctx.addIssue({ code: "custom", path: ["files"], message: "packetTooLarge" });
  });
export type Packet = z.infer<typeof packetSchema>;

const reasonSchema = z
  .object({
    /** Missing where it is about the packet as a whole. */
    file: z.string().max(200).optional(),
    code: z.enum(reasonCodes),
    facts: z.record(z.string(), z.union([z.string(), z.number()])).default({}),
  })
  .readonly();
export type Reason = z.infer<typeof reasonSchema>;

/** An order as the lab tells of it. */
export const orderSchema = z
  .object({
    id: z.string().max(40),
    labId: z.string(),
    title: z.string(),
    stage: z.enum(orderStages),
    /** When each stage was reached, in the lab's own time (ISO 8601). */
    at: z.partialRecord(z.enum(orderStages), z.string()),
    receipt: z.string().nullable(),
    reasons: z.array(reasonSchema).readonly(),
    /** Of each file how many bytes have arrived. */
    arrived: z.record(z.string(), z.number()),
  })
  .readonly();
export type Order = z.infer<typeof orderSchema>;
