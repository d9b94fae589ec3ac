import type { DeepPixels } from "./deep.ts";
import type { Pixels } from "./pixels.ts";

/** An unsharp mask. Levels are of 255. */
export interface Sharpening {
  /** Of the Gaussian, in pixels. */
  readonly sigmaPx: number;
  readonly amount: number;
  /** Less contrast than this stays as it is: grain is not picture. */
  readonly threshold: number;
  /** The most that a level may change, so that no halo shows. */
  readonly limit: number;
}

export const paperKinds = ["gloss", "matt"] as const;
export type PaperKind = (typeof paperKinds)[number];
const given = { gloss: { sigma: 0.6, amount: 0.6 }, matt: { sigma: 0.8, amount: 0.8 } } as const;
const forPpi = 300;

/** What a kind of paper takes away from edges, given back. A judgement from practice, measured on a slanted edge only. */
export const sharpeningFor = (paper: PaperKind, ppi: number): Sharpening => ({
  sigmaPx: (given[paper].sigma * ppi) / forPpi,
  amount: given[paper].amount,
  threshold: 2,
  limit: 12,
});

/** So many pixels around an area have a say in it. */
export const sharpeningReach = ({ sigmaPx }: Sharpening): number => Math.ceil(3 * sigmaPx);

/** Adds to red, green and blue alike what the luma lacks, so that grey stays grey. In place; the rim goes on beyond the edge. */
export function sharpen({ data, width, height }: Pixels | DeepPixels, how: Sharpening): void {
  const deep = data instanceof Uint16Array;
  const [channels, level] = deep ? [3, 257] : [4, 1];
  const most = 255 * level;
  const luma = new Float32Array(width * height);
  for (let i = 0, p = 0; i < luma.length; i += 1, p += channels)
    luma[i] = (0.299 * data[p]! + 0.587 * data[p + 1]! + 0.114 * data[p + 2]!) / level;
  const soft = blurred(luma, width, height, how);
  for (let i = 0, p = 0; i < luma.length; i += 1, p += channels) {
    const lacks = luma[i]! - soft[i]!;
    if (Math.abs(lacks) < how.threshold) continue;
    const more = level * Math.max(-how.limit, Math.min(how.limit, how.amount * lacks));
    for (let c = p; c < p + 3; c += 1) data[c] = Math.min(most, Math.max(0, data[c]! + more));
  }
}

function blurred(from: Float32Array, width: number, height: number, how: Sharpening): Float32Array {
  const reach = sharpeningReach(how);
  const kernel = Float32Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * how.sigmaPx ** 2)),
  );
  const sum = kernel.reduce((s, w) => s + w, 0);
  const pass = (source: Float32Array, count: number, lines: number, step: number, line: number): Float32Array => {
    const out = new Float32Array(source.length);
    for (let l = 0; l < lines; l += 1)
      for (let i = 0; i < count; i += 1) {
        let s = 0;
        for (let k = -reach; k <= reach; k += 1) {
          const at = Math.min(Math.max(i + k, 0), count - 1);
          s += kernel[k + reach]! * source[l * line + at * step]!;
        }
        out[l * line + i * step] = s / sum;
      }
    return out;
  };
  return pass(pass(from, width, height, 1, width), height, width, width, 1);
}
