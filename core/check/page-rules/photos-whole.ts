import type { PageRule } from "../facts.ts";
import type { Found } from "../finding.ts";
import { spot } from "../places.ts";

/** Below this share of a photo nobody sees the difference. */
const leastBeyond = 0.02;

/** Photos whose file cannot be printed as it should be: gone, or with colours that an sRGB print cannot show. */
export const photosWhole: PageRule = ({ page }, facts) =>
  page.tiles.flatMap((tile): Found[] => {
    if (tile.filling.kind !== "photo") return [];
    const { photoId } = tile.filling.view;
    const photo = facts.known(photoId);
    const spots = [spot(page, tile)];
    if (!photo || facts.gone(photoId))
      return [{ code: "originalGone", severity: "wrong", photoName: photo?.name ?? "", spots, fixes: [] }];
    const share = facts.beyondSrgb(photoId);
    return share < leastBeyond ? [] : [{ code: "beyondSrgb", severity: "hint", share, spots, fixes: [] }];
  });
