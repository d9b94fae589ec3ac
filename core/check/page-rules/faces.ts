import { isFree, type PlacedTile, type View } from "#core/document";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { SeenPhoto } from "#core/scene";
import type { Found, Risk } from "../finding.ts";
import { tellingTile } from "../fix-tile.ts";
import { moveInside } from "../move-inside.ts";
import { boundsOf, cornersOf, mapped, overlap, riskOf, spot, tileBox, viewMatrix } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** Smaller than this on paper, nobody is known by it. */
const leastFaceMm = 3;
/** A box around a face is not exact to its rim. */
const mostLost = 0.12;

type Detail =
  | { readonly code: "faceAtRisk"; readonly risk: Risk; readonly faces: number }
  | { readonly code: "faceCropped"; readonly faces: number }
  | { readonly code: "focusCut" };
type Fix = "frameByFocus" | "moveInside";

type FaceFate = Risk | "cropped" | "whole";

const worst: readonly FaceFate[] = ["cut", "fold", "cropped", "near", "whole"];

interface Fated {
  readonly fate: FaceFate;
  readonly at: Rect;
}

/** What becomes of the faces that a tile shows. Those that it does not show at all are left out on purpose. */
function fatesOf(tile: PlacedTile, view: View, photo: SeenPhoto, format: PageFormat): Fated[] {
  const matrix = viewMatrix(tile, view, photo, format);
  const box = tileBox(tile);
  return (photo.focus?.faces ?? []).flatMap((face): Fated[] => {
    const whole = mapped(face, matrix);
    const at = overlap(whole, box);
    if (!at || Math.min(whole.w, whole.h) < leastFaceMm) return [];
    const seen = (at.w * at.h) / (whole.w * whole.h);
    if (seen < 0.25) return [];
    const risk = riskOf(shrunk(at, mostLost / 2), format)?.risk;
    const fate: FaceFate = risk && risk !== "near" ? risk : seen < 1 - mostLost ? "cropped" : (risk ?? "whole");
    return [{ fate, at: whole }];
  });
}

const shrunk = (r: Rect, by: number): Rect => ({
  x: r.x + r.w * by,
  y: r.y + r.h * by,
  w: r.w * (1 - 2 * by),
  h: r.h * (1 - 2 * by),
});

const worstOf = (fates: readonly Fated[]): FaceFate => worst.find((w) => fates.some((f) => f.fate === w)) ?? "whole";

/** Heads that a tile, the knife or the fold takes a part of; and a point of focus set by hand that is not on the page. */
export const faces: PageRule<Detail, Fix> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    page.tiles.flatMap((tile): Found<Detail, Fix>[] => {
      if (tile.filling.kind !== "photo") return [];
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo?.focus) return [];
      const fates = fatesOf(tile, view, photo, format);
      const bad = fates.filter((f) => f.fate !== "whole");
      if (bad.length === 0) return focusFound(tile, view, photo, format, page);
      const is = worstOf(bad);
      const these = bad.filter((f) => f.fate === is);
      const at = boundsOf(these.flatMap((f) => cornersOf(f.at)));
      const better =
        view.byHand && worst.indexOf(worstOf(fatesOf(tile, unhanded(view), photo, format))) > worst.indexOf(is);
      const fixes: Fix[] = better
        ? ["frameByFocus"]
        : is === "near" && isFree(page.page, tile.id)
          ? ["moveInside"]
          : [];
      const spots = [spot(page, tile, at)];
      if (is === "cropped") return [{ code: "faceCropped", severity: "doubt", faces: these.length, spots, fixes }];
      return [
        {
          code: "faceAtRisk",
          severity: is === "near" ? "doubt" : "wrong",
          risk: is as Risk,
          faces: these.length,
          spots,
          fixes,
        },
      ];
    }),
  fixes: {
    frameByFocus: tellingTile(({ filling }) =>
      filling.kind === "photo" ? { filling: { kind: "photo", view: unhanded(filling.view) } } : undefined,
    ),
    moveInside,
  },
};

const unhanded = (view: View): View => ({ ...view, byHand: false, whole: false, zoom: 1, turn: 0 });

function focusFound(
  tile: PlacedTile,
  view: View,
  photo: SeenPhoto,
  format: PageFormat,
  page: Parameters<typeof spot>[0],
): Found<Detail, Fix>[] {
  if (photo.focus?.from !== "you" || photo.focus.faces.length > 0) return [];
  const { point } = photo.focus;
  const at = mapped({ x: point.x, y: point.y, w: 1e-4, h: 1e-4 }, viewMatrix(tile, view, photo, format));
  const risk = overlap(at, tileBox(tile)) ? riskOf(at, format)?.risk : "cut";
  if (risk !== "cut" && risk !== "fold") return [];
  return [
    { code: "focusCut", severity: "doubt", spots: [spot(page, tile)], fixes: view.byHand ? ["frameByFocus"] : [] },
  ];
}
