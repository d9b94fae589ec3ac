import { boxAround, framingOf, type Light, type PlacedTile, pictureRect, type Shadow } from "#core/document";
import { photoMatrix } from "#core/fit";
import {
  applyTo,
  chain,
  combinedRings,
  flattened,
  inverse,
  type Matrix,
  type PathData,
  pathOfRings,
  type Rect,
  record,
  traceRect,
  transformed,
  translation,
} from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { blurReachMm, type MaskPart, maskOf } from "#core/masks";
import { glyphMatrix } from "#core/words";
import { fadeParts } from "./fade.ts";
import { ornamentShape } from "./ornament.ts";
import { ownBox, ownToPage, softParts } from "./soft.ts";
import type { DrawStep, SceneFacts } from "./steps.ts";
import { borderBeyondMm, ownLine, seenFrame, tileOutline } from "./tile-lines.ts";
import { laidWords, wordsMatrix } from "./words.ts";

/** What lies on the page itself is so high over it, and what lies on that so much higher, as prints that have lain a while are. */
const firstLiftMm = 1.4;
const nextLiftMm = 0.9;
const mostLiftMm = 8;
/** How much of its height over what it falls on a shadow is blurred by: as of a window, not of the sun. */
const spread = 0.55;
const leastBlurMm = 0.25;

/** Where a shadow is moved to and the deviation of its blur, in mm. */
export interface Thrown {
  readonly x: number;
  readonly y: number;
  readonly blurMm: number;
}

/** By the work's light, of a tile that has so many others under it, itself included; or as it was set by hand. */
export function thrownBy({ own, liftMm }: Shadow, { fromDeg, heightDeg }: Light, level: number): Thrown {
  if (own) return own;
  const lift = liftMm ?? Math.min(mostLiftMm, firstLiftMm + nextLiftMm * (level - 1));
  const far = lift / Math.tan((heightDeg * Math.PI) / 180);
  const from = (fromDeg * Math.PI) / 180;
  return { x: -Math.sin(from) * far, y: Math.cos(from) * far, blurMm: Math.max(leastBlurMm, lift * spread) };
}

const overlap = (a: Rect, b: Rect): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** How many tiles lie under each other at a tile, itself counted; of what an arrangement places none lies on another. */
export function levelsOf(tiles: readonly PlacedTile[]): ReadonlyMap<PlacedTile, number> {
  const levels = new Map<PlacedTile, number>();
  const below: { readonly box: Rect; readonly level: number; readonly groupId: string | undefined }[] = [];
  for (const tile of tiles) {
    const box = boxAround(tile.frame);
    const { groupId } = tile;
    const under = below.filter((b) => (groupId === undefined || b.groupId !== groupId) && overlap(b.box, box));
    const level = 1 + under.reduce((most, b) => Math.max(most, b.level), 0);
    levels.set(tile, level);
    if (tile.filling.kind !== "empty" && tile.filling.kind !== "words") below.push({ box, level, groupId });
  }
  return levels;
}

interface Falling {
  readonly light: Light;
  readonly level: number;
  readonly format: PageFormat;
  readonly facts: SceneFacts;
}

/** What falls from a tile on what lies under it, and is drawn before it. */
export function shadowUnder(tile: PlacedTile, { light, level, format, facts }: Falling): DrawStep | undefined {
  const { shadow } = tile;
  const { opacity = 1 } = tile.tile;
  if (shadow.falls !== "under" || shadow.strength <= 0 || opacity <= 0) return undefined;
  const shape = shapeOf(tile, format, facts);
  if (!shape) return undefined;
  const thrown = thrownBy(shadow, light, level);
  const reach = blurReachMm(thrown.blurMm) + borderBeyondMm(tile);
  const onPage = ownToPage(tile);
  const away = translation(thrown.x, thrown.y);
  const blurred: MaskPart = { part: "blur", of: shape, sigmaMm: thrown.blurMm, moved: [0, 0] };
  const step = {
    draw: "shade",
    soft: { mask: maskOf([blurred], ownBox(tile, reach)), place: chain(away, onPage) },
    colour: shadow.colour,
    alpha: shadow.strength * opacity,
  } as const;
  // Nothing of it is seen through the tile that throws it.
  if (opacity === 1 && tile.filling.kind !== "words") return step;
  if (tile.filling.kind === "words" && !tile.filling.card) return step;
  const box = boxAround(tile.frame);
  const far = reach + Math.max(Math.abs(thrown.x), Math.abs(thrown.y));
  const around = { x: box.x - far, y: box.y - far, w: box.w + 2 * far, h: box.h + 2 * far };
  return { ...step, clip: [...record((to) => traceRect(around, to)), ...tileOutline(tile, format)] };
}

