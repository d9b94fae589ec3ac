import { toLinear } from "./light.ts";
import type { Colour } from "./schema/colour.ts";

export type { Colour } from "./schema/colour.ts";

/** Reads `#abc`, `abc` and `#AABBCC`; anything else is undefined. */
export function parseColour(text: string): Colour | undefined {
  const m = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(text.trim());
  if (!m) return undefined;
  const hex = (m[1] as string).toLowerCase();
  return `#${hex.length === 3 ? [...hex].map((c) => c + c).join("") : hex}`;
}

/** Relative luminance, 0 to 1 (WCAG 2.2). */
export function luminance(colour: Colour): number {
  const channel = (at: number) => toLinear(Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
}
/** From 1, no difference, to 21 (WCAG 2.2), of two relative luminances. */
export const contrastOf = (a: number, b: number): number => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
