import type { Page, Tile, Words } from "#core/document";
import type { Rect } from "#core/geometry";
import { firstWordStyles, type WordStyle } from "#core/words";

/** Tiles for what stands on a sheet beside pictures. */

const noBorder = { widthMm: 0, colour: "#000000" } as const;
export const ink = "#1f2a25";

export const plainTile = (id: string, r: Rect, colour: string): Tile => ({
  id,
  outline: { kind: "rectangle", cornerMm: 0 },
  frame: { centre: { x: r.x + r.w / 2, y: r.y + r.h / 2 }, width: r.w, height: r.h, turn: 0 },
  filling: { kind: "colour", colour },
  edge: { border: noBorder },
  locked: true,
});

const noWords = (style: WordStyle, text: string): Words => ({
  kind: "words",
  text,
  style,
  role: "caption",
  from: null,
  card: null,
});

const labelStyle: WordStyle = { ...firstWordStyles.caption, colour: ink, insetMm: 0, vertical: "top", align: "left" };

export const wordsTile = (id: string, r: Rect, text: string, style: Partial<WordStyle> = {}): Tile => ({
  ...plainTile(id, r, ink),
  filling: noWords({ ...labelStyle, ...style }, text),
});

const hairMm = 0.15;

/** Nothing but an outline, with rounded corners. */
export const outlineTile = (id: string, r: Rect, cornerMm: number, widthMm = hairMm): Tile => ({
  ...wordsTile(id, r, ""),
  outline: { kind: "rectangle", cornerMm },
  edge: { border: { widthMm, colour: "#7d8a84" } },
});

/** A page with nothing on it but its ground and some tiles. */
export const groundPage = (id: string, look: Page["look"], background: string, over: readonly Tile[]): Page => ({
  id,
  look: { ...look, background, backdrop: null },
  tiles: [],
  over,
  arrangement: null,
  leaves: 1,
  blank: false,
  paced: false,
  plain: true,
});
