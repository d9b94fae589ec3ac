import type { Colour } from "./colour.ts";

/** OKLab of an sRGB colour with channels 0 to 255 (B. Ottosson, 2020): near in it is near to the eye. */
function okLab(r: number, g: number, b: number): readonly [l: number, a: number, b: number] {
  const linear = (v: number) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
  const [lr, lg, lb] = [linear(r), linear(g), linear(b)];
  const l = Math.cbrt(0.4122214708 * lr + 0.5363325363 * lg + 0.0514459929 * lb);
  const m = Math.cbrt(0.2119034982 * lr + 0.6806995451 * lg + 0.1073969566 * lb);
  const s = Math.cbrt(0.0883024619 * lr + 0.2817188376 * lg + 0.6299787005 * lb);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

const bins = 16;
const leastApart = 0.11;
/** A colour with some life in it counts for more than a grey that covers as much. */
const greyShare = 0.25;

/** The colours that a picture lives by, the strongest first. `rgba` as in ImageData; transparent pixels do not count. */
export function dominantColours(rgba: ArrayLike<number>, most: number): Colour[] {
  const sums = new Map<number, { r: number; g: number; b: number; n: number }>();
  for (let i = 0; i + 3 < rgba.length; i += 4) {
    if (rgba[i + 3]! < 128) continue;
    const [r, g, b] = [rgba[i]!, rgba[i + 1]!, rgba[i + 2]!];
    const key = (r >> 4) * bins * bins + (g >> 4) * bins + (b >> 4);
    const bin = sums.get(key);
    if (!bin) sums.set(key, { r, g, b, n: 1 });
    else {
      bin.r += r;
      bin.g += g;
      bin.b += b;
      bin.n += 1;
    }
  }
  const found = [...sums.values()].map(({ r, g, b, n }) => {
    const rgb = [r / n, g / n, b / n] as const;
    const lab = okLab(...rgb);
    return { rgb, lab, worth: n * (greyShare + 4 * Math.hypot(lab[1], lab[2])) };
  });
  found.sort((a, b) => b.worth - a.worth);
  const kept: typeof found = [];
  for (const c of found) {
    if (kept.length >= most) break;
    const apart = (k: (typeof found)[number]) => Math.hypot(...k.lab.map((v, i) => v - c.lab[i]!));
    if (kept.every((k) => apart(k) >= leastApart)) kept.push(c);
  }
  return kept.map(({ rgb }) => `#${rgb.map((v) => Math.round(v).toString(16).padStart(2, "0")).join("")}`);
}
