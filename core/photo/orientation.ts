import type { Matrix } from "#core/geometry";

/** EXIF 2.32 tag 0x0112: how a stored picture has to be turned to be seen as it was taken. */
export type Orientation = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;

/** Whatever a file says; anything outside the standard means "as stored". */
export const orientationOf = (value: unknown): Orientation =>
  typeof value === "number" && Number.isInteger(value) && value >= 1 && value <= 8 ? (value as Orientation) : 1;

/** From 5 on, width and height change places. */
export const turnsSideways = (o: Orientation): boolean => o >= 5;

export const orientedSize = (o: Orientation, widthPx: number, heightPx: number) =>
  turnsSideways(o) ? { widthPx: heightPx, heightPx: widthPx } : { widthPx, heightPx };

/** Takes the stored unit square to the unit square as it should be seen. */
export function orientationMatrix(o: Orientation): Matrix {
  const [a, b, c, d, e, f] = (
    {
      1: [1, 0, 0, 1, 0, 0],
      2: [-1, 0, 0, 1, 1, 0],
      3: [-1, 0, 0, -1, 1, 1],
      4: [1, 0, 0, -1, 0, 1],
      5: [0, 1, 1, 0, 0, 0],
      6: [0, 1, -1, 0, 1, 0],
      7: [0, -1, -1, 0, 1, 1],
      8: [0, -1, 1, 0, 0, 1],
    } as const
  )[o];
  return { a, b, c, d, e, f };
}
