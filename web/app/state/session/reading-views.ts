import {
  coverParts,
  drawnPage,
  firstOnRight,
  hasFacingPages,
  type Opening,
  openingsOf,
  type Page,
  type PlacedPage,
  type Project,
} from "#core/document";
import type { Rect } from "#core/geometry";
import { hiddenAtEdges, trimBox } from "#core/lab";

/** One leaf as it is seen when the book lies open: up to the cut, and up to where the binding swallows it. */
export interface LeafView {
  readonly pageId: string;
  readonly page: PlacedPage;
  readonly box: Rect;
}

/** What is seen at once. A spread is both leaves of one page. */
export interface ReadingView {
  readonly key: string;
  readonly left: LeafView | undefined;
  readonly right: LeafView | undefined;
  /** Numbers of its first and last leaf; 0 for the cover. */
  readonly from: number;
  readonly to: number;
}

/** The whole work in the order in which it is read: cover, openings, back. */
export function readingViews(project: Project, takenOf: (photoId: string) => string | undefined): ReadingView[] {
  const drawn = (page: Page) => drawnPage(project, page, takenOf);
  if (!hasFacingPages(project))
    return project.pages.map((p, i) => ({
      key: p.id,
      left: undefined,
      right: leaf(drawn(p)),
      from: i + 1,
      to: i + 1,
    }));
  const openings = openingsOf(project.pages, firstOnRight(project)).map((o) => openingView(o, drawn));
  const [front, back] = coverViews(project, drawn);
  return [...(front ? [front] : []), ...openings, ...(back ? [back] : [])];
}

/** Up to the trim; at a fold up to what it hides. */
function leaf(page: PlacedPage): LeafView {
  const hidden = hiddenAtEdges(page.format);
  const trim = trimBox(page.format);
  return { pageId: page.id, page, box: { ...trim, x: hidden.left, w: trim.w - hidden.left - hidden.right } };
}

function openingView(o: Opening, drawn: (page: Page) => PlacedPage): ReadingView {
  const key = (o.spread ?? o.left ?? o.right)!.id;
  if (o.spread) {
    const page = drawn(o.spread);
    const { format } = page;
    const hidden = format.folds?.[0]?.hiddenMm ?? 0;
    const half = format.widthMm / 2;
    const of = (x: number): LeafView => ({
      pageId: o.spread!.id,
      page,
      box: { x, y: 0, w: half - hidden, h: format.heightMm },
    });
    return { key, left: of(0), right: of(half + hidden), from: o.firstNumber, to: o.firstNumber + 1 };
  }
  const view = (p: Page | undefined) => p && leaf(drawn(p));
  const both = o.left !== undefined && o.right !== undefined;
  return { key, left: view(o.left), right: view(o.right), from: o.firstNumber, to: o.firstNumber + (both ? 1 : 0) };
}

function coverViews(project: Project, drawn: (page: Page) => PlacedPage): readonly ReadingView[] {
  const parts = coverParts(project);
  if (!project.cover || !parts) return [];
  const page = drawn(project.cover);
  const panel = (part: "front" | "back"): LeafView => {
    const p = parts.panels.find((x) => x.part === part)!;
    return { pageId: page.id, page, box: { x: p.x, y: 0, w: p.w, h: parts.heightMm } };
  };
  return [
    { key: "front", left: undefined, right: panel("front"), from: 0, to: 0 },
    { key: "back", left: panel("back"), right: undefined, from: 0, to: 0 },
  ];
}
