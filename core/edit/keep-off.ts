import { boxAround, framingOf, type PlacedPage, pictureRect } from "#core/document";
import { type PhotoShape, photoMatrix } from "#core/fit";
import { applyTo, aroundPoints, chain, type Rect, rotation, translation } from "#core/geometry";

/** A head is larger than the box around its face. */
const headGrows = 0.3;

/** What nothing is to be laid over: faces as they are seen, and words, in shares of the page. */
export function keepOff(
  { tiles, format }: PlacedPage,
  photoOf: (photoId: string) => PhotoShape | undefined,
): readonly Rect[] {
  const { widthMm, heightMm } = format;
  const inShares = ({ x, y, w, h }: Rect): Rect => ({
    x: x / widthMm,
    y: y / heightMm,
    w: w / widthMm,
    h: h / heightMm,
  });
  return tiles.flatMap((tile): Rect[] => {
    if (tile.filling.kind === "words") return [inShares(boxAround(tile.frame))];
    const photo = tile.filling.kind === "photo" ? photoOf(tile.filling.view.photoId) : undefined;
    if (!photo || tile.filling.kind !== "photo") return [];
    const { centre, turn } = tile.frame;
    const turned = chain(
      translation(centre.x, centre.y),
      rotation((turn * Math.PI) / 180),
      translation(-centre.x, -centre.y),
    );
    const upright = photoMatrix(photo.aspect, pictureRect(tile), framingOf(tile.filling.view, photo, tile, format));
    const m = chain(turned, upright);
    const around = boxAround(tile.frame);
    return (photo.focus?.faces ?? []).flatMap(({ x, y, w, h }) => {
      const by = headGrows / 2;
      const corners = [-by, 1 + by].flatMap((u) =>
        [-by, 1 + by].map((v) => applyTo(m, { x: x + u * w, y: y + v * h })),
      );
      const box = aroundPoints(corners);
      const seen =
        box.x < around.x + around.w &&
        around.x < box.x + box.w &&
        box.y < around.y + around.h &&
        around.y < box.y + box.h;
      return seen ? [inShares(box)] : [];
    });
  });
}
