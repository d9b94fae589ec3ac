import { seededRandom } from "#core/random";
import { drawn } from "./drawn.ts";

/** Points of the edge are about so far apart, in shares of how deep it is torn. */
const stride = 0.8;

/** A rectangle torn from a sheet: its edges run in and out by up to `depthMm`, another way for each seed and the same one for the same seed. */
export const torn = drawn<{ readonly depthMm: number; readonly seed: number }>(
  ({ x, y, w, h }, to, { depthMm, seed }) => {
    const deep = Math.min(depthMm, w / 6, h / 6);
    const random = seededRandom(seed + 1);
    const side = (length: number): number[] => {
      const n = Math.max(6, Math.round(length / Math.max(deep * stride, 0.4)));
      // A slow wave and a fine one: paper tears in both.
      const slow = Array.from({ length: Math.ceil(n / 5) + 2 }, random);
      return Array.from({ length: n }, (_, i) => {
        const [at, part] = [Math.floor(i / 5), (i % 5) / 5];
        return deep * (0.55 * (slow[at]! * (1 - part) + slow[at + 1]! * part) + 0.45 * random());
      });
    };
    const edges = [side(w), side(h), side(w), side(h)];
    const points = edges.flatMap((edge, k) =>
      edge.map((inward, i) => {
        const t = (i + 0.5) / edge.length;
        return k === 0
          ? { x: x + t * w, y: y + inward }
          : k === 1
            ? { x: x + w - inward, y: y + t * h }
            : k === 2
              ? { x: x + w - t * w, y: y + h - inward }
              : { x: x + inward, y: y + h - t * h };
      }),
    );
    const [first, ...rest] = points;
    to.moveTo(first!.x, first!.y);
    for (const p of rest) to.lineTo(p.x, p.y);
    to.closePath();
  },
  { depthMm: 3, seed: 1 },
);
