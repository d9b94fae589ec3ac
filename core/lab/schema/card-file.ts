import { ok, type Result, refused } from "#core/result";
import { type LabCard, labCardSchema } from "./card.ts";

/** More than any lab has to say; a larger file is something else. */
const mostLetters = 300_000;

/** One thing that a card gets wrong: where in it, and a code, or the schema's own words. */
export interface CardIssue {
  readonly path: string;
  readonly code: string;
}

/** What is wrong with a card, in the order of its parts; nothing where all is right. */
export function cardIssues(card: unknown): readonly CardIssue[] {
  const read = labCardSchema.safeParse(card);
  if (read.success) return [];
  return read.error.issues.map((i) => ({
    path: i.path.map(String).join("."),
    code: i.code === "custom" ? i.message : i.code,
  }));
}

/** A lab card out of a file's text (JSON). */
export function readCardFile(text: string): Result<LabCard, "tooLong" | "notJson" | "notACard"> {
  if (text.length > mostLetters) return refused("tooLong");
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refused("notJson");
  }
  const read = labCardSchema.safeParse(raw);
  if (read.success) return ok(read.data);
  const [first] = cardIssues(raw);
  return refused("notACard", { path: first?.path ?? "", more: read.error.issues.length - 1 });
}

export const cardText = (card: LabCard): string => `${JSON.stringify(card, null, 2)}\n`;

/** A card to begin one's own from: every number is one that most labs would take. */
export const plainCard = (id: string, name: string): LabCard => ({
  schema: 1,
  id,
  name,
  about: "",
  kind: "prints",
  unit: "mm",
  bleedMm: 0,
  lossMm: 1,
  safeMm: 3,
  ppi: { wanted: 300, least: 150 },
  file: { kind: "jpeg", colour: "srgb", quality: 0.95, name: "{project}-{size}-{page}" },
  sizes: [{ id: "size-1", name: "100 × 150 mm", widthMm: 100, heightMm: 150, turns: true }],
});
