import type { BookCover, BookPaper, BookRules, Fold, PageFormat, PrintSize } from "#core/lab";
import { formatFromCard, spineMm } from "#core/lab";
import type { Page, Print } from "../page/page.ts";
import { type PlacedPage, placePage } from "../page/place-page.ts";
import type { Project } from "./project.ts";

export type Side = "left" | "right" | "single";

/** Whether its pages face each other, as in a book or a binder. */
export const hasFacingPages = ({ kind }: Pick<Project, "kind">): boolean => kind === "book" || kind === "pockets";

export const rulesOf = (project: Project): BookRules | undefined =>
  project.kind === "book" ? project.lab?.book : undefined;

interface RowFacts {
  readonly before: readonly number[];
  readonly at: ReadonlyMap<string, number>;
}

/** Asked for once for each of hundreds of pages; a row of pages never changes. */
const known = new WeakMap<readonly Page[], RowFacts>();

function factsOf(pages: readonly Page[]): RowFacts {
  const there = known.get(pages);
  if (there) return there;
  let sum = 0;
  const before = pages.map((p) => {
    const first = sum;
    sum += p.span;
    return first;
  });
  const facts = { before, at: new Map(pages.map((p, i) => [p.id, i])) };
  known.set(pages, facts);
  return facts;
}

/** How many pages of paper come before each page in the row. */
export const pagesBefore = (pages: readonly Page[]): readonly number[] => factsOf(pages).before;

/** Pages as the lab counts them: a spread is two. */
export const pageCount = (pages: readonly Page[]): number => pages.reduce((sum, p) => sum + p.span, 0);

export const sideAt = (pagesBefore: number, firstOnRight: boolean): "left" | "right" =>
  (pagesBefore + (firstOnRight ? 1 : 0)) % 2 === 0 ? "left" : "right";

/** Two leaves that are seen together, or one that is seen alone, as the first or the last may be. */
export interface Opening {
  readonly left: Page | undefined;
  readonly right: Page | undefined;
  /** In place of the two. */
  readonly spread: Page | undefined;
  /** The number of its first leaf, from 1. */
  readonly firstNumber: number;
}

export const pagesOf = (o: Opening): readonly Page[] =>
  o.spread ? [o.spread] : [o.left, o.right].filter((p) => p !== undefined);

/** The book as it is leafed through. A spread that does not begin on a left page stands by itself all the same. */
export function openingsOf(pages: readonly Page[], firstOnRight: boolean): Opening[] {
  const found: Opening[] = [];
  let before = 0;
  let left: Page | undefined;
  const bare = { left: undefined, right: undefined, spread: undefined };
  const flush = () => {
    if (left) found.push({ ...bare, left, firstNumber: before });
    left = undefined;
  };
  for (const page of pages) {
    if (page.span === 2) {
      flush();
      found.push({ ...bare, spread: page, firstNumber: before + 1 });
    } else if (sideAt(before, firstOnRight) === "left") {
      flush();
      left = page;
    } else {
      found.push({ ...bare, left, right: page, firstNumber: left ? before : before + 1 });
      left = undefined;
    }
    before += page.span;
  }
  flush();
  return found;
}

/** Whether every spread begins on a left page, as it must to be one. */
export function spreadsHold(pages: readonly Page[], firstOnRight: boolean): boolean {
  const before = pagesBefore(pages);
  return pages.every((p, i) => p.span === 1 || sideAt(before[i]!, firstOnRight) === "left");
}

/** The side of a page in its project; single where pages do not face each other. */
export function sideOf(project: Project, pageId: string): Side {
  if (!hasFacingPages(project)) return "single";
  const { at, before } = factsOf(project.pages);
  const i = at.get(pageId) ?? -1;
  if (i < 0 || project.pages[i]!.span === 2) return "single";
  return sideAt(before[i]!, firstOnRight(project));
}

export const firstOnRight = (project: Project): boolean => rulesOf(project)?.firstOnRight ?? true;

/** Both sides of the leaf of pockets that a page is one of: a right page is a front, the left one after it its back. */
export function frontAndBack(project: Project, pageId: string): readonly Page[] {
  const i = project.pages.findIndex((p) => p.id === pageId);
  if (i < 0) return [];
  const front = sideOf(project, pageId) === "right" ? i : i - 1;
  return project.pages.slice(Math.max(0, front), front + 2);
}

/** Whether every page that stays lies on the side that it lies on now. */
export function sidesKept(project: Project, pages: readonly Page[]): boolean {
  if (!hasFacingPages(project)) return true;
  const first = firstOnRight(project);
  const sides = (row: readonly Page[]) => {
    const before = pagesBefore(row);
    return new Map(row.map((p, i) => [p.id, sideAt(before[i]!, first)]));
  };
  const was = sides(project.pages);
  return [...sides(pages)].every(([id, side]) => (was.get(id) ?? side) === side);
}

