import { type Ornament, ornamentFills, ornamentSize } from "#core/artwork";
import type { PlacedTile } from "#core/document";
import { chain, type Matrix, type PathData, rotation, scaling, transformed, translation } from "#core/geometry";
import type { DrawStep } from "./steps.ts";

/** An ornament's own mm to those around its tile's middle, unturned: it fills the tile, mirrored where it is so. */
function ownMatrix({ design, flip }: Ornament, { width, height }: PlacedTile["frame"]): Matrix {
  const { w, h } = ornamentSize(design);
  return chain(scaling(((flip ? -1 : 1) * width) / w, height / h), translation(-w / 2, -h / 2));
}

export function ornamentSteps({ frame }: PlacedTile, ornament: Ornament): readonly DrawStep[] {
  const { centre, turn } = frame;
  const onPage = chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180), ownMatrix(ornament, frame));
  return ornamentFills(ornament).map(
    ({ path, colour, alpha }): DrawStep => ({
      draw: "fill",
      path: transformed(path, onPage),
      rule: "nonzero",
      colour,
      ...(alpha < 1 ? { alpha } : {}),
    }),
  );
}

/** All of an ornament as one shape around its tile's middle, unturned. */
export const ornamentShape = ({ frame }: PlacedTile, ornament: Ornament): PathData =>
  ornamentFills(ornament).flatMap(({ path }) => transformed(path, ownMatrix(ornament, frame)));
