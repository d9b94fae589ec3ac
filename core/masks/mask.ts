import { flattened, type Matrix, type PathData, type Rect, type Ring } from "#core/geometry";
import { blur, blurReach } from "./blur.ts";
import { coverage } from "./coverage.ts";
import type { Grid } from "./grid.ts";
import { nearness } from "./nearness.ts";
import { type Stroke, strokeName, strokesLeave } from "./strokes.ts";

/** How much of something is seen at each place. Outlines are in the mask's own mm. */
export type MaskPart =
  /** What lies within an outline. */
  | { readonly part: "cover"; readonly path: PathData }
  /** From nothing at the outline to all of it so far inside. */
  | { readonly part: "ramp"; readonly path: PathData; readonly widthMm: number }
  /** From nothing at the sides of a rectangle to all of it so far inside: top, right, bottom, left. */
  | { readonly part: "sides"; readonly rect: Rect; readonly mm: readonly [number, number, number, number] }
  /** What strokes of a brush leave of a photo; `toMm` takes their units to the mask's mm. */
  | { readonly part: "strokes"; readonly strokes: readonly Stroke[]; readonly toMm: Matrix }
  /** What other parts together do not show. */
  | { readonly part: "not"; readonly of: readonly MaskPart[] }
  /** Other parts together, blurred and moved. */
  | {
      readonly part: "blur";
      readonly of: readonly MaskPart[];
      readonly sigmaMm: number;
      readonly moved: readonly [x: number, y: number];
    };

/** Something soft, the same for every painter: its parts multiplied, over a rectangle, at a density that is fine enough to be placed as a picture. */
export interface Mask {
  readonly parts: readonly MaskPart[];
  readonly box: Rect;
  readonly ppi: number;
  /** Masks with the same key have the same pixels. */
  readonly key: string;
}

/** Pixels of a mask, row by row, 0 for what is not seen at all. */
export interface MaskPixels {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly w: number;
  readonly h: number;
}

const [leastPpi, mostPpi] = [75, 300];
/** More pixels than this would take a second and say no more. */
const mostPixels = 9_000_000;

/** As dense as it has to be that no reader shows its pixels, even one that does not smooth them: the steepest slope is 8 of 255 for each. */
function densityFor(part: MaskPart): number {
  switch (part.part) {
    case "cover":
      return mostPpi;
    case "ramp":
      return Math.max(100, 760 / Math.max(0.1, part.widthMm));
    case "sides":
      return Math.max(100, ...part.mm.map((mm) => (mm > 0 ? 760 / mm : 0)));
    case "strokes": {
      const scale = Math.hypot(part.toMm.a, part.toMm.b);
      const steepest = part.strokes.map(({ points, hardness }) => {
        const r = scale * points.reduce((least, p) => Math.min(least, p[2]), Number.POSITIVE_INFINITY);
        return 610 / Math.max(0.1, r * (1 - hardness));
      });
      return Math.max(100, ...steepest);
    }
    case "not":
      return Math.max(...part.of.map(densityFor));
    case "blur":
      return 160 / Math.max(0.1, part.sigmaMm);
  }
}

const micrometre = (_: string, v: unknown): unknown => (typeof v === "number" ? Math.round(v * 1000) / 1000 : v);

export function maskOf(parts: readonly MaskPart[], box: Rect): Mask {
  const wanted = Math.min(mostPpi, Math.max(leastPpi, ...parts.map(densityFor)));
  const held = 25.4 * Math.sqrt(mostPixels / Math.max(1, box.w * box.h));
  return { parts, box, ppi: Math.min(wanted, held), key: JSON.stringify([parts.map(named), box], micrometre) };
}

/** A part with its strokes by their names: hundreds of them would make a key of a hundred thousand letters, at each movement of a brush. */
function named(part: MaskPart): unknown {
  if (part.part === "strokes") return { ...part, strokes: part.strokes.map(strokeName) };
  return part.part === "not" || part.part === "blur" ? { ...part, of: part.of.map(named) } : part;
}

