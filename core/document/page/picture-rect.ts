import { insetSides, type Rect } from "#core/geometry";
import { type Border, type Frame, frameRect } from "./page.ts";

/** What of a tile its photo fills, as it lies unturned: all of it, or what a border with a foot leaves free. */
export function pictureRect({ frame, border }: { readonly frame: Frame; readonly border: Border }): Rect {
  const whole = frameRect(frame);
  const { widthMm: by, footMm } = border;
  return footMm === undefined ? whole : insetSides(whole, { top: by, left: by, right: by, bottom: footMm });
}
