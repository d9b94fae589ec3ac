import { isFree, liesOn, type PlacedPage, type PlacedTile, type View } from "#core/document";
import { applyTo, flattened, inverse, type Point, type Rect, type Ring, ringsHold } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { strokesLeaveAt, strokeUnits } from "#core/masks";
import { ornamentShape, ownToPage, type SeenPhoto } from "#core/scene";
import type { Found, Risk } from "../finding.ts";
import { tellingTile } from "../fix-tile.ts";
import { moveInside } from "../move-inside.ts";
import { boundsOf, cornersOf, mapped, overlap, riskOf, spot, tileBox, viewMatrix } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** Smaller than this on paper, nobody is known by it. */
export const leastFaceMm = 3;
/** A box around a face is not exact to its rim. */
export const mostLost = 0.12;

type Detail =
  | { readonly code: "faceAtRisk"; readonly risk: Risk; readonly faces: number }
  | { readonly code: "faceCropped"; readonly faces: number }
  | { readonly code: "faceCovered"; readonly faces: number }
  | { readonly code: "faceInGap"; readonly faces: number }
  | { readonly code: "focusCut" };
type Fix = "frameByFocus" | "moveInside";

/** Of what is seen less than this the rest is left out on purpose. */
const leastSeen = 0.25;

type FaceFate = Risk | "cropped" | "covered" | "whole";

const worst: readonly FaceFate[] = ["cut", "fold", "covered", "cropped", "near", "whole"];

interface Fated {
  readonly fate: FaceFate;
  readonly at: Rect;
}

/** What becomes of the faces that a tile shows. Those that it does not show at all are left out on purpose. */
function fatesOf(tile: PlacedTile, view: View, photo: SeenPhoto, page: PlacedPage): Fated[] {
  const { format } = page;
  const matrix = viewMatrix(tile, view, photo, format);
  const box = tileBox(tile);
  const above = page.tiles.slice(page.tiles.indexOf(tile) + 1).filter(covers);
  return (photo.focus?.faces ?? []).flatMap((face): Fated[] => {
    const whole = mapped(face, matrix);
    const at = overlap(whole, box);
    if (!at || Math.min(whole.w, whole.h) < leastFaceMm) return [];
    const seen = (at.w * at.h) / (whole.w * whole.h);
    if (seen < leastSeen) return [];
    const risk = riskOf(shrunk(at, mostLost / 2), format)?.risk;
    const shaped =
      tile.frame.turn !== 0 ||
      tile.outline.kind !== "rectangle" ||
      view.fade !== undefined ||
      above.some((t) => overlap(tileBox(t), at));
    const { inShape, open } = shaped
      ? sampled(tile, above, (x, y) => {
          const inPhoto = { x: face.x + face.w * x, y: face.y + face.h * y };
          return { onPage: applyTo(matrix, inPhoto), faded: isFaded(view, photo.aspect, inPhoto) };
        })
      : { inShape: seen, open: seen };
    const lost: FaceFate | undefined =
      Math.min(seen, inShape) < 1 - mostLost ? "cropped" : open < 1 - mostLost ? "covered" : undefined;
    return [{ fate: risk && risk !== "near" ? risk : (lost ?? risk ?? "whole"), at: whole }];
  });
}

/** What hides that which lies under it. */
const covers = ({ filling, tile }: PlacedTile): boolean =>
  filling.kind !== "empty" && filling.kind !== "words" && (tile.opacity ?? 1) > 0.5;

const shapes = new WeakMap<PlacedTile, readonly Ring[]>();

/** Whether something hides a point of the page: an ornament only where it has ink. */
function hides(tile: PlacedTile, p: Point): boolean {
  if (tile.filling.kind !== "ornament") return liesOn(tile, p);
  const rings = shapes.get(tile) ?? flattened(ornamentShape(tile, tile.filling.ornament));
  shapes.set(tile, rings);
  return ringsHold(rings, applyTo(inverse(ownToPage(tile)), p));
}

/** Less than this of a face is not seen on paper. */
const leastLeft = 0.5;

