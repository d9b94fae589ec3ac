import type { Colour } from "#core/colour";
import type { PathData, Size } from "#core/geometry";
import { inksOf, mixed } from "../inks.ts";
import type { Ornament } from "../schema/ornament.ts";
import { type OrnamentName, ornamentDesign } from "./index.ts";

/** One colour of an ornament, in mm from the top left of a box as large as `ornamentSize` says. */
export interface OrnamentFill {
  readonly colour: Colour;
  readonly path: PathData;
  readonly alpha: number;
}

const white: Colour = "#fffdf8";
const dark: Colour = "#1c1a18";

/** From below to above; nothing of one that this version does not know. */
export function ornamentFills({ design, colours }: Ornament): readonly OrnamentFill[] {
  const parts = ornamentDesign(design)?.parts() ?? [];
  return parts.map(({ ink, path, light, alpha }) => ({
    path,
    alpha,
    colour: mixed(colours[(ink - 1) % colours.length]!, light < 0 ? dark : white, Math.abs(light)),
  }));
}

export const ornamentSize = (design: string): Size => ornamentDesign(design)?.size ?? { w: 30, h: 30 };

/** An ornament in the colours of a palette. */
export const newOrnament = (design: OrnamentName, palette: readonly Colour[]): Ornament => ({
  design,
  colours: inksOf(palette, ornamentDesign(design)?.inks ?? 1).slice(1),
});
