import type { Matrix } from "#core/geometry";
import { gathered, lanczosTaps, phases, phaseWeights, type Taps } from "./lanczos.ts";
import { type Area, gridDensity, type Pixels, type Resampler } from "./pixels.ts";

/**
 * Lanczos 3 in whole numbers, first along rows and then down columns. A turned picture is first brought upright to a grid that is
 * denser than the output but filtered for the output, and then gathered, six by six. The reference for the quick one, and what
 * stands in where that cannot run.
 */
export const plainResampler: Resampler = {
  upright: (from, m, area) => drawUpright(from, m, area, Math.abs(m.a), Math.abs(m.d)),
  turned: drawTurned,
};

/** One row made narrower or wider: 16-bit values, 64 times what they stand for. */
function across(row: Uint8ClampedArray, at: number, { first, weights, count }: Taps, out: Int16Array): void {
  for (let i = 0, w = 0, o = 0; i < first.length; i += 1, o += 4) {
    let [r, g, b, a] = [128, 128, 128, 128];
    for (let p = at + 4 * first[i]!, end = w + count; w < end; w += 1, p += 4) {
      const k = weights[w]!;
      if (k === 0) continue;
      r += k * row[p]!;
      g += k * row[p + 1]!;
      b += k * row[p + 2]!;
      a += k * row[p + 3]!;
    }
    out[o] = r >> 8;
    out[o + 1] = g >> 8;
    out[o + 2] = b >> 8;
    out[o + 3] = a >> 8;
  }
}

function drawUpright(
  from: Pixels,
  m: Pick<Matrix, "a" | "d" | "e" | "f">,
  area: Area,
  cutX: number,
  cutY: number,
): Pixels {
  const wide = lanczosTaps(area.x, area.x + area.w, m.a, m.e, from.width, cutX);
  const high = lanczosTaps(area.y, area.y + area.h, m.d, m.f, from.height, cutY);
  const length = area.w * 4;
  const top = from.top ?? 0;
  const data = new Uint8ClampedArray(length * area.h);
  const held = Array.from({ length: high.count }, () => ({ of: -1, row: new Int16Array(length) }));
  const sums = new Int32Array(length);
  for (let y = 0; y < area.h; y += 1) {
    sums.fill(1 << 19);
    for (let k = 0; k < high.count; k += 1) {
      const w = high.weights[y * high.count + k]!;
      if (w === 0) continue;
      const of = high.first[y]! + k;
      const slot = held[of % high.count]!;
      if (slot.of !== of) across(from.data, (of - top) * from.width * 4, wide, slot.row);
      slot.of = of;
      for (let i = 0; i < length; i += 1) sums[i]! += w * slot.row[i]!;
    }
    for (let i = 0; i < length; i += 1) data[y * length + i] = sums[i]! >> 20;
  }
  return { data, width: area.w, height: area.h };
}

function drawTurned(from: Pixels, { a, b, c, d, e, f }: Matrix, area: Area): Pixels {
  const [cutX, cutY] = [Math.hypot(a, b), Math.hypot(c, d)];
  const [sx, sy] = [cutX >= 1 ? 1 : cutX * gridDensity, cutY >= 1 ? 1 : cutY * gridDensity];
  const all = { x: 0, y: 0, w: Math.ceil(from.width * sx), h: Math.ceil(from.height * sy) };
  const upright = { a: sx, d: sy, e: 0, f: 0 };
  const scaled = sx !== 1 || sy !== 1;
  const grid = scaled ? drawUpright(from, upright, all, Math.min(1, cutX), Math.min(1, cutY)) : from;
  const table = phaseWeights();
  const top = grid.top ?? 0;
  const det = a * d - b * c;
  const data = new Uint8ClampedArray(area.w * area.h * 4);
  const within = (v: number, most: number) => Math.min(Math.max(v, 0), most);
  for (let y = 0, o = 0; y < area.h; y += 1)
    for (let x = 0; x < area.w; x += 1, o += 4) {
      const [px, py] = [area.x + x + 0.5 - e, area.y + y + 0.5 - f];
      const u = ((d * px - c * py) / det) * sx - 0.5;
      const v = ((a * py - b * px) / det) * sy - 0.5;
      const [iu, iv] = [Math.floor(u), Math.floor(v)];
      if (u < -1 || v < -1 || u > grid.width || v > grid.height) continue;
      const wu = gathered * Math.round((u - iu) * phases);
      const wv = gathered * Math.round((v - iv) * phases);
      for (let ch = 0; ch < 4; ch += 1) {
        let sum = 1 << 19;
        for (let j = 0; j < gathered; j += 1) {
          const row = (within(iv - 2 + j, grid.height - 1) - top) * grid.width;
          let s = 128;
          for (let k = 0; k < gathered; k += 1)
            s += table[wu + k]! * grid.data[(row + within(iu - 2 + k, grid.width - 1)) * 4 + ch]!;
          sum += table[wv + j]! * (s >> 8);
        }
        data[o + ch] = sum >> 20;
      }
    }
  return { data, width: area.w, height: area.h };
}
