import {
  type Change,
  freeTiles,
  frontAndBack,
  layTree,
  mainGroup,
  mapTiles,
  type Page,
  type PlacedPage,
  type PocketsOf,
  type Project,
  patternSide,
  placeAgain,
  sideOf,
  withPattern,
} from "#core/document";
import { backOf, type PocketPattern } from "#core/pockets";

/** A card is that much smaller than its pocket where a work says nothing. */
const usualClearanceMm = 2;

export const clearanceOf = (project: Project): number => project.pockets?.cardClearanceMm ?? usualClearanceMm;

/** A page's pockets as the front of its leaf shows them, whichever side the page is. */
export function frontPattern(project: Project, page: Page): PocketPattern | undefined {
  const arrangement = mainGroup(page)?.arrangement;
  if (arrangement?.kind !== "pockets") return undefined;
  return sideOf(project, page.id) === "left" ? backOf(arrangement.pattern) : arrangement.pattern;
}

/** Other pockets for both sides of a leaf; what was in the old ones goes into the new, as they are read. */
export const leafPatterned = (project: Project, page: Page, pattern: PocketPattern, newId: () => string): Change[] =>
  frontAndBack(project, page.id).map((p) => ({
    type: "replacePage",
    page: withPattern(p, patternSide(pattern, sideOf(project, p.id)), clearanceOf(project), newId),
  }));

/** A page with one empty tile that can be split and dragged into pockets; free tiles stay. */
export function pageToDrawOn(on: PlacedPage, newId: () => string): Page | undefined {
  const bare = { ...on.page, pieces: freeTiles(on.page), blank: false, paced: false, plain: false };
  const laid = layTree(placeAgain(on, bare), { photos: [{ id: "", aspect: 1 }], seed: 0, newId });
  return laid.ok
    ? mapTiles(laid.value.page, (t) => ("frame" in t ? t : { ...t, filling: { kind: "empty" } }))
    : undefined;
}

/** What pockets of a work are; another clearance holds for every page of them. */
export function pocketsSet(project: Project, change: Partial<PocketsOf>): Change[] {
  if (!project.pockets) return [];
  const pockets = { ...project.pockets, ...change };
  const { cardClearanceMm } = pockets;
  const pages =
    cardClearanceMm === project.pockets.cardClearanceMm
      ? []
      : project.pages.flatMap((p): Change[] => {
          const group = mainGroup(p);
          if (group?.arrangement.kind !== "pockets") return [];
          const arrangement = { ...group.arrangement, cardClearanceMm };
          return [{ type: "setGroups", pageId: p.id, items: [{ id: group.id, set: { arrangement } }] }];
        });
  return [{ type: "setProject", pockets }, ...pages];
}

/** Where a leaf comes that stands behind a page's own. */
export function placeBehindLeaf(project: Project, page: Page): number {
  const i = project.pages.indexOf(page);
  return sideOf(project, page.id) === "right" ? Math.min(project.pages.length, i + 2) : i + 1;
}
