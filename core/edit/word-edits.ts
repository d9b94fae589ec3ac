import { type Colour, contrastOf, luminance } from "#core/colour";
import {
  allTiles,
  arrangedTiles,
  boxAround,
  type Filling,
  type Frame,
  type FreeTile,
  findPlaced,
  frameRect,
  groupAt,
  mapTiles,
  newFreeTile,
  newTile,
  type Page,
  type PlacedPage,
  type PlacedTile,
  photoIdOf,
  placeAgain,
  setTileAspect,
  type Tile,
  type Words,
  withFree,
  withTileBeside,
} from "#core/document";
import { type PageFormat, safeBox } from "#core/lab";
import { laidWords, neededHeight, type SceneFacts } from "#core/scene";
import { mmOfPt, type WordRole, type WordStyle } from "#core/words";

/** What is done with words on a page. */

export const plainWords = (style: WordStyle, role: WordRole, text = ""): Words => ({
  kind: "words",
  text,
  style,
  role,
  from: null,
  card: null,
  grows: true,
});

/** How large words of each kind begin: share of the safe width, and lines high. */
const firstSizes: Record<WordRole, { readonly w: number; readonly lines: number; readonly at: number }> = {
  title: { w: 0.75, lines: 1.3, at: 0.18 },
  heading: { w: 0.6, lines: 1.3, at: 0.24 },
  small: { w: 0.4, lines: 2, at: 0.92 },
  caption: { w: 0.4, lines: 2, at: 0.85 },
  journal: { w: 0.5, lines: 7, at: 0.5 },
};

/** Words of this kind to lie on a page, with nothing in them yet. */
export function newWords(format: PageFormat, role: WordRole, style: WordStyle, newId: () => string): FreeTile {
  const safe = safeBox(format);
  const first = firstSizes[role];
  const height = first.lines * mmOfPt(style.sizePt) * style.leading + 2 * style.insetMm;
  const frame: Frame = {
    centre: { x: safe.x + safe.w / 2, y: safe.y + safe.h * first.at },
    width: safe.w * first.w,
    height: Math.min(safe.h, height),
    turn: 0,
  };
  return newFreeTile(frame, plainWords(style, role), newId);
}

/** Between words and what lies over or under them, in lines. */
const apartLines = 0.3;

/** New words as near as they can be to where they would begin without lying on what is there; there where no room is left. */
export function offOthers(tile: FreeTile, on: PlacedPage): FreeTile {
  const { frame } = tile;
  const safe = safeBox(on.format);
  const style = (tile.filling as Words).style;
  const gap = apartLines * mmOfPt(style.sizePt);
  const taken = on.tiles.map((t) => boxAround(t.frame));
  const [left, right] = [frame.centre.x - frame.width / 2, frame.centre.x + frame.width / 2];
  const half = frame.height / 2;
  const free = (y: number) =>
    y - half >= safe.y - nearly &&
    y + half <= safe.y + safe.h + nearly &&
    taken.every((b) => b.x >= right || b.x + b.w <= left || b.y >= y + half || b.y + b.h <= y - half);
  const first = frame.centre.y;
  const beside = taken.flatMap((b) => [b.y + b.h + gap + half, b.y - gap - half]);
  const [nearest = first] = [first, ...beside].filter(free).sort((a, b) => Math.abs(a - first) - Math.abs(b - first));
  return { ...tile, frame: { ...frame, centre: { x: frame.centre.x, y: nearest } } };
}

const nearly = 1e-6;

/** Words in the place of what a tile held, as it waited for them; a colour goes on as the card under them. */
export function wordsInstead(filling: Filling, style: WordStyle): Words {
  if (filling.kind === "empty" && filling.waits?.for === "words")
    return plainWords(filling.waits.style, filling.waits.role);
  const card = filling.kind === "colour" ? { ground: filling.colour, lines: "none" as const, ink: "#c9c0ae" } : null;
  return { ...plainWords(style, "journal"), card };
}

/** All words of this kind on a page looking so, each turned as it was. */
export const restyled = (page: Page, role: WordRole, style: WordStyle): Page =>
  mapTiles(page, (t) =>
    t.filling.kind === "words" && t.filling.role === role && t.filling.style !== style && !t.filling.style.ink
      ? { ...t, filling: { ...t.filling, style: { ...style, turn: t.filling.style.turn } } }
      : t,
  );

