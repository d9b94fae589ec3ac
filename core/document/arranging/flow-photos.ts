import { leavesOf, suited, withHalves } from "#core/arrange";
import type { PhotoShape } from "#core/fit";
import { forTiles } from "../arrangements/index.ts";
import { autoFramed } from "../fillings/index.ts";
import { newTile } from "../page/new-tile.ts";
import {
  allTiles,
  arrangedTiles,
  type Filling,
  frameRect,
  keepsFilling,
  mapTiles,
  mostTiles,
  type Page,
  waitsForPhoto,
  withGroup,
} from "../page/page.ts";
import { arrangedOn, emptyPlaces, groupAt, type PlacedPage, type PlacedTile, placeAgain } from "../page/place-page.ts";
import { withTree } from "./lay-tree.ts";
import { onGroup, treeOfGroup } from "./tree-page.ts";

export interface FlowTask {
  /** In reading order. */
  readonly photos: readonly (PhotoShape & { readonly id: string })[];
  /** Which tiles take photos, the first to be filled first; where it is missing, all of groups that hold no colour, wait for nothing else and are not locked. */
  readonly order?: readonly string[];
  /** Where photos are few, which of them stay empty: the last of these. The smallest where it is missing. */
  readonly rank?: readonly string[];
  readonly newId: () => string;
}

export interface Flowed {
  readonly page: Page;
  /** Places that no photo was left for. */
  readonly empty: number;
  /** Places that were made, because there were more photos: by halving others, or of a pattern by one more cell. */
  readonly made: number;
  /** Photos that found no place: what lies freely cannot be halved. */
  readonly left: number;
}

/**
 * Photos into the places of a page that is arranged already, each where its shape suits and in order as far as that
 * costs little of the photos. Too few leave places empty; too many halve the largest places until all have one, or the page
 * holds no more tiles.
 */
export function flowPhotos(on: PlacedPage, task: FlowTask): Flowed {
  const here = arrangedTiles(on.page);
  const order = task.order ?? here.filter((t) => takesPhoto(t.filling) && !keepsFilling(t)).map((t) => t.id);
  const others = allTiles(on.page).length - order.length;
  const wanted = Math.min(task.photos.length, mostTiles - others);
  const grown = withPlaces(on, order, wanted, task.newId);
  const byId = new Map([...grown.on.tiles, ...arrangedOn(grown.on)].map((t) => [t.id, t]));
  const taking = placesFor(grown.order, task, (id) => areaOf(byId.get(id)!));
  const chosen = suited({
    places: taking.map((id) => aspectOfTile(byId.get(id)!)),
    photos: task.photos.map((p) => p.aspect),
    cutsFace: (i, aspect) => cutsFace(task.photos[i], aspect),
  });
  const fillings = new Map<string, Filling>(
    grown.order.map((id) => {
      const photo = task.photos[chosen[taking.indexOf(id)] ?? -1];
      const was = byId.get(id)?.filling;
      const bare: Filling = was?.kind === "empty" ? was : { kind: "empty" };
      return [id, photo ? { kind: "photo", view: autoFramed(photo.id) } : bare];
    }),
  );
  const page = mapTiles(grown.on.page, (t) => {
    const filling = fillings.get(t.id);
    return filling ? { ...t, filling } : t;
  });
  const taken = chosen.filter((c) => c >= 0).length;
  return {
    page,
    empty: grown.order.length - taken,
    made: grown.order.length - order.length,
    left: task.photos.length - taken,
  };
}

const takesPhoto = (filling: Filling): boolean =>
  filling.kind === "empty" ? waitsForPhoto(filling) : filling.kind === "photo" || filling.kind === "words";

/** Those places that take photos, in their order. */
function placesFor(order: readonly string[], { photos, rank }: FlowTask, area: (id: string) => number): string[] {
  const ranked = rank && photos.length < order.length ? rank : order.toSorted((a, b) => area(b) - area(a));
  const taking = new Set(ranked.slice(0, photos.length));
  return order.filter((id) => taking.has(id));
}

/** Photos into the page's empty tiles, each where it suits; `left` counts those without a place. */
export function fillEmpty(
  on: PlacedPage,
  photos: FlowTask["photos"],
  /** Of these tiles alone, where some are named. */
  only?: ReadonlySet<string>,
): { readonly fillings: readonly { readonly tileId: string; readonly filling: Filling }[]; readonly left: number } {
  const empty = emptyPlaces(on).filter((t) => !only || only.has(t.id));
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

const areaOf = ({ frame }: PlacedTile): number => frame.width * frame.height;
const aspectOfTile = ({ frame }: PlacedTile): number => frame.width / frame.height;

function withPlaces(on: PlacedPage, order: readonly string[], wanted: number, newId: () => string) {
  let now = on;
  const places = [...order];
  const here = new Set(order);
  while (places.length < wanted && places.length > 0) {
    const cut = cutPlaces(now);
    const largest = arrangedOn(now)
      .filter((t) => cut.has(t.id) && here.has(t.id))
      .reduce<PlacedTile | undefined>((best, t) => (best && areaOf(best) >= areaOf(t) ? best : t), undefined);
    if (!largest) {
      const more = withCell(now, here, newId);
      if (!more) break;
      now = placeAgain(now, more.page);
      places.push(more.id);
      here.add(more.id);
      continue;
    }
    const r = frameRect(largest.frame);
    const { id: _, filling: __, lock: ___, ...own } = largest.tile;
    const half = { ...own, ...newTile(undefined, newId) };
    const page = onGroup(now, groupAt(now, largest.id), (at) => {
      const cut = withHalves(treeOfGroup(at)!, largest.id, r.w >= r.h ? "side" : "stack", half.id);
      const { group } = at;
      const tiles = group.tiles.toSpliced(group.tiles.findIndex((t) => t.id === largest.id) + 1, 0, half);
      return withTree({ ...group, tiles }, cut);
    });
    now = placeAgain(now, page);
    places.splice(places.indexOf(largest.id) + 1, 0, half.id);
    here.add(half.id);
  }
  return { on: now, order: places };
}

/** A pattern that some of these places are cells of, made anew for one more. */
function withCell(on: PlacedPage, here: ReadonlySet<string>, newId: () => string) {
  for (const { group } of on.groups) {
    if (!group.tiles.some((t) => here.has(t.id))) continue;
    const tiles = [...group.tiles, newTile(undefined, newId)];
    const ids = tiles.map((t) => t.id);
    const arrangement = forTiles(group.arrangement, ids);
    if (arrangement) return { page: withGroup(on.page, { ...group, tiles, arrangement }), id: ids.at(-1)! };
  }
  return undefined;
}

/** Places that are made by straight cuts, and can be halved. */
const cutPlaces = (on: PlacedPage): ReadonlySet<string> =>
  new Set(
    on.groups.flatMap((at) => {
      const tree = treeOfGroup(at);
      return tree ? leavesOf(tree).map((l) => l.tileId) : [];
    }),
  );

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
