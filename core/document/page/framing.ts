import { type Framing, firstFramingFor, type PhotoShape } from "#core/fit";
import type { Sides } from "#core/geometry";
import { type PageFormat, safeBox } from "#core/lab";
import { type Frame, frameRect, type View } from "./page.ts";

/** How a tile looks at its photo: as a person framed it, else by the photo's focus. */
export function framingOf(view: View, photo: PhotoShape, frame: Frame, format: PageFormat): Framing {
  return view.byHand ? view : firstFramingFor(photo, { w: frame.width, h: frame.height }, lostSides(frame, format));
}

/** What of a tile lies outside the safe area, in mm on each side. */
function lostSides(frame: Frame, format: PageFormat): Sides {
  const r = frameRect(frame);
  const safe = safeBox(format);
  return {
    left: Math.max(0, safe.x - r.x),
    top: Math.max(0, safe.y - r.y),
    right: Math.max(0, r.x + r.w - (safe.x + safe.w)),
    bottom: Math.max(0, r.y + r.h - (safe.y + safe.h)),
  };
}
