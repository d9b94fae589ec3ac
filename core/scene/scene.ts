import type { Colour } from "#core/colour";
import {
  type Frame,
  frameRect,
  framingOf,
  isArranged,
  type PlacedPage,
  type PlacedTile,
  pictureRect,
  type Words,
} from "#core/document";
import { photoMatrix } from "#core/fit";
import {
  chain,
  inset,
  type Matrix,
  type PathData,
  type Rect,
  record,
  rotation,
  traceRect,
  transformed,
  translation,
} from "#core/geometry";
import { bleedBox, type PageFormat, trimBox } from "#core/lab";
import { type OutlineAt, outlineOf } from "#core/outlines";
import type { Tone } from "#core/tone";
import { faceKey, type LaidWords } from "#core/words";
import type { DrawStep, Scene, SceneFacts } from "./steps.ts";
import { reachingUnder, stretchesUnder } from "./touching.ts";
import { cardSteps, laidWords, wordsOf } from "./words.ts";

/** What is drawn for one tile, or behind all of them. */
export interface SceneLayer {
  readonly tile: PlacedTile | undefined;
  readonly steps: readonly DrawStep[];
}

/** The page as it prints: an empty tile, and one whose photo is not known, show the page behind them. */
export const scene = (page: PlacedPage, facts: SceneFacts): Scene => ({
  box: bleedBox(page.format),
  steps: sceneLayers(page, facts).flatMap((l) => l.steps),
});

/** The same from back to front, the ground and then each tile by itself. */
export function sceneLayers(page: PlacedPage, facts: SceneFacts): readonly SceneLayer[] {
  const { format } = page;
  const under = stretchesUnder(page.tiles.filter(isArranged));
  const steps = (tile: PlacedTile): readonly DrawStep[] => {
    const own = tileSteps(tile, format, facts);
    const stretches = under.get(tile);
    return stretches ? reachingUnder(own, stretches) : own;
  };
  return [
    { tile: undefined, steps: groundSteps(page, facts) },
    ...page.tiles.map((tile) => ({ tile, steps: steps(tile) })),
  ];
}

function groundSteps({ look, format }: PlacedPage, facts: SceneFacts): DrawStep[] {
  const { background, backdrop } = look;
  const box = bleedBox(format);
  const path = record((to) => traceRect(box, to));
  const ground: DrawStep = { draw: "fill", path, rule: "nonzero", colour: background };
  const photo = backdrop && facts.photo(backdrop.view.photoId);
  if (!backdrop || !photo) return [ground];
  const rect = backdrop.across === "spread" ? openingBox(format) : box;
  const centre = { x: rect.x + rect.w / 2, y: rect.y + rect.h / 2 };
  const frame: Frame = { centre, width: rect.w, height: rect.h, turn: 0 };
  const matrix = photoMatrix(photo.aspect, rect, framingOf(backdrop.view, photo, { frame }, format));
  const { photoId, tone } = backdrop.view;
  const picture: DrawStep = { draw: "photo", photoId, matrix, clip: path, ...toned(tone) };
  if (backdrop.veil <= 0) return [ground, picture];
  return [ground, picture, { ...ground, colour: backdrop.veilColour ?? background, alpha: backdrop.veil }];
}

/** A step that says nothing of a tone stays as it was. */
const toned = (tone: Tone | undefined) => (tone ? { tone } : {});

/** Both facing pages with their bleed, as seen from one of them; the page itself where none faces it. */
function openingBox(format: PageFormat): Rect {
  const box = bleedBox(format);
  const fold = format.folds?.length === 1 ? format.folds[0]!.atMm : undefined;
  if (fold === 0) return { ...box, x: box.x - format.widthMm, w: box.w + format.widthMm };
  if (fold === format.widthMm) return { ...box, w: box.w + format.widthMm };
  return box;
}

/** The outline of a tile as it lies: its corners are those of what the cut leaves of it, and its sides go on into the bleed. */
function tileOutline(tile: PlacedTile, format: PageFormat): PathData {
  const path = record((to) => outlineOf(tile.outline).trace(outlineAt(tile, format), to));
  return tile.frame.turn === 0 ? path : transformed(path, turnOf(tile.frame));
}

const outlineAt = ({ frame, cornerMm }: PlacedTile, format: PageFormat): OutlineAt => ({
  whole: frameRect(frame),
  seen: frameRect(seenFrame(frame, format)),
  cornerMm,
});

const nearlyMm = 0.02;

/** What the cut leaves of an upright tile that goes on to the end of the bleed; any other frame as it is. */
export function seenFrame(frame: Frame, format: PageFormat): Frame {
  const r = frameRect(frame);
  const [box, trim] = [bleedBox(format), trimBox(format)];
  if (frame.turn !== 0 || format.bleedMm <= nearlyMm) return frame;
  const bled = (at: number, end: number) => Math.abs(at - end) < nearlyMm;
  const x0 = bled(r.x, box.x) ? trim.x : r.x;
  const y0 = bled(r.y, box.y) ? trim.y : r.y;
  const x1 = bled(r.x + r.w, box.x + box.w) ? trim.x + trim.w : r.x + r.w;
  const y1 = bled(r.y + r.h, box.y + box.h) ? trim.y + trim.h : r.y + r.h;
  const [width, height] = [x1 - x0, y1 - y0];
  if ((width === r.w && height === r.h) || width <= 0 || height <= 0) return frame;
  return { ...frame, centre: { x: x0 + width / 2, y: y0 + height / 2 }, width, height };
}

