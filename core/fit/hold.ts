import type { Point, Rect } from "#core/geometry";
import { type Framing, withinHalf } from "./cover.ts";
import { leanOf, pinched } from "./pinch.ts";

/** A photo held by one finger or more: where each took hold and where it is now, in mm from the tile's centre. */
export interface Hold {
  readonly fingers: ReadonlyMap<number, { readonly from: Point; readonly to: Point }>;
  /** How the photo was framed when the fingers took hold. */
  readonly base: Framing;
}

/** From here the movement counts anew, since there is another finger or one fewer. */
const anew = (fingers: Hold["fingers"], base: Framing): Hold => ({
  fingers: new Map([...fingers].map(([id, { to }]) => [id, { from: to, to }])),
  base,
});

/** Another finger takes hold of a photo that is framed so now. */
export const heldBy = (hold: Hold | undefined, finger: number, at: Point, now: Framing): Hold =>
  anew(new Map([...(hold?.fingers ?? []), [finger, { from: at, to: at }]]), now);

/** A finger moves; the same hold where it is none of those that hold. */
export function heldAt(hold: Hold, finger: number, at: Point): Hold {
  const held = hold.fingers.get(finger);
  return held ? { ...hold, fingers: new Map([...hold.fingers, [finger, { ...held, to: at }]]) } : hold;
}

/** A finger lets go; nothing where it was the last one. */
export function heldWithout(hold: Hold, finger: number, now: Framing): Hold | undefined {
  const left = new Map([...hold.fingers].filter(([id]) => id !== finger));
  return left.size === 0 ? undefined : anew(left, now);
}

/** How the photo lies under the fingers that hold it. */
export function framingUnder({ fingers, base }: Hold, aspect: number, tile: Rect): Framing {
  const all = [...fingers.values()];
  return pinched(
    aspect,
    tile,
    base,
    all.map((f) => f.from),
    all.map((f) => f.to),
  );
}

/** A shorter line is a click that slipped; mm. */
const leastLineMm = 3;

/** Turned so that what lies along the line is level or upright; nothing for a line that is none. */
export const levelled = (now: Framing, a: Point, b: Point): Framing | undefined =>
  Math.hypot(b.x - a.x, b.y - a.y) < leastLineMm ? undefined : { ...now, turn: withinHalf(now.turn - leanOf(a, b)) };
