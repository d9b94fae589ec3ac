import { z } from "zod";

const mm = (least: number, most: number) => z.number().min(least).max(most);
const key = z.string().regex(/^[a-z0-9-]{1,40}$/);

const paperSchema = z.object({ id: key, name: z.string().min(1).max(60), leafMm: mm(0.02, 5) }).readonly();
export type BookPaper = z.infer<typeof paperSchema>;

const spineSchema = z.discriminatedUnion("kind", [
  /** `baseMm` for the boards, and as much again for each leaf as the paper is thick. */
  z.object({ kind: z.literal("leaves"), baseMm: mm(0, 50) }).readonly(),
  /** By the number of pages: the first row that reaches so far. */
  z
    .object({
      kind: z.literal("table"),
      rows: z
        .array(z.object({ upToPages: z.number().int().positive().max(2000), mm: mm(0, 120) }).readonly())
        .min(1)
        .max(100)
        .readonly(),
    })
    .readonly(),
]);

const coverSchema = z
  .object({
    id: key,
    name: z.string().min(1).max(60),
    /** Boards reach so far beyond the pages at head, foot and outer edge. */
    overhangMm: mm(0, 10),
    /** Turned in around the boards, or cut away where there are none. */
    wrapMm: mm(0, 40),
    /** Folded in at both outer edges; 0 for none. */
    flapMm: mm(0, 200),
    spine: spineSchema,
    /** A narrower spine takes no words. */
    leastForWordsMm: mm(0, 60),
  })
  .readonly();
export type BookCover = z.infer<typeof coverSchema>;

/** What a lab wants of a book. */
export const bookRulesSchema = z
  .object({
    /** A lay-flat book opens without a gutter; another hides `gutterMm` of each page at the fold. */
    binding: z.enum(["layFlat", "gutter"]),
    gutterMm: mm(0, 40),
    pages: z
      .object({
        least: z.number().int().min(2).max(1000),
        most: z.number().int().min(2).max(1000),
        step: z.number().int().min(1).max(100),
      })
      .readonly(),
    /** Behind the cover there is a right page alone; otherwise a whole spread. */
    firstOnRight: z.boolean(),
    /** What one file holds. */
    files: z.enum(["pages", "spreads"]),
    papers: z.array(paperSchema).min(1).max(20).readonly(),
    covers: z.array(coverSchema).min(1).max(20).readonly(),
  })
  .readonly()
  .superRefine((rules, ctx) => {
    const say = (path: (string | number)[], message: string) => ctx.addIssue({ code: "custom", path, message });
    const { least, most, step } = rules.pages;
    if (least > most) say(["pages"], "leastAboveMost");
    else if ((most - least) % step !== 0) say(["pages"], "stepMissesMost");
    if (rules.binding === "layFlat" && rules.gutterMm > 0) say(["gutterMm"], "gutterInLayFlat");
    if (!rules.firstOnRight && (least % 2 !== 0 || step % 2 !== 0)) say(["pages"], "halfSpread");
    if (rules.firstOnRight && rules.files === "spreads") say(["files"], "spreadsFromRight");
    for (const list of ["papers", "covers"] as const)
      if (new Set(rules[list].map((x) => x.id)).size < rules[list].length) say([list], "idTwice");
    for (const [i, { spine }] of rules.covers.entries()) {
      if (spine.kind !== "table") continue;
      const { rows } = spine;
      if (rows.some((r, k) => k > 0 && (r.upToPages <= rows[k - 1]!.upToPages || r.mm < rows[k - 1]!.mm)))
        say(["covers", i, "spine"], "tableNotRising");
      if (rows.at(-1)!.upToPages < most) say(["covers", i, "spine"], "tableTooShort");
    }
  });
export type BookRules = z.infer<typeof bookRulesSchema>;
