import { readBefore } from "#core/arrange";
import {
  frameRect,
  type Group,
  isArranged,
  isGroup,
  type PlacedPage,
  type PlacedTile,
  placePage,
  type Tile,
  type Waits,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import type { Template } from "./schema/template.ts";

export type { Template } from "./schema/template.ts";

/** Places that nothing is in yet, as they are painted on a card or in a drawing. */
export const placeColour = {
  photo: "#dcd2bf",
  paper: "#cfd8d2",
  words: "#efe8db",
  nothing: "#f7f3ec",
} as const satisfies Record<Waits["for"], string>;

/** What a tile of a template waits for; nothing where it holds something already. */
export const waitsFor = ({ filling }: Pick<Tile, "filling">): Waits["for"] | undefined =>
  filling.kind === "empty" ? (filling.waits?.for ?? "photo") : undefined;

const tilesOf = (t: Template): readonly Tile[] => t.pieces.flatMap((p) => (isGroup(p) ? p.tiles : [p]));

/** How many photos a template takes. */
export const photoPlaces = (t: Template): number => tilesOf(t).filter((p) => waitsFor(p) === "photo").length;

/** The one group that fills all of the page and is all there is; none where more lies on it. */
export function soleGroup({ pieces: [only, more] }: Template): Group | undefined {
  if (!only || more || !isGroup(only) || only.room.kind !== "share") return undefined;
  const { left, top, right, bottom } = only.room.share;
  return left === 0 && top === 0 && right === 1 && bottom === 1 && !only.room.margin ? only : undefined;
}

const drawn = new WeakMap<Template, PlacedPage>();

/** A page of its own size with nothing but it on it. */
export function drawnPage(t: Template): PlacedPage {
  const known = drawn.get(t);
  if (known) return known;
  const page = { id: t.id, pieces: t.pieces, span: 1, blank: false, paced: false, plain: false } as const;
  const scattered = t.scatter ? { ...page, scatter: t.scatter } : page;
  const placed = placePage(scattered, formatOf(t), { ...t.look, backdrop: null });
  drawn.set(t, placed);
  return placed;
}

const formatOf = ({ page }: Template): PageFormat => ({
  name: "",
  ...page,
  bleedMm: 0,
  safeMm: 0,
  ppi: 300,
  leastPpi: 150,
});

/** All tiles as one reads them: those of each group from the top, then those that lie freely. */
export const readOn = (on: PlacedPage): readonly PlacedTile[] =>
  [...on.groups.map((g) => g.tiles), on.tiles.filter((t) => !isArranged(t))].flatMap(inReadingOrder);

export const inReadingOrder = (tiles: readonly PlacedTile[]): readonly PlacedTile[] =>
  tiles.toSorted((a, b) => readBefore(frameRect(a.frame), frameRect(b.frame)));

export type PageShape = "upright" | "sideways" | "square" | "panorama";
export const pageShapes: readonly PageShape[] = ["upright", "square", "sideways", "panorama"];

export function shapeOf({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }): PageShape {
  const aspect = widthMm / heightMm;
  if (aspect < 0.95) return "upright";
  if (aspect < 1.06) return "square";
  return aspect < 1.75 ? "sideways" : "panorama";
}
