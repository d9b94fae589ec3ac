import type { Edge } from "#core/arrange";
import { type Colour, contrastOf, luminance } from "#core/colour";
import {
  type FreeTile,
  findPlaced,
  isFree,
  newFreeTile,
  newTile,
  type Page,
  type PlacedPage,
  type PlacedTile,
  placeAgain,
  removeTiles,
  type Tile,
  type Words,
  withFree,
  withoutFree,
  withTileBeside,
} from "#core/document";
import type { Rect } from "#core/geometry";
import { safeBox } from "#core/lab";
import { allSeen, neededHeight, roomFitted, type SceneFacts } from "#core/scene";
import type { WordRole } from "#core/words";

/** Where words could stand on a page that is full of photos. */
export const wordPlaces = ["own", "among", "over"] as const;
export type WordPlace = (typeof wordPlaces)[number];

export interface WordsRoom {
  readonly place: WordPlace;
  readonly page: Page;
  /** How good it is, 1 at most. */
  readonly worth: number;
}

/** A page painted small without the words: how light each place is, 0 to 1 of light, row by row, over all of its trim. */
export interface PageLight {
  readonly w: number;
  readonly h: number;
  readonly light: Float32Array;
}

export interface RoomAsk {
  readonly on: PlacedPage;
  /** Their tile, which need not be on the page. */
  readonly tile: FreeTile | Tile;
  readonly facts: SceneFacts;
  readonly light: PageLight | undefined;
  /** Faces and other words, in shares of the page. */
  readonly keepOff: readonly Rect[];
}

/** The page without the tile that holds these words. */
const without = (on: PlacedPage, tileId: string): PlacedPage =>
  placeAgain(on, isFree(on.page, tileId) ? withoutFree(on.page, [tileId]) : removeTiles(on, [tileId]));

/** The share of the photos that is cut away, and of their rooms that is left bare; 0 to 2. */
function costOf(on: PlacedPage, facts: SceneFacts): number {
  let [cut, photos, all] = [0, 0, 0];
  for (const { frame, filling, tile } of on.tiles) {
    if (isFree(on.page, tile.id)) continue;
    const area = frame.width * frame.height;
    all += area;
    const photo = filling.kind === "photo" ? facts.photo(filling.view.photoId) : undefined;
    if (!photo) continue;
    const fit = frame.width / frame.height / photo.aspect;
    cut += area * (1 - Math.min(fit, 1 / fit));
    photos += area;
  }
  const room = on.groups.reduce((sum, g) => sum + g.room.w * g.room.h, 0);
  return (photos > 0 ? cut / photos : 0) + Math.max(0, 1 - all / Math.max(1, room));
}

/** Beside which tile, at which edge, and whether along all of the group. */
interface Beside {
  readonly tileId: string;
  readonly edge: Edge;
  readonly whole?: boolean;
}

/** Words that run along all of the photos belong to all of them. */
const wholeWorth = 0.1;

/** The best of these that holds all words, by what it costs the photos. */
function bestOf(ask: RoomAsk, place: WordPlace, bare: PlacedPage, ways: readonly Beside[]): WordsRoom | undefined {
  const filling = ask.tile.filling as Words;
  const own: Tile = { ...newTile(undefined, () => ask.tile.id), ...dressOf(ask.tile), filling };
  let best: WordsRoom | undefined;
  for (const to of ways) {
    const first = withTileBeside(bare, own, { aspect: firstAspect(filling, to, bare), shaped: true }, to);
    if (first === bare.page) continue;
    const now = roomFitted(bare, first, own.id, ask.facts);
    if (!allSeen(now, own.id, ask.facts)) continue;
    const { width, height } = findPlaced(now, own.id)!.frame;
    const { widthMm, heightMm } = now.format;
    // A strip that takes half of the page, or one that is hardly wider than a word, is no good place.
    const share = (width * height) / (widthMm * heightMm);
    const thin = filling.role === "journal" && width < widthMm * 0.22 ? 0.3 : 0;
    const worth = 1 - costOf(now, ask.facts) - Math.max(0, share - 0.4) - thin + (to.whole ? wholeWorth : 0);
    // The usual edge comes first, and is left only for one that is clearly better.
    if (!best || worth > best.worth + 0.04) best = { place, page: now.page, worth };
  }
  return best;
}

/** Without where it lay: what a tile in an arrangement has of its own. */
function dressOf(tile: FreeTile | Tile): Partial<Tile> {
  if (!("frame" in tile)) return tile;
  const { frame: _, ...dress } = tile;
  return dress;
}

function firstAspect(words: Words, { edge, whole }: Beside, on: PlacedPage): number {
  const { widthMm, heightMm } = on.format;
  if (isHead(words.role)) return whole ? 8 : 3;
  if (words.role !== "journal") return 6;
  if (!whole) return 1;
  return edge === "left" || edge === "right" ? (0.34 * widthMm) / heightMm : 3;
}

const ownWays: Record<WordRole, readonly Edge[]> = {
  title: ["top", "bottom"],
  heading: ["top", "bottom"],
  small: ["bottom", "top"],
  caption: ["bottom", "top"],
  journal: ["right", "left", "bottom"],
};

/** A band or a column along all of the photos, which are solved in the rest. */
function ownRoom(ask: RoomAsk, bare: PlacedPage): WordsRoom | undefined {
  const first = arrangedIn(bare)[0];
  if (!first) return undefined;
  const { role } = ask.tile.filling as Words;
  return bestOf(
    ask,
    "own",
    bare,
    ownWays[role].map((edge) => ({ tileId: first.id, edge, whole: true })),
  );
}

