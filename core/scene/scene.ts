import type { Paper } from "#core/artwork";
import type { Colour } from "#core/colour";
import {
  boxAround,
  type Frame,
  firstLight,
  framingOf,
  isArranged,
  type Light,
  type PlacedPage,
  type PlacedTile,
  pictureRect,
  type View,
  type Words,
} from "#core/document";
import { photoMatrix } from "#core/fit";
import { chain, type Matrix, type Rect, record, traceRect, translation } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import { outlineOf } from "#core/outlines";
import type { Tone } from "#core/tone";
import { fadeOf } from "./fade.ts";
import { ornamentSteps } from "./ornament.ts";
import { pagePaper, paperAnchor, tilePaper } from "./paper.ts";
import { repeatSteps } from "./repeats.ts";
import { ringsAfter } from "./ring.ts";
import { levelsOf, shadowInside, shadowUnder } from "./shadow.ts";
import { softOf, softReach } from "./soft.ts";
import type { DrawStep, Scene, SceneFacts, SeenPhoto } from "./steps.ts";
import { borderRings, photoEdge, photoRect, seenFrame, tileOutline, turnOf } from "./tile-lines.ts";
import { reachingUnder, stretchesUnder } from "./touching.ts";
import { borderedOf, borderStep, stepPlaced } from "./white-border.ts";
import { cardSteps, laidWords, letterSteps, wordsMatrix, wordsOf } from "./words.ts";

/** What is drawn for one tile; for none of them the ground, shadows on what lies beneath the tiles that follow, or a border. */
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
  const layers = pageLayers(page, facts);
  const bordered = borderedOf(page);
  if (!bordered) return layers;
  const { place } = bordered;
  const set = layers.map(({ tile, steps }) => ({ tile, steps: steps.map((s) => stepPlaced(s, place)) }));
  return [...set, { tile: undefined, steps: [borderStep(page, bordered)] }];
}

function pageLayers(page: PlacedPage, facts: SceneFacts): readonly SceneLayer[] {
  const { format } = page;
  const under = stretchesUnder(page.tiles.filter(isArranged));
  const steps = (tile: PlacedTile): readonly DrawStep[] => {
    const own = keptSteps(tile, format, facts, page.look.light);
    const stretches = under.get(tile);
    return stretches ? reachingUnder(own, stretches) : own;
  };
  const shadows = shadowsOf(page, facts);
  const rings = ringsAfter(page);
  return [
    { tile: undefined, steps: groundSteps(page, facts) },
    ...page.tiles.flatMap((tile): SceneLayer[] => {
      const under = shadows.get(tile);
      const ring = rings.get(tile);
      return [
        ...(under ? [{ tile: undefined, steps: under }] : []),
        { tile, steps: steps(tile) },
        ...(ring ? [{ tile: undefined, steps: [ring] }] : []),
      ];
    }),
  ];
}

/** By the tile before which they are drawn. Tiles of a group lie in one plane: none throws a shadow on another. */
function shadowsOf(page: PlacedPage, facts: SceneFacts): ReadonlyMap<PlacedTile, readonly DrawStep[]> {
  const thrown = page.tiles.filter((t) => t.shadow.falls === "under");
  const found = new Map<PlacedTile, readonly DrawStep[]>();
  if (thrown.length === 0) return found;
  const levels = levelsOf(page.tiles);
  const first = new Map<string, PlacedTile>();
  for (const tile of page.tiles) if (tile.groupId && !first.has(tile.groupId)) first.set(tile.groupId, tile);
  for (const tile of thrown) {
    const step = keptShadow(tile, {
      light: page.look.light,
      level: levels.get(tile) ?? 1,
      format: page.format,
      facts,
    });
    const before = (tile.groupId && first.get(tile.groupId)) || tile;
    if (step) found.set(before, [...(found.get(before) ?? []), step]);
  }
  return found;
}