/** The opening that a page is seen in; undefined for a cover and for pages that do not face each other. */
export function openingOf(project: Project, pageId: string): Opening | undefined {
  if (!hasFacingPages(project)) return undefined;
  return openingsOf(project.pages, firstOnRight(project)).find((o) => pagesOf(o).some((p) => p.id === pageId));
}

/** The size of a print as its lab's card has it; none where the card has it no more. */
export const printSize = ({ lab }: Pick<Project, "lab">, { sizeId }: Print): PrintSize | undefined =>
  lab?.sizes.find((s) => s.id === sizeId);

function printFormat(project: Project, print: Print): PageFormat {
  const { lab, format } = project;
  const size = printSize(project, print);
  if (!lab || !size) return format;
  const made = formatFromCard(lab, size, print.sideways);
  return variant(format, JSON.stringify(made), () => made);
}

const formats = new WeakMap<PageFormat, Map<string, PageFormat>>();

/** The same object for the same leaf, so that what hangs on it need not be made again. */
function variant(base: PageFormat, key: string, make: () => PageFormat): PageFormat {
  const variants = formats.get(base) ?? new Map<string, PageFormat>();
  formats.set(base, variants);
  const made = variants.get(key) ?? make();
  variants.set(key, made);
  return made;
}

/** The format of one page: in a book, with the fold at its inner edge; of a spread, twice as wide with it in the middle. */
export function leafFormat(base: PageFormat, side: Side, leaves: 1 | 2, hiddenMm: number): PageFormat {
  if (side === "single" && leaves === 1) return base;
  const fold = (atMm: number): { readonly folds: readonly Fold[] } => ({ folds: [{ atMm, hiddenMm }] });
  return variant(base, `${side} ${leaves} ${hiddenMm}`, () =>
    leaves === 2
      ? {
          ...base,
          widthMm: 2 * base.widthMm,
          ...fold(base.widthMm),
          regions: [
            { of: "left", x: 0, w: base.widthMm },
            { of: "right", x: base.widthMm, w: base.widthMm },
          ],
        }
      : { ...base, ...fold(side === "left" ? base.widthMm : 0) },
  );
}

/** The format that a page of this project has where it stands; the cover's own for the cover. */
export function formatOf(project: Project, page: Pick<Page, "id" | "span" | "print">): PageFormat {
  if (project.cover?.id === page.id) return coverFormat(project) ?? project.format;
  if (page.print) return printFormat(project, page.print);
  if (!hasFacingPages(project)) return project.format;
  return leafFormat(project.format, sideOf(project, page.id), page.span, rulesOf(project)?.gutterMm ?? 0);
}

/** A strip of the cover as it lies flat, in mm across. */
export interface CoverPanel {
  readonly part: "backFlap" | "back" | "spine" | "front" | "frontFlap";
  readonly x: number;
  readonly w: number;
}

export interface CoverParts {
  readonly cover: BookCover;
  readonly paper: BookPaper;
  readonly spineMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly panels: readonly CoverPanel[];
}

/** The cover's measures as they follow from the lab's rules, the paper and the number of pages; none without a book. */
export function coverParts(project: Project, pages = pageCount(project.pages)): CoverParts | undefined {
  const rules = rulesOf(project);
  if (!rules || !project.book) return undefined;
  const cover = rules.covers.find((c) => c.id === project.book!.coverId) ?? rules.covers[0]!;
  const paper = rules.papers.find((p) => p.id === project.book!.paperId) ?? rules.papers[0]!;
  const spine = spineMm(cover, paper, pages);
  const board = project.format.widthMm + cover.overhangMm;
  const widths: readonly (readonly [CoverPanel["part"], number])[] = [
    ["backFlap", cover.flapMm],
    ["back", board],
    ["spine", spine],
    ["front", board],
    ["frontFlap", cover.flapMm],
  ];
  let x = 0;
  const panels = widths.flatMap(([part, w]) => {
    const panel = { part, x, w };
    x += w;
    return w > 0 ? [panel] : [];
  });
  const heightMm = project.format.heightMm + 2 * cover.overhangMm;
  return { cover, paper, spineMm: spine, widthMm: x, heightMm, panels };
}

/** The cover as one page, laid flat with its outside up. */
export function coverFormat(project: Project): PageFormat | undefined {
  const parts = coverParts(project);
  if (!parts) return undefined;
  const { cover, panels, widthMm, heightMm } = parts;
  const spine = panels.find((p) => p.part === "spine");
  const key = `cover ${widthMm} ${heightMm} ${parts.spineMm} ${cover.id}`;
  return variant(project.format, key, () => ({
    ...project.format,
    widthMm,
    heightMm,
    bleedMm: Math.max(cover.wrapMm, project.format.bleedMm),
    folds: panels.slice(1).map((p) => ({ atMm: p.x, hiddenMm: 0 })),
    regions: panels.map((p) => ({ of: p.part, x: p.x, w: p.w })),
    ...(spine ? { spine: { atMm: spine.x, widthMm: spine.w } } : {}),
  }));
}

/** A page placed where it stands in its work. */
export const placed = (project: Project, page: Page): PlacedPage =>
  placePage(page, formatOf(project, page), project.style);
