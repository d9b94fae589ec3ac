import type { PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { cutWander } from "#core/lab";
import { borderedOf, type SeenPhoto, whiteBorderMm } from "#core/scene";
import type { Found } from "../finding.ts";
import { boundsOf, cornersOf, mapped, overlap, spot, tileBox, viewMatrix } from "../places.ts";
import type { FixAt, PageRule } from "../rule.ts";
import { wordsOn } from "../words-on.ts";
import { leastFaceMm, mostLost } from "./faces.ts";

const hairMm = 0.1;

type Detail =
  | { readonly code: "thinWhiteBorder"; readonly widthMm: number; readonly wanderMm: number; readonly told: boolean }
  | { readonly code: "whiteBorderCuts"; readonly beyondMm: number }
  | { readonly code: "whiteBorderHeads"; readonly faces: number };
type Fix = "widerWhiteBorder" | "wholeInBorder";

/** A border around the finished page that the cut can make crooked, and words and heads that an even one takes a part of. */
export const whiteBorder: PageRule<Detail, Fix> = {
  looksAt: "page",
  find: ({ page, format }, facts) => {
    const { whiteBorder: border } = page.look;
    const bordered = borderedOf(page);
    if (!border || !bordered) return [];
    const widthMm = whiteBorderMm(border, format);
    const wanderMm = cutWander(format);
    const thin =
      widthMm < wanderMm
        ? [
            {
              ...{ code: "thinWhiteBorder" as const, severity: "doubt" as const, widthMm, wanderMm },
              ...{ told: format.cutWanderMm !== undefined },
              ...{ spots: [{ pageId: page.id, tileIds: [] }], fixes: ["widerWhiteBorder" as const] },
            },
          ]
        : [];
    const { x, y, w, h } = bordered.seen;
    const cut = wordsOn({ page, format }, facts).flatMap(({ tile, at, laid }) => {
      const beyondMm = Math.max(x - at.x, y - at.y, at.x + at.w - x - w, at.y + at.h - y - h);
      if (!laid || laid.lines.length === 0 || beyondMm <= hairMm) return [];
      const fixes = ["wholeInBorder" as const];
      return [
        {
          code: "whiteBorderCuts" as const,
          severity: "wrong" as const,
          beyondMm,
          spots: [spot(page, tile, at)],
          fixes,
        },
      ];
    });
    return [...thin, ...cut, ...heads(page, bordered.seen, (id) => facts.photo(id))];
  },
  fixes: {
    widerWhiteBorder: (at) => told(at, { by: { unit: "mm", mm: Math.ceil(2 * cutWander(at.on.format)) / 2 } }),
    wholeInBorder: (at) => told(at, { whole: true }),
  },
};

/** Heads that their tiles show and the border hides a part of. */
function heads(
  page: PlacedPage,
  seen: Rect,
  photoOf: (id: string) => SeenPhoto | undefined,
): readonly Found<Detail, Fix>[] {
  return page.tiles.flatMap((tile): Found<Detail, Fix>[] => {
    if (tile.filling.kind !== "photo" || tile.through || tile.filling.view.repeats) return [];
    const photo = photoOf(tile.filling.view.photoId);
    if (!photo?.focus) return [];
    const matrix = viewMatrix(tile, tile.filling.view, photo, page.format);
    const box = tileBox(tile);
    const under = photo.focus.faces.flatMap((face) => {
      const whole = mapped(face, matrix);
      if (Math.min(whole.w, whole.h) < leastFaceMm || shareIn(whole, box) < 1 - mostLost) return [];
      return shareIn(whole, seen) < 1 - mostLost ? [whole] : [];
    });
    if (under.length === 0) return [];
    const spots = [spot(page, tile, boundsOf(under.flatMap(cornersOf)))];
    return [{ code: "whiteBorderHeads", severity: "doubt", faces: under.length, spots, fixes: ["wholeInBorder"] }];
  });
}

function shareIn(r: Rect, of: Rect): number {
  const both = overlap(r, of);
  return both ? (both.w * both.h) / (r.w * r.h) : 0;
}

function told({ on }: FixAt, own: object) {
  const { whiteBorder: border } = on.look;
  if (!border) return [];
  return [{ type: "setPages" as const, items: [{ id: on.id, set: { whiteBorder: { ...border, ...own } } }] }];
}
