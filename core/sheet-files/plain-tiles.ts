import { drawnTile, type Look, type PlacedPage, type PlacedTile, placePage, type Words } from "#core/document";
import type { Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { firstWordStyles, type WordStyle } from "#core/words";

/** Tiles for what stands on a sheet beside pictures. */

export const ink = "#1f2a25";

const frameOf = (r: Rect) => ({ centre: { x: r.x + r.w / 2, y: r.y + r.h / 2 }, width: r.w, height: r.h, turn: 0 });

export const plainTile = (id: string, r: Rect, colour: string): PlacedTile =>
  drawnTile(id, frameOf(r), { kind: "colour", colour });

const noWords = (style: WordStyle, text: string): Words => ({
  kind: "words",
  text,
  style,
  role: "caption",
  from: null,
  card: null,
});

const labelStyle: WordStyle = { ...firstWordStyles.caption, colour: ink, insetMm: 0, vertical: "top", align: "left" };

export const wordsTile = (id: string, r: Rect, text: string, style: Partial<WordStyle> = {}): PlacedTile =>
  drawnTile(id, frameOf(r), noWords({ ...labelStyle, ...style }, text));

const hairMm = 0.15;

/** Nothing but an outline, with rounded corners. */
export const outlineTile = (id: string, r: Rect, cornerMm: number, widthMm = hairMm): PlacedTile => ({
  ...wordsTile(id, r, ""),
  cornerMm,
  border: { widthMm, colour: "#7d8a84" },
});

/** A page with nothing on it but its ground and some tiles. */
export const groundPage = (
  id: string,
  style: Look,
  format: PageFormat,
  background: string,
  tiles: readonly PlacedTile[],
): PlacedPage => {
  const page = {
    id,
    pieces: [],
    span: 1,
    blank: false,
    paced: false,
    plain: true,
    background,
    backdrop: null,
    ...(style.paper ? { paper: null } : {}),
  } as const;
  return { ...placePage(page, format, style), tiles };
};
