import { drawn } from "./drawn.ts";

export const heart = drawn<object>(({ x, y, w, h }, to) => {
  const at = (u: number, v: number) => [x + u * w, y + v * h] as const;
  const curve = (a: readonly [number, number], b: readonly [number, number], c: readonly [number, number]) =>
    to.bezierCurveTo(...at(...a), ...at(...b), ...at(...c));
  to.moveTo(...at(0.5, 0.25));
  curve([0.5, 0.1], [0.38, 0], [0.25, 0]);
  curve([0.1, 0], [0, 0.12], [0, 0.3]);
  curve([0, 0.55], [0.25, 0.75], [0.5, 1]);
  curve([0.75, 0.75], [1, 0.55], [1, 0.3]);
  curve([1, 0.12], [0.9, 0], [0.75, 0]);
  curve([0.62, 0], [0.5, 0.1], [0.5, 0.25]);
  to.closePath();
}, {});
