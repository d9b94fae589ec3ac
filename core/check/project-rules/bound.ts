import { barePage, coverChanges, coverParts, firstCover, isBegun, pageCount, placed, rulesOf } from "#core/document";
import { bindsSo, boundPages } from "#core/lab";
import { familyOf } from "#core/words";
import type { Found } from "../finding.ts";
import type { ProjectRule } from "../rule.ts";
import { placedIn } from "./left-out.ts";

type Detail =
  | {
      readonly code: "pageCount";
      readonly pages: number;
      readonly least: number;
      readonly most: number;
      readonly step: number;
      /** The nearest number above that the lab binds; missing where there is none. */
      readonly next?: number;
    }
  | { readonly code: "coverMissing" }
  | { readonly code: "spineTooNarrow"; readonly spineMm: number; readonly leastMm: number }
  | { readonly code: "spineScript"; readonly font: string };
type Fix = "addPages" | "makeCover" | "clearSpine" | "plainSpine";

const plainFont = "source-sans-3";
/** Joined letters cannot be read from two metres, on a shelf. */
const isScript = (font: string): boolean => familyOf(font)?.kind === "script";

/** What binding asks: a number of pages that the lab binds, and a cover that goes around them. */
export const bound: ProjectRule<Detail, Fix> = {
  looksAt: "project",
  find: (project) => {
    const rules = rulesOf(project);
    // A book in which nothing lies yet is no book with something wrong.
    if (!rules || !isBegun(project)) return [];
    const pages = pageCount(project.pages);
    const { least, most, step } = rules.pages;
    const next = boundPages(rules, pages);
    const found: Found<Detail, Fix>[] = [];
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
    if (spine.text.trim() !== "" && isScript(spine.style.font))
      found.push({
        code: "spineScript",
        severity: "doubt",
        font: familyOf(spine.style.font)!.name,
        spots: [{ pageId: cover.id, tileIds: [] }],
        fixes: ["plainSpine"],
      });
    return found;
  },
  fixes: {
    plainSpine: ({ spine, words }) => {
      if (!spine) return [];
      const font = [words.title.font, words.caption.font].find((f) => !isScript(f)) ?? plainFont;
      return [{ type: "setProject", spine: { ...spine, style: { ...spine.style, font } } }];
    },
    addPages: (project, { newId }) => {
      const rules = rulesOf(project);
      const count = pageCount(project.pages);
      const missing = rules ? boundPages(rules, count) - count : 0;
      if (missing <= 0) return [];
      const at = project.pages.length;
      const pages = Array.from({ length: missing }, (_, i) => ({ page: barePage(newId), at: at + i }));
      return [{ type: "insertPages", pages }];
    },
    makeCover: (project, { coverPhoto, newId }) => {
      const made = firstCover(project, coverPhoto(placedIn(project)), newId);
      return made ? coverChanges(made) : [];
    },
    clearSpine: ({ spine }) => (spine ? [{ type: "setProject", spine: { ...spine, text: "" } }] : []),
  },
};

/** Wider or narrower by so much, what was drawn for the spine no longer lies on it. */
const mostOffMm = 1;

export interface OtherSize {
  readonly code: "coverOfOtherSize";
  readonly isMm: number;
  readonly needsMm: number;
}

/** A cover that was made elsewhere, for a spine of another width: it cannot follow by itself. */
export const coverMadeElsewhere: ProjectRule<OtherSize> = {
  looksAt: "project",
  find: (project, { photos }) => {
    const parts = coverParts(project);
    const { cover } = project;
    if (!parts || !cover) return [];
    const byId = new Map(photos.map((p) => [p.id, p]));
    const heightMm = parts.heightMm + 2 * project.format.bleedMm;
    const needsMm = parts.widthMm + 2 * project.format.bleedMm;
    return placed(project, cover).tiles.flatMap((tile): Found<OtherSize, never>[] => {
      if (tile.filling.kind !== "photo" || tile.frame.width < 0.9 * parts.widthMm) return [];
      const photo = byId.get(tile.filling.view.photoId);
      // Only pages that were made elsewhere come in hidden.
      if (!photo?.hidden) return [];
      const isMm = (photo.widthPx / photo.heightPx) * heightMm;
      if (Math.abs(isMm - needsMm) <= mostOffMm) return [];
      const spots = [{ pageId: cover.id, tileIds: [tile.id] }];
      return [{ code: "coverOfOtherSize", severity: "wrong", isMm, needsMm, spots, fixes: [] }];
    });
  },
  fixes: {},
};
