import type { Lying, ScatterPrint, ScatterTask } from "#core/arrange";
import {
  type Border,
  type Frame,
  type FreeTile,
  freeTiles,
  groupsOf,
  isGroup,
  isLocked,
  newFreeTile,
  newGroup,
  noBorder,
  type Page,
  type PlacedPage,
  photoIdOf,
  pictureRect,
  type Scatter,
  type Tile,
  type Words,
} from "#core/document";
import { firstFramingFor, type PhotoShape, photoMatrix } from "#core/fit";
import { applyTo, type Point, type Rect } from "#core/geometry";
import type { WordStyle } from "#core/words";
import { plainWords } from "./word-edits.ts";

/** Photos of a page laid over each other as prints on a table, and how they were. */

/** What scattering has to know of a photo. */
export interface ScatteredPhoto extends PhotoShape {
  readonly caption: string;
}

type PhotoOf = (photoId: string) => ScatteredPhoto | undefined;

/** Of the white around a print, in shares of the picture's shorter side: at the sides, and at a foot that carries words. */
const edges = { none: [0, 0], white: [0.05, 0.05], foot: [0.06, 0.24] } as const;
const white = "#ffffff";
/** What is to be seen where nobody's face is known: so much of the shorter side around the focus. */
const focusShare = 0.16;

/** How prints are scattered first: on a white page a white edge could not be seen. */
export const firstScatter = ({ look }: PlacedPage): Scatter => ({
  seed: 1,
  cover: 1,
  maxTurn: 9,
  share: 0.7,
  frame: look.background === white ? "none" : "white",
});

/** The photos that are scattered: those of one group, or those that lie freely already. */
export const scatteredTiles = (page: Page, groupId: string | undefined): readonly (Tile | FreeTile)[] => {
  const group = groupsOf(page).find((g) => g.id === groupId);
  return (group?.tiles ?? freeTiles(page)).filter((t) => photoIdOf(t) !== undefined && !t.hidden);
};

interface Sized {
  readonly tile: Tile | FreeTile;
  readonly width: number;
  readonly height: number;
  readonly border: Border;
}

/** Each print in the size that its photo's shape and the cover that is asked for give it; one that a hand has scaled keeps its share. */
function sized(
  on: PlacedPage,
  tiles: readonly (Tile | FreeTile)[],
  scatter: Scatter,
  photoOf: PhotoOf,
): readonly Sized[] {
  const { widthMm, heightMm } = on.format;
  const [side, foot] = edges[scatter.frame];
  const shapes = tiles.map((t) => photoOf(photoIdOf(t) ?? "")?.aspect ?? 1);
  // A picture's sides from its print's area: `h` high and `aspect · h` wide, with the white in shares of the shorter of both.
  const perUnit = shapes.map((a) => {
    const short = Math.min(1, a);
    return (a + 2 * side * short) * (1 + (side + foot) * short);
  });
  const weights = tiles.map((t) => weightOf(t, on));
  const all = weights.reduce((s, w) => s + w, 0);
  return tiles.map((tile, i) => {
    const area = (widthMm * heightMm * scatter.cover * weights[i]!) / all;
    const h = Math.sqrt(area / perUnit[i]!);
    const short = Math.min(1, shapes[i]!) * h;
    const border: Border = side === 0 ? noBorder : { widthMm: side * short, footMm: foot * short, colour: white };
    return { tile, width: shapes[i]! * h + 2 * side * short, height: h + (side + foot) * short, border };
  });
}

/** How much larger than the others a print was made by hand. */
function weightOf(tile: Tile | FreeTile, on: PlacedPage): number {
  if (!("frame" in tile) || !on.page.scatter) return 1;
  return Math.max(1, tile.frame.width * tile.frame.height);
}

/** The task for the search. A print that is locked in its place stays there, and so do those that are held. */
export function scatterTask(
  on: PlacedPage,
  tiles: readonly (Tile | FreeTile)[],
  scatter: Scatter,
  photoOf: PhotoOf,
  holds: ReadonlySet<string> = new Set(),
): ScatterTask {
  const { widthMm, heightMm, safeMm } = on.format;
  const prints = sized(on, tiles, scatter, photoOf).map((s): ScatterPrint => {
    const { tile, width, height, border } = s;
    const photo = photoOf(photoIdOf(tile) ?? "");
    const frame: Frame = { centre: { x: width / 2, y: height / 2 }, width, height, turn: 0 };
    const picture = pictureRect({ frame, border });
    const must = photo ? mustOf(photo, picture) : [];
    const words = scatter.frame === "foot" && photo?.caption ? [footRect(frame, border)] : [];
    const held =
      (isLocked(tile) || holds.has(tile.id)) && "frame" in tile
        ? { id: tile.id, ...tile.frame.centre, turn: tile.frame.turn }
        : undefined;
    return { id: tile.id, w: width, h: height, must: [...must, ...words], held };
  });
  return {
    page: { w: widthMm, h: heightMm },
    safeMm,
    prints,
    maxTurn: scatter.maxTurn,
    share: scatter.share,
    seed: scatter.seed,
  };
}

