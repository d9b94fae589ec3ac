import { pictureRect } from "#core/document";
import { applyTo, inverse } from "#core/geometry";
import { tellingTile } from "../fix-tile.ts";
import { cornersOf, frameTurn, hairMm, spot, viewMatrix } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** Wider than this, showing all of a photo with something beside it is plainly meant. */
const mostSliverMm = 5;

/** A thin strip of a tile that its photo does not reach: on paper a line that looks like a mistake. */
export const uncovered: PageRule<{ readonly code: "uncovered"; readonly sliverMm: number }, "cover"> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    page.tiles.flatMap((tile) => {
      if (tile.filling.kind !== "photo" || tile.filling.view.repeats) return [];
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo) return [];
      const matrix = viewMatrix(tile, view, photo, format);
      const back = inverse(matrix);
      const [widthMm, heightMm] = [Math.hypot(matrix.a, matrix.b), Math.hypot(matrix.c, matrix.d)];
      const turn = frameTurn(tile.frame);
      const outs = cornersOf(pictureRect(tile)).flatMap((corner) => {
        const p = applyTo(back, applyTo(turn, corner));
        return [-p.x * widthMm, (p.x - 1) * widthMm, -p.y * heightMm, (p.y - 1) * heightMm];
      });
      const sliverMm = Math.max(...outs);
      if (sliverMm <= hairMm || sliverMm > mostSliverMm) return [];
      return [{ code: "uncovered", severity: "doubt", sliverMm, spots: [spot(page, tile)], fixes: ["cover"] }];
    }),
  fixes: {
    cover: tellingTile(({ filling }) => {
      if (filling.kind !== "photo") return undefined;
      const { view } = filling;
      return {
        filling: { kind: "photo", view: { ...view, byHand: true, whole: false, zoom: Math.max(1, view.zoom) } },
      };
    }),
  },
};
