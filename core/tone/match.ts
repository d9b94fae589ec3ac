import { type Lab, linearOfByte, linearOfOklab, oklabOf } from "#core/colour";
import { type Tone, tidyTone } from "./key.ts";

/** A picture's light and colour as a whole, in Oklab (Ottosson 2020). */
export interface ToneFigures {
  /** Means. */
  readonly l: number;
  readonly a: number;
  readonly b: number;
  /** Standard deviation of lightness. */
  readonly spread: number;
}

/** Of RGBA pixels; what lets much through does not count. Undefined where nothing is left. */
export function toneFigures(rgba: ArrayLike<number>): ToneFigures | undefined {
  let [n, l, a, b, squares] = [0, 0, 0, 0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    if (rgba[i + 3]! < 128) continue;
    const lab = oklabOf(linearOfByte[rgba[i]!]!, linearOfByte[rgba[i + 1]!]!, linearOfByte[rgba[i + 2]!]!);
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
  const [was, is] = [linearOfOklab([from.l, from.a, from.b]), linearOfOklab(target)];
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