/** Faces as they lie on the print, or else what lies around the photo's focus. */
function mustOf(photo: PhotoShape, picture: Rect): readonly Rect[] {
  const matrix = photoMatrix(photo.aspect, picture, firstFramingFor(photo, picture));
  const onPrint = (r: Rect): Rect => {
    const [a, b] = [applyTo(matrix, r), applyTo(matrix, { x: r.x + r.w, y: r.y + r.h })];
    return { x: a.x, y: a.y, w: b.x - a.x, h: b.y - a.y };
  };
  const faces = photo.focus?.faces ?? [];
  if (faces.length > 0) return faces.map(onPrint);
  const { x, y } = applyTo(matrix, photo.focus?.point ?? { x: 0.5, y: 0.5 });
  const d = focusShare * Math.min(picture.w, picture.h);
  return [{ x: x - d / 2, y: y - d / 2, w: d, h: d }];
}

/** Where words stand on a print's foot, upright. */
function footRect({ centre, width, height }: Frame, { widthMm, footMm = 0 }: Border): Rect {
  const words = footMm * 0.7;
  return {
    x: centre.x - width / 2 + widthMm,
    y: centre.y + height / 2 - (footMm + words) / 2,
    w: width - 2 * widthMm,
    h: words,
  };
}

/** The page with its photos lying so. What was said about a photo, and stands on its foot, goes with it. */
export function withScattered(
  on: PlacedPage,
  lying: readonly Lying[],
  given: {
    readonly groupId: string | undefined;
    readonly scatter: Scatter;
    readonly photoOf: PhotoOf;
    readonly style: WordStyle;
    readonly newId: () => string;
  },
): Page {
  const { groupId, scatter, photoOf, style, newId } = given;
  const tiles = scatteredTiles(on.page, groupId);
  const byId = new Map(sized(on, tiles, scatter, photoOf).map((s) => [s.tile.id, s]));
  const captions = new Map(
    freeTiles(on.page).flatMap((t) =>
      t.filling.kind === "words" && t.filling.from ? [[t.filling.from.photoId, t] as const] : [],
    ),
  );
  const laid = lying.flatMap(({ id, x, y, turn }): FreeTile[] => {
    const print = byId.get(id);
    if (!print) return [];
    const { tile, width, height, border } = print;
    const frame: Frame = { centre: { x, y }, width, height, turn };
    const { kind: _, frame: __, border: ___, ...own } = { kind: "tile", frame, border, ...tile };
    const free: FreeTile = { ...own, kind: "tile", cornerMm: 0, border, frame };
    const photoId = photoIdOf(tile) ?? "";
    const caption = photoOf(photoId)?.caption;
    if (scatter.frame !== "foot" || !caption) return [free];
    const filling: Words = { ...plainWords(style, "caption"), from: { photoId, what: "caption" } };
    const at = turnedIn(frame, footRect({ ...frame, turn: 0 }, border));
    const words = captions.get(photoId);
    return [free, words ? { ...words, frame: at } : newFreeTile(at, filling, newId)];
  });
  const gone = new Set([...tiles.map((t) => t.id), ...laid.map((t) => t.id)]);
  // What was written on feet goes with them.
  for (const t of tiles) {
    const words = captions.get(photoIdOf(t) ?? "");
    if (words && on.page.scatter?.frame === "foot") gone.add(words.id);
  }
  const others = on.page.pieces.filter((p) => (isGroup(p) ? p.id !== groupId : !gone.has(p.id)));
  const pieces = [...others.filter(isGroup), ...laid, ...others.filter((p) => !isGroup(p))];
  return { ...on.page, pieces, scatter };
}

/** The page with scattered prints as one group again, in one row until it is arranged. */
export function gathered({ page }: PlacedPage, groupId: string, photoOf: PhotoOf): Page {
  const prints = scatteredTiles(page, undefined);
  const [first] = prints;
  if (!first) return page;
  const ids = new Set(prints.map((t) => t.id));
  const photos = new Set(prints.map(photoIdOf));
  const onFoot = (t: FreeTile) =>
    page.scatter?.frame === "foot" && t.filling.kind === "words" && photos.has(t.filling.from?.photoId);
  const tiles = prints.map((t): Tile => {
    const { kind: _, frame: __, border: ___, cornerMm: ____, ...own } = { kind: "tile", frame: null, ...t };
    return own;
  });
  const row = prints.map((t) => ({ tileId: t.id, aspect: photoOf(photoIdOf(t) ?? "")?.aspect ?? 1 }));
  const group = newGroup({ kind: "rows", rows: [row] }, tiles, () => groupId);
  const rest = page.pieces.filter((p) => isGroup(p) || !(ids.has(p.id) || onFoot(p)));
  const { scatter: _, ...bare } = page;
  return { ...bare, pieces: [group, ...rest] };
}

/** A part of a tile as a frame of its own, turned with it. */
function turnedIn({ centre, turn }: Frame, r: Rect): Frame {
  const angle = (turn * Math.PI) / 180;
  const off: Point = { x: r.x + r.w / 2 - centre.x, y: r.y + r.h / 2 - centre.y };
  return {
    centre: {
      x: centre.x + off.x * Math.cos(angle) - off.y * Math.sin(angle),
      y: centre.y + off.x * Math.sin(angle) + off.y * Math.cos(angle),
    },
    width: r.w,
    height: r.h,
    turn,
  };
}
