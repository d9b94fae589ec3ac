import {
  autoFramed,
  cardAlone,
  drawnPage,
  findPage,
  findTile,
  formatOf,
  frameRect,
  type Page,
  type Project,
  type Tile,
} from "#core/document";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { Want } from "#core/sheets";
import { outlineTile, plainTile } from "./plain-tiles.ts";

/** A piece as a page of its own. */
export interface PiecePage {
  readonly page: Page;
  readonly format: PageFormat;
  /** The piece as it is cut, in the page's mm. */
  readonly cut: Rect;
  /** How far its picture goes on beyond that. */
  readonly bleedMm: number;
}

const paper = "#ffffff";

/**
 * What a want prints, with as much bleed as is asked for where the picture has any. Nothing where its page, tile or photo is
 * gone from the work.
 */
export function piecePage(
  project: Project,
  want: Want,
  bleedMm: number,
  takenOf: (photoId: string) => string | undefined,
): PiecePage | undefined {
  const made = barePiece(project, want, bleedMm, takenOf);
  if (!made) return undefined;
  const finish = finishTiles(want, made);
  return finish.length === 0 ? made : { ...made, page: { ...made.page, over: [...made.page.over, ...finish] } };
}

function barePiece(
  project: Project,
  want: Want,
  bleedMm: number,
  takenOf: (photoId: string) => string | undefined,
): PiecePage | undefined {
  const { source, widthMm, heightMm } = want;
  if (source.from === "photo") {
    const format: PageFormat = { ...project.format, widthMm, heightMm, bleedMm };
    const tile: Tile = {
      ...plainTile("photo", { x: -bleedMm, y: -bleedMm, w: widthMm + 2 * bleedMm, h: heightMm + 2 * bleedMm }, paper),
      filling: { kind: "photo", view: autoFramed(source.photoId) },
    };
    const look = { ...project.style, background: paper, backdrop: null };
    return { page: pageOf(look, [tile]), format, cut: { x: 0, y: 0, w: widthMm, h: heightMm }, bleedMm };
  }
  const page = findPage(project, source.pageId);
  if (!page) return undefined;
  const format = formatOf(project, page);
  if (source.from === "page")
    return {
      page: drawnPage(project, page, takenOf),
      format,
      cut: { x: 0, y: 0, w: format.widthMm, h: format.heightMm },
      bleedMm: Math.min(bleedMm, format.bleedMm),
    };
  const tile = findTile(page, source.tileId);
  if (!tile || tile.filling.kind === "empty") return undefined;
  return { page: cardAlone(page, tile, bleedMm), format, cut: frameRect(tile.frame), bleedMm };
}

const pageOf = (look: Page["look"], tiles: readonly Tile[]): Page => ({
  id: "piece",
  look,
  tiles,
  over: [],
  arrangement: null,
  leaves: 1,
  blank: false,
  paced: false,
  plain: true,
});

/** The white border and the corners to round by, over the picture. */
function finishTiles({ borderMm, cornerMm }: Want, { cut, bleedMm }: PiecePage): Tile[] {
  const tiles: Tile[] = [];
  if (borderMm > 0) {
    const [left, top] = [cut.x - bleedMm, cut.y - bleedMm];
    const [w, h, deep] = [cut.w + 2 * bleedMm, cut.h + 2 * bleedMm, borderMm + bleedMm];
    for (const [i, side] of [
      { x: left, y: top, w, h: deep },
      { x: left, y: top + h - deep, w, h: deep },
      { x: left, y: top, w: deep, h },
      { x: left + w - deep, y: top, w: deep, h },
    ].entries())
      tiles.push(plainTile(`border ${i}`, side, paper));
  }
  if (cornerMm > 0) tiles.push(outlineTile("corners", cut, Math.min(cornerMm, cut.w / 2, cut.h / 2)));
  return tiles;
}
