import { containsPoint, inset, traceRoundedRect, traceRoundedWithin } from "#core/geometry";
import type { OutlineKind } from "./outline.ts";

export const rectangle: OutlineKind = {
  trace({ whole, seen, cornerMm }, to) {
    if (cornerMm > 0 && (seen.w < whole.w || seen.h < whole.h)) traceRoundedWithin(seen, cornerMm, whole, to);
    else traceRoundedRect(whole, cornerMm, to);
  },
  // Sharp corners stay sharp, on the outside as well.
  inset: ({ seen, cornerMm }, byMm, to) => traceRoundedRect(inset(seen, byMm), cornerMm > 0 ? cornerMm - byMm : 0, to),
  holds: ({ whole }, p) => containsPoint(whole, p),
  fillsFrame: (cornerMm) => cornerMm === 0,
  hasCorners: true,
  first: {},
};
