import { photoMatrix, printedSize, settled } from "#core/fit";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { backOf, type PocketPattern } from "#core/pockets";
import { drawnTile } from "../page/drawn-tile.ts";
import { newTile } from "../page/new-tile.ts";
import {
  arrangedTiles,
  barePage,
  frameRect,
  groupsOf,
  mapTiles,
  type Page,
  type PocketArrangement,
  type Tile,
  withGroup,
  withoutPieces,
} from "../page/page.ts";
import { arrangedOn, type PlacedPage, type PlacedTile } from "../page/place-page.ts";
import { regrouped } from "./lay-photos.ts";

/** A page of pockets is the front of its leaf where it lies on the right, and the back on the left. */
export const patternSide = (pattern: PocketPattern, side: "left" | "right" | "single"): PocketPattern =>
  side === "left" ? backOf(pattern) : pattern;

/** What the tiles held before goes into the new pockets, in the order in which they are read. */
export function withPattern(page: Page, pattern: PocketPattern, cardClearanceMm: number, newId: () => string): Page {
  const order = readingOrder(pattern.pockets);
  const before = arrangedTiles(page);
  const tiles: Tile[] = [];
  const places = pattern.pockets.map((pocket) => ({ tileId: "", pocket }));
  for (const [k, i] of order.entries()) {
    const tile = before[k] ?? newTile(undefined, newId);
    tiles.push(tile);
    places[i] = { ...places[i]!, tileId: tile.id };
  }
  const arrangement: PocketArrangement = { kind: "pockets", pattern, cardClearanceMm, places };
  const [main, ...others] = groupsOf(page);
  const bare = withoutPieces(
    page,
    others.map((g) => g.id),
  );
  return withGroup(bare, regrouped(main, arrangement, tiles, newId));
}

/** Row by row, left to right; pockets whose middles lie level are one row. */
function readingOrder(pockets: readonly Rect[]): number[] {
  return pockets
    .map((p, i) => ({ i, row: Math.round((p.y + p.h / 2) / 20), x: p.x }))
    .sort((a, b) => a.row - b.row || a.x - b.x)
    .map((p) => p.i);
}

export const pocketPage = (pattern: PocketPattern, cardClearanceMm: number, newId: () => string): Page =>
  withPattern(barePage(newId), pattern, cardClearanceMm, newId);

/** A pattern from tiles as a hand has arranged them: their places are the pockets. */
export function patternFromTiles(on: PlacedPage, given: { readonly id: string; readonly name: string }): PocketPattern {
  const format: PageFormat = on.format;
  const clamp = (r: Rect): Rect => {
    const [x, y] = [Math.max(0, r.x), Math.max(0, r.y)];
    return { x, y, w: Math.min(format.widthMm, r.x + r.w) - x, h: Math.min(format.heightMm, r.y + r.h) - y };
  };
  const flat: PocketPattern = {
    ...given,
    binder: "",
    widthMm: format.widthMm,
    heightMm: format.heightMm,
    pockets: arrangedOn(on).map((t) => clamp(frameRect(t.frame))),
  };
  const onLeft = format.folds?.some((f) => f.atMm >= format.widthMm);
  return onLeft ? backOf(flat) : flat;
}

/** One photo seen through several pockets as through panes of one window: the seams between cover what lies behind them. */
export function throughPockets(
  on: PlacedPage,
  tileIds: readonly string[],
  photo: { readonly id: string; readonly aspect: number },
): Page {
  const chosen = arrangedOn(on).filter((t) => tileIds.includes(t.id));
  if (chosen.length < 2) return on.page;
  const rects = chosen.map((t) => frameRect(t.frame));
  const [x, y] = [Math.min(...rects.map((r) => r.x)), Math.min(...rects.map((r) => r.y))];
  const whole: Rect = {
    x,
    y,
    w: Math.max(...rects.map((r) => r.x + r.w)) - x,
    h: Math.max(...rects.map((r) => r.y + r.h)) - y,
  };
  const framing = { zoom: 1, centre: { x: 0.5, y: 0.5 }, turn: 0, flip: false };
  const m = photoMatrix(photo.aspect, whole, framing);
  const frames = new Map(chosen.map((t) => [t.id, t.frame]));
  return mapTiles(on.page, (tile) => {
    const frame = frames.get(tile.id);
    if (!frame) return tile;
    const r = frameRect(frame);
    const centre = { x: (frame.centre.x - m.e) / m.a, y: (frame.centre.y - m.f) / m.d };
    const least = printedSize(photo.aspect, r, settled(photo.aspect, r, framing));
    return {
      ...tile,
      filling: {
        kind: "photo",
        view: {
          photoId: photo.id,
          zoom: m.a / least.w,
          centre,
          turn: 0,
          flip: false,
          byHand: true,
          whole: false,
          behind: null,
        },
      },
    };
  });
}

/** What shows that a page is of pockets: a pale line around each, as light falls on the welds. */
export function pocketLines(on: PlacedPage): PlacedTile[] {
  const line = 0.5;
  const place = (r: Rect, id: string): PlacedTile =>
    drawnTile(
      id,
      { centre: { x: r.x + r.w / 2, y: r.y + r.h / 2 }, width: r.w, height: r.h, turn: 0 },
      { kind: "colour", colour: "#d5dcdb" },
    );
  return on.groups.flatMap(({ group: { arrangement } }) =>
    arrangement.kind !== "pockets"
      ? []
      : arrangement.places.flatMap(({ pocket: p }, i) => [
          place({ x: p.x, y: p.y, w: p.w, h: line }, `weld-${i}-top`),
          place({ x: p.x, y: p.y + p.h - line, w: p.w, h: line }, `weld-${i}-foot`),
          place({ x: p.x, y: p.y, w: line, h: p.h }, `weld-${i}-left`),
          place({ x: p.x + p.w - line, y: p.y, w: line, h: p.h }, `weld-${i}-right`),
        ]),
  );
}
