import { z } from "zod";
import { paperSchema } from "#core/artwork/schema";
import { colourSchema } from "#core/colour/schema";
import { firstLight, noShadow, noSoft } from "../page/plain-dress.ts";
import { viewSchema } from "./filling.ts";
import { length, point } from "./parts.ts";

export const borderSchema = z
  .object({
    widthMm: length,
    colour: colourSchema,
    /** At the foot it is so wide, as of an instant print, and the photo lies within it instead of going on under it. */
    footMm: length.optional(),
    /** Where it lies by the outline: inside where nothing is said. */
    lies: z.enum(["across", "outside"]).optional(),
    /** A finer line inside of it, so far from it. */
    second: z.object({ gapMm: length, widthMm: length, colour: colourSchema }).readonly().optional(),
  })
  .readonly();
export type Border = z.infer<typeof borderSchema>;

/** Millimetres from the trim's top left; `turn` in degrees about the centre. */
export const frameSchema = z.object({ centre: point, width: length, height: length, turn: z.number() }).readonly();
export type Frame = z.infer<typeof frameSchema>;

export const sidesSchema = z.object({ top: length, right: length, bottom: length, left: length }).readonly();
export type Margin = z.infer<typeof sidesSchema>;

const farMm = z.number().min(-100).max(100);
/** What falls from a tile on what lies under it, or into it as if the sheet above it were cut out. */
export const shadowSchema = z
  .object({
    falls: z.enum(["none", "under", "inside"]),
    strength: z.number().min(0).max(1),
    colour: colourSchema,
    /** How high it lies over what is below; by its place among what lies there where this is missing. */
    liftMm: z.number().min(0).max(30).optional(),
    /** In place of where the work's light throws it: how far it is moved, and the deviation of its blur. */
    own: z
      .object({ x: farMm, y: farMm, blurMm: z.number().min(0).max(50) })
      .readonly()
      .optional(),
  })
  .readonly();
export type Shadow = z.infer<typeof shadowSchema>;

/** So far inwards from each side a tile fades in. */
export const softSchema = sidesSchema;
export type Soft = z.infer<typeof softSchema>;

/** Where the light comes from, clockwise from the top, and how high it stands over the page, in degrees. */
export const lightSchema = z
  .object({ fromDeg: z.number().min(0).max(360), heightDeg: z.number().min(15).max(85) })
  .readonly();
export type Light = z.infer<typeof lightSchema>;

/** What a tile wears. Where a tile does not say, its group does, then the page, then the work's style. */
const dress = { cornerMm: length, border: borderSchema, shadow: shadowSchema, soft: softSchema };
/** What works were saved without at first. */
const later = {
  shadow: shadowSchema.default(noShadow),
  soft: softSchema.default(noSoft),
  light: lightSchema.default(firstLight),
};

const whiteBorderSchema = z
  .object({
    by: z.discriminatedUnion("unit", [
      z.object({ unit: z.literal("mm"), mm: length.max(500) }).readonly(),
      /** Of the page's shorter side. */
      z.object({ unit: z.literal("share"), share: z.number().min(0).max(0.4) }).readonly(),
    ]),
    colour: colourSchema,
    /** All of the page is kept, and the border is wider on two sides; even on all sides, with a little of the page under it, where it is missing. */
    whole: z.literal(true).optional(),
  })
  .readonly();

const lookFields = {
  ...{ gapMm: length, margin: sidesSchema, ...dress, background: colourSchema },
  /** On the page itself, over its colour and under a photo that lies behind everything. */
  paper: paperSchema.nullable().optional(),
  /** Paper left bare around the finished page, once it is printed: the page is set inside it. */
  whiteBorder: whiteBorderSchema.nullable().optional(),
};
const drawnLook = z.object({ ...lookFields, ...later });
/** A look without any photo: what a template carries. */
export const drawnLookSchema = drawnLook.readonly();
export type DrawnLook = z.infer<typeof drawnLookSchema>;

/** A photo over all of the page, or of the spread that it is part of, under a veil of a colour: the page's own where none is said. */
const backdropSchema = z
  .object({
    view: viewSchema,
    veil: z.number().min(0).max(1),
    veilColour: colourSchema.optional(),
    across: z.enum(["page", "spread"]),
  })
  .readonly();

/** How a page looks, with nothing left to be inherited: the work's style, and what is asked of a page that is placed. */
export const lookSchema = drawnLook.extend({ backdrop: backdropSchema.nullable().default(null) }).readonly();
export type Look = z.infer<typeof lookSchema>;

/** What a page says itself; everything else is as the work's style has it. No backdrop at all is `null`. */
export const ownLook = { ...z.object(lookFields).partial().shape, backdrop: backdropSchema.nullable().optional() };
export const ownDress = z.object(dress).partial().shape;