const turnOf = ({ centre, turn }: Frame): Matrix =>
  chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180), translation(-centre.x, -centre.y));

export function tileSteps(tile: PlacedTile, format: PageFormat, facts: SceneFacts): DrawStep[] {
  const { opacity = 1 } = tile.tile;
  const steps = opacity > 0 ? solidSteps(tile, format, facts) : [];
  return opacity < 1 && steps.length > 0 ? [{ draw: "begin", opacity }, ...steps, { draw: "end" }] : steps;
}

/** A tile without a look at how strongly it is drawn. */
function solidSteps(tile: PlacedTile, format: PageFormat, facts: SceneFacts): DrawStep[] {
  switch (tile.filling.kind) {
    case "empty":
      return [];
    case "colour":
      return [plainFill(tile, tile.filling.colour, format), ...borderSteps(tile, format)];
    case "words":
      return wordSteps(tile, tile.filling, format, facts);
    case "photo": {
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo) return [];
      const upright = photoMatrix(photo.aspect, pictureRect(tile), framingOf(view, photo, tile, format));
      const matrix = tile.frame.turn === 0 ? upright : chain(turnOf(tile.frame), upright);
      const fills = outlineOf(tile.outline).fillsFrame(tile.cornerMm) && tile.frame.turn === 0;
      const plain = fills ? underBorder(tile, format) : undefined;
      const picture: DrawStep = {
        draw: "photo",
        photoId: view.photoId,
        matrix,
        clip:
          tile.border.widthMm > 0 || tile.border.footMm
            ? borderEdge(tile, format, -overlapMm(tile))
            : tileOutline(tile, format),
        plain,
        ...toned(view.tone),
      };
      const behind = view.whole && view.behind ? [plainFill(tile, view.behind, format)] : [];
      return [...behind, picture, ...borderSteps(tile, format)];
    }
  }
}

/** Words stand over the border: its line may be as wide as a person likes. */
function wordSteps(tile: PlacedTile, words: Words, format: PageFormat, facts: SceneFacts): DrawStep[] {
  const frame = seenFrame(tile.frame, format);
  const text = wordsOf(words, facts);
  const laid = facts.setter && laidWords(text, words.style, frame, facts.setter);
  const card = words.card ? [plainFill(tile, words.card.ground, format), ...cardSteps({ frame }, words, laid)] : [];
  const under = [...card, ...borderSteps(tile, format)];
  const glyphs = laid?.lines.flatMap((l) => l.glyphs) ?? [];
  if (!laid || glyphs.length === 0) return under;
  return [
    ...under,
    {
      draw: "words",
      face: faceKey(words.style),
      sizeMm: laid.sizeMm,
      colour: words.style.colour,
      glyphs,
      matrix: wordsMatrix(frame, laid, words.style.turn),
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

const plainFill = (tile: PlacedTile, colour: Colour, format: PageFormat): DrawStep => ({
  draw: "fill",
  path: tileOutline(tile, format),
  rule: "nonzero",
  colour,
});

/** So far a photo goes on under its border: at the border's own edge it would show through where that is softened. */
const overlapMm = ({ border }: PlacedTile): number => Math.min(0.1, border.widthMm / 2);

/** What of a tile its border leaves free, and what lies just under it. */
const underBorder = (tile: PlacedTile, format: PageFormat): Rect => {
  const { widthMm, footMm } = tile.border;
  if (footMm !== undefined) return inset(pictureRect(tile), -overlapMm(tile));
  if (widthMm === 0) return frameRect(tile.frame);
  return inset(frameRect(seenFrame(tile.frame, format)), widthMm - overlapMm(tile));
};

/** The inner edge of a border, moved in by so much. */
function borderEdge(tile: PlacedTile, format: PageFormat, inMm = 0): PathData {
  const by = tile.border.widthMm + inMm;
  const inner = tile.border.footMm === undefined ? undefined : inset(pictureRect(tile), inMm);
  const upright = inner
    ? record((to) => traceRect(inner, to))
    : record((to) => outlineOf(tile.outline).inset(outlineAt(tile, format), by, to));
  return tile.frame.turn === 0 ? upright : transformed(upright, turnOf(tile.frame));
}

/** Inside the outline; of a tile that reaches into the bleed it is measured from the cut. */
function borderSteps(tile: PlacedTile, format: PageFormat): DrawStep[] {
  const { widthMm, footMm = 0, colour } = tile.border;
  if (widthMm === 0 && footMm === 0) return [];
  return [{ draw: "fill", path: [...tileOutline(tile, format), ...borderEdge(tile, format)], rule: "evenodd", colour }];
}
