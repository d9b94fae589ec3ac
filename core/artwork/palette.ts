import { type Colour, dominantColours } from "#core/colour";
import { apart, colourOfLab, labOf } from "./inks.ts";

/** What a page can be dressed in without looking motley. */
const mostColours = 5;
const wellApart = 0.14;
/** So light a colour is a ground by itself. */
const groundLightness = 0.9;

/**
 * A ground and up to four inks out of pixels (RGBA as in ImageData): the strongest colours that are well apart, and before them the lightest
 * of them, or where none is light enough the first one lightened to a breath of its hue. Nothing where there is nothing to be seen.
 */
export function paletteFrom(rgba: ArrayLike<number>): readonly Colour[] {
  const found = dominantColours(rgba, 24);
  const light = found.filter((c) => labOf(c)[0] >= groundLightness);
  const [first] = found;
  if (first === undefined) return [];
  const [, a, b] = labOf(first);
  const ground = light[0] ?? colourOfLab([0.95, a * 0.2, b * 0.2]);
  const palette = [ground];
  for (const c of found)
    if (palette.length < mostColours && palette.every((p) => apart(p, c) >= wellApart)) palette.push(c);
  return palette;
}