/** What stands over others. */
const isHead = (role: WordRole): boolean => role === "title" || role === "heading";

const mostNeighbours = 8;

/** A place among the tiles, beside one of them. */
function amongTiles(ask: RoomAsk, bare: PlacedPage): WordsRoom | undefined {
  const { role } = ask.tile.filling as Words;
  const edges: readonly Edge[] =
    role === "journal" ? ["right", "bottom"] : isHead(role) ? ["top", "bottom"] : ["bottom"];
  const near = arrangedIn(bare).slice(0, mostNeighbours);
  if (near.length < 2) return undefined;
  return bestOf(
    ask,
    "among",
    bare,
    near.flatMap(({ id }) => edges.map((edge) => ({ tileId: id, edge }))),
  );
}

const arrangedIn = (on: PlacedPage): readonly PlacedTile[] => on.tiles.filter((t) => !isFree(on.page, t.id));

const inks: readonly Colour[] = ["#1b2521", "#ffffff"];
/** What stands off less is hard to read in lamp light. */
const leastContrast = 3;
const steps = 24;

/** Over the calmest part of a photo, off all faces and words, in a colour that stands off there. */
function overCalm(ask: RoomAsk, bare: PlacedPage): WordsRoom | undefined {
  const { tile, light, facts, keepOff } = ask;
  const words = tile.filling as Words;
  if (!light) return undefined;
  const { widthMm, heightMm } = bare.format;
  const safe = safeBox(bare.format);
  const wide = isHead(words.role) ? 0.7 : 0.42;
  const photos = arrangedIn(bare).filter((t) => t.filling.kind === "photo");
  const widest = Math.max(0, ...photos.map((t) => t.frame.width)) * 0.96;
  const w = Math.min(safe.w, widthMm * wide, widest);
  const h = Math.min(safe.h, neededHeight(words, w, facts));
  const inPhoto = (x: number, y: number) =>
    photos.some(({ frame: { centre, width, height } }) => {
      const [left, top] = [centre.x - width / 2, centre.y - height / 2];
      return x >= left && y >= top && x + w <= left + width && y + h <= top + height;
    });
  let best: { readonly x: number; readonly y: number; readonly ink: Colour; readonly worth: number } | undefined;
  for (let row = 0; row < steps; row += 1)
    for (let col = 0; col < steps; col += 1) {
      const x = safe.x + ((safe.w - w) * col) / (steps - 1);
      const y = safe.y + ((safe.h - h) * row) / (steps - 1);
      if (!inPhoto(x, y)) continue;
      const at = { x: x / widthMm, y: y / heightMm, w: w / widthMm, h: h / heightMm };
      if (keepOff.some((r) => at.x < r.x + r.w && r.x < at.x + at.w && at.y < r.y + r.h && r.y < at.y + at.h)) continue;
      const seen = lightIn(light, at);
      for (const ink of inks) {
        const l = luminance(ink);
        const contrast = Math.min(contrastOf(l, seen.dark), contrastOf(l, seen.light));
        if (contrast < leastContrast || (l > seen.dark && l < seen.light)) continue;
        const worth = 0.8 - 2.5 * seen.rough + 0.01 * Math.min(8, contrast);
        if (!best || worth > best.worth) best = { x, y, ink, worth };
      }
    }
  if (!best) return undefined;
  const frame = { centre: { x: best.x + w / 2, y: best.y + h / 2 }, width: w, height: h, turn: 0 };
  const filling: Words = { ...words, style: { ...words.style, colour: best.ink } };
  const laid: FreeTile = { ...newFreeTile(frame, filling, () => tile.id), ...dressOf(tile), filling };
  return { place: "over", page: withFree(bare.page, laid), worth: best.worth };
}

/** How dark and how light a part is (leaving a twentieth out at either end), and how much neighbours differ in it. */
function lightIn(map: PageLight, at: Rect): { readonly dark: number; readonly light: number; readonly rough: number } {
  const from = (v: number, n: number) => Math.max(0, Math.min(n - 1, Math.floor(v * n)));
  const [x0, x1] = [from(at.x, map.w), from(at.x + at.w, map.w)];
  const [y0, y1] = [from(at.y, map.h), from(at.y + at.h, map.h)];
  const all: number[] = [];
  let [rough, n] = [0, 0];
  for (let y = y0; y <= y1; y += 1)
    for (let x = x0; x <= x1; x += 1) {
      const here = map.light[y * map.w + x]!;
      all.push(here);
      if (x < x1) {
        rough += Math.abs(Math.sqrt(here) - Math.sqrt(map.light[y * map.w + x + 1]!));
        n += 1;
      }
    }
  all.sort((a, b) => a - b);
  const share = (p: number) => all[Math.min(all.length - 1, Math.floor(p * all.length))] ?? 0;
  return { dark: share(0.05), light: share(0.95), rough: n > 0 ? rough / n : 0 };
}

/**
 * Places for words on a page that is full: a band or column of their own, one among the tiles, and over what is calm; the best first. None on a page
 * without arranged tiles, where words lie freely anyway.
 */
export function roomsForWords(ask: RoomAsk): readonly WordsRoom[] {
  const bare = without(ask.on, ask.tile.id);
  if (ask.tile.filling.kind !== "words" || arrangedIn(bare).length === 0) return [];
  return [ownRoom(ask, bare), amongTiles(ask, bare), overCalm(ask, bare)]
    .flatMap((room) => room ?? [])
    .sort((a, b) => b.worth - a.worth);
}
