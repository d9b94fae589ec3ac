import {
  areWords,
  copiedPieces,
  type Filling,
  type Flowed,
  type FlowTask,
  type FreeTile,
  flowPhotos,
  freeTiles,
  type Group,
  groupAt,
  isGroup,
  keepsFilling,
  type Look,
  mapTiles,
  type Page,
  type Piece,
  type PlacedGroup,
  type PlacedPage,
  type PlacedTile,
  photoIdOf,
  placeAgain,
  type Tile,
  type Words,
  withGapThatFits,
  withGroup,
  withLook,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import { adapted } from "./adapt.ts";
import { inReadingOrder, photoPlaces, readOn, soleGroup, type Template, waitsFor } from "./template.ts";

/** The part of the page that a template is laid in, where it is one group and the page has more than that; else it takes all of the page. */
function partFor(on: PlacedPage, template: Template | undefined): PlacedGroup | undefined {
  const part = groupAt(on);
  const inPart = part && (on.groups.length > 1 || part.group.room.of !== "page");
  return inPart && (!template || soleGroup(template)) ? part : undefined;
}

/** Tiles whose photos flow into the places of a template, or of one of a single group: those of the groups that it takes the place of, and prints that lie scattered. */
export function flowsFrom(on: PlacedPage, template?: Template): readonly (Tile | FreeTile)[] {
  const part = partFor(on, template);
  if (part) return part.group.tiles;
  const allLoose = on.groups.length === 0 || on.page.scatter !== undefined;
  const loose = freeTiles(on.page).filter((t) => t.byTemplate || (allLoose && holdsPhoto(t)));
  return [
    ...on.groups.flatMap((g) => g.group.tiles),
    ...loose.filter((t) => !t.hidden && !keepsFilling(t) && !areWords(t)),
  ];
}

const holdsPhoto = (tile: Tile): boolean => photoIdOf(tile) !== undefined || waitsFor(tile) === "photo";

/**
 * A page laid out by a template, with photos flowing into its places: numbered ones first, the others as they are read; where photos are few, spare
 * and small places stay empty. Words on the page go into places for words of their kind. The page gets places of its own, so that nothing done to it
 * later reaches the template. Of a page in several parts a template of one group lays out the first part, in its own room, and the page keeps its look.
 */
export function layTemplate(on: PlacedPage, template: Template, task: Pick<FlowTask, "photos" | "newId">): Flowed {
  const { page, format, style } = on;
  const part = partFor(on, template);
  const { look: drawn, pieces } = adapted(template, part ? inRoom(format, part) : format);
  const fresh = copiedPieces(pieces, task.newId).map((p) => (isGroup(p) ? p : { ...p, byTemplate: true as const }));
  const look: Look = part ? on.look : { ...drawn, backdrop: on.look.backdrop };
  const flowing = flowsFrom(on, template);
  const base = part ? withGroup(page, inPlaceOf(part, fresh)) : pageOf(on, template, fresh, flowing);
  // On a page much smaller than the template's the gap gives way.
  const fitted = placeAgain(on, withGapThatFits(part ? base : withLook(base, look, style), look, format).page);
  const own = new Set(fresh.flatMap((p) => (isGroup(p) ? p.tiles.map((t) => t.id) : [p.id])));
  const laid = placeAgain(on, inOrder(fitted));
  const places = readOn(laid).filter((t) => own.has(t.id) && waitsFor(t) === "photo");
  // Photos that have no place because every place holds something else stay on the shelf.
  const flowed = flowPhotos(laid, {
    photos: places.length === 0 ? [] : task.photos,
    order: numberedFirst(places),
    rank: rankOf(places).map((t) => t.id),
    newId: task.newId,
  });
  return { ...flowed, page: withWhatWasThere(on, flowed.page, flowing, own) };
}

const inRoom = (format: PageFormat, { room }: PlacedGroup): PageFormat => ({
  ...format,
  widthMm: room.w,
  heightMm: room.h,
});

function inPlaceOf({ group }: PlacedGroup, fresh: readonly Piece[]): Group {
  const { first: _, ...was } = group;
  const { arrangement, tiles } = fresh.find(isGroup)!;
  return { ...was, arrangement, tiles };
}

/** The page with the template's pieces in place of its groups and of what flows, under what else lies on it. */
function pageOf(
  { page, groups }: PlacedPage,
  template: Template,
  fresh: readonly Piece[],
  flowing: readonly Tile[],
): Page {
  const gone = new Set(flowing.map((t) => t.id));
  const stays = page.pieces.filter((p) => !isGroup(p) && !gone.has(p.id));
  const [was, more] = groups;
  // The one group of a page stays the same thing, with what it says itself.
  const sole = was && !more && soleGroup(template);
  const { scatter: _, ...plain } = page;
  const pieces = sole ? [inPlaceOf(was, fresh), ...stays] : [...fresh, ...stays];
  return { ...plain, pieces, ...(template.scatter ? { scatter: template.scatter } : {}) };
}

/** Tiles of groups in the order in which they are read. */
function inOrder({ page, groups }: PlacedPage): Page {
  const read = new Map(groups.map((g) => [g.group.id, inReadingOrder(g.tiles).map((t) => t.id)]));
  const pieces = page.pieces.map((p): Piece => {
    const ids = isGroup(p) ? (read.get(p.id) ?? []) : [];
    if (!isGroup(p) || p.arrangement.kind === "tiling" || ids.length !== p.tiles.length) return p;
    const byId = new Map(p.tiles.map((t) => [t.id, t]));
    return { ...p, tiles: ids.map((id) => byId.get(id)!) };
  });
  return { ...page, pieces };
}

const numberOf = ({ filling }: PlacedTile): number =>
  (filling.kind === "empty" && filling.waits?.for === "photo" && filling.waits.number) || Number.MAX_SAFE_INTEGER;
const isSpare = ({ filling }: PlacedTile): boolean =>
  filling.kind === "empty" && filling.waits?.for === "photo" && filling.waits.spare === true;
const areaOf = ({ frame }: PlacedTile): number => frame.width * frame.height;

const numberedFirst = (places: readonly PlacedTile[]): string[] =>
  places.toSorted((a, b) => numberOf(a) - numberOf(b)).map((t) => t.id);

/** Those that are to have a photo before others: by their numbers, then by their size, spare ones last. */
const rankOf = (places: readonly PlacedTile[]): readonly PlacedTile[] =>
  places.toSorted(
    (a, b) => Number(isSpare(a)) - Number(isSpare(b)) || numberOf(a) - numberOf(b) || areaOf(b) - areaOf(a),
  );

/** Words go into places for such words, or lie freely where they were; a photo keeps a border of its own. */
function withWhatWasThere(before: PlacedPage, after: Page, flowing: readonly Tile[], own: ReadonlySet<string>): Page {
  const there = before.groups.flatMap((g) => g.tiles).filter((t) => flowing.includes(t.tile));
  const freed = there.flatMap(({ tile, frame, filling, border, cornerMm }): FreeTile[] => {
    if (filling.kind !== "words") return [];
    const { lock: _, ...free } = tile;
    return [{ ...free, kind: "tile", frame, border, cornerMm }];
  });
  const loose = freeTiles(after).filter((t) => t.filling.kind === "words" && !t.hidden && !own.has(t.id));
  const { taken, filled } = inWordPlaces([...freed, ...loose], placeAgain(before, after), own);
  const borders = new Map(
    there.flatMap(({ tile }) => {
      const id = photoIdOf(tile);
      return id === undefined || tile.border === undefined ? [] : [[id, tile.border] as const];
    }),
  );
  const dressed = mapTiles(after, (t) => {
    const words = filled.get(t.id);
    if (words) return { ...t, filling: words };
    const border = borders.get(photoIdOf(t) ?? "");
    return border && !("frame" in t) ? { ...t, border } : t;
  });
  const stays = dressed.pieces.filter((p) => !taken.has(p.id));
  return { ...dressed, pieces: [...stays, ...freed.filter((t) => !taken.has(t.id))] };
}

/** Which words go into which place, in the order in which both are read, looking as the place has it. Captions that follow a photo stay with it. */
function inWordPlaces(words: readonly FreeTile[], on: PlacedPage, own: ReadonlySet<string>) {
  const taken = new Set<string>();
  const filled = new Map<string, Words>();
  for (const place of readOn(on)) {
    const waits = place.filling.kind === "empty" ? place.filling.waits : undefined;
    if (!own.has(place.id) || waits?.for !== "words") continue;
    const next = words.find((t) => !taken.has(t.id) && suits(t.filling, waits.role));
    if (next?.filling.kind !== "words") continue;
    taken.add(next.id);
    filled.set(place.id, { ...next.filling, style: waits.style });
  }
  return { taken, filled };
}

const suits = (filling: Filling, role: Words["role"]): boolean =>
  filling.kind === "words" && filling.from === null && filling.role === role && filling.text.trim() !== "";

/** How far a template is from what is wanted: other numbers of photos first, then another shape of page. */
export function farFrom(template: Template, format: PageFormat, photos: number): number {
  const count = Math.abs(photoPlaces(template) - photos);
  const shape = Math.abs(
    Math.log((template.page.widthMm / template.page.heightMm) * (format.heightMm / format.widthMm)),
  );
  return photos === 0 ? shape : count + shape;
}
