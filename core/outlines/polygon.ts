import { drawn, traceStretched } from "./drawn.ts";

/** A regular polygon with a corner at the top, stretched to its frame. */
export const polygon = drawn<{ readonly sides: number }>(
  (box, to, { sides }) =>
    traceStretched(
      Array.from({ length: sides }, (_, i) => {
        const angle = (2 * Math.PI * i) / sides - Math.PI / 2;
        return [Math.cos(angle), Math.sin(angle)] as const;
      }),
      box,
      to,
    ),
  { sides: 6 },
);
