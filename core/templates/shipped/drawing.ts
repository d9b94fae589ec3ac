import type { TilingPattern, TreeNode, TreeSplit } from "#core/arrange";
import type { Colour } from "#core/colour";
import {
  type Filling,
  type FreeTile,
  firstLight,
  type Look,
  newFreeTile,
  newGroup,
  noDress,
  type Outline,
  type Piece,
  plainTree,
  type Scatter,
  type Tile,
  type Tiling,
} from "#core/document";
import { allSides } from "#core/geometry";
import { firstWordStyles, type WordRole } from "#core/words";
import type { PageShape, Template } from "../template.ts";

/** A place by its shape alone, or one with something to say. */
export type Drawn = number | DrawnPlace | DrawnSplit;

interface DrawnPlace {
  readonly aspect: number;
  readonly filling?: Filling;
  readonly outline?: Outline;
}
interface DrawnSplit {
  readonly way: TreeSplit["way"];
  readonly parts: readonly Drawn[];
}

/** What lies on a page that is more than one tree. */
interface Laying {
  readonly pieces: readonly Piece[];
  readonly scatter?: Scatter;
}

/** Side by side, from the left. */
export const beside = (...parts: readonly Drawn[]): Drawn => ({ way: "side", parts });
/** One above the other, from the top. */
export const above = (...parts: readonly Drawn[]): Drawn => ({ way: "stack", parts });

const photo: Filling = { kind: "empty", waits: { for: "photo" } };
/** The place that takes the first photo. */
export const first = (aspect: number, outline?: Outline): Drawn => ({
  aspect,
  filling: { kind: "empty", waits: { for: "photo", number: 1 } },
  ...(outline ? { outline } : {}),
});
export const field = (aspect: number, colour: Colour): Drawn => ({ aspect, filling: { kind: "colour", colour } });
export const shaped = (aspect: number, outline: Outline): Drawn => ({ aspect, outline });
/** A place for words of a kind, so large, with an example of them. */
export const written = (aspect: number, role: WordRole, sizePt: number, sample: string): Drawn => ({
  aspect,
  filling: { kind: "empty", waits: { for: "words", sample, role, style: { ...firstWordStyles[role], sizePt } } },
});

const pages: Record<PageShape, { readonly widthMm: number; readonly heightMm: number }> = {
  square: { widthMm: 300, heightMm: 300 },
  upright: { widthMm: 240, heightMm: 300 },
  sideways: { widthMm: 400, heightMm: 300 },
  panorama: { widthMm: 600, heightMm: 250 },
};

/** Rows of equal height with so many equal places each, on a page of a shape. */
export function rowsOf(shape: PageShape, ...counts: readonly number[]): Drawn {
  const { widthMm, heightMm } = pages[shape];
  const rowAspect = (widthMm / heightMm) * counts.length;
  const rows = counts.map((n) => (n === 1 ? rowAspect : beside(...new Array<number>(n).fill(rowAspect / n))));
  return rows.length === 1 ? rows[0]! : above(...rows);
}

/** So many cells of a pattern over the whole page. */
export function tiled(pattern: TilingPattern, count: number, more: Partial<Pick<Tiling, "cut" | "sag">> = {}): Laying {
  const newId = counter();
  const tiles = Array.from({ length: count }, (): Tile => ({ id: newId(), filling: photo }));
  const arrangement: Tiling = {
    kind: "tiling",
    pattern,
    cut: false,
    sag: 0,
    ...more,
    tileIds: tiles.map((t) => t.id),
  };
  return { pieces: [newGroup(arrangement, tiles, () => "g")] };
}

/** Middle, width, height and turn in mm and degrees, the lowest first. */
export type Print = readonly [x: number, y: number, w: number, h: number, turn: number];

/** Prints over each other, as they were scattered once. */
export function prints(lying: readonly Print[], border: Look["border"], scatter: Scatter): Laying {
  const newId = counter();
  const pieces = lying.map(([x, y, width, height, turn]): FreeTile => {
    const tile = newFreeTile({ centre: { x, y }, width, height, turn }, photo, newId);
    return { ...tile, border };
  });
  return { pieces, scatter };
}

/** A tree with something lying on it. */
export function under(drawn: Drawn, over: readonly Piece[]): Laying {
  return { pieces: [treeGroup(drawn), ...over] };
}

export const lying = (
  id: string,
  [x, y, width, height, turn]: Print,
  outline: Outline,
  border: Look["border"],
): FreeTile => ({
  ...newFreeTile(
    { centre: { x, y }, width, height, turn },
    { kind: "empty", waits: { for: "photo", number: 1 } },
    () => id,
  ),
  outline,
  border,
});

function counter(): () => string {
  let n = 0;
  return () => {
    n += 1;
    return `p${n}`;
  };
}

interface FamilyLook {
  readonly gapMm: number;
  readonly marginMm: number;
  readonly background?: Colour;
  readonly cornerMm?: number;
  readonly border?: Look["border"];
}

type FamilyDrawing = readonly [name: string, shape: PageShape, drawn: Drawn | Laying];

/** The templates of a family, which share their look. */
export function family(key: string, name: string, look: FamilyLook, drawings: readonly FamilyDrawing[]): Template[] {
  return drawings.map(([own, shape, drawn], i) => ({
    id: `shipped-${key}-${i + 1}`,
    name: own,
    family: name,
    page: pages[shape],
    look: {
      gapMm: look.gapMm,
      margin: allSides(look.marginMm),
      ...noDress,
      ...(look.cornerMm === undefined ? {} : { cornerMm: look.cornerMm }),
      ...(look.border ? { border: look.border } : {}),
      background: look.background ?? "#ffffff",
      light: firstLight,
    },
    ...(typeof drawn === "object" && "pieces" in drawn ? drawn : { pieces: [treeGroup(drawn)] }),
  }));
}

function treeGroup(drawn: Drawn): Piece {
  const tiles: Tile[] = [];
  const tree = treeOf(drawn, tiles);
  return newGroup(plainTree(tree), tiles, () => "g");
}

function treeOf(drawn: Drawn, tiles: Tile[]): TreeNode {
  if (typeof drawn === "object" && "way" in drawn)
    return { way: drawn.way, parts: drawn.parts.map((p) => treeOf(p, tiles)) };
  const { aspect, filling = photo, outline }: DrawnPlace = typeof drawn === "number" ? { aspect: drawn } : drawn;
  const id = `p${tiles.length + 1}`;
  tiles.push({ id, filling, ...(outline ? { outline } : {}) });
  return { tileId: id, aspect };
}
