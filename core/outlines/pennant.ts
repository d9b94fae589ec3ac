import { drawn, traceStretched } from "./drawn.ts";

/** Hangs from its upper side and ends in a point. */
export const pennant = drawn<object>(
  (box, to) =>
    traceStretched(
      [
        [0, 0],
        [1, 0],
        [0.5, 1],
      ],
      box,
      to,
    ),
  {},
);
