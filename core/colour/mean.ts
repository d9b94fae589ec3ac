import type { Colour } from "./colour.ts";
import { linearOfByte, toEncoded } from "./light.ts";

/** The mean of pixels (RGBA as in ImageData) in light, as an eye sees them from afar; clear ones do not count. Nothing where all are clear. */
export function meanColour(rgba: ArrayLike<number>): Colour | undefined {
  const sum = [0, 0, 0];
  let weight = 0;
  for (let i = 0; i + 3 < rgba.length; i += 4) {
    const alpha = rgba[i + 3]! / 255;
    for (let c = 0; c < 3; c += 1) sum[c]! += alpha * linearOfByte[rgba[i + c]!]!;
    weight += alpha;
  }
  if (weight === 0) return undefined;
  const hex = (light: number) =>
    Math.round(255 * toEncoded(light / weight))
      .toString(16)
      .padStart(2, "0");
  return `#${sum.map(hex).join("")}`;
}
