import { leavesOf, mapLeaves, treeRects } from "#core/arrange";
import {
  checkLook,
  type DrawnLook,
  type Filling,
  type Flowed,
  type FlowTask,
  flowPhotos,
  type Look,
  newTile,
  type Page,
  photoIdOf,
  roomRect,
  solvePage,
  type Tile,
  type Tree,
  treeOfPage,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import { adapted, inReadingOrder } from "./adapt.ts";
import { type Place, photoPlaces, type Template } from "./template.ts";

/**
 * A page laid out by a template, with photos flowing into its places: numbered ones first, the others as they are read.
 * The page gets places of its own, so that nothing done to it later reaches the template.
 */
export function layTemplate(
  page: Page,
  format: PageFormat,
  template: Template,
  task: Pick<FlowTask, "photos" | "newId">,
): Flowed {
  const { tree, ...drawn } = adapted(template, format);
  const look = { ...drawn.look, backdrop: page.look.backdrop };
  const ids = new Map(template.places.map((p) => [p.id, task.newId()]));
  const own = mapLeaves(tree, (l) => ({ ...l, tileId: ids.get(l.tileId)! }));
  const bare: Page = { ...page, look };
  const rects = treeRects(own, roomRect(look, format), look.gapMm);
  const placeOf = new Map(template.places.map((p) => [ids.get(p.id)!, p]));
  const read = inReadingOrder(leavesOf(own), rects);
  const tiles = read.map(
    (l): Tile => ({ ...newTile(bare, undefined, () => l.tileId), filling: heldBy(placeOf.get(l.tileId)!) }),
  );
  const arrangement: Tree = {
    kind: "tree",
    tree: own,
    first: own,
    loose: template.loose,
    seed: 0,
    lead: null,
    together: [],
    order: "mostly",
  };
  // On a page much smaller than the template's the gap gives way.
  const fits = checkLook(look, format, arrangement);
  const gapMm = fits.ok ? look.gapMm : Math.max(0, Math.floor(Number(fits.facts.mostMm) * 10) / 10);
  const laid = solvePage({ ...bare, look: { ...look, gapMm }, tiles, arrangement }, format);
  const last = Number.MAX_SAFE_INTEGER;
  const order = read
    .map((l) => placeOf.get(l.tileId)!)
    .filter((p) => p.holds.kind === "photo")
    .toSorted((a, b) => (a.number ?? last) - (b.number ?? last))
    .map((p) => ids.get(p.id)!);
  // Photos that have no place because every place holds something else stay on the shelf.
  const numbered = template.places.some((p) => p.number !== undefined && p.number !== null);
  const flowed = flowPhotos(laid, format, {
    photos: order.length === 0 ? [] : task.photos,
    order,
    numbered,
    newId: task.newId,
  });
  return { ...flowed, page: withWhatWasThere(page, flowed.page) };
}

/** Words that stood in tiles lie freely where they were; a photo keeps a border of its own. */
function withWhatWasThere(before: Page, after: Page): Page {
  const words = before.tiles.filter((t) => t.filling.kind === "words");
  const edges = new Map(
    before.tiles.flatMap((t) => {
      const id = photoIdOf(t);
      const { border } = t.edge;
      const plain = border.widthMm === before.look.border.widthMm && border.colour === before.look.border.colour;
      return id === undefined || plain ? [] : [[id, t.edge] as const];
    }),
  );
  const tiles = after.tiles.map((t) => {
    const edge = edges.get(photoIdOf(t) ?? "");
    return edge ? { ...t, edge } : t;
  });
  return { ...after, tiles, over: [...after.over, ...words.map((t) => ({ ...t, locked: false }))] };
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
export function templateOfPage(page: Page, format: PageFormat, task: SaveTask): Template | undefined {
  const tree = treeOfPage(page, format);
  if (!tree) return undefined;
  const names = new Map(leavesOf(tree).map((l, i) => [l.tileId, `p${i + 1}`]));
  const places = page.tiles.flatMap((tile): Place[] => {
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
    look: drawnOf(page.look),
    loose: page.arrangement?.kind === "tree" && page.arrangement.loose,
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
