import { z } from "zod";
import { colourSchema } from "#core/colour/schema";

const farMm = z.number().min(-3000).max(3000);

/** A patterned paper, drawn by code in a few colours. */
export const paperSchema = z
  .object({
    /** Its name among the papers; one that a later version knows is its ground alone. */
    design: z.string().min(1).max(40),
    /** Its ground, and then its inks. */
    colours: z.array(colourSchema).min(1).max(8).readonly(),
    /** A person chose them: they no longer follow the work's palette. */
    ownColours: z.literal(true).optional(),
    /** How much of its inks there is in its ground: all where nothing is said. */
    strength: z.number().min(0).max(1).optional(),
    /** Times its true size. */
    scale: z.number().min(0.2).max(8).optional(),
    /** Degrees, clockwise. */
    turn: z.number().min(-360).max(360).optional(),
    /** So far it is moved under what it is cut out by. */
    shift: z.object({ x: farMm, y: farMm }).readonly().optional(),
    /** Of a tile: one sheet runs on from tile to tile, and this one shows its part of it. */
    runsOn: z.literal(true).optional(),
    /** Of a tile that is turned: it stays upright. */
    upright: z.literal(true).optional(),
  })
  .readonly();
export type Paper = z.infer<typeof paperSchema>;
