import {
  findPlaced,
  isFree,
  type Page,
  type PlacedPage,
  type PlacedTile,
  placeAgain,
  setTileAspect,
  type Words,
} from "#core/document";
import { safeBox } from "#core/lab";
import { largestPt } from "#core/words";
import type { SceneFacts } from "./steps.ts";
import { laidWords } from "./words.ts";

/** How much room words need, and rooms that are as large as that. */

const tallest = 2000;

/** The least height at which all of the words are seen in a tile so wide, in mm. */
export function neededHeight(words: Words, widthMm: number, facts: SceneFacts): number {
  const upright = words.style.turn % 180 === 0;
  const hidden = (h: number) => laidWords(words, { width: widthMm, height: h }, facts)?.hidden ?? 0;
  const whole = laidWords(words, { width: widthMm, height: tallest }, facts);
  const last = whole?.lines.at(-1);
  const { insetMm } = words.style;
  if (!whole || !last) return 2 * insetMm + 5;
  if (upright && !words.style.columns && !words.style.bend) {
    const top = whole.lines[0]!.top;
    return last.top + last.height - top + 2 * insetMm + 0.3;
  }
  let [low, high] = [2 * insetMm, tallest];
  for (let i = 0; i < 14; i += 1) {
    const middle = (low + high) / 2;
    if (hidden(middle) > 0) low = middle;
    else high = middle;
  }
  return high + 0.3;
}

/** A few rounds: the others make room, so that the width is not what it was. */
export function roomFitted(on: PlacedPage, page: Page, tileId: string, facts: SceneFacts): PlacedPage {
  let now = placeAgain(on, page);
  for (let round = 0; round < 8; round += 1) {
    const tile = findPlaced(now, tileId);
    if (tile?.filling.kind !== "words") break;
    const { width, height } = tile.frame;
    const wanted = neededHeight(tile.filling, width, facts);
    if (Math.abs(wanted - height) < 0.1) break;
    now = placeAgain(now, setTileAspect(now, tileId, width / wanted));
  }
  return now;
}

export const allSeen = (on: PlacedPage, tileId: string, facts: SceneFacts): boolean => {
  const tile = findPlaced(on, tileId);
  return tile?.filling.kind === "words" && (laidWords(tile.filling, tile.frame, facts)?.hidden ?? 0) === 0;
};

/** The page with the room of words grown so that all of them are seen; nothing where they are, or where they have a box of their own. */
export function withRoomGrown(on: PlacedPage, tileId: string, facts: SceneFacts): Page | undefined {
  const tile = findPlaced(on, tileId);
  return tile?.filling.kind === "words" && tile.filling.grows && !allSeen(on, tileId, facts)
    ? withRoomFitted(on, tileId, facts)
    : undefined;
}

/** The page with the room of words as high as they need it; nothing where it is, or where the page is too small. */
export function withRoomFitted(on: PlacedPage, tileId: string, facts: SceneFacts): Page | undefined {
  const tile = findPlaced(on, tileId);
  if (tile?.filling.kind !== "words" || tile.filling.style.ink) return undefined;
  const { filling, frame } = tile;
  if (!isFree(on.page, tileId)) {
    const now = roomFitted(on, on.page, tileId, facts);
    return now.page !== on.page && allSeen(now, tileId, facts) ? now.page : undefined;
  }
  const safe = safeBox(on.format);
  const height = Math.min(safe.h, neededHeight(filling, frame.width, facts));
  if (Math.abs(height - frame.height) < 0.01) return undefined;
  // The top stays where it is; what would leave the page moves up.
  const top = Math.max(safe.y, Math.min(frame.centre.y - frame.height / 2, safe.y + safe.h - height));
  const centre = frame.turn === 0 ? { ...frame.centre, y: top + height / 2 } : frame.centre;
  const fitted = { ...frame, height, centre };
  return { ...on.page, pieces: on.page.pieces.map((p) => (p.id === tileId ? { ...p, frame: fitted } : p)) };
}

/** The largest size, in quarters of a point, at which all words are seen in their tile, no smaller than `least`; nothing where there is none. */
export function sizeFitting(
  { filling, frame }: Pick<PlacedTile, "filling" | "frame">,
  facts: SceneFacts,
  least: number,
  most: number = largestPt,
): Words | undefined {
  if (filling.kind !== "words") return undefined;
  const sized = (quarters: number): Words => ({ ...filling, style: { ...filling.style, sizePt: quarters / 4 } });
  const fits = (quarters: number) => laidWords(sized(quarters), frame, facts)?.hidden === 0;
  let [low, high] = [Math.ceil(least * 4), Math.floor(most * 4)];
  if (low > high || !fits(low)) return undefined;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle - 1;
  }
  return sized(low);
}
