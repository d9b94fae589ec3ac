import type { Colour } from "#core/colour";
import { apart, colourOfLab, labOf } from "./inks.ts";
import type { PaperFamily } from "./papers/design.ts";
import type { PaperName } from "./papers/index.ts";

/** A colour that a photo lives by: `worth` is how much, from 0 to 1. */
export interface SeenColour {
  readonly colour: Colour;
  readonly worth: number;
  readonly photoId: string;
}

export type GroundReason = "quiet" | "deep" | "takenUp" | "opposite";
export interface Ground {
  readonly colour: Colour;
  readonly reason: GroundReason;
  /** What it was made of. */
  readonly from: SeenColour;
}

/** Nearer than this to what is mostly seen, photos and ground run into each other. */
const leastApart = 0.1;
/** Two suggestions that look alike are one too many. */
const alike = 0.05;

/** So far apart, two colours are not shades of one. */
const ownColour = 0.12;

/** The colours that most of what is seen is near to, no two of them shades of one, the strongest first. */
export function leadingColours(seen: readonly SeenColour[], most: number): readonly SeenColour[] {
  const near = (a: SeenColour, b: SeenColour) => apart(a.colour, b.colour) < ownColour;
  const weight = (s: SeenColour) => seen.reduce((sum, other) => sum + (near(s, other) ? other.worth : 0), 0);
  const sorted = seen.map((s) => ({ s, w: weight(s) })).sort((a, b) => b.w - a.w || b.s.worth - a.s.worth);
  const found: SeenColour[] = [];
  for (const { s } of sorted) if (found.length < most && found.every((f) => !near(f, s))) found.push(s);
  return found;
}

/** A light ground of the same hue as a colour, and inks that are that colour and others, for a paper. */
export function paletteAround(of: SeenColour, others: readonly SeenColour[]): readonly Colour[] {
  return [breathOf(of.colour), of.colour, ...others.filter((o) => o !== of).map((o) => o.colour)];
}

/** Almost white, with a breath of a colour. */
function breathOf(colour: Colour): Colour {
  const [, a, b] = labOf(colour);
  const long = Math.max(0.01, Math.hypot(a, b));
  const k = Math.min(0.025, long * 0.4) / long;
  return colourOfLab([0.945, a * k, b * k]);
}

/**
 * Grounds that go with photos, each for a reason: a breath of their strongest colour, that colour deepened, their liveliest small colour taken up, and
 * the opposite of what is mostly seen, muted. Distances are in OKLab (B. Ottosson, 2020). None where nothing is seen.
 */
export function groundsBeside(seen: readonly SeenColour[]): readonly Ground[] {
  if (seen.length === 0) return [];
  const labs = seen.map((s) => ({ of: s, lab: labOf(s.colour) }));
  const chroma = ([, a, b]: ReturnType<typeof labOf>) => Math.hypot(a, b);
  const [leading] = leadingColours(seen, 1);
  const most = labs.find((s) => s.of === leading)!;
  const others = labs.filter((s) => apart(s.of.colour, most.of.colour) >= ownColour);
  const live = (others.length > 0 ? others : labs).reduce((best, s) => (chroma(s.lab) > chroma(best.lab) ? s : best));
  const [, a, b] = most.lab;
  const long = Math.max(0.01, chroma(most.lab));
  const towards = (k: number) => [(a / long) * k, (b / long) * k] as const;
  const [l] = live.lab;
  const made: readonly Ground[] = [
    { reason: "quiet", from: most.of, colour: breathOf(most.of.colour) },
    {
      reason: "takenUp",
      from: live.of,
      colour: colourOfLab([Math.min(0.82, Math.max(0.45, l)), live.lab[1], live.lab[2]]),
    },
    { reason: "deep", from: most.of, colour: colourOfLab([0.3, ...towards(Math.min(0.06, long))]) },
    { reason: "opposite", from: most.of, colour: colourOfLab([0.86, ...towards(-0.045)]) },
  ];
  const total = seen.reduce((sum, s) => sum + s.worth, 0);
  const mean = [0, 1, 2].map((i) => labs.reduce((sum, s) => sum + s.of.worth * s.lab[i]!, 0) / total);
  const around = colourOfLab([mean[0]!, mean[1]!, mean[2]!]);
  return made.filter(
    (g, i) =>
      apart(g.colour, around) >= leastApart && made.slice(0, i).every((k) => apart(k.colour, g.colour) >= alike),
  );
}

/** How much there is to see in a picture (RGBA): the mean distance of neighbours in lightness, in OKLab. */
export function busynessOf(rgba: Uint8ClampedArray, w: number, h: number): number {
  const light = Float32Array.from({ length: w * h }, (_, i) => lightness(rgba, 4 * i));
  let sum = 0;
  for (let y = 0; y + 1 < h; y += 1)
    for (let x = 0; x + 1 < w; x += 1) {
      const at = y * w + x;
      sum += Math.abs(light[at]! - light[at + 1]!) + Math.abs(light[at]! - light[at + w]!);
    }
  return sum / (2 * Math.max(1, (w - 1) * (h - 1)));
}

/** How far a paper (RGBA of a piece of it) goes away from its own mean, in OKLab's lightness: 0 for a plain one. */
export function loudnessOf(rgba: Uint8ClampedArray): number {
  const n = rgba.length / 4;
  let [sum, squares] = [0, 0];
  for (let i = 0; i < n; i += 1) {
    const l = lightness(rgba, 4 * i);
    sum += l;
    squares += l * l;
  }
  return Math.sqrt(Math.max(0, squares / n - (sum / n) ** 2));
}

const lightness = (rgba: Uint8ClampedArray, at: number): number => {
  const hex = (v: number) => v.toString(16).padStart(2, "0");
  return labOf(`#${hex(rgba[at]!)}${hex(rgba[at + 1]!)}${hex(rgba[at + 2]!)}`)[0];
};

export interface HeardPaper {
  readonly design: PaperName;
  readonly family: PaperFamily;
  readonly loudness: number;
}

/** Busier photos ask for a calmer paper. */
const [calm, lively] = [0.015, 0.055];
const busyFrom = 0.035;

export const wantedLoudness = (busyness: number): number =>
  lively - (lively - calm) * Math.min(1, Math.max(0, (busyness - busyFrom / 2) / busyFrom));

/** The papers that are as loud as photos of this busyness allow, no two of one family, the best first. */
export function papersBeside(papers: readonly HeardPaper[], busyness: number, most: number): readonly HeardPaper[] {
  const wanted = wantedLoudness(busyness);
  const off = (p: HeardPaper) => Math.abs(p.loudness - wanted);
  const sorted = [...papers].sort((p, q) => off(p) - off(q));
  return sorted.filter((p, i) => sorted.findIndex((q) => q.family === p.family) === i).slice(0, most);
}
