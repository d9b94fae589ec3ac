import { coverParts, isBegun, pageCount, placed, rulesOf } from "#core/document";
import { bindsSo, boundPages } from "#core/lab";
import type { ProjectRule } from "../facts.ts";
import type { Found } from "../finding.ts";

/** What binding asks: a number of pages that the lab binds, and a cover that goes around them. */
export const bound: ProjectRule = (project) => {
  const rules = rulesOf(project);
  // A book in which nothing lies yet is no book with something wrong.
  if (!rules || !isBegun(project)) return [];
  const pages = pageCount(project.pages);
  const { least, most, step } = rules.pages;
  const next = boundPages(rules, pages);
  const found: Found[] = [];
  if (!bindsSo(rules, pages))
    found.push({
      code: "pageCount",
      severity: "wrong",
      pages,
      least,
      most,
      step,
      ...(next > pages && { next }),
      spots: [],
      fixes: next > pages ? ["addPages"] : [],
    });
  const parts = coverParts(project);
  const { cover, spine } = project;
  if (!cover || !spine || !parts)
    return [...found, { code: "coverMissing", severity: "wrong", spots: [], fixes: ["makeCover"] }];
  const { leastForWordsMm } = parts.cover;
  if (spine.text.trim() !== "" && parts.spineMm < leastForWordsMm)
    found.push({
      code: "spineTooNarrow",
      severity: "hint",
      spineMm: parts.spineMm,
      leastMm: leastForWordsMm,
      spots: [{ pageId: cover.id, tileIds: [] }],
      fixes: ["clearSpine"],
    });
  return found;
};

/** Wider or narrower by so much, what was drawn for the spine no longer lies on it. */
const mostOffMm = 1;

/** A cover that was made elsewhere, for a spine of another width: it cannot follow by itself. */
export const coverMadeElsewhere: ProjectRule = (project, { photos }) => {
  const parts = coverParts(project);
  const { cover } = project;
  if (!parts || !cover) return [];
  const byId = new Map(photos.map((p) => [p.id, p]));
  const heightMm = parts.heightMm + 2 * project.format.bleedMm;
  const needsMm = parts.widthMm + 2 * project.format.bleedMm;
  return placed(project, cover).tiles.flatMap((tile): Found[] => {
    if (tile.filling.kind !== "photo" || tile.frame.width < 0.9 * parts.widthMm) return [];
    const photo = byId.get(tile.filling.view.photoId);
    // Only pages that were made elsewhere come in hidden.
    if (!photo?.hidden) return [];
    const isMm = (photo.widthPx / photo.heightPx) * heightMm;
    if (Math.abs(isMm - needsMm) <= mostOffMm) return [];
    const spots = [{ pageId: cover.id, tileIds: [tile.id] }];
    return [{ code: "coverOfOtherSize", severity: "wrong", isMm, needsMm, spots, fixes: [] }];
  });
};