/** A mask's pixels at its own density, or at a lower one for a screen. */
export function maskPixels(mask: Mask, ppi = mask.ppi): MaskPixels {
  const { x, y, w: wide, h: high } = mask.box;
  const w = Math.max(1, Math.round((wide * ppi) / 25.4));
  const h = Math.max(1, Math.round((high * ppi) / 25.4));
  const seen = product(mask.parts, { x, y, w, h, sx: w / wide, sy: h / high });
  const bytes = new Uint8Array(w * h);
  for (let i = 0; i < bytes.length; i += 1) bytes[i] = Math.round(255 * seen[i]!);
  return { bytes, w, h };
}

function product(parts: readonly MaskPart[], grid: Grid): Float32Array {
  const [first, ...others] = parts;
  if (!first) return new Float32Array(grid.w * grid.h).fill(1);
  const seen = valuesOf(first, grid);
  for (const part of others) {
    const more = valuesOf(part, grid);
    for (let i = 0; i < seen.length; i += 1) seen[i]! *= more[i]!;
  }
  return seen;
}

function valuesOf(part: MaskPart, grid: Grid): Float32Array {
  switch (part.part) {
    case "cover":
      return coverage(ringsOf(part.path), grid);
    case "ramp":
      return rampValues(ringsOf(part.path), part.widthMm, grid);
    case "sides":
      return sideValues(part.rect, part.mm, grid);
    case "strokes":
      return strokesLeave(part.strokes, part.toMm, grid);
    case "not": {
      const seen = product(part.of, grid);
      for (let i = 0; i < seen.length; i += 1) seen[i] = 1 - seen[i]!;
      return seen;
    }
    case "blur": {
      const [dx, dy] = part.moved;
      const seen = product(part.of, { ...grid, x: grid.x - dx, y: grid.y - dy });
      blur(seen, grid.w, grid.h, part.sigmaMm * grid.sx, part.sigmaMm * grid.sy);
      return seen;
    }
  }
}

const known = new WeakMap<PathData, readonly Ring[]>();

function ringsOf(path: PathData): readonly Ring[] {
  const rings = known.get(path) ?? flattened(path);
  known.set(path, rings);
  return rings;
}

/** Smootherstep (Perlin, "Improving noise", 2002): level at both ends, so that neither is seen as a line. */
export const smootherstep = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * t * (t * (t * 6 - 15) + 10));

function rampValues(rings: readonly Ring[], widthMm: number, grid: Grid): Float32Array {
  const seen = coverage(rings, grid);
  if (widthMm <= 0) return seen;
  const near = nearness(rings, grid, widthMm);
  const { sqrt } = Math;
  for (let i = 0; i < seen.length; i += 1) if (seen[i] !== 0) seen[i]! *= smootherstep(sqrt(near[i]!) / widthMm);
  return seen;
}

function sideValues(
  { x, y, w, h }: Rect,
  [top, right, bottom, left]: readonly [number, number, number, number],
  grid: Grid,
): Float32Array {
  const ramp = (mm: number, deep: number) => (mm > 0 ? smootherstep(deep / mm) : 1);
  const across = new Float32Array(grid.w);
  for (let i = 0; i < grid.w; i += 1) {
    const at = grid.x + (i + 0.5) / grid.sx;
    across[i] = ramp(left, at - x) * ramp(right, x + w - at);
  }
  const seen = new Float32Array(grid.w * grid.h);
  for (let row = 0; row < grid.h; row += 1) {
    const at = grid.y + (row + 0.5) / grid.sy;
    const down = ramp(top, at - y) * ramp(bottom, y + h - at);
    for (let i = 0; i < grid.w; i += 1) seen[row * grid.w + i] = down * across[i]!;
  }
  return seen;
}

/** How far beyond what it is made of a blur can be seen, in mm, at any density from the least up. */
export const blurReachMm = (sigmaMm: number): number =>
  (blurReach((sigmaMm * leastPpi) / 25.4) + 1) * (25.4 / leastPpi);
