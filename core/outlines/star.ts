import { drawn, traceStretched } from "./drawn.ts";

/** A star with a point at the top; `inner`: how far in its hollows lie, as a share of its points. */
export const star = drawn<{ readonly points: number; readonly inner: number }>(
  (box, to, { points, inner }) =>
    traceStretched(
      Array.from({ length: 2 * points }, (_, i) => {
        const angle = (Math.PI * i) / points - Math.PI / 2;
        const far = i % 2 === 0 ? 1 : inner;
        return [far * Math.cos(angle), far * Math.sin(angle)] as const;
      }),
      box,
      to,
    ),
  { points: 5, inner: 0.5 },
);
