import type { Focus } from "./focus.ts";

/** A small picture as L*, a*, b*-like planes of one size, row by row; values about 0 to 255. */
export interface Planes {
  readonly width: number;
  readonly height: number;
  readonly planes: readonly ArrayLike<number>[];
}

/**
 * Where a picture draws the eye: places that differ from their surroundings in brightness and colour, by centre-surround
 * differences at two scales (Itti, Koch and Niebur, 1998, in its simplest form), with a pull to the middle, where people
 * put what they mean. Shares of width and height.
 */
export function interestOf({ width, height, planes }: Planes): Focus["point"] {
  const stands = new Float64Array(width * height);
  for (const plane of planes)
    for (const radius of [Math.max(1, Math.round(width / 10)), Math.max(2, Math.round(width / 5))]) {
      const [near, far] = [
        boxBlur(plane, width, height, Math.max(1, radius >> 2)),
        boxBlur(plane, width, height, radius),
      ];
      for (let i = 0; i < stands.length; i += 1) stands[i]! += Math.abs(near[i]! - far[i]!);
    }
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const [dx, dy] = [(x + 0.5) / width - 0.5, (y + 0.5) / height - 0.45];
      stands[y * width + x]! *= Math.exp(-3 * (dx * dx + dy * dy));
    }
  // The strongest tenth says where; the rest is texture.
  const line = Float64Array.from(stands).sort()[Math.floor(stands.length * 0.9)] ?? 0;
  let [sx, sy, weight] = [0, 0, 0];
  for (let i = 0; i < stands.length; i += 1) {
    const w = stands[i]! - line;
    if (w <= 0) continue;
    sx += w * ((i % width) + 0.5);
    sy += w * (Math.floor(i / width) + 0.5);
    weight += w;
  }
  return weight > 0 ? { x: sx / weight / width, y: sy / weight / height } : { x: 0.5, y: 0.45 };
}

/** Mean over a square of 2·radius + 1, by running sums along rows and then columns; edges repeat. */
function boxBlur(from: ArrayLike<number>, width: number, height: number, radius: number): Float64Array {
  const rows = new Float64Array(width * height);
  const out = new Float64Array(width * height);
  blurLines(from, rows, height, width, width, 1, radius);
  blurLines(rows, out, width, height, 1, width, radius);
  return out;
}

function blurLines(
  from: ArrayLike<number>,
  to: Float64Array,
  lines: number,
  length: number,
  lineStep: number,
  step: number,
  radius: number,
): void {
  const count = 2 * radius + 1;
  for (let l = 0; l < lines; l += 1) {
    const start = l * lineStep;
    const at = (i: number) => from[start + Math.min(length - 1, Math.max(0, i)) * step]!;
    let sum = 0;
    for (let i = -radius; i <= radius; i += 1) sum += at(i);
    for (let i = 0; i < length; i += 1) {
      to[start + i * step] = sum / count;
      sum += at(i + radius + 1) - at(i - radius);
    }
  }
}
