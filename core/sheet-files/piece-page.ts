import {
  autoFramed,
  cardAlone,
  drawnPage,
  findPage,
  findPlaced,
  frameRect,
  type PlacedPage,
  type PlacedTile,
  type Project,
  placed,
} from "#core/document";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { Want } from "#core/sheets";
import { groundPage, outlineTile, plainTile } from "./plain-tiles.ts";

/** A piece as a page of its own. */
export interface PiecePage {
  readonly page: PlacedPage;
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
  return finish.length === 0 ? made : { ...made, page: { ...made.page, tiles: [...made.page.tiles, ...finish] } };
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
    const tile: PlacedTile = {
      ...plainTile("photo", { x: -bleedMm, y: -bleedMm, w: widthMm + 2 * bleedMm, h: heightMm + 2 * bleedMm }, paper),
      filling: { kind: "photo", view: autoFramed(source.photoId) },
    };
    return {
      page: groundPage("piece", project.style, format, paper, [tile]),
      cut: { x: 0, y: 0, w: widthMm, h: heightMm },
      bleedMm,
    };
  }
  const page = findPage(project, source.pageId);
  if (!page) return undefined;
  if (source.from === "page") {
    const drawn = drawnPage(project, page, takenOf);
    const { widthMm: w, heightMm: h, bleedMm: most } = drawn.format;
    return { page: drawn, cut: { x: 0, y: 0, w, h }, bleedMm: Math.min(bleedMm, most) };
  }
  const on = placed(project, page);
  const tile = findPlaced(on, source.tileId);
  if (!tile || tile.filling.kind === "empty") return undefined;
  return { page: cardAlone(on, tile, bleedMm), cut: frameRect(tile.frame), bleedMm };
}

/** The white border and the corners to round by, over the picture. */
function finishTiles({ borderMm, cornerMm }: Want, { cut, bleedMm }: PiecePage): PlacedTile[] {
  const tiles: PlacedTile[] = [];
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
