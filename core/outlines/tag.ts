import { traceRings } from "#core/geometry";
import { drawn } from "./drawn.ts";

/** Without a size of their own corners take this share of the shorter side. */
export const cornerShare = 0.18;
export const cornerOf = (w: number, h: number, cornerMm: number): number =>
  Math.min(cornerMm > 0 ? cornerMm : cornerShare * Math.min(w, h), Math.min(w, h) / 2);

/** Its upper two corners are cut off. */
export const tag = drawn<object>(
  ({ x, y, w, h }, to, _, cornerMm) => {
    const c = cornerOf(w, h, cornerMm);
    const [right, foot] = [x + w, y + h];
    traceRings(
      [
        [
          { x: x + c, y },
          { x: right - c, y },
          { x: right, y: y + c },
          { x: right, y: foot },
          { x, y: foot },
          { x, y: y + c },
        ],
      ],
      to,
    );
  },
  {},
  true,
);
