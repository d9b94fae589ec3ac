import type { TreeNode, TreeSplit } from "#core/arrange";
import type { Colour } from "#core/colour";
import type { Look } from "#core/document";
import { allSides } from "#core/geometry";
import type { PageShape, Place, Template } from "../template.ts";

/** A place by its shape alone, or one with something to say. */
export type Drawn = number | DrawnPlace | DrawnSplit;

interface DrawnPlace {
  readonly aspect: number;
  readonly holds?: Place["holds"];
  readonly number?: number;
}
interface DrawnSplit {
  readonly way: TreeSplit["way"];
  readonly parts: readonly Drawn[];
}

/** Side by side, from the left. */
export const beside = (...parts: readonly Drawn[]): Drawn => ({ way: "side", parts });
/** One above the other, from the top. */
export const above = (...parts: readonly Drawn[]): Drawn => ({ way: "stack", parts });
/** The place that takes the first photo. */
export const first = (aspect: number): Drawn => ({ aspect, number: 1 });
export const field = (aspect: number, colour: Colour): Drawn => ({ aspect, holds: { kind: "colour", colour } });

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

export interface FamilyLook {
  readonly gapMm: number;
  readonly marginMm: number;
  readonly background?: Colour;
  readonly cornerMm?: number;
  readonly border?: Look["border"];
}

export type FamilyDrawing = readonly [name: string, shape: PageShape, drawn: Drawn];

/** The templates of a family, which share their look. */
export function family(key: string, name: string, look: FamilyLook, drawings: readonly FamilyDrawing[]): Template[] {
  return drawings.map(([own, shape, drawn], i) => {
    const places: Place[] = [];
    const tree = treeOf(drawn, places);
    return {
      id: `shipped-${key}-${i + 1}`,
      name: own,
      family: name,
      page: pages[shape],
      look: {
        gapMm: look.gapMm,
        margin: allSides(look.marginMm),
        cornerMm: look.cornerMm ?? 0,
        border: look.border ?? { widthMm: 0, colour: "#ffffff" },
        background: look.background ?? "#ffffff",
      },
      loose: false,
      tree,
      places,
    };
  });
}

function treeOf(drawn: Drawn, places: Place[]): TreeNode {
  if (typeof drawn === "object" && "way" in drawn)
    return { way: drawn.way, parts: drawn.parts.map((p) => treeOf(p, places)) };
  const place = typeof drawn === "number" ? { aspect: drawn } : drawn;
  const id = `p${places.length + 1}`;
  places.push({ id, holds: place.holds ?? { kind: "photo" }, number: place.number ?? null });
  return { tileId: id, aspect: place.aspect };
}
