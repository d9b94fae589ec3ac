import { drawn } from "./drawn.ts";

// Of an eighth of a circle: off by 0.0004 mm at a radius of 100 mm, where a quarter is off by 0.027 mm.
const handle = (4 / 3) * Math.tan(Math.PI / 16);

/** Upright sides under half a circle, or half an ellipse where it is low. */
export const arch = drawn<object>(({ x, y, w, h }, to) => {
  const [rx, ry] = [w / 2, Math.min(w / 2, h)];
  const middle = { x: x + rx, y: y + ry };
  to.moveTo(x, y + h);
  to.lineTo(x, middle.y);
  for (let i = 4; i < 8; i += 1) {
    const [a, b] = [(i * Math.PI) / 4, ((i + 1) * Math.PI) / 4];
    const on = (angle: number) => [middle.x + rx * Math.cos(angle), middle.y + ry * Math.sin(angle)] as const;
    const [from, end] = [on(a), on(b)];
    to.bezierCurveTo(
      from[0] - handle * rx * Math.sin(a),
      from[1] + handle * ry * Math.cos(a),
      end[0] + handle * rx * Math.sin(b),
      end[1] - handle * ry * Math.cos(b),
      ...end,
    );
  }
  to.lineTo(x + w, y + h);
  to.closePath();
}, {});
