import type { Found } from "../finding.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";

type Detail =
  | { readonly code: "originalGone"; readonly photoName: string }
  | { readonly code: "beyondSrgb"; readonly share: number };

/** Below this share of a photo nobody sees the difference. */
const leastBeyond = 0.02;

/** Photos whose file cannot be printed as it should be: gone, or with colours that an sRGB print cannot show. */
export const photosWhole: PageRule<Detail> = {
  looksAt: "page",
  find: ({ page }, facts) =>
    page.tiles.flatMap((tile): Found<Detail, never>[] => {
      if (tile.filling.kind !== "photo") return [];
      const { photoId } = tile.filling.view;
      const photo = facts.known(photoId);
      const spots = [spot(page, tile)];
      if (!photo || facts.gone(photoId))
        return [{ code: "originalGone", severity: "wrong", photoName: photo?.name ?? "", spots, fixes: [] }];
      const share = facts.beyondSrgb(photoId);
      return share < leastBeyond ? [] : [{ code: "beyondSrgb", severity: "hint", share, spots, fixes: [] }];
    }),
  fixes: {},
};
