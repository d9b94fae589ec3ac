import { hasSet, mapLeaves, type TreeNode } from "#core/arrange";
import { bindsSo, type LabCard, type PageFormat } from "#core/lab";
import { firstOnRight, formatOf, pageCount, pagesBefore, sideAt } from "./book.ts";
import { checkLook } from "./check-look.ts";
import { type Look, mapTiles, type Page, type Tile } from "./page.ts";
import type { Project } from "./project.ts";
import { refit } from "./solve-again.ts";
import { solvePage } from "./solve-page.ts";
import { parted } from "./spreads.ts";

/** What could not be kept when a project came to another size; pages by the number of their first leaf. */
export type Loss =
  | { readonly code: "seams"; readonly page: number }
  | { readonly code: "locks"; readonly page: number }
  | { readonly code: "gap"; readonly page: number }
  | { readonly code: "margin"; readonly page: number }
  | { readonly code: "spreadParted"; readonly page: number }
  | { readonly code: "pageCount"; readonly count: number }
  | { readonly code: "cover" };

const tidy = (mm: number): number => Math.round(mm * 10) / 10;

/** A page solved again for another format: in proportion what was measured, anew what was arranged. */
export function refitted(
  page: Page,
  from: PageFormat,
  to: PageFormat,
  aspectOf: (photoId: string) => number | undefined,
): { readonly page: Page; readonly lost: readonly ("seams" | "locks" | "gap" | "margin")[] } {
  const k = Math.sqrt((to.widthMm * to.heightMm) / (from.widthMm * from.heightMm));
  const least = Math.min(to.widthMm / from.widthMm, to.heightMm / from.heightMm);
  const lost: ("seams" | "locks" | "gap" | "margin")[] = [];
  const side = (mm: number) => (mm === 0 ? 0 : Math.max(mm >= from.safeMm ? to.safeMm : 0, tidy(mm * k)));
  const { margin } = page.look;
  let look: Look = {
    ...page.look,
    gapMm: tidy(page.look.gapMm * k),
    cornerMm: tidy(page.look.cornerMm * k),
    border: { ...page.look.border, widthMm: tidy(page.look.border.widthMm * k) },
    margin: { top: side(margin.top), right: side(margin.right), bottom: side(margin.bottom), left: side(margin.left) },
  };
  if (!checkLook({ ...look, gapMm: 0 }, to, null).ok) {
    look = { ...look, margin: { top: 0, right: 0, bottom: 0, left: 0 } };
    lost.push("margin");
  }
  const dressed = mapTiles({ ...page, look }, (t) => scaledWords(t, k, page.look, look));
  const over = dressed.over.map((t) => moved(t, from, to, least));
  let next: Page = { ...dressed, over };
  const { arrangement } = next;
  if (arrangement?.kind === "tree") {
    // Two to four photos have seams that were set by the arranging itself.
    if (hasSet(arrangement.tree) && JSON.stringify(arrangement.tree) !== JSON.stringify(arrangement.first))
      lost.push("seams");
    if (next.tiles.some((t) => t.locked)) lost.push("locks");
    const free = { ...next, tiles: next.tiles.map((t) => (t.locked ? { ...t, locked: false } : t)) };
    const loose = { ...arrangement, tree: unshaped(arrangement.tree, free.tiles) };
    const fits = checkLook(look, to, loose);
    if (!fits.ok) {
      lost.push("gap");
      look = { ...look, gapMm: Math.max(0, Math.floor(Number(fits.facts.mostMm) * 10) / 10) };
    }
    const solved = refit({ ...free, look, arrangement: loose }, to, {
      seed: arrangement.seed,
      keepSet: false,
      aspectOf: (tileId) => {
        const tile = free.tiles.find((t) => t.id === tileId);
        return tile?.filling.kind === "photo" ? aspectOf(tile.filling.view.photoId) : undefined;
      },
    });
    next = {
      ...solved,
      tiles: solved.tiles.map((t) => ({ ...t, locked: next.tiles.some((o) => o.id === t.id && o.locked) })),
    };
  }
  return { page: solvePage(next, to), lost };
}

