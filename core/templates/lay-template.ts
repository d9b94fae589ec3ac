import { leavesOf, mapLeaves, treeRects } from "#core/arrange";
import {
  type DrawnLook,
  type Filling,
  type Flowed,
  type FlowTask,
  type FreeTile,
  flowPhotos,
  groupAt,
  insideRect,
  type Look,
  mapTiles,
  type Page,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  plainTree,
  regrouped,
  type Tile,
  treeIn,
  treeOfGroup,
  withGapThatFits,
  withGroup,
  withLook,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import { adapted, inReadingOrder } from "./adapt.ts";
import { type Place, photoPlaces, type Template } from "./template.ts";

/**
 * A page laid out by a template, with photos flowing into its places: numbered ones first, the others as they are read.
 * The page gets places of its own, so that nothing done to it later reaches the template. Of a page in several parts the first group
 * is laid out in its own room, and the page keeps its look.
 */
export function layTemplate(on: PlacedPage, template: Template, task: Pick<FlowTask, "photos" | "newId">): Flowed {
  const { page, format, style } = on;
  const part = groupAt(on);
  const room = part && (on.groups.length > 1 || part.group.room.of !== "page") ? part.room : undefined;
  const { tree, ...drawn } = adapted(template, room ? { ...format, widthMm: room.w, heightMm: room.h } : format);
  const look: Look = room ? on.look : { ...drawn.look, backdrop: on.look.backdrop };
  const ids = new Map(template.places.map((p) => [p.id, task.newId()]));
  const own = mapLeaves(tree, (l) => ({ ...l, tileId: ids.get(l.tileId)! }));
  const rects = treeRects(own, room ?? insideRect(look, format), look.gapMm);
  const placeOf = new Map(template.places.map((p) => [ids.get(p.id)!, p]));
  const read = inReadingOrder(leavesOf(own), rects);
  const tiles = read.map((l): Tile => ({ id: l.tileId, filling: heldBy(placeOf.get(l.tileId)!) }));
  const group = regrouped(part?.group, plainTree(own, template.loose), tiles, task.newId);
  // On a page much smaller than the template's the gap gives way.
  const laid = withGapThatFits(withGroup(room ? page : withLook(page, look, style), group), look, format).page;
  const last = Number.MAX_SAFE_INTEGER;
  const order = read
    .map((l) => placeOf.get(l.tileId)!)
    .filter((p) => p.holds.kind === "photo")
    .toSorted((a, b) => (a.number ?? last) - (b.number ?? last))
    .map((p) => ids.get(p.id)!);
  // Photos that have no place because every place holds something else stay on the shelf.
  const numbered = template.places.some((p) => p.number !== undefined && p.number !== null);
  const flowed = flowPhotos(placeAgain(on, laid), {
    photos: order.length === 0 ? [] : task.photos,
    order,
    numbered,
    newId: task.newId,
  });
  return { ...flowed, page: withWhatWasThere(on, flowed.page) };
}

/** Words that stood in tiles lie freely where they were; a photo keeps a border of its own. */
function withWhatWasThere(before: PlacedPage, after: Page): Page {
  const there = groupAt(before)?.tiles ?? [];
  const words = there.flatMap(({ tile, frame, filling, border, cornerMm }): FreeTile[] => {
    if (filling.kind !== "words") return [];
    const { lock: _, ...free } = tile;
    return [{ ...free, kind: "tile", frame, border, cornerMm }];
  });
  const borders = new Map(
    there.flatMap(({ tile }) => {
      const id = photoIdOf(tile);
      return id === undefined || tile.border === undefined ? [] : [[id, tile.border] as const];
    }),
  );
  const dressed = mapTiles(after, (t) => {
    const border = borders.get(photoIdOf(t) ?? "");
    return border && !("frame" in t) ? { ...t, border } : t;
  });
  return { ...dressed, pieces: [...dressed.pieces, ...words] };
}

const heldBy = ({ holds }: Place): Filling =>
  holds.kind === "colour" ? { kind: "colour", colour: holds.colour } : { kind: "empty" };

export interface SaveTask {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  /** Tiles in the order in which they are to take photos; the others come after, as they are read. */
  readonly numbered: readonly string[];
  /** Tiles that are to stay bare. */
  readonly skipped: ReadonlySet<string>;
}

/** A page's arrangement to begin other pages from; undefined for a page without one that straight cuts can make. */
export function templateOfPage(on: PlacedPage, task: SaveTask): Template | undefined {
  const at = groupAt(on);
  const tree = treeOfGroup(at);
  if (!at || !tree) return undefined;
  const { format } = on;
  const names = new Map(leavesOf(tree).map((l, i) => [l.tileId, `p${i + 1}`]));
  const places = at.group.tiles.flatMap((tile): Place[] => {
    const id = names.get(tile.id);
    if (id === undefined) return [];
    const at = task.numbered.indexOf(tile.id);
    const holds: Place["holds"] =
      tile.filling.kind === "colour"
        ? { kind: "colour", colour: tile.filling.colour }
        : { kind: task.skipped.has(tile.id) || tile.filling.kind === "words" ? "nothing" : "photo" };
    return [{ id, holds, number: at < 0 || holds.kind !== "photo" ? null : at + 1 }];
  });
  return {
    id: task.id,
    name: task.name,
    family: task.family,
    page: { widthMm: format.widthMm, heightMm: format.heightMm },
    look: drawnOf(on.look),
    loose: treeIn(at.group)?.loose ?? false,
    tree: mapLeaves(tree, (l) => ({ ...l, tileId: names.get(l.tileId)! })),
    places,
  };
}

/** How far a template is from what is wanted: other numbers of photos first, then another shape of page. */
export function farFrom(template: Template, format: PageFormat, photos: number): number {
  const count = Math.abs(photoPlaces(template) - photos);
  const shape = Math.abs(
    Math.log((template.page.widthMm / template.page.heightMm) * (format.heightMm / format.widthMm)),
  );
  return photos === 0 ? shape : count + shape;
}

/** What of a look belongs to a template: a photo behind the page does not. */
const drawnOf = ({ backdrop: _, ...drawn }: Look): DrawnLook => drawn;