/** Words that lie freely and were made larger take as much more room as they need, about their middle, up to the page's. */
export function roomier(
  before: Words,
  after: Words,
  frame: Frame,
  format: PageFormat,
  facts: SceneFacts,
): Frame | undefined {
  const k = after.style.sizePt / before.style.sizePt;
  const hidden = laidWords(after, frame, facts)?.hidden ?? 0;
  if (k <= 1 || !hidden) return undefined;
  const room = safeBox(format);
  return {
    ...frame,
    width: Math.max(frame.width, Math.min(room.w, frame.width * k)),
    height: Math.max(frame.height, Math.min(room.h, frame.height * k)),
  };
}

/** As high as the words are at this width, and never more than the photo over them. */
function heightFor(words: Words, widthMm: number, mostMm: number, facts: SceneFacts): number {
  const { style } = words;
  const pitch = mmOfPt(style.sizePt) * style.leading;
  const lines = laidWords(words, { width: widthMm, height: 1e4 }, facts)?.lines.length ?? 1;
  return Math.min(Math.max(mostMm, pitch), Math.max(1, lines) * pitch + 2 * style.insetMm + 0.5);
}

interface Captioned {
  readonly page: PlacedPage;
  /** The new tiles, each with the photo's tile that it stands under. */
  readonly tiles: readonly (readonly [captionId: string, photoTileId: string])[];
}

export const captionPlaces = ["under", "beside", "over", "foot"] as const;
/** Where a caption stands by its photo: `over` it on a card of its own, near its foot; or on the `foot` of the frame around it. */
export type CaptionPlace = (typeof captionPlaces)[number];

/** Of a photo's width; a caption beside it takes so much. */
const besideShare = 0.45;
const labelInsetMm = 2.5;

/** The page with words by these photos that say their captions, or the day where there is none. */
export function withCaptions(
  page: PlacedPage,
  tileIds: readonly string[],
  given: {
    readonly style: WordStyle;
    readonly facts: SceneFacts;
    readonly newId: () => string;
    readonly place?: CaptionPlace;
  },
): Captioned {
  const { style, facts, newId, place = "under" } = given;
  let now = page;
  const tiles: (readonly [string, string])[] = [];
  for (const tileId of tileIds) {
    const tile = findPlaced(now, tileId);
    const photoId = tile && photoIdOf(tile);
    if (!tile || photoId === undefined) continue;
    const what = facts.photo(photoId)?.caption ? "caption" : "day";
    const filling: Words = { ...plainWords(style, "caption"), from: { photoId, what } };
    if (place === "over") {
      const label = labelOver(tile, filling, facts, newId);
      now = placeAgain(now, withFree(now.page, label));
      tiles.push([label.id, tileId]);
      continue;
    }
    if (place === "foot") {
      const { page: next, label } = captionOnFoot(now, tile, filling, facts, newId);
      now = placeAgain(now, next);
      tiles.push([label.id, tileId]);
      continue;
    }
    const own: Tile = { ...newTile(undefined, newId), filling };
    if (place === "beside") {
      const shape = { aspect: (besideShare * tile.frame.width) / tile.frame.height, shaped: true } as const;
      const next = withTileBeside(now, own, shape, { tileId, edge: "right" });
      if (next !== now.page) tiles.push([own.id, tileId]);
      now = placeAgain(now, next);
      continue;
    }
    const height = heightFor(filling, tile.frame.width, tile.frame.height, facts);
    const shape = { aspect: tile.frame.width / height, shaped: true } as const;
    const next = withTileBeside(now, own, shape, { tileId, edge: "bottom" });
    if (next !== now.page) tiles.push([own.id, tileId]);
    now = placeAgain(now, next);
  }
  return { page: place === "under" ? fittedCaptions({ page: now, tiles }, facts) : now, tiles };
}

/** A card near the foot of a photo, as wide as the words on it and no wider than the photo. */
function labelOver(photo: PlacedTile, words: Words, facts: SceneFacts, newId: () => string): FreeTile {
  const { centre, width, height } = photo.frame;
  const card = { ground: "#ffffff", lines: "none", ink: "#c9c0ae" } as const;
  const filling: Words = { ...words, card, style: { ...words.style, insetMm: Math.max(1, words.style.insetMm) } };
  const most = Math.max(5, width - 2 * labelInsetMm);
  const lines = laidWords(filling, { width: most, height: 1e4 }, facts)?.lines ?? [];
  const longest = Math.max(0, ...lines.map((l) => l.width));
  const wide = lines.length > 0 ? Math.min(most, longest + 2 * filling.style.insetMm + 0.5) : most;
  const high = Math.min(height, neededHeight(filling, wide, facts));
  const at = {
    x: centre.x - width / 2 + labelInsetMm + wide / 2,
    y: centre.y + height / 2 - labelInsetMm - high / 2,
  };
  return newFreeTile({ centre: at, width: wide, height: high, turn: 0 }, filling, newId);
}

