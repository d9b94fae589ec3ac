import { z } from "zod";
import { paperKinds } from "#core/pixels";
import { type ForEachLabRule, type LabRule, labRuleNames, labRules } from "../rules.ts";
import { bookRulesSchema } from "./book.ts";

const mm = (least: number, most: number) => z.number().min(least).max(most);

const limitSchema = ({ least, most, whole }: LabRule) =>
  (whole ? z.number().int() : z.number()).min(least).max(most).optional();
const limits = Object.fromEntries(labRuleNames.map((name) => [name, limitSchema(labRules[name])])) as ForEachLabRule<
  ReturnType<typeof limitSchema>
>;

const printSizeSchema = z
  .object({
    id: z.string().regex(/^[a-z0-9-]{1,40}$/),
    name: z.string().min(1).max(60),
    widthMm: mm(20, 3000),
    heightMm: mm(20, 3000),
    /** Whether the lab takes this size sideways as well. */
    turns: z.boolean(),
    /** Of one print, in the card's currency. */
    price: z.number().nonnegative().max(100_000).optional(),
  })
  .readonly();
export type PrintSize = z.infer<typeof printSizeSchema>;

/** What one print lab wants, as the lab itself publishes it. Lengths in mm. */
export const labCardSchema = z
  .object({
    schema: z.literal(1),
    id: z.string().regex(/^[a-z0-9-]{1,40}$/),
    name: z.string().min(1).max(60),
    about: z.string().max(240),
    kind: z.enum(["prints", "collage", "posters", "book"]),
    /** The unit that the lab gives its sizes in. */
    unit: z.enum(["mm", "cm", "in"]),
    /** Added outside the trim on every side, and cut away. */
    bleedMm: mm(0, 25),
    /** Of the picture itself the machine may lose so much at each edge, since it prints a little beyond the paper. */
    lossMm: mm(0, 10).default(0),
    /** As in ISO 4217. */
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/)
      .optional(),
    /** Inside the trim, on every side: what must not be lost stays within. */
    safeMm: mm(0, 50),
    /** How far the cut may lie from where it is meant to. */
    cutWanderMm: mm(0, 25).optional(),
    /** What most of its paper is like, which decides how crisp photos have to be. */
    paper: z.enum(paperKinds).optional(),
    ppi: z.object({ wanted: z.number().min(72).max(1200), least: z.number().min(36).max(1200) }).readonly(),
    file: z
      .object({
        kind: z.enum(["jpeg", "png", "tiff"]),
        colour: z.enum(["srgb", "displayP3"]).default("srgb"),
        quality: z.number().min(0.5).max(1),
        /** `{project}`, `{size}` and `{page}` are filled in; the ending is the file kind's own. */
        name: z.string().min(1).max(120),
        ...limits,
        /** Of a TIFF. */
        packing: z.enum(["none", "lzw", "deflate"]).optional(),
        /** Of a TIFF: sixteen bits a channel are taken, where a photo has them. */
        bits: z.literal([8, 16]).optional(),
        /** Of a PDF: what it is printed on with inks of its own; black words are black ink alone then. */
        press: z.string().min(1).max(60).optional(),
        /** Of a PDF: nothing may show through anything. */
        flattened: z.boolean().optional(),
      })
      .readonly(),
    sizes: z.array(printSizeSchema).min(1).max(200).readonly(),
    /** Of cards of kind book, and only of those. */
    book: bookRulesSchema.optional(),
  })
  .readonly()
  .superRefine((card, ctx) => {
    if (card.ppi.least > card.ppi.wanted) ctx.addIssue({ code: "custom", path: ["ppi"], message: "leastAboveWanted" });
    if (new Set(card.sizes.map((s) => s.id)).size < card.sizes.length)
      ctx.addIssue({ code: "custom", path: ["sizes"], message: "sizeIdTwice" });
    if ((card.kind === "book") !== (card.book !== undefined))
      ctx.addIssue({ code: "custom", path: ["book"], message: "bookRulesAndKind" });
    for (const [i, s] of card.sizes.entries())
      if (2 * card.safeMm + (card.book?.gutterMm ?? 0) >= Math.min(s.widthMm, s.heightMm))
        ctx.addIssue({ code: "custom", path: ["sizes", i], message: "nothingSafe" });
  });
export type LabCard = z.infer<typeof labCardSchema>;
