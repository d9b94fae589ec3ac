import type { Colour } from "#core/colour";
import { allTiles, type Frame, frameRect, framingOf, type Page, type Tile, type Words } from "#core/document";
import { type Framed, photoMatrix } from "#core/fit";
import {
  chain,
  inset,
  type Matrix,
  type PathData,
  type Rect,
  record,
  rotation,
  traceRect,
  traceRoundedRect,
  transformed,
  translation,
} from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import { faceKey, type LaidWords, type SetGlyph, type Typesetter } from "#core/words";
import { cardSteps, laidWords, wordsOf } from "./words.ts";

/** One thing to draw, in mm from the trim's top left. Painters follow the list and know nothing of pages. */
export type DrawStep =
  /** `evenodd` leaves out what two outlines share, for rings; `alpha` lets through what lies beneath. */
  | {
      readonly draw: "fill";
      readonly path: PathData;
      readonly rule: "nonzero" | "evenodd";
      readonly colour: Colour;
      readonly alpha?: number;
    }
  /** The photo's unit square through `matrix`, inside `clip`; `plain` where that is no more than a rectangle. */
  | {
      readonly draw: "photo";
      readonly photoId: string;
      readonly matrix: Matrix;
      readonly clip: PathData;
      readonly plain?: Rect | undefined;
    }
  /** Shaped words: each glyph's outline (in em) scaled by `sizeMm` and set on its place, all through `matrix`. */
  | {
      readonly draw: "words";
      readonly face: string;
      readonly sizeMm: number;
      readonly colour: Colour;
      readonly glyphs: readonly SetGlyph[];
      readonly matrix: Matrix;
      /** What they say, for files that keep text as text. */
      readonly text: string;
    };

export interface Scene {
  /** Everything that is printed, bleed included. */
  readonly box: Rect;
  readonly steps: readonly DrawStep[];
}

/** What drawing has to know of a photo. */
export type SeenPhoto = Framed & { readonly caption?: string; readonly takenAt?: string };

/** What drawing needs from outside. Nothing is known of a photo that is gone, and no words are set without a typesetter. */
export interface SceneFacts {
  photo(photoId: string): SeenPhoto | undefined;
  readonly setter?: Typesetter | undefined;
}

/** The page as it prints: an empty tile, and one whose photo is not known, show the page behind them. */
export function scene(page: Page, format: PageFormat, facts: SceneFacts): Scene {
  const box = bleedBox(format);
  return {
    box,
    steps: [...groundSteps(page, format, facts), ...allTiles(page).flatMap((tile) => tileSteps(tile, format, facts))],
  };
}

function groundSteps(page: Page, format: PageFormat, facts: SceneFacts): DrawStep[] {
  const { background, backdrop } = page.look;
  const box = bleedBox(format);
  const path = record((to) => traceRect(box, to));
  const ground: DrawStep = { draw: "fill", path, rule: "nonzero", colour: background };
  const photo = backdrop && facts.photo(backdrop.view.photoId);
  if (!backdrop || !photo) return [ground];
  const rect = backdrop.across === "spread" ? openingBox(format) : box;
  const centre = { x: rect.x + rect.w / 2, y: rect.y + rect.h / 2 };
  const frame: Frame = { centre, width: rect.w, height: rect.h, turn: 0 };
  const matrix = photoMatrix(photo.aspect, rect, framingOf(backdrop.view, photo, frame, format));
  const picture: DrawStep = { draw: "photo", photoId: backdrop.view.photoId, matrix, clip: path };
  return backdrop.veil > 0 ? [ground, picture, { ...ground, alpha: backdrop.veil }] : [ground, picture];
}

/** Both facing pages with their bleed, as seen from one of them; the page itself where none faces it. */
function openingBox(format: PageFormat): Rect {
  const box = bleedBox(format);
  const fold = format.folds?.length === 1 ? format.folds[0]!.atMm : undefined;
  if (fold === 0) return { ...box, x: box.x - format.widthMm, w: box.w + format.widthMm };
  if (fold === format.widthMm) return { ...box, w: box.w + format.widthMm };
  return box;
}

/** The outline of a tile as it lies, for painting and for the pointer alike. */
export function tileOutline(tile: Tile): PathData {
  const path = record((to) => traceRoundedRect(frameRect(tile.frame), tile.outline.cornerMm, to));
  return tile.frame.turn === 0 ? path : transformed(path, turnOf(tile.frame));
}

const turnOf = ({ centre, turn }: Frame): Matrix =>
  chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180), translation(-centre.x, -centre.y));

export function tileSteps(tile: Tile, format: PageFormat, facts: SceneFacts): DrawStep[] {
  switch (tile.filling.kind) {
    case "empty":
      return [];
    case "colour":
      return [plainFill(tile, tile.filling.colour), ...borderSteps(tile)];
    case "words":
      return [...wordSteps(tile, tile.filling, facts), ...borderSteps(tile)];
    case "photo": {
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo) return [];
      const rect = frameRect(tile.frame);
      const upright = photoMatrix(photo.aspect, rect, framingOf(view, photo, tile.frame, format));
      const matrix = tile.frame.turn === 0 ? upright : chain(turnOf(tile.frame), upright);
      const plain = tile.outline.cornerMm > 0 || tile.frame.turn !== 0 ? undefined : rect;
      const picture: DrawStep = { draw: "photo", photoId: view.photoId, matrix, clip: tileOutline(tile), plain };
      const behind = view.whole && view.behind ? [plainFill(tile, view.behind)] : [];
      return [...behind, picture, ...borderSteps(tile)];
    }
  }
}

function wordSteps(tile: Tile, words: Words, facts: SceneFacts): DrawStep[] {
  const text = wordsOf(words, facts.photo);
  const laid = facts.setter && laidWords(text, words.style, tile.frame, facts.setter);
  const card = words.card ? [plainFill(tile, words.card.ground), ...cardSteps(tile, words, laid)] : [];
  const glyphs = laid?.lines.flatMap((l) => l.glyphs) ?? [];
  if (!laid || glyphs.length === 0) return card;
  return [
    ...card,
    {
      draw: "words",
      face: faceKey(words.style),
      sizeMm: laid.sizeMm,
      colour: words.style.colour,
      glyphs,
      matrix: wordsMatrix(tile.frame, laid, words.style.turn),
      text,
    },
  ];
}

/** From the words' own top left to the page. */
export function wordsMatrix(frame: Frame, laid: Pick<LaidWords, "size">, turn: number): Matrix {
  return chain(
    translation(frame.centre.x, frame.centre.y),
    rotation(((frame.turn + turn) * Math.PI) / 180),
    translation(-laid.size.w / 2, -laid.size.h / 2),
  );
}

const plainFill = (tile: Tile, colour: Colour): DrawStep => ({
  draw: "fill",
  path: tileOutline(tile),
  rule: "nonzero",
  colour,
});

function borderSteps(tile: Tile): DrawStep[] {
  const { widthMm, colour } = tile.edge.border;
  if (widthMm === 0) return [];
  const upright = record((to) =>
    traceRoundedRect(inset(frameRect(tile.frame), widthMm), tile.outline.cornerMm - widthMm, to),
  );
  const inner = tile.frame.turn === 0 ? upright : transformed(upright, turnOf(tile.frame));
  return [{ draw: "fill", path: [...tileOutline(tile), ...inner], rule: "evenodd", colour }];
}
