import { centreOf, type Rect, rectAround, type Size } from "#core/geometry";

/** The largest size of this aspect inside `room`; nothing in a room without area. */
export function contained(aspect: number, room: Size): Size {
  const h = Math.max(0, Math.min(room.h, room.w / aspect));
  return { w: h * aspect, h };
}

/** The same, in the middle of the room. */
export const containedRect = (aspect: number, room: Rect): Rect => rectAround(centreOf(room), contained(aspect, room));
