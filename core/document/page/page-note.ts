import { type DrawnShapes, groundTile, type SvgElement } from "#core/drawings";
import { chain, inverse, type Matrix, type Point, transformed, translation } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { type DrawnTile, piecesAsDrawn } from "./as-drawn.ts";
import { type Look, type Page, photosOf } from "./page.ts";
import { pageWithPhotoIds } from "./photo-ids.ts";
import type { PlacedPage } from "./place-page.ts";

/** What a drawing of pages says beside what SVG can say, so that the pages come back out of it. */

/** On the drawing's outermost element, as JSON. */
export const pageAttribute = "data-tessip-page";

interface NotedPage {
  readonly page: Page;
  /** From the page's mm into the drawing's. */
  readonly place: Matrix;
  readonly format: Pick<PageFormat, "name" | "widthMm" | "heightMm" | "bleedMm" | "safeMm" | "ppi" | "leastPpi">;
  /** What the page inherited from. */
  readonly style: Look;
  readonly tiles: readonly DrawnTile[];
}

export interface PageNote {
  readonly version: 1;
  /** Where the drawing's own corner lies, in mm. */
  readonly corner: Point;
  readonly pages: readonly NotedPage[];
  /** By their hashes, photos are known again in another library. */
  readonly photos: readonly { readonly id: string; readonly hash: string }[];
}

export function pageNoteOf(
  parts: readonly { readonly page: PlacedPage; readonly place: Matrix }[],
  corner: Point,
  hashOf: (photoId: string) => string | undefined,
): PageNote {
  const photoIds = new Set(parts.flatMap(({ page }) => photosOf(page.page, page.style)));
  return {
    version: 1,
    corner: { x: corner.x, y: corner.y },
    pages: parts.map(({ page: { page, format, style, tiles }, place }) => {
      const { name, widthMm, heightMm, bleedMm, safeMm, ppi, leastPpi } = format;
      return {
        page,
        place,
        format: { name, widthMm, heightMm, bleedMm, safeMm, ppi, leastPpi },
        style,
        tiles: tiles.map(({ id, frame, outline, cornerMm, border }) => ({ id, frame, outline, cornerMm, border })),
      };
    }),
    photos: [...photoIds].flatMap((id) => {
      const hash = hashOf(id);
      return hash === undefined ? [] : [{ id, hash }];
    }),
  };
}

/** The note of a drawing that is one of pages. `check` says whether something from outside is one, as the schema has it. */
export function pageNoteIn(root: SvgElement, check: (data: unknown) => PageNote | undefined): PageNote | undefined {
  const text = root.attributes[pageAttribute];
  if (text === undefined) return undefined;
  try {
    return check(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/**
 * The pages of a drawing as they are in it now, with what was moved, changed, added or taken out elsewhere. A shape that was added goes to the first page.
 * `idOf` gives the id that a photo has in this library.
 */
export function pagesAsDrawn(
  { corner, pages }: PageNote,
  { shapes }: DrawnShapes,
  idOf: (photoId: string) => string,
  newId: () => string,
): readonly NotedPage[] {
  const whose = new Map(pages.flatMap(({ tiles }, i) => tiles.map((t) => [t.id, i] as const)));
  const drawn = shapes.filter((s) => s.tileId !== groundTile);
  return pages.map((noted, i) => {
    const toPage = chain(inverse(noted.place), translation(corner.x, corner.y));
    const own = drawn
      .filter((s) => (whose.get(s.tileId ?? "") ?? 0) === i)
      .map((s) => ({ ...s, path: transformed(s.path, toPage) }));
    const pieces = piecesAsDrawn(noted.page.pieces, noted.tiles, own, { newId, bordersDrawn: false });
    return { ...noted, page: pageWithPhotoIds({ ...noted.page, pieces }, idOf) };
  });
}
