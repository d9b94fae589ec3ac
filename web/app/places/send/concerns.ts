import { frameRect, type Page } from "#core/document";
import { effectivePpi, sharpnessOf } from "#core/fit";
import type { PageFormat } from "#core/lab";
import type { Photo } from "#core/photo";

export interface Concern {
  readonly code: "empty" | "soft" | "missing";
  readonly tileIds: readonly string[];
}

/** What a person should know before the file is made; kinds without a tile are left out. */
export function concernsOf(page: Page, format: PageFormat, byId: ReadonlyMap<string, Photo>): Concern[] {
  const found: Record<Concern["code"], string[]> = { missing: [], empty: [], soft: [] };
  for (const tile of page.tiles) {
    if (tile.filling.kind === "empty") {
      found.empty.push(tile.id);
      continue;
    }
    if (tile.filling.kind !== "photo") continue;
    const { view } = tile.filling;
    const photo = byId.get(view.photoId);
    if (!photo) found.missing.push(tile.id);
    else if (sharpnessOf(effectivePpi(photo, frameRect(tile.frame), view), format) === "soft") found.soft.push(tile.id);
  }
  return (["missing", "empty", "soft"] as const).flatMap((code) =>
    found[code].length > 0 ? [{ code, tileIds: found[code] }] : [],
  );
}
