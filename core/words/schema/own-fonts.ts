import { z } from "zod";

const ownFaceSchema = z
  .object({
    bold: z.boolean(),
    italic: z.boolean(),
    hash: z.string().regex(/^[0-9a-f]{64}$/),
    sizeBytes: z.number().int().positive(),
    embedding: z.enum(["free", "whole", "never"]),
  })
  .readonly();

export const ownFontSchema = z
  .object({
    id: z.string().regex(/^own-[0-9a-f]{16}$/),
    name: z.string().min(1).max(120),
    faces: z.array(ownFaceSchema).min(1).max(4).readonly(),
    hidden: z.boolean().optional(),
  })
  .readonly();
