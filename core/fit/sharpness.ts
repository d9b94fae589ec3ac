import type { Size } from "#core/geometry";
import { mmPerInch } from "#core/units";
import { type Framing, printedSize, settled } from "./cover.ts";

/** Photo pixels to the inch on paper. */
export function effectivePpi(
  photo: { readonly widthPx: number; readonly heightPx: number },
  tile: Size,
  framing: Framing,
): number {
  const aspect = photo.widthPx / photo.heightPx;
  const size = printedSize(aspect, tile, settled(aspect, tile, framing));
  return photo.widthPx / (size.w / mmPerInch);
}

/** `sharp` at the wanted density, `fair` down to the least the lab takes, `soft` below. */
export type Sharpness = "sharp" | "fair" | "soft";

export function sharpnessOf(ppi: number, needs: { readonly ppi: number; readonly leastPpi: number }): Sharpness {
  // A hair under the line prints like the line: labs compare whole numbers.
  if (Math.round(ppi) >= needs.ppi) return "sharp";
  return Math.round(ppi) >= needs.leastPpi ? "fair" : "soft";
}