/** Around a photo that has no frame yet, in mm. */
const frameMm = 3;
const frameColour = "#ffffff";
/** Of the photo's height; no foot is deeper. */
const deepestFoot = 0.4;

/** Words on the foot of the frame around a photo, which is made as deep as they need. */
function captionOnFoot(
  on: PlacedPage,
  photo: PlacedTile,
  words: Words,
  facts: SceneFacts,
  newId: () => string,
): { readonly page: Page; readonly label: FreeTile } {
  const { frame, border } = photo;
  const bare = border.widthMm === 0 && border.footMm === undefined;
  const { lies: _, ...edge } = bare ? { ...border, widthMm: frameMm, colour: frameColour } : border;
  const inset = Math.max(1, words.style.insetMm);
  const wide = Math.max(5, frame.width - 2 * edge.widthMm);
  const style: WordStyle = { ...words.style, align: "centre", vertical: "middle", insetMm: inset };
  const filling: Words = { ...words, style: { ...style, colour: legibleOn(edge.colour, style.colour) } };
  const needed = Math.min(frame.height * deepestFoot, neededHeight(filling, wide, facts));
  const footMm = Math.max(edge.footMm ?? 0, needed, edge.widthMm);
  const turn = (frame.turn * Math.PI) / 180;
  const down = frame.height / 2 - footMm / 2;
  const centre = { x: frame.centre.x - down * Math.sin(turn), y: frame.centre.y + down * Math.cos(turn) };
  const label = newFreeTile({ centre, width: wide, height: footMm, turn: frame.turn }, filling, newId);
  const framed = mapTiles(on.page, (t) => (t.id === photo.id ? { ...t, border: { ...edge, footMm } } : t));
  return { page: withFree(framed, label), label };
}

const leastContrast = 4.5;
const darkInk = "#22302b";
const paleInk = "#ffffff";

/** The colour, or where it would be hard to read there one that is not. */
function legibleOn(ground: Colour, colour: Colour): Colour {
  const behind = luminance(ground);
  const against = (ink: Colour) => contrastOf(luminance(ink), behind);
  if (against(colour) >= leastContrast) return colour;
  return against(darkInk) > against(paleInk) ? darkInk : paleInk;
}

/** Nearer than this two edges lie on one line, in mm. */
const inLineMm = 0.5;

/** The words that belong to a photo's tile: those that follow it, or a caption right under it that somebody wrote over. */
export function captionOf(on: PlacedPage, tileId: string): PlacedTile | undefined {
  const tile = findPlaced(on, tileId);
  const photoId = tile && photoIdOf(tile);
  if (!tile || photoId === undefined) return undefined;
  const captions = on.tiles.filter((t) => t.filling.kind === "words" && t.filling.role === "caption");
  const follows = captions.find((t) => t.filling.kind === "words" && t.filling.from?.photoId === photoId);
  const at = frameRect(tile.frame);
  const gapMm = groupAt(on, tileId)?.gapMm ?? 0;
  return (
    follows ??
    captions.find((t) => {
      const r = frameRect(t.frame);
      const below = r.y - at.y - at.h;
      return Math.abs(r.x - at.x) < inLineMm && Math.abs(r.w - at.w) < inLineMm && Math.abs(below - gapMm) < inLineMm;
    })
  );
}

/** The others made room, so that widths are not what they were: a few rounds, and each caption is as high as its words. */
function fittedCaptions({ page, tiles }: Captioned, facts: SceneFacts): PlacedPage {
  let now = page;
  for (let round = 0; round < 4; round += 1) {
    let moved = false;
    for (const [captionId, photoTileId] of tiles) {
      const [caption, photo] = [findPlaced(now, captionId), findPlaced(now, photoTileId)];
      if (caption?.filling.kind !== "words" || !photo) continue;
      const { width, height } = caption.frame;
      const wanted = heightFor(caption.filling, width, photo.frame.height, facts);
      if (Math.abs(wanted - height) < 0.05) continue;
      now = placeAgain(now, setTileAspect(now, captionId, width / wanted));
      moved = true;
    }
    if (!moved) break;
  }
  return now;
}

/** Photos on the page that have a caption and none of it on the page yet, by their tiles. */
export function uncaptioned(page: Page, facts: SceneFacts): readonly string[] {
  const said = new Set(
    allTiles(page).flatMap((t) => (t.filling.kind === "words" ? (t.filling.from?.photoId ?? []) : [])),
  );
  return arrangedTiles(page).flatMap((t) => {
    const id = photoIdOf(t);
    return id !== undefined && !said.has(id) && facts.photo(id)?.caption ? [t.id] : [];
  });
}