function isFaded({ fade }: View, aspect: number, { x, y }: Point): boolean {
  if (!fade) return false;
  const at = { x: x * strokeUnits * Math.min(1, aspect), y: y * strokeUnits * Math.min(1, 1 / aspect) };
  return strokesLeaveAt(fade, at) < leastLeft;
}

/** Points looked at across and down a face. */
const perFace = 8;

/** The share of a face that lies within its tile's shape, and that which nothing lies over besides. */
function sampled(
  tile: PlacedTile,
  above: readonly PlacedTile[],
  look: (x: number, y: number) => { readonly onPage: Point; readonly faded: boolean },
) {
  let [inShape, open] = [0, 0];
  for (let i = 0; i < perFace; i += 1)
    for (let k = 0; k < perFace; k += 1) {
      const { onPage, faded } = look((i + 0.5) / perFace, (k + 0.5) / perFace);
      if (!liesOn(tile, onPage)) continue;
      inShape += 1;
      if (!faded && !above.some((t) => hides(t, onPage))) open += 1;
    }
  return { inShape: inShape / perFace ** 2, open: open / perFace ** 2 };
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
  find: ({ page, format }, facts) => [
    ...inGaps(page, (id) => facts.photo(id)),
    ...page.tiles.flatMap((tile): Found<Detail, Fix>[] => {
      if (tile.filling.kind !== "photo" || tile.through || tile.filling.view.repeats) return [];
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo?.focus) return [];
      const fates = fatesOf(tile, view, photo, page);
      const bad = fates.filter((f) => f.fate !== "whole");
      if (bad.length === 0) return focusFound(tile, view, photo, format, page);
      const is = worstOf(bad);
      const these = bad.filter((f) => f.fate === is);
      const at = boundsOf(these.flatMap((f) => cornersOf(f.at)));
      const better =
        view.byHand && worst.indexOf(worstOf(fatesOf(tile, unhanded(view), photo, page))) > worst.indexOf(is);
      const fixes: Fix[] = better
        ? ["frameByFocus"]
        : is === "near" && isFree(page.page, tile.id)
          ? ["moveInside"]
          : [];
      const spots = [spot(page, tile, at)];
      if (is === "cropped" || is === "covered") {
        const code = is === "cropped" ? "faceCropped" : "faceCovered";
        return [{ code, severity: "doubt", faces: these.length, spots, fixes }];
      }
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
  ],
  fixes: {
    frameByFocus: tellingTile(({ filling }) =>
      filling.kind === "photo" ? { filling: { kind: "photo", view: unhanded(filling.view) } } : undefined,
    ),
    moveInside,
  },
};

/** Heads of which a part falls between the tiles that one photo runs through. */
function inGaps(page: PlacedPage, photoOf: (id: string) => SeenPhoto | undefined): Found<Detail, Fix>[] {
  const all = page.tiles.filter((t) => t.through);
  const ids = [...new Set(all.map((t) => t.tile.through!.id))];
  return ids.flatMap((id): Found<Detail, Fix>[] => {
    const tiles = all.filter((t) => t.tile.through!.id === id);
    const [tile] = tiles as [PlacedTile];
    const view = tile.tile.through!.view;
    const photo = photoOf(view.photoId);
    const matrix = photo && viewMatrix(tile, view, photo, page.format);
    const lost = (photo?.focus?.faces ?? []).filter((face) => {
      const whole = mapped(face, matrix!);
      if (Math.min(whole.w, whole.h) < leastFaceMm) return false;
      const look = (x: number, y: number) => ({
        onPage: applyTo(matrix!, { x: face.x + face.w * x, y: face.y + face.h * y }),
        faded: false,
      });
      const seen = tiles.reduce((sum, t) => sum + sampled(t, [], look).inShape, 0);
      return seen >= leastSeen && seen < 1 - mostLost;
    });
    if (lost.length === 0) return [];
    const spots = [{ ...spot(page, tile), tileIds: tiles.map((t) => t.id) }];
    return [{ code: "faceInGap", severity: "doubt", faces: lost.length, spots, fixes: [] }];
  });
}

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
