import { type Tone, tidyTone } from "./key.ts";
import { toLinear } from "./tone.ts";

/** A picture's light and colour as a whole, in Oklab (Ottosson 2020). */
export interface ToneFigures {
  /** Means. */
  readonly l: number;
  readonly a: number;
  readonly b: number;
  /** Standard deviation of lightness. */
  readonly spread: number;
}

type Lab = readonly [l: number, a: number, b: number];

function oklabOf(r: number, g: number, b: number): Lab {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

function linearOf([lightness, a, b]: Lab): readonly [number, number, number] {
  const l = (lightness + 0.3963377774 * a + 0.2158037573 * b) ** 3;
  const m = (lightness - 0.1055613458 * a - 0.0638541728 * b) ** 3;
  const s = (lightness - 0.0894841775 * a - 1.291485548 * b) ** 3;
  return [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ];
}

/** Of RGBA pixels; what lets much through does not count. Undefined where nothing is left. */
export function toneFigures(rgba: ArrayLike<number>): ToneFigures | undefined {
  let [n, l, a, b, squares] = [0, 0, 0, 0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    if (rgba[i + 3]! < 128) continue;
    const lab = oklabOf(toLinear(rgba[i]! / 255), toLinear(rgba[i + 1]! / 255), toLinear(rgba[i + 2]! / 255));
    n += 1;
    l += lab[0];
    a += lab[1];
    b += lab[2];
    squares += lab[0] ** 2;
  }
  if (n === 0) return undefined;
  const mean = l / n;
  return { l: mean, a: a / n, b: b / n, spread: Math.sqrt(Math.max(0, squares / n - mean ** 2)) };
}

/** The means of several pictures' figures. */
export function meanFigures(all: readonly ToneFigures[]): ToneFigures | undefined {
  if (all.length === 0) return undefined;
  const mean = (of: (f: ToneFigures) => number) => all.reduce((sum, f) => sum + of(f), 0) / all.length;
  return { l: mean((f) => f.l), a: mean((f) => f.a), b: mean((f) => f.b), spread: mean((f) => f.spread) };
}

/** A photo may follow others so far and no farther, or its faces look ill. */
const mostLight = 0.08;
const mostColour = 0.03;
const spreads = [0.8, 1.25] as const;
const gains = [0.5, 2] as const;
const leastLinear = 0.004;

const between = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** The tone that brings a picture with these figures near others, as far as that does it no harm; undefined where it is there already. */
export function toneLike(from: ToneFigures, to: ToneFigures): Tone | undefined {
  const toward = (now: number, wanted: number, most: number) => now + between(wanted - now, -most, most);
  const target: Lab = [
    toward(from.l, to.l, mostLight),
    toward(from.a, to.a, mostColour),
    toward(from.b, to.b, mostColour),
  ];
  const [was, is] = [linearOf([from.l, from.a, from.b]), linearOf(target)];
  const hundredth = (v: number) => Math.round(v * 100) / 100;
  const balance = was.map((v, c) =>
    hundredth(between(Math.max(leastLinear, is[c]!) / Math.max(leastLinear, v), ...gains)),
  );
  const ratio = between(to.spread / Math.max(0.01, from.spread), ...spreads);
  const even = balance.every((v) => v === 1);
  return tidyTone({
    ...(even ? {} : { balance: balance as unknown as NonNullable<Tone["balance"]> }),
    contrast: hundredth(2 * (ratio - 1)),
  });
}
