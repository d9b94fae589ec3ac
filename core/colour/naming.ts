import { oklabOf, toLinear } from "./light.ts";
import type { Colour } from "./schema/colour.ts";

/** Where each hue ends, in degrees around OKLab's a and b. */
const hueEnds = [
  ["pink", 12],
  ["red", 42],
  ["orange", 72],
  ["ochre", 95],
  ["yellow", 118],
  ["green", 160],
  ["seaGreen", 200],
  ["teal", 228],
  ["blue", 275],
  ["violet", 315],
  ["purple", 345],
  ["pink", 361],
] as const;
export type HueName = (typeof hueEnds)[number][0] | "grey" | "white" | "black";
export type ShadeName = "pale" | "light" | "plain" | "deep" | "dark" | "dusty";

/** What a person would call a colour. */
export interface ColourName {
  readonly hue: HueName;
  readonly shade: ShadeName;
}

const leastChroma = 0.025;

export function nameOfColour(colour: Colour): ColourName {
  const channel = (at: number) => toLinear(Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  const [l, a, b] = oklabOf(channel(1), channel(3), channel(5));
  const chroma = Math.hypot(a, b);
  if (chroma < leastChroma) {
    if (l > 0.96) return { hue: "white", shade: "plain" };
    if (l < 0.24) return { hue: "black", shade: "plain" };
    return { hue: "grey", shade: l > 0.8 ? "pale" : l > 0.65 ? "light" : l < 0.42 ? "dark" : "plain" };
  }
  const angle = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  const hue = hueEnds.find(([, end]) => angle < end)![0];
  // Yellow is light by itself.
  const [paleFrom, lightFrom] = hue === "yellow" ? [0.94, 0.9] : [0.88, 0.76];
  if (l > paleFrom) return { hue, shade: "pale" };
  if (l < 0.4) return { hue, shade: "dark" };
  if (chroma < 0.06) return { hue, shade: "dusty" };
  return { hue, shade: l > lightFrom ? "light" : l < 0.55 ? "deep" : "plain" };
}