/** A shape that a person asked for belongs to the size it was asked on; words keep theirs. */
const unshaped = (tree: TreeNode, tiles: readonly Tile[]): TreeNode =>
  mapLeaves(tree, (l) =>
    l.shaped && tiles.find((t) => t.id === l.tileId)?.filling.kind === "photo" ? { ...l, shaped: undefined } : l,
  );

function scaledWords(t: Tile, k: number, was: Look, look: Look): Tile {
  const own = t.outline.cornerMm === was.cornerMm ? look.cornerMm : tidy(t.outline.cornerMm * k);
  const border =
    t.edge.border.widthMm === was.border.widthMm ? { ...t.edge.border, widthMm: look.border.widthMm } : t.edge.border;
  const dressed: Tile = { ...t, outline: { ...t.outline, cornerMm: own }, edge: { ...t.edge, border } };
  if (dressed.filling.kind !== "words") return dressed;
  const { style } = dressed.filling;
  const sizePt = Math.min(500, Math.max(5, Math.round(style.sizePt * k * 2) / 2));
  return { ...dressed, filling: { ...dressed.filling, style: { ...style, sizePt, insetMm: tidy(style.insetMm * k) } } };
}

function moved(t: Tile, from: PageFormat, to: PageFormat, least: number): Tile {
  const { centre, width, height } = t.frame;
  return {
    ...t,
    frame: {
      ...t.frame,
      centre: { x: (centre.x * to.widthMm) / from.widthMm, y: (centre.y * to.heightMm) / from.heightMm },
      width: width * least,
      height: height * least,
    },
  };
}

/** All pages for another lab card or size, and what could not be kept. */
export function inAnotherSize(
  project: Project,
  to: { readonly lab: LabCard | null; readonly format: PageFormat },
  given: { readonly aspectOf: (photoId: string) => number | undefined; readonly newId: () => string },
): { readonly project: Project; readonly losses: readonly Loss[] } {
  const losses: Loss[] = [];
  const rules = to.lab?.book;
  const bare: Project = {
    ...project,
    ...to,
    book:
      project.book && rules
        ? {
            ...project.book,
            paperId: (rules.papers.find((p) => p.id === project.book!.paperId) ?? rules.papers[0]!).id,
            coverId: (rules.covers.find((c) => c.id === project.book!.coverId) ?? rules.covers[0]!).id,
          }
        : project.book,
  };
  const numbers = pagesBefore(project.pages);
  const first = firstOnRight(bare);
  let at = 0;
  const row: { readonly page: Page; readonly from: PageFormat; readonly number: number }[] = [];
  for (const [i, page] of project.pages.entries()) {
    const number = numbers[i]! + 1;
    const torn = project.kind === "book" && page.leaves === 2 && sideAt(at, first) === "right";
    if (torn) losses.push({ code: "spreadParted", page: number });
    const from = torn ? project.format : formatOf(project, page);
    for (const p of torn ? parted(project, page, given.newId) : [page]) row.push({ page: p, from, number });
    at += page.leaves;
  }
  const laidOut: Project = { ...bare, pages: row.map((r) => r.page) };
  const pages = row.map(({ page, from, number }) => {
    const done = refitted(page, from, formatOf(laidOut, page), given.aspectOf);
    losses.push(...done.lost.map((code): Loss => ({ code, page: number })));
    return done.page;
  });
  const count = pageCount(pages);
  if (rules && project.kind === "book" && !bindsSo(rules, count)) losses.push({ code: "pageCount", count });
  if (project.cover) losses.push({ code: "cover" });
  const k = Math.sqrt((to.format.widthMm * to.format.heightMm) / (project.format.widthMm * project.format.heightMm));
  const style = { ...project.style, gapMm: tidy(project.style.gapMm * k) };
  return { project: { ...laidOut, pages, style }, losses };
}
