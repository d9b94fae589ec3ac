import { readFileSync } from "node:fs";
import { layTree, newBook, type Project, placed } from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { counter } from "../document/project.fixture.ts";

export const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
export const bareBook = newBook(
  { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at: "" },
);
/** A book whose first pages hold so many photos each. */
export function bookOf(counts: readonly number[]): Project {
  let n = 0;
  const laid = bareBook.pages.map((page, i) => {
    const photos = Array.from({ length: counts[i] ?? 0 }, () => ({ id: `p${n++}`, aspect: 1.5 }));
    const made = layTree(placed(bareBook, page), { photos, seed: 0, newId: counter(`t${i}-`) });
    return made.ok ? made.value.page : page;
  });
  return { ...bareBook, pages: laid };
}