/** What throws the shadow, around the tile's middle; nothing where nothing is drawn. */
function shapeOf(tile: PlacedTile, format: PageFormat, facts: SceneFacts): readonly MaskPart[] | undefined {
  const { filling } = tile;
  const faded = fadedBy(tile, facts, format);
  const soft = softParts(tile, format);
  if (soft) return [...soft, ...faded];
  switch (filling.kind) {
    case "empty":
      return undefined;
    case "ornament": {
      const path = ornamentShape(tile, filling.ornament);
      return path.length > 0 ? [{ part: "cover", path }] : undefined;
    }
    case "colour":
    case "paper":
      return [{ part: "cover", path: ownLine(tile, format, "bordered") }];
    case "photo": {
      const photo = facts.photo(filling.view.photoId);
      if (!photo) return undefined;
      const bare = filling.view.whole && !filling.view.behind && tile.border.widthMm === 0;
      if (!bare) return [{ part: "cover", path: ownLine(tile, format, "bordered") }, ...faded];
      const { x, y } = tile.frame.centre;
      const matrix = photoMatrix(photo.aspect, pictureRect(tile), framingOf(filling.view, photo, tile, format));
      const seen = transformed(unitSquare, chain(translation(-x, -y), matrix));
      const both = combinedRings(flattened(seen), flattened(ownLine(tile, format, "printed")), "intersection");
      return [{ part: "cover", path: pathOfRings(both) }, ...faded];
    }
    case "words": {
      if (filling.card) return [{ part: "cover", path: ownLine(tile, format, "bordered") }];
      const path = letters(tile, format, facts);
      return path.length > 0 ? [{ part: "cover", path }] : undefined;
    }
  }
}

/** What a brush left of a photo throws the shadow; a border goes on throwing its own. */
const fadedBy = (tile: PlacedTile, facts: SceneFacts, format: PageFormat): readonly MaskPart[] =>
  tile.filling.kind === "photo" && tile.border.widthMm === 0
    ? fadeParts(tile, facts.photo(tile.filling.view.photoId), format)
    : [];

const unitSquare = record((to) => traceRect({ x: 0, y: 0, w: 1, h: 1 }, to));

/** The letters of words around their tile's middle. */
function letters(tile: PlacedTile, format: PageFormat, facts: SceneFacts): PathData {
  if (tile.filling.kind !== "words") return [];
  const { filling } = tile;
  const frame = seenFrame(tile.frame, format);
  const laid = laidWords(filling, frame, facts);
  if (!laid) return [];
  const stands = wordsMatrix({ ...frame, centre: { x: 0, y: 0 }, turn: 0 }, laid, filling);
  return laid.lines
    .flatMap((l) => l.glyphs)
    .flatMap((g) => {
      const { face, sizeMm } = laid.looks[g.look ?? 0]!;
      const outline = facts.setter?.face(face)?.outline(g.file, g.id) ?? [];
      return transformed(outline, chain(stands, glyphMatrix(g, sizeMm)));
    });
}

/** What falls into a tile as if the sheet above were cut out there, over what is in it. */
export function shadowInside(tile: PlacedTile, light: Light, format: PageFormat): DrawStep | undefined {
  const { shadow } = tile;
  if (shadow.falls !== "inside" || shadow.strength <= 0) return undefined;
  const thrown = thrownBy(shadow, light, 1);
  const page = ownToPage(tile);
  const [x, y] = movedWithin(page, thrown);
  const reach = blurReachMm(thrown.blurMm) + Math.hypot(x, y);
  const around: MaskPart = {
    part: "blur",
    of: [{ part: "not", of: [{ part: "cover", path: ownLine(tile, format, "seen") }] }],
    sigmaMm: thrown.blurMm,
    moved: [x, y],
  };
  return {
    draw: "shade",
    soft: { mask: maskOf([around], ownBox(tile, reach)), place: page },
    colour: shadow.colour,
    alpha: shadow.strength,
    clip: tileOutline(tile, format),
  };
}

/** A way on the page, as a tile sees it that is turned. */
function movedWithin(page: Matrix, { x, y }: Thrown): readonly [number, number] {
  const back = inverse({ ...page, e: 0, f: 0 });
  const at = applyTo(back, { x, y });
  return [at.x, at.y];
}