function groundSteps({ look, format }: PlacedPage, facts: SceneFacts): DrawStep[] {
  const { background, backdrop, paper } = look;
  const box = bleedBox(format);
  const path = record((to) => traceRect(box, to));
  const colour: DrawStep = { draw: "fill", path, rule: "nonzero", colour: background };
  const laid = () => pagePaper(paper!, path, box, openingBox(format));
  const ground = [colour, ...(paper ? [papersKept.get(paper, [format], laid)] : [])];
  const photo = backdrop && facts.photo(backdrop.view.photoId);
  if (!backdrop || !photo) return ground;
  const rect = backdrop.across === "spread" ? openingBox(format) : box;
  const centre = { x: rect.x + rect.w / 2, y: rect.y + rect.h / 2 };
  const frame: Frame = { centre, width: rect.w, height: rect.h, turn: 0 };
  const { photoId, tone, repeats } = backdrop.view;
  const anchor = translation(rect.x, rect.y);
  const whole = (): DrawStep => {
    const matrix = photoMatrix(photo.aspect, rect, framingOf(backdrop.view, photo, { frame }, format));
    return { draw: "photo", photoId, matrix, clip: path, ...toned(tone) };
  };
  const pictures = repeats ? repeatSteps(backdrop.view, photo.aspect, { anchor, clip: path, reach: box }) : [whole()];
  if (backdrop.veil <= 0) return [...ground, ...pictures];
  return [...ground, ...pictures, { ...colour, colour: backdrop.veilColour ?? background, alpha: backdrop.veil }];
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

/** Where a tile stands: on which page, and in what light. */
interface Standing {
  readonly format: PageFormat;
  readonly light: Light;
}

/** What was last made of something, for as long as everything that it rests on is the same. */
class Kept<K extends object, T> {
  readonly #made = new WeakMap<K, { readonly restsOn: readonly unknown[]; readonly made: T }>();

  get(of: K, restsOn: readonly unknown[], make: () => T): T {
    const known = this.#made.get(of);
    if (known?.restsOn.every((v, i) => v === restsOn[i])) return known.made;
    const made = make();
    this.#made.set(of, { restsOn, made });
    return made;
  }
}

const stepsKept = new Kept<PlacedTile, readonly DrawStep[]>();
const shadowsKept = new Kept<PlacedTile, DrawStep | undefined>();
const papersKept = new Kept<Paper, DrawStep>();

/** While one tile moves all others are drawn by the same steps, so that painters can know them again. */
const keptSteps = (tile: PlacedTile, format: PageFormat, facts: SceneFacts, light: Light): readonly DrawStep[] =>
  stepsKept.get(tile, [format, facts, light], () => tileSteps(tile, format, facts, light));

const keptShadow = (tile: PlacedTile, on: Parameters<typeof shadowUnder>[1]): DrawStep | undefined =>
  shadowsKept.get(tile, [on.format, on.facts, on.light, on.level], () => shadowUnder(tile, on));

export function tileSteps(
  tile: PlacedTile,
  format: PageFormat,
  facts: SceneFacts,
  light: Light = firstLight,
): DrawStep[] {
  const { opacity = 1 } = tile.tile;
  const steps = opacity > 0 ? solidSteps(tile, { format, light }, facts) : [];
  const soft = softOf(tile, format);
  if ((opacity === 1 && !soft) || steps.length === 0) return steps;
  const masked = soft ? { soft } : {};
  return [{ draw: "begin", opacity, reach: softReach(tile), ...masked }, ...steps, { draw: "end" }];
}

/** A tile without a look at how strongly it is drawn. */
function solidSteps(tile: PlacedTile, on: Standing, facts: SceneFacts): DrawStep[] {
  const { format } = on;
  switch (tile.filling.kind) {
    case "empty":
      return [];
    case "colour":
      return [plainFill(tile, tile.filling.colour, format), ...over(tile, on)];
    case "ornament":
      return [...ornamentSteps(tile, tile.filling.ornament)];
    case "paper":
      return [tilePaper(tile, tile.filling.paper, format), ...over(tile, on)];
    case "words":
      return wordSteps(tile, tile.filling, on, facts);
    case "photo": {
      const { view } = tile.filling;
      const photo = facts.photo(view.photoId);
      if (!photo) return [];
      if (view.repeats) {
        const anchor = paperAnchor(tile, view.repeats);
        const laid = { anchor, clip: photoEdge(tile, format), reach: boxAround(tile.frame) };
        return [...faded(repeatSteps(view, photo.aspect, laid), tile, photo, format), ...over(tile, on)];
      }
      const matrix = photoPlace(tile, view, photo, format);
      const fills = outlineOf(tile.outline).fillsFrame(tile.cornerMm) && tile.frame.turn === 0;
      const plain = fills ? photoRect(tile, format) : undefined;
      const picture: DrawStep = {
        draw: "photo",
        photoId: view.photoId,
        matrix,
        clip: photoEdge(tile, format),
        plain,
        ...toned(view.tone),
      };
      const behind = view.whole && view.behind ? [plainFill(tile, view.behind, format)] : [];
      return [...behind, ...faded([picture], tile, photo, format), ...over(tile, on)];
    }
  }
}

/** What takes a photo's unit square to where its tile shows it on the page. */
export function photoPlace(tile: PlacedTile, view: View, photo: SeenPhoto, format: PageFormat): Matrix {
  const upright = photoMatrix(photo.aspect, pictureRect(tile), framingOf(view, photo, tile, format));
  return tile.frame.turn === 0 ? upright : chain(turnOf(tile.frame), upright);
}

/** What is drawn of a photo, without what a brush took of it. */
function faded(
  drawn: readonly DrawStep[],
  tile: PlacedTile,
  photo: SeenPhoto,
  format: PageFormat,
): readonly DrawStep[] {
  const soft = fadeOf(tile, photo, format);
  return soft ? [{ draw: "begin", opacity: 1, reach: softReach(tile), soft }, ...drawn, { draw: "end" }] : drawn;
}

/** Words stand over the border: its line may be as wide as a person likes. */
function wordSteps(tile: PlacedTile, words: Words, on: Standing, facts: SceneFacts): DrawStep[] {
  const { format } = on;
  const frame = seenFrame(tile.frame, format);
  const laid = laidWords(words, frame, facts);
  const card = words.card ? [plainFill(tile, words.card.ground, format), ...cardSteps({ frame }, words, laid)] : [];
  const under = [...card, ...over(tile, on)];
  if (!laid?.lines.some((l) => l.glyphs.length > 0)) return under;
  return [...under, ...letterSteps(words, laid, wordsOf(words, facts), wordsMatrix(frame, laid, words))];
}

const plainFill = (tile: PlacedTile, colour: Colour, format: PageFormat): DrawStep => ({
  draw: "fill",
  path: tileOutline(tile, format),
  rule: "nonzero",
  colour,
});

/** What lies over all that is in a tile but words: the border, and the shadow of what it is cut out of. */
function over(tile: PlacedTile, { format, light }: Standing): DrawStep[] {
  const border = borderRings(tile, format).map(
    ({ path, colour }): DrawStep => ({ draw: "fill", path, rule: "evenodd", colour }),
  );
  const inside = shadowInside(tile, light, format);
  return inside ? [...border, inside] : border;
}
