import { clamp } from "#core/geometry";
import { type PageFormat, safeBox } from "#core/lab";
import { tellingTile } from "./fix-tile.ts";
import { tileBox } from "./places.ts";
import { wordsOn } from "./words-on.ts";

/** The tile pushed in so that its words, or itself, lie where nothing is lost; as it was where they are too large for that. */
export const moveInside = tellingTile((tile, { on, facts }) => {
  const { format } = on;
  const at = wordsOn({ page: on, format }, facts).find((w) => w.tile.id === tile.id)?.at ?? tileBox(tile);
  const safe = nearestSafe(at, format);
  if (at.w > safe.w || at.h > safe.h) return undefined;
  const dx = clamp(at.x, safe.x, safe.x + safe.w - at.w) - at.x;
  const dy = clamp(at.y, safe.y, safe.y + safe.h - at.h) - at.y;
  const { centre } = tile.frame;
  return { frame: { ...tile.frame, centre: { x: centre.x + dx, y: centre.y + dy } } };
});

/** Of a spread or a cover, that part between two folds in which most of it lies. */
function nearestSafe(at: { readonly x: number; readonly w: number }, format: PageFormat) {
  const safe = safeBox(format);
  const inner = (format.folds ?? []).filter((f) => f.atMm > 0 && f.atMm < format.widthMm && f.hiddenMm > 0);
  const middle = at.x + at.w / 2;
  const from = Math.max(safe.x, ...inner.filter((f) => f.atMm <= middle).map((f) => f.atMm + f.hiddenMm));
  const to = Math.min(safe.x + safe.w, ...inner.filter((f) => f.atMm > middle).map((f) => f.atMm - f.hiddenMm));
  return { x: from, y: safe.y, w: to - from, h: safe.h };
}
