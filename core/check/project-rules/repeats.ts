import {
  firstOnRight,
  hasFacingPages,
  holdsPockets,
  openingsOf,
  type Page,
  type Project,
  pagesOf,
  photoIdOf,
  placed,
} from "#core/document";
import type { Found, Spot } from "../finding.ts";
import { tileBox } from "../places.ts";
import type { ProjectRule } from "../rule.ts";

type Detail =
  | { readonly code: "photoTwice"; readonly together: boolean; readonly times: number }
  | { readonly code: "alikeTogether" };

interface Placed {
  readonly photoId: string;
  readonly page: Page;
  readonly spot: Spot;
}

function placedOn(project: Project, page: Page): Placed[] {
  const parts = new Set<string>();
  return placed(project, page).tiles.flatMap((tile) => {
    const photoId = photoIdOf(tile);
    if (photoId === undefined) return [];
    // One photo through several tiles is there once.
    const part = tile.through && tile.tile.through?.id;
    if (part && parts.has(part)) return [];
    if (part) parts.add(part);
    return [{ photoId, page, spot: { pageId: page.id, tileIds: [tile.id], at: tileBox(tile) } }];
  });
}

/** Pages that are seen at the same time. */
function seenTogether(project: Project): readonly (readonly Page[])[] {
  return !hasFacingPages(project)
    ? project.pages.map((p) => [p])
    : openingsOf(project.pages, firstOnRight(project)).map(pagesOf);
}

const grouped = <T>(all: readonly T[], keyOf: (t: T) => string): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const t of all) groups.set(keyOf(t), [...(groups.get(keyOf(t)) ?? []), t]);
  return groups;
};

/** One photo through several pockets or across a fold is meant so. */
const runsThrough = (page: Page) => holdsPockets(page);

/** A photo that comes again, and two that show nearly the same side by side. */
export const repeats: ProjectRule<Detail> = {
  looksAt: "project",
  find: (project, { photos, piles }) => {
    const papers = new Set(photos.filter((p) => p.section !== "photos").map((p) => p.id));
    const found: Found<Detail, never>[] = [];
    const all: Placed[] = [];
    const together = new Set<string>();
    const pileOf = new Map(piles.flatMap((pile, i) => pile.map((id) => [id, i] as const)));
    for (const pages of seenTogether(project)) {
      const here = pages.flatMap((p) => placedOn(project, p)).filter((p) => !papers.has(p.photoId));
      all.push(...here);
      for (const [photoId, those] of grouped(here, (p) => p.photoId)) {
        if (those.length < 2 || those.every((t) => t.page === those[0]!.page && runsThrough(t.page))) continue;
        together.add(photoId);
        found.push({
          code: "photoTwice",
          severity: "doubt",
          together: true,
          times: those.length,
          spots: those.map((t) => t.spot),
          fixes: [],
        });
      }
      const piled = here.filter((p) => pileOf.has(p.photoId));
      for (const [, those] of grouped(piled, (p) => String(pileOf.get(p.photoId))))
        if (new Set(those.map((t) => t.photoId)).size > 1)
          found.push({ code: "alikeTogether", severity: "hint", spots: those.map((t) => t.spot), fixes: [] });
    }
    for (const [photoId, those] of grouped(all, (p) => p.photoId)) {
      const pages = new Set(those.map((t) => t.page.id));
      if (pages.size < 2 || together.has(photoId)) continue;
      found.push({
        code: "photoTwice",
        severity: "hint",
        together: false,
        times: those.length,
        spots: those.map((t) => t.spot),
        fixes: [],
      });
    }
    return found;
  },
  fixes: {},
};
