import { type Ornament, ornamentSize } from "#core/artwork";
import { autoFramed, type FreeTile, newFreeTile, type Page, type PlacedPage, withFree } from "#core/document";
import type { Point } from "#core/geometry";
import type { Outline } from "#core/outlines";
import type { Section } from "#core/photo";

/** How long the longer side of what is laid freely is, by the page's shorter side. */
const shares: Readonly<Record<Section, number>> = { photos: 0.4, papers: 0.5, ornaments: 0.25 };

interface Laid {
  readonly id: string;
  readonly section: Section;
  /** Width by height. */
  readonly aspect: number;
}

/** A photo or an ornament on its own over the rest, whole, its middle at a point of the page (mm) and never beyond the trim. */
export function laidFreely(on: PlacedPage, { id, section, aspect }: Laid, at: Point, newId: () => string): Page {
  const { widthMm, heightMm } = on.format;
  const long = shares[section] * Math.min(widthMm, heightMm);
  const [width, height] = aspect > 1 ? [long, long / aspect] : [long * aspect, long];
  const inside = (v: number, size: number, room: number) => Math.min(room - size / 2, Math.max(size / 2, v));
  const frame = {
    centre: { x: inside(at.x, width, widthMm), y: inside(at.y, height, heightMm) },
    width,
    height,
    turn: 0,
  };
  return withFree(on.page, newFreeTile(frame, { kind: "photo", view: autoFramed(id) }, newId));
}

/** An ornament on its own over the rest, as large as it is usually wanted, or as large as half the page lets it be. */
export function ornamentLaid(
  { format: { widthMm, heightMm } }: PlacedPage,
  ornament: Ornament,
  newId: () => string,
  at: Point = { x: widthMm / 2, y: heightMm / 2 },
): FreeTile {
  const { w, h } = ornamentSize(ornament.design);
  const k = Math.min(1, widthMm / 2 / w, heightMm / 2 / h);
  const frame = { centre: at, width: w * k, height: h * k, turn: 0 };
  return newFreeTile(frame, { kind: "ornament", ornament }, newId);
}

const shapeShare = 0.35;
const plainColour = "#d9d2c4";

/** A tile of a shape on its own, in the middle of the page or at a point of it (mm): with a photo where one is given, else a plain colour. */
export function shapeLaid(
  { format: { widthMm, heightMm } }: PlacedPage,
  outline: Outline,
  photoId: string | undefined,
  newId: () => string,
  at: Point = { x: widthMm / 2, y: heightMm / 2 },
): FreeTile {
  const side = shapeShare * Math.min(widthMm, heightMm);
  const frame = { centre: at, width: side, height: side, turn: 0 };
  const filling =
    photoId === undefined
      ? ({ kind: "colour", colour: plainColour } as const)
      : ({ kind: "photo", view: autoFramed(photoId) } as const);
  return { ...newFreeTile(frame, filling, newId), outline };
}
