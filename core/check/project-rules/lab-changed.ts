import type { LabCard } from "#core/lab";
import type { ProjectRule } from "../rule.ts";

const labParts = ["sizes", "bleed", "safe", "ppi", "file", "book"] as const;
export type LabPart = (typeof labParts)[number];

const partOf: Record<LabPart, (card: LabCard) => unknown> = {
  // What a size costs changes nothing on paper.
  sizes: (c) => c.sizes.map(({ price: _, ...size }) => size),
  bleed: (c) => [c.bleedMm, c.lossMm],
  safe: (c) => c.safeMm,
  ppi: (c) => c.ppi,
  file: (c) => c.file,
  book: (c) => c.book ?? null,
};

/** The lab's card says something else now than when this work was begun. */
export const labChanged: ProjectRule<{ readonly code: "labChanged"; readonly what: readonly LabPart[] }> = {
  looksAt: "project",
  find: ({ lab }, { cardNow }) => {
    if (!lab || !cardNow || cardNow.id !== lab.id) return [];
    const what = labParts.filter((p) => JSON.stringify(partOf[p](lab)) !== JSON.stringify(partOf[p](cardNow)));
    return what.length === 0 ? [] : [{ code: "labChanged", severity: "doubt", what, spots: [], fixes: [] }];
  },
  fixes: {},
};
