import { inset, traceEllipse } from "#core/geometry";
import type { OutlineKind } from "./outline.ts";

/** As large as what the cut leaves of its frame: on into the bleed it would be cut flat. */
export const ellipse: OutlineKind = {
  trace: ({ seen }, to) => traceEllipse(seen, to),
  inset: ({ seen }, byMm, to) => traceEllipse(inset(seen, byMm), to),
  holds: ({ seen }, p) => Math.hypot((2 * (p.x - seen.x)) / seen.w - 1, (2 * (p.y - seen.y)) / seen.h - 1) <= 1,
  fillsFrame: () => false,
  hasCorners: false,
  first: {},
};
