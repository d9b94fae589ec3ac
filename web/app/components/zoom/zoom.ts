import { contained } from "#core/fit";
import type { Point, Rect, Size } from "#core/geometry";

/** `number`: CSS pixels for one mm. `whole` and `width` follow the room. */
export type ZoomLevel = "whole" | "width" | number;

export interface Zoom {
  readonly level: ZoomLevel;
  /** What lies in the middle of the room, as shares of the width and height of what is looked at. */
  readonly centre: Point;
}

export const wholeSeen: Zoom = { level: "whole", centre: { x: 0.5, y: 0.5 } };

const mmPerInch = 25.4;
/** A CSS pixel is a ninety-sixth of an inch (CSS Values and Units 4, 6.2), as nearly as the screen keeps to it. */
export const paperScale = 96 / mmPerInch;
/** One pixel of the print on one of the screen. */
export const pixelScale = (ppi: number, devicePixelRatio: number): number => ppi / mmPerInch / devicePixelRatio;

/** What is looked at, as it lies in its room: CSS pixels from the room's top left. */
export interface Laid {
  readonly scale: number;
  /** Whole pixels, or the picture would be smeared over two. */
  readonly leftPx: number;
  readonly topPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

interface Looking {
  /** In mm. */
  readonly content: Size;
  readonly room: Size;
  /** The mat that stays at each side, and above and below. */
  readonly pad: Size;
  readonly ppi: number;
  readonly devicePixelRatio: number;
}

/** Half of what fits, and four pixels of the screen for one of the print. */
function bounds({ content, room, pad, ppi, devicePixelRatio }: Looking) {
  const fit = contained(content.w / content.h, { w: room.w - 2 * pad.w, h: room.h - 2 * pad.h });
  const whole = Math.max(1, Math.floor(fit.w)) / content.w;
  return {
    fit,
    whole,
    width: Math.max(1, Math.floor(room.w - 2 * pad.w)) / content.w,
    least: Math.min(whole, paperScale) / 2,
    most: Math.max(2 * whole, 4 * pixelScale(ppi, devicePixelRatio)),
  };
}

const held = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));

/** Where it lies under a zoom. It never leaves the room: its edge stops a mat's width from the room's. */
export function laidOut(looking: Looking, { level, centre }: Zoom): Laid {
  const { content, room, pad } = looking;
  const b = bounds(looking);
  if (level === "whole")
    return {
      scale: b.whole,
      leftPx: Math.round((room.w - b.fit.w) / 2),
      topPx: Math.round((room.h - b.fit.h) / 2),
      widthPx: content.w * b.whole,
      heightPx: content.h * b.whole,
    };
  const asked = level === "width" ? b.width : held(level, b.least, b.most);
  const scale = Math.max(1, Math.round(content.w * asked)) / content.w;
  const [widthPx, heightPx] = [content.w * scale, content.h * scale];
  const along = (roomPx: number, px: number, padPx: number, share: number) =>
    Math.round(
      px <= roomPx - 2 * padPx ? (roomPx - px) / 2 : held(roomPx / 2 - share * px, roomPx - padPx - px, padPx),
    );
  return {
    scale,
    leftPx: along(room.w, widthPx, pad.w, centre.x),
    topPx: along(room.h, heightPx, pad.h, centre.y),
    widthPx,
    heightPx,
  };
}

/** The middle of the room, of something that lies there. */
const centreOf = (laid: Laid, room: Size): Point => ({
  x: (room.w / 2 - laid.leftPx) / laid.widthPx,
  y: (room.h / 2 - laid.topPx) / laid.heightPx,
});

/** Closer or further by a factor; what is under `at` (CSS pixels from the room's top left) stays there as far as it can. */
export function zoomedBy(looking: Looking, laid: Laid, factor: number, at: Point): Zoom {
  const { room } = looking;
  const { least, most } = bounds(looking);
  const scale = held(laid.scale * factor, least, most);
  const k = scale / laid.scale;
  const next: Laid = {
    scale,
    leftPx: at.x - k * (at.x - laid.leftPx),
    topPx: at.y - k * (at.y - laid.topPx),
    widthPx: laid.widthPx * k,
    heightPx: laid.heightPx * k,
  };
  return { level: scale, centre: centreOf(next, room) };
}

/** Moved under the eye by so many CSS pixels. */
export const pannedBy = (laid: Laid, room: Size, by: Point): Zoom => ({
  level: laid.scale,
  centre: centreOf({ ...laid, leftPx: laid.leftPx + by.x, topPx: laid.topPx + by.y }, room),
});

/** Whether something of it lies beyond the room. */
export const reachesOut = (laid: Laid, room: Size): boolean => laid.widthPx > room.w || laid.heightPx > room.h;

/** What of a box in mm is in the room, to whole pixels and a little more; the box itself where all of it is. */
export function seenPart(box: Rect, leftPx: number, topPx: number, scale: number, room: Size): Rect {
  const [w, h] = [box.w * scale, box.h * scale];
  if (leftPx >= 0 && topPx >= 0 && leftPx + w <= room.w && topPx + h <= room.h) return box;
  const cut = (at: number, px: number, roomPx: number) => {
    const from = held(Math.floor(-at), 0, px);
    return [from, held(Math.ceil(roomPx - at), from, px)] as const;
  };
  const [x0, x1] = cut(leftPx, w, room.w);
  const [y0, y1] = cut(topPx, h, room.h);
  return { x: box.x + x0 / scale, y: box.y + y0 / scale, w: (x1 - x0) / scale, h: (y1 - y0) / scale };
}
