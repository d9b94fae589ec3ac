import { apart, labOf } from "#core/artwork";
import { type Colour, linearOfByte, oklabOf } from "#core/colour";
import { clamp, type Point, type Rect } from "#core/geometry";

/** How much each place of a page draws the eye, row by row: 0 for what is as its ground. */
export interface WeightMap {
  readonly w: number;
  readonly h: number;
  readonly weights: Float32Array;
}

/** What a dark thing weighs more than one as much lighter than the ground, and what colour and pattern weigh beside lightness. */
const [lighter, colourful, patterned] = [0.5, 1.6, 1.4];

/** Out of a painted page (RGBA): what is darker, more colourful or more patterned than its ground weighs more, in OKLab. */
export function weightsOf(rgba: Uint8ClampedArray, w: number, h: number, ground: Colour): WeightMap {
  const [gl, ga, gb] = labOf(ground);
  const light = new Float32Array(w * h);
  const weights = new Float32Array(w * h);
  for (let i = 0; i < w * h; i += 1) {
    const [l, a, b] = oklabOf(
      linearOfByte[rgba[4 * i]!]!,
      linearOfByte[rgba[4 * i + 1]!]!,
      linearOfByte[rgba[4 * i + 2]!]!,
    );
    light[i] = l;
    weights[i] = (l < gl ? gl - l : lighter * (l - gl)) + colourful * Math.hypot(a - ga, b - gb);
  }
  for (let y = 0; y + 1 < h; y += 1)
    for (let x = 0; x + 1 < w; x += 1) {
      const at = y * w + x;
      weights[at]! += patterned * (Math.abs(light[at]! - light[at + 1]!) + Math.abs(light[at]! - light[at + w]!)) * 0.5;
    }
  return { w, h, weights };
}

/** Where a page would rest on a finger, in shares of its width and height; its middle where nothing weighs. */
export function centreOfWeight({ w, h, weights }: WeightMap): Point {
  let [sum, sx, sy] = [0, 0, 0];
  for (let i = 0; i < weights.length; i += 1) {
    const v = weights[i]!;
    sum += v;
    sx += v * ((i % w) + 0.5);
    sy += v * (Math.floor(i / w) + 0.5);
  }
  return sum < 1e-6 ? { x: 0.5, y: 0.5 } : { x: sx / sum / w, y: sy / sum / h };
}

/** Off the middle by less than this, nobody sees that a page leans. */
const leastLean = 0.035;
export interface Lean {
  readonly across: "left" | "right" | undefined;
  readonly down: "top" | "bottom" | undefined;
}

/** To which sides a page leans. */
export const leanOf = ({ x, y }: Point): Lean => ({
  across: x < 0.5 - leastLean ? "left" : x > 0.5 + leastLean ? "right" : undefined,
  down: y < 0.5 - leastLean ? "top" : y > 0.5 + leastLean ? "bottom" : undefined,
});

/** How a page weighs, and where accents would do it good. */
export interface Balance {
  readonly map: WeightMap;
  readonly centre: Point;
  readonly lean: Lean;
  /** In shares of the page, the best first. */
  readonly places: readonly Point[];
  /** A colour that is on the page, and the photo that it is in. */
  readonly accent: { readonly colour: Colour; readonly photoId: string } | undefined;
}

const tries = 28;
/** From the page's edge, by its shorter side. */
const edge = 0.09;
/** What calm, the other side of the scales, and distance from each other are worth. */
const [calmWorth, counterWorth, farWorth] = [1.6, 6, 2];
const farEnough = 0.8;
/** By how large an accent is. */
const leastFar = 5;

interface AccentAsk {
  /** The page's width by its height. */
  readonly aspect: number;
  /** How large an accent is, by the page's shorter side. */
  readonly radius: number;
  /** Faces and words, in shares of the page. */
  readonly keepOff: readonly Rect[];
}

/**
 * Three places for like accents, the best first, in shares of the page: where little is to be seen, on the side that weighs less, apart from each other,
 * and off all faces and words. Fewer where there is no room.
 */
export function accentPlaces(map: WeightMap, { aspect, radius, keepOff }: AccentAsk): readonly Point[] {
  const short = Math.min(1, aspect);
  const [rx, ry] = [(radius * short) / aspect, radius * short];
  const [ex, ey] = [(edge * short) / aspect, edge * short];
  const centre = centreOfWeight(map);
  const most = map.weights.reduce((sum, v) => Math.max(sum, v), 1e-6);
  const free: { readonly at: Point; readonly worth: number }[] = [];
  for (let row = 0; row < tries; row += 1)
    for (let col = 0; col < tries; col += 1) {
      const at = {
        x: ex + rx + ((1 - 2 * (ex + rx)) * col) / (tries - 1),
        y: ey + ry + ((1 - 2 * (ey + ry)) * row) / (tries - 1),
      };
      if (keepOff.some((r) => overlaps(at, rx, ry, r))) continue;
      const counter = (at.x - 0.5) * (0.5 - centre.x) + (at.y - 0.5) * (0.5 - centre.y);
      const calm = 1 - meanAround(map, at, rx, ry) / most;
      free.push({ at, worth: calmWorth * calm + counterWorth * counter });
    }
  const found: Point[] = [];
  const far = (p: Point, q: Point) => Math.hypot((p.x - q.x) * aspect, p.y - q.y) / short;
  while (found.length < 3) {
    const worthOf = ({ at, worth }: (typeof free)[number]) =>
      worth + farWorth * found.reduce((least, f) => Math.min(least, far(f, at) / farEnough), 1);
    const apart = free.filter(({ at }) => found.every((f) => far(f, at) >= leastFar * radius));
    const [first] = apart;
    if (!first) break;
    found.push(apart.reduce((a, b) => (worthOf(b) > worthOf(a) ? b : a), first).at);
  }
  return found;
}

const overlaps = ({ x, y }: Point, rx: number, ry: number, r: Rect): boolean =>
  x + rx > r.x && x - rx < r.x + r.w && y + ry > r.y && y - ry < r.y + r.h;

function meanAround({ w, h, weights }: WeightMap, { x, y }: Point, rx: number, ry: number): number {
  const [x0, x1] = [x - rx, x + rx].map((v) => clamp(Math.floor(v * w), 0, w - 1)) as [number, number];
  const [y0, y1] = [y - ry, y + ry].map((v) => clamp(Math.floor(v * h), 0, h - 1)) as [number, number];
  let sum = 0;
  for (let row = y0; row <= y1; row += 1) for (let col = x0; col <= x1; col += 1) sum += weights[row * w + col]!;
  return sum / ((x1 - x0 + 1) * (y1 - y0 + 1));
}

/** Of the colours on a page the liveliest that stands off from its ground. */
export function accentColour<C extends { readonly colour: Colour }>(seen: readonly C[], ground: Colour): C | undefined {
  const standing = seen.filter((s) => apart(s.colour, ground) >= 0.18);
  const live = ({ colour }: C) => Math.hypot(labOf(colour)[1], labOf(colour)[2]);
  return standing.reduce<C | undefined>((best, s) => (!best || live(s) > live(best) ? s : best), undefined);
}
