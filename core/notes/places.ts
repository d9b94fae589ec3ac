import { everyPage, findPage, type PlacedTile, type Project, placed } from "#core/document";
import { fingerprint } from "#core/random";
import { type SceneFacts, wordsOf } from "#core/scene";
import type { NotePlace } from "./event.ts";

/** Where a note belongs now. */
export interface Whereabouts {
  /** Nothing where it speaks of the work, or where its page is gone. */
  readonly pageId: string | null;
  /** In mm on that page; nothing where it speaks of all of it. */
  readonly at: Point | null;
  readonly tileId: string | null;
  /** What it was pinned to is not there any more. */
  readonly gone: boolean;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** What has to be known of photos. */
export interface Hashes {
  /** The hash of a photo's file. */
  hashOf(photoId: string): string | undefined;
}
export interface NoteFacts extends Hashes, Pick<SceneFacts, "photo" | "language"> {}

/** Follows its tile wherever that goes, and a photo into whichever tile it lies in now. */
export function whereabouts(project: Project, place: NotePlace, facts: Hashes): Whereabouts {
  if (place.on === "book") return { pageId: null, at: null, tileId: null, gone: false };
  const page = findPage(project, place.pageId);
  if (place.on === "page") return { pageId: page?.id ?? null, at: null, tileId: null, gone: !page };
  if (place.on === "point") return { pageId: page?.id ?? null, at: place.at, tileId: null, gone: !page };
  const found = tileOf(project, place, facts);
  if (!found) return { pageId: page?.id ?? null, at: place.near, tileId: null, gone: true };
  return { pageId: found.pageId, at: pointOn(found.tile, place.within), tileId: found.tile.id, gone: false };
}

type OnTile = Extract<NotePlace, { readonly tileId: string }>;
interface TileThere {
  readonly pageId: string;
  readonly tile: PlacedTile;
}

function tileOf(project: Project, place: OnTile, facts: Hashes): TileThere | undefined {
  const own = findPage(project, place.pageId);
  const pages = [...(own ? [own] : []), ...everyPage(project).filter((p) => p !== own)];
  let moved: TileThere | undefined;
  let same: TileThere | undefined;
  for (const page of pages) {
    for (const tile of placed(project, page).tiles) {
      if (tile.id === place.tileId) same ??= { pageId: page.id, tile };
      if (place.on === "photo" && hashIn(tile, facts) === place.photo) {
        if (tile.id === place.tileId) return { pageId: page.id, tile };
        moved ??= { pageId: page.id, tile };
      }
    }
    if (same && (place.on !== "photo" || moved)) break;
  }
  return moved ?? same;
}

const hashIn = ({ filling }: PlacedTile, facts: Hashes): string | undefined =>
  filling.kind === "photo" ? facts.hashOf(filling.view.photoId) : undefined;

/** Shares of a tile, from its middle, to mm on its page. */
export function pointOn({ frame }: Pick<PlacedTile, "frame">, within: Point): Point {
  const { cos, sin } = turned(frame.turn);
  const [x, y] = [within.x * frame.width, within.y * frame.height];
  return { x: frame.centre.x + cos * x - sin * y, y: frame.centre.y + sin * x + cos * y };
}

/** The other way: a point of the page as shares of a tile. */
export function shareOf({ frame }: Pick<PlacedTile, "frame">, at: Point): Point {
  const { cos, sin } = turned(frame.turn);
  const [x, y] = [at.x - frame.centre.x, at.y - frame.centre.y];
  const share = (v: number, size: number) => (size > 0 ? Math.min(2, Math.max(-2, v / size)) : 0);
  return { x: share(cos * x + sin * y, frame.width), y: share(-sin * x + cos * y, frame.height) };
}

function turned(degrees: number): { readonly cos: number; readonly sin: number } {
  const angle = (degrees * Math.PI) / 180;
  return { cos: Math.cos(angle), sin: Math.sin(angle) };
}

/** The state of what a place speaks of: another one once that has changed. Empty where it speaks of the whole work, or is gone. */
export function markOfPlace(project: Project, place: NotePlace, facts: NoteFacts): string {
  if (place.on === "book") return "";
  if (place.on === "page" || place.on === "point") {
    const page = findPage(project, place.pageId);
    return page ? fingerprint(JSON.stringify([page, captionsOn(placed(project, page).tiles, facts)])) : "";
  }
  const found = tileOf(project, place, facts);
  if (!found) return "";
  return fingerprint(JSON.stringify(place.on === "words" ? wordsIn(found.tile, facts) : tileState(found.tile, facts)));
}

/** Photos by their hashes: ids differ from computer to computer. */
function tileState(tile: PlacedTile, facts: NoteFacts): unknown {
  const { frame, outline, cornerMm, border, filling } = tile;
  const round = (v: number) => Math.round(v);
  const shape = [round(frame.width), round(frame.height), round(frame.turn)];
  const photo = filling.kind === "photo" ? { ...filling.view, photoId: hashIn(tile, facts) ?? "" } : filling;
  return [shape, outline, cornerMm, border, photo, wordsIn(tile, facts)];
}

const captionsOn = (tiles: readonly PlacedTile[], facts: NoteFacts): readonly string[] =>
  tiles.map((t) => wordsIn(t, facts)).filter((text) => text !== "");

/** What stands in a tile of words. */
export const wordsIn = ({ filling }: Pick<PlacedTile, "filling">, facts: NoteFacts): string =>
  filling.kind === "words" ? wordsOf(filling, facts) : "";

/** Where the words that a note speaks of stand in a text now, in UTF-16: of several that say the same those nearest to where they stood. */
export function stretchIn(
  text: string,
  { from, to, quote }: Pick<Extract<NotePlace, { on: "words" }>, "from" | "to" | "quote">,
): { readonly from: number; readonly to: number } | undefined {
  if (text.slice(from, to) === quote) return { from, to };
  if (quote === "") return undefined;
  let best: number | undefined;
  for (let at = text.indexOf(quote); at >= 0; at = text.indexOf(quote, at + 1))
    if (best === undefined || Math.abs(at - from) < Math.abs(best - from)) best = at;
  return best === undefined ? undefined : { from: best, to: best + quote.length };
}
