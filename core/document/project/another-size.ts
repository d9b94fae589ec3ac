import { hasSet, mapLeaves, type TreeNode } from "#core/arrange";
import { scaledSides } from "#core/geometry";
import { bindsSo, type LabCard, type PageFormat } from "#core/lab";
import { firstTree } from "../arranging/lay-tree.ts";
import { refit } from "../arranging/solve-again.ts";
import { checkLook, withGapThatFits } from "../page/check-look.ts";
import { lookOf, withLook } from "../page/look.ts";
import {
  type FreeTile,
  type Group,
  isGroup,
  isLocked,
  type Look,
  type Page,
  type Piece,
  type Tile,
  treeIn,
  withGroup,
} from "../page/page.ts";
import { placePage } from "../page/place-page.ts";
import { firstOnRight, formatOf, pageCount, pagesBefore, sideAt } from "./book.ts";
import type { Project } from "./project.ts";
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

/** How much longer the sides of a page have become, on the whole. */
const growth = (from: PageFormat, to: PageFormat): number =>
  Math.sqrt((to.widthMm * to.heightMm) / (from.widthMm * from.heightMm));

/** A look in proportion; a margin that kept clear of the cut still does. */
function scaledLook<L extends Look>(look: L, from: PageFormat, to: PageFormat): L {
  const k = growth(from, to);
  const side = (mm: number) => (mm === 0 ? 0 : Math.max(mm >= from.safeMm ? to.safeMm : 0, tidy(mm * k)));
  const { margin } = look;
  return {
    ...look,
    gapMm: tidy(look.gapMm * k),
    cornerMm: tidy(look.cornerMm * k),
    border: { ...look.border, widthMm: tidy(look.border.widthMm * k) },
    soft: scaledSides(look.soft, k),
    margin: { top: side(margin.top), right: side(margin.right), bottom: side(margin.bottom), left: side(margin.left) },
  };
}

/** Where a page stands, and in what style. */
interface Standing {
  readonly format: PageFormat;
  readonly style: Look;
}

/** A page solved again for another format: in proportion what was measured, anew what was arranged. */
export function refitted(
  page: Page,
  was: Standing,
  is: Standing,
  aspectOf: (photoId: string) => number | undefined,
): { readonly page: Page; readonly lost: readonly ("seams" | "locks" | "gap" | "margin")[] } {
  const [from, to] = [was.format, is.format];
  const k = growth(from, to);
  const least = Math.min(to.widthMm / from.widthMm, to.heightMm / from.heightMm);
  const lost: ("seams" | "locks" | "gap" | "margin")[] = [];
  let look: Look = scaledLook(lookOf(page, was.style), from, to);
  if (!checkLook({ ...look, gapMm: 0 }, to, { ...page, pieces: [] }).ok) {
    look = { ...look, margin: { top: 0, right: 0, bottom: 0, left: 0 } };
    lost.push("margin");
  }
  const pieces = page.pieces.map((piece): Piece => {
    if (!isGroup(piece)) return moved(scaledTile(piece, k), from, to, least);
    const { gapMm } = piece;
    const tiles = piece.tiles.map((t) => scaledTile(t, k));
    return inRectangle(
      { ...scaledDress(piece, k), tiles, ...(gapMm === undefined ? {} : { gapMm: tidy(gapMm * k) }) },
      from,
      to,
    );
  });
  let next: Page = withLook({ ...page, pieces }, look, is.style);
  for (const group of pieces.filter(isGroup)) {
    const tree = treeIn(group);
    if (!tree) continue;
    // Two to four photos have seams that were set by the arranging itself.
    if (hasSet(tree.tree) && tree.tree !== firstTree(group)) lost.push("seams");
    if (group.tiles.some(isLocked)) lost.push("locks");
    const loose: Group = { ...group, arrangement: { ...tree, tree: unshaped(tree.tree, group.tiles) } };
    const fits = withGapThatFits(withGroup(next, loose), look, to);
    if (fits.gapNow !== undefined) lost.push("gap");
    const placed = placePage(fits.page, to, is.style).groups.find((g) => g.group.id === group.id)!;
    const free: Group = { ...placed.group, tiles: placed.group.tiles.map(({ lock: _, ...t }) => t) };
    const solved = refit(
      { ...placed, group: free },
      {
        seed: tree.seed,
        keepSet: false,
        aspectOf: (tileId) => {
          const tile = free.tiles.find((t) => t.id === tileId);
          return tile?.filling.kind === "photo" ? aspectOf(tile.filling.view.photoId) : undefined;
        },
      },
    );
    const locks = new Map(group.tiles.map((t) => [t.id, t.lock]));
    const tiles = solved.tiles.map((t) => (locks.get(t.id) ? { ...t, lock: locks.get(t.id) } : t));
    next = withGroup(fits.page, { ...solved, tiles });
  }
  return { page: next, lost: [...new Set(lost)] };
}

/** A shape that a person asked for belongs to the size it was asked on; words keep theirs. */
const unshaped = (tree: TreeNode, tiles: readonly Tile[]): TreeNode =>
  mapLeaves(tree, (l) =>
    l.shaped && tiles.find((t) => t.id === l.tileId)?.filling.kind === "photo" ? { ...l, shaped: undefined } : l,
  );

/** What is said of corners and soft edges, in proportion; a border of a tile's own keeps its width. */
const scaledDress = <T extends Pick<Tile, "cornerMm" | "soft">>(t: T, k: number): T => ({
  ...t,
  ...(t.cornerMm === undefined ? {} : { cornerMm: tidy(t.cornerMm * k) }),
  ...(t.soft === undefined ? {} : { soft: scaledSides(t.soft, k) }),
});

