import { type PathData, type Point, pathOfRings, type Size } from "#core/geometry";
import type { Bar, Line, SetGlyph } from "./set-line.ts";

/** A circle that words stand on. Lengths in mm, from the words' top left. */
export interface Bend {
  readonly centre: Point;
  /** Of the first line's baseline. */
  readonly radius: number;
  /** Whether letters stand outside of the circle, feet to its middle, or inside. */
  readonly outside: boolean;
  /** Along the line, what comes to lie at the top of the circle, or at its foot. */
  readonly middle: number;
  /** Where the line lay before it was bent. */
  readonly baseline: number;
}

/** How long a line may be on an arc of so many degrees that goes into a box, and its radius. */
export function arcIn(
  degrees: number,
  size: Size,
  letters: { readonly above: number; readonly below: number },
): {
  readonly radius: number;
  readonly length: number;
} {
  const angle = (Math.abs(degrees) * Math.PI) / 180;
  const [half, reach] = [angle / 2, degrees > 0 ? letters.above : letters.below];
  const wide = half <= Math.PI / 2 ? Math.sin(half) : 1;
  const tall = 1 - Math.cos(half);
  // The letters' outer ends have to stay inside, over and beside the circle.
  const byWidth = size.w / (2 * wide) - reach;
  const byHeight = (size.h - letters.above - letters.below) / tall;
  const radius = Math.max(1, Math.min(byWidth, byHeight));
  return { radius, length: radius * angle };
}

/** Words of lines of `length` bent onto an arc of that radius, in the middle of the box. */
export function bendOf(
  degrees: number,
  size: Size,
  radius: number,
  line: Pick<Line, "baseline">,
  letters: { readonly above: number; readonly below: number },
): Bend {
  const tall = radius * (1 - Math.cos((Math.abs(degrees) * Math.PI) / 360));
  const spare = (size.h - tall - letters.above - letters.below) / 2;
  const outside = degrees > 0;
  const y = outside ? spare + letters.above + radius : size.h - spare - letters.below - radius;
  return { centre: { x: size.w / 2, y }, radius, outside, middle: size.w / 2, baseline: line.baseline };
}

/** From a place along straight lines to the circle, and how far it is turned there, in radians, clockwise. */
export function bent(b: Bend, { x, y }: Point): Point & { readonly turn: number } {
  const up = b.baseline - y;
  const angle = (x - b.middle) / b.radius;
  const r = b.outside ? b.radius + up : b.radius - up;
  const side = b.outside ? -1 : 1;
  return {
    x: b.centre.x + r * Math.sin(angle),
    y: b.centre.y + side * r * Math.cos(angle),
    turn: b.outside ? angle : -angle,
  };
}

/** Back from the circle to straight lines. */
export function unbent(b: Bend, p: Point): Point {
  const [dx, dy] = [p.x - b.centre.x, (p.y - b.centre.y) * (b.outside ? -1 : 1)];
  const r = Math.hypot(dx, dy);
  const up = b.outside ? r - b.radius : b.radius - r;
  return { x: b.middle + Math.atan2(dx, dy) * b.radius, y: b.baseline - up };
}

/** Each glyph turned about the middle of its own advance, so that wide ones stand level on the arc. */
export const bentGlyph = (b: Bend, g: SetGlyph, advance: number): SetGlyph => {
  const at = bent(b, { x: g.x + advance / 2, y: g.y });
  const [cos, sin] = [Math.cos(at.turn), Math.sin(at.turn)];
  return { ...g, x: at.x - (cos * advance) / 2, y: at.y - (sin * advance) / 2, turn: at.turn };
};

const barStepMm = 0.5;

/** A bar along the line, bent with it. */
export function bentBar(b: Bend, { x, y, w, h }: Bar): PathData {
  const n = Math.max(1, Math.ceil(w / barStepMm));
  const along = Array.from({ length: n + 1 }, (_, i) => x + (w * i) / n);
  const ring = [
    ...along.map((at) => bent(b, { x: at, y })),
    ...along.reverse().map((at) => bent(b, { x: at, y: y + h })),
  ];
  return pathOfRings([ring.map((p) => ({ x: p.x, y: p.y }))]);
}
