import type { Colour } from "./colour.ts";
import { oklabOf, toLinear } from "./light.ts";

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
    const lab = oklabOf(toLinear(r / n / 255), toLinear(g / n / 255), toLinear(b / n / 255));
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
