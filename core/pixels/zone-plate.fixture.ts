import type { Matrix } from "#core/geometry";
import type { Pixels } from "./pixels.ts";

// Tests run in a context of their own, where each look at a global is dear.
const { PI, abs, cos, hypot, max, sqrt } = Math;

/** Grey rings whose frequency grows evenly with the distance from the middle, to half a cycle per pixel at each side's middle. */
export function zonePlate(n: number): Pixels {
  const data = new Uint8ClampedArray(n * n * 4);
  for (let y = 0, p = 0; y < n; y += 1)
    for (let x = 0; x < n; x += 1, p += 4) {
      data.fill(shownAt(n, x + 0.5, y + 0.5), p, p + 3);
      data[p + 3] = 255;
    }
  return { data, width: n, height: n };
}

const shownAt = (n: number, u: number, v: number): number =>
  127.5 + 127.5 * cos((PI * ((u - n / 2) ** 2 + (v - n / 2) ** 2)) / n);

/** The matrix that draws a plate at a scale in the middle of a square of `side` pixels, turned in degrees about its middle. */
export function placing(n: number, scale: number, turn = 0, mirrored = false): { side: number; matrix: Matrix } {
  const side = Math.round(n * scale);
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180) * scale, Math.sin((turn * Math.PI) / 180) * scale];
  const m = mirrored ? -1 : 1;
  const [a, b, c, d] = [cos * m, sin * m, -sin, cos];
  return { side, matrix: { a, b, c, d, e: side / 2 - (a + c) * (n / 2), f: side / 2 - (b + d) * (n / 2) } };
}

export interface PlateFigures {
  /** Root mean square from the exact plate below 0.4 cycles per output pixel: softness, shifts and ripples. */
  readonly lost: number;
  /** The same from plain grey beyond 0.72 cycles; undefined where the drawn plate has none. */
  readonly alias: number | undefined;
  /** Standard deviation of what lies at so many cycles; 90 is ideal below 0.5. */
  ring(cycles: number): number;
}

/** How a drawn plate came out, in levels of 255. `matrix`: source pixels to output pixels. */
export function measurePlate(
  { data, width, height }: Pick<Pixels, "width" | "height"> & { readonly data: ArrayLike<number> },
  n: number,
  { a, b, c, d, e, f }: Matrix,
  channels = 4,
): PlateFigures {
  const rim = 8;
  const det = a * d - b * c;
  const scale = sqrt(abs(det));
  const each = (see: (at: number, freq: number, u: number, v: number) => void) => {
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        const [px, py] = [x + 0.5 - e, y + 0.5 - f];
        const [u, v] = [(d * px - c * py) / det, (a * py - b * px) / det];
        if (u < rim || v < rim || u > n - rim || v > n - rim) continue;
        see(data[(y * width + x) * channels]!, hypot(u - n / 2, v - n / 2) / n / scale, u, v);
      }
  };
  const lost = { count: 0, square: 0 };
  const alias = { count: 0, square: 0 };
  each((at, freq, u, v) => {
    const low = freq < 0.4 && max(abs(u - n / 2), abs(v - n / 2)) / n < 0.4;
    if (!low && freq <= 0.72) return;
    const sum = low ? lost : alias;
    sum.count += 1;
    sum.square += (at - (low ? shownAt(n, u, v) : 127.5)) ** 2;
  });
  const rms = (s: { readonly count: number; readonly square: number }) => sqrt(s.square / s.count);
  const ring = (cycles: number) => {
    let [count, sum, square] = [0, 0, 0];
    each((at, freq) => {
      if (abs(freq - cycles) >= 0.02) return;
      count += 1;
      sum += at;
      square += at * at;
    });
    return sqrt(max(0, square / count - (sum / count) ** 2));
  };
  return { lost: rms(lost), alias: alias.count < 50 ? undefined : rms(alias), ring };
}
