import type { Size } from "#core/geometry";

/** A few pages are shown as large as they all fit; of many no leaf is smaller than the last. */
const leafSizesPx = [230, 190, 156, 128, 108, 92] as const;
export const gapPx = 24;
/** The number under an opening, with the space over it. */
export const numberPx = 26;
export const padPx = 20;

/**
 * How large openings are shown: so many in a line, each so wide (px), pages to this scale (px a mm), lines so high. `room` is what the lines
 * may be wide, `frame` what is seen of them at once.
 */
export function openingsSize(
  count: number,
  leaves: 1 | 2,
  page: Size,
  room: Size | undefined,
  frame: Size | undefined,
) {
  const acrossAt = (leafPx: number) => Math.max(1, Math.floor(((room?.w ?? 0) + gapPx) / (leaves * leafPx + gapPx)));
  const fitsAt = (leafPx: number) =>
    Math.ceil(count / acrossAt(leafPx)) * ((page.h / page.w) * leafPx + numberPx + gapPx) <= (frame?.h ?? 0);
  const leastLeafPx = leafSizesPx.find(fitsAt) ?? leafSizesPx.at(-1)!;
  const across = acrossAt(leastLeafPx);
  // What is left over at the end of a line goes to all of it.
  const filledPx = room ? Math.floor((room.w + gapPx) / across) - gapPx : 0;
  const cardPx = count < across ? leaves * leastLeafPx : filledPx;
  const scale = cardPx / leaves / page.w;
  return {
    across,
    cardPx,
    scale,
    linePx: page.h * scale + numberPx + gapPx,
    lines: room && frame ? Math.ceil(count / across) : 0,
  };
}