function scaledTile<T extends Tile>(t: T, k: number): T {
  const dressed = scaledDress(t, k);
  if (dressed.filling.kind !== "words") return dressed;
  const { style } = dressed.filling;
  const sizePt = Math.min(500, Math.max(5, Math.round(style.sizePt * k * 2) / 2));
  return { ...dressed, filling: { ...dressed.filling, style: { ...style, sizePt, insetMm: tidy(style.insetMm * k) } } };
}

function moved(t: FreeTile, from: PageFormat, to: PageFormat, least: number): FreeTile {
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

/** Shares of a room need nothing; a rectangle is measured. */
function inRectangle(group: Group, from: PageFormat, to: PageFormat): Group {
  if (group.room.kind !== "rectangle") return group;
  const { rect } = group.room;
  const [sx, sy] = [to.widthMm / from.widthMm, to.heightMm / from.heightMm];
  return {
    ...group,
    room: { ...group.room, rect: { x: rect.x * sx, y: rect.y * sy, w: rect.w * sx, h: rect.h * sy } },
  };
}

/** All pages for another lab card or size, and what could not be kept. */
export function inAnotherSize(
  project: Project,
  to: { readonly lab: LabCard | null; readonly format: PageFormat },
  given: { readonly aspectOf: (photoId: string) => number | undefined; readonly newId: () => string },
): { readonly project: Project; readonly losses: readonly Loss[] } {
  const losses: Loss[] = [];
  if (project.kind === "prints")
    return { project: { ...project, ...to, pages: printsElsewhere(project, to.lab) }, losses };
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
    const torn = project.kind === "book" && page.span === 2 && sideAt(at, first) === "right";
    if (torn) losses.push({ code: "spreadParted", page: number });
    const from = torn ? project.format : formatOf(project, page);
    for (const p of torn ? parted(project, page, given.newId) : [page]) row.push({ page: p, from, number });
    at += page.span;
  }
  const style = scaledLook(project.style, project.format, to.format);
  const laidOut: Project = { ...bare, style, pages: row.map((r) => r.page) };
  const pages = row.map(({ page, from, number }) => {
    const to = { format: formatOf(laidOut, page), style };
    const done = refitted(page, { format: from, style: project.style }, to, given.aspectOf);
    losses.push(...done.lost.map((code): Loss => ({ code, page: number })));
    return done.page;
  });
  const count = pageCount(pages);
  if (rules && project.kind === "book" && !bindsSo(rules, count)) losses.push({ code: "pageCount", count });
  if (project.cover) losses.push({ code: "cover" });
  return { project: { ...laidOut, pages }, losses };
}

/** Whether a sheet has room for all of another, so that what lies on that can stay as large as it is. */
export const isLarger = (than: PageFormat, to: PageFormat): boolean =>
  to.widthMm >= than.widthMm && to.heightMm >= than.heightMm;

/** A page on a larger sheet: everything keeps its size and lies in the middle, and the margins take the rest. */
function onLargerSheet(page: Page, was: Standing, is: Standing): Page {
  const [dx, dy] = [(is.format.widthMm - was.format.widthMm) / 2, (is.format.heightMm - was.format.heightMm) / 2];
  const pieces = page.pieces.map((piece): Piece => {
    if (!isGroup(piece)) {
      const { centre } = piece.frame;
      return { ...piece, frame: { ...piece.frame, centre: { x: centre.x + dx, y: centre.y + dy } } };
    }
    const { room } = piece;
    if (room.kind === "rectangle")
      return { ...piece, room: { ...room, rect: { ...room.rect, x: room.rect.x + dx, y: room.rect.y + dy } } };
    return room.margin ? { ...piece, room: { ...room, margin: widened(room.margin, dx, dy) } } : piece;
  });
  const look = lookOf(page, was.style);
  return withLook({ ...page, pieces }, { ...look, margin: widened(look.margin, dx, dy) }, is.style);
}

const widened = (m: Look["margin"], dx: number, dy: number): Look["margin"] => ({
  top: m.top + dy,
  bottom: m.bottom + dy,
  left: m.left + dx,
  right: m.right + dx,
});

/**
 * The same pages on a larger sheet of another lab or size, where all stays where it is. For works whose pages do not face each other;
 * their sheets have no folds.
 */
export function onLargerSheets(
  project: Project,
  to: { readonly lab: LabCard | null; readonly format: PageFormat },
): Project {
  const { margin } = project.style;
  const [dx, dy] = [
    (to.format.widthMm - project.format.widthMm) / 2,
    (to.format.heightMm - project.format.heightMm) / 2,
  ];
  const style: Look = { ...project.style, margin: widened(margin, dx, dy) };
  const [was, is] = [
    { format: project.format, style: project.style },
    { format: to.format, style },
  ];
  return { ...project, ...to, style, pages: project.pages.map((p) => onLargerSheet(p, was, is)) };
}

/** Prints in the sizes of another lab: each in the one of the same name there, or else in the nearest. */
function printsElsewhere(project: Project, lab: LabCard | null): readonly Page[] {
  return project.pages.map((page) => {
    const { print } = page;
    if (!print || !lab) return page;
    const was = project.lab?.sizes.find((s) => s.id === print.sizeId);
    const areaOf = (s: { readonly widthMm: number; readonly heightMm: number }) => s.widthMm * s.heightMm;
    const far = (s: LabCard["sizes"][number]) => Math.abs(Math.log(areaOf(s) / (was ? areaOf(was) : areaOf(s))));
    const size =
      lab.sizes.find((s) => s.name === was?.name) ?? lab.sizes.reduce((best, s) => (far(s) < far(best) ? s : best));
    return { ...page, print: { ...print, sizeId: size.id } };
  });
}
