import { gridRects, looseRects, treeRects } from "#core/arrange";
import { centreOf, insetSides, type Rect } from "#core/geometry";
import { hiddenAtEdges, type PageFormat, trimBox } from "#core/lab";
import { insertIn } from "#core/pockets";
import { type Arrangement, type Look, mapTiles, type Page } from "./page.ts";

/** What the margins leave of the page. A margin at a fold is measured from what the fold does not hide. */
export function roomRect(look: Pick<Look, "margin">, format: PageFormat): Rect {
  const hidden = hiddenAtEdges(format);
  const { left, right } = look.margin;
  return insetSides(trimBox(format), {
    ...look.margin,
    left: left > 0 ? left + hidden.left : 0,
    right: right > 0 ? right + hidden.right : 0,
  });
}

/**
 * Puts every tile where the page's arrangement wants it. A side without a margin is a full-bleed side: the tiles on it
 * are measured to the trim, and then reach on into the bleed, so that no sliver of page shows when the cut is a little off.
 */
export function solvePage(page: Page, format: PageFormat): Page {
  const { arrangement } = page;
  if (!arrangement) return page;
  const rects = rectsOf(arrangement, roomRect(page.look, format), page.look.gapMm);
  return mapTiles(page, (tile) => {
    const placed = rects.get(tile.id);
    if (!placed) return tile;
    const r = arrangement.kind === "pockets" ? placed : reachIntoBleed(placed, format);
    const centre = centreOf(r);
    const f = tile.frame;
    const same = f.centre.x === centre.x && f.centre.y === centre.y && f.width === r.w && f.height === r.h;
    return same ? tile : { ...tile, frame: { centre, width: r.w, height: r.h, turn: 0 } };
  });
}

/** Where an arrangement puts each tile, before any of them reaches into the bleed. */
export function rectsOf(arrangement: Arrangement, room: Rect, gap: number): ReadonlyMap<string, Rect> {
  if (arrangement.kind === "pockets")
    return new Map(arrangement.places.map((p) => [p.tileId, insertIn(p.pocket, arrangement.lessMm)]));
  if (arrangement.kind === "tree")
    return arrangement.loose ? looseRects(arrangement.tree, room, gap) : treeRects(arrangement.tree, room, gap);
  const rects = gridRects(arrangement, room, gap);
  return new Map(arrangement.cells.map((cell, i) => [cell.tileId, rects[i]!]));
}

// Sums of shares leave an error far below this; a person's smallest margin lies far above.
const touching = 1e-6;

function reachIntoBleed(r: Rect, format: PageFormat): Rect {
  const b = format.bleedMm;
  const left = Math.abs(r.x) < touching ? b : 0;
  const top = Math.abs(r.y) < touching ? b : 0;
  const right = Math.abs(r.x + r.w - format.widthMm) < touching ? b : 0;
  const bottom = Math.abs(r.y + r.h - format.heightMm) < touching ? b : 0;
  return { x: r.x - left, y: r.y - top, w: r.w + left + right, h: r.h + top + bottom };
}
