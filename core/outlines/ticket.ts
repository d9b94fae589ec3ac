import { kappa } from "#core/geometry";
import { drawn } from "./drawn.ts";
import { cornerOf } from "./tag.ts";

/** A quarter of a circle is taken out of each corner. */
export const ticket = drawn<object>(
  ({ x, y, w, h }, to, _, cornerMm) => {
    const c = cornerOf(w, h, cornerMm);
    const k = kappa * c;
    const [right, foot] = [x + w, y + h];
    to.moveTo(x + c, y);
    to.lineTo(right - c, y);
    to.bezierCurveTo(right - c, y + k, right - k, y + c, right, y + c);
    to.lineTo(right, foot - c);
    to.bezierCurveTo(right - k, foot - c, right - c, foot - k, right - c, foot);
    to.lineTo(x + c, foot);
    to.bezierCurveTo(x + c, foot - k, x + k, foot - c, x, foot - c);
    to.lineTo(x, y + c);
    to.bezierCurveTo(x + k, y + c, x + c, y + k, x + c, y);
    to.closePath();
  },
  {},
  true,
);
