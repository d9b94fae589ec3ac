import { leavesOf, suited, type TreeNode, withHalves } from "#core/arrange";
import type { PhotoShape } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { autoFramed } from "./framing.ts";
import { newTile } from "./lay-photos.ts";
import { withTree } from "./lay-tree.ts";
import { emptyTiles, type Filling, frameRect, mostTiles, type Page, type Tile } from "./page.ts";
import { treeOfPage } from "./tree-page.ts";

export interface FlowTask {
  /** In reading order. */
  readonly photos: readonly (PhotoShape & { readonly id: string })[];
  /** Which tiles take photos, the first to be filled first; all that hold no colour where it is missing. */
  readonly order?: readonly string[];
  /** Whether a person numbered them: then the last ones stay empty where photos are few, else the smallest. */
  readonly numbered?: boolean;
  readonly newId: () => string;
}

export interface Flowed {
  readonly page: Page;
  /** Places that no photo was left for. */
  readonly empty: number;
  /** Places that were made by halving others, because there were more photos. */
  readonly made: number;
}

/**
 * Photos into the places of a page that is arranged already, each where its shape suits and in order as far as that
 * costs little of the photos. Too few leave places empty; too many halve the largest places until all have one, or the page
 * holds no more tiles.
 */
export function flowPhotos(page: Page, format: PageFormat, task: FlowTask): Flowed {
  const order = task.order ?? page.tiles.filter((t) => t.filling.kind !== "colour").map((t) => t.id);
  const others = page.tiles.length - order.length;
  const wanted = Math.min(task.photos.length, mostTiles - others);
  const grown = withPlaces(page, format, order, wanted, task.newId);
  const byId = new Map(grown.page.tiles.map((t) => [t.id, t]));
  const taking = placesFor(grown.order, task, (id) => areaOf(byId.get(id)!));
  const chosen = suited({
    places: taking.map((id) => aspectOfTile(byId.get(id)!)),
    photos: task.photos.map((p) => p.aspect),
    cutsFace: (i, aspect) => cutsFace(task.photos[i], aspect),
  });
  const fillings = new Map<string, Filling>(
    grown.order.map((id) => {
      const photo = task.photos[chosen[taking.indexOf(id)] ?? -1];
      return [id, photo ? { kind: "photo", view: autoFramed(photo.id) } : { kind: "empty" }];
    }),
  );
  const tiles = grown.page.tiles.map((t) => ({ ...t, filling: fillings.get(t.id) ?? t.filling }));
  const empty = grown.order.length - chosen.filter((c) => c >= 0).length;
  return { page: { ...grown.page, tiles }, empty, made: grown.order.length - order.length };
}

/** Those places that take photos, in their order. */
function placesFor(order: readonly string[], { photos, numbered }: FlowTask, area: (id: string) => number): string[] {
  const ranked = numbered ? [...order] : order.toSorted((a, b) => area(b) - area(a));
  const taking = new Set(ranked.slice(0, photos.length));
  return order.filter((id) => taking.has(id));
}

/** Photos into the page's empty tiles, each where it suits; `left` counts those without a place. */
export function fillEmpty(
  page: Page,
  photos: FlowTask["photos"],
  /** Of these tiles alone, where some are named. */
  only?: ReadonlySet<string>,
): { readonly fillings: readonly { readonly tileId: string; readonly filling: Filling }[]; readonly left: number } {
  const empty = emptyTiles(page).filter((t) => !only || only.has(t.id));
  const chosen = suited({
    places: empty.map(aspectOfTile),
    photos: photos.map((p) => p.aspect),
    cutsFace: (i, aspect) => cutsFace(photos[i], aspect),
  });
  const fillings = empty.flatMap((tile, place) => {
    const photo = photos[chosen[place]!];
    return photo ? [{ tileId: tile.id, filling: { kind: "photo", view: autoFramed(photo.id) } as Filling }] : [];
  });
  return { fillings, left: photos.length - fillings.length };
}

const areaOf = (t: Tile): number => t.frame.width * t.frame.height;
const aspectOfTile = (t: Tile): number => t.frame.width / t.frame.height;

function withPlaces(page: Page, format: PageFormat, order: readonly string[], wanted: number, newId: () => string) {
  let now = page;
  const places = [...order];
  while (places.length < wanted && places.length > 0) {
    const tree: TreeNode | undefined = treeOfPage(now, format);
    if (!tree) break;
    const here = new Set(leavesOf(tree).map((l) => l.tileId));
    const largest = now.tiles
      .filter((t) => here.has(t.id) && places.includes(t.id))
      .reduce<Tile | undefined>((best, t) => (best && areaOf(best) >= areaOf(t) ? best : t), undefined);
    if (!largest) break;
    const r = frameRect(largest.frame);
    const half = { ...newTile(now, undefined, newId), outline: largest.outline, edge: largest.edge };
    const cut = withHalves(tree, largest.id, r.w >= r.h ? "side" : "stack", half.id);
    const at = now.tiles.indexOf(largest) + 1;
    now = withTree({ ...now, tiles: now.tiles.toSpliced(at, 0, half) }, format, cut);
    places.splice(places.indexOf(largest.id) + 1, 0, half.id);
  }
  return { page: now, order: places };
}

/** Whether the faces in a photo lie further apart than a tile of this shape can show. */
export function cutsFace(photo: PhotoShape | undefined, tileAspect: number): boolean {
  const faces = photo?.focus?.faces ?? [];
  if (!photo || faces.length === 0) return false;
  const narrow = tileAspect < photo.aspect;
  const seen = narrow ? tileAspect / photo.aspect : photo.aspect / tileAspect;
  const from = Math.min(...faces.map((f) => (narrow ? f.x : f.y)));
  const to = Math.max(...faces.map((f) => (narrow ? f.x + f.w : f.y + f.h)));
  return to - from > seen;
}
