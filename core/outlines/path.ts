import {
  flattened,
  insetRings,
  type PathData,
  type PathSink,
  type Rect,
  replay,
  ringsHold,
  traceRings,
} from "#core/geometry";
import type { OutlineAt, OutlineKind } from "./outline.ts";

export interface PathSettings {
  /** In shares of the frame: 0 to 1 across and down. What it winds around is inside (the nonzero rule). */
  readonly path: PathData;
  /** It goes on into the bleed with its frame; otherwise it ends at the cut. */
  readonly bleeds?: true | undefined;
}

const boxOf = ({ whole, seen }: OutlineAt, { bleeds }: PathSettings): Rect => (bleeds ? whole : seen);

function stretched({ path }: PathSettings, box: Rect): PathData {
  const [x, y] = [(v: number) => box.x + v * box.w, (v: number) => box.y + v * box.h];
  return path.map((s) =>
    s[0] === "Z"
      ? s
      : s[0] === "C"
        ? (["C", x(s[1]), y(s[2]), x(s[3]), y(s[4]), x(s[5]), y(s[6])] as const)
        : ([s[0], x(s[1]), y(s[2])] as const),
  );
}

const ringsOf = (at: OutlineAt, settings: PathSettings) => flattened(stretched(settings, boxOf(at, settings)));

/** Any closed path, stretched to its frame. */
export const path: OutlineKind<PathSettings> = {
  trace(at, to: PathSink, settings) {
    replay(stretched(settings, boxOf(at, settings)), to);
  },
  inset: (at, byMm, to, settings) => traceRings(insetRings(ringsOf(at, settings), byMm), to),
  holds: (at, p, settings) => ringsHold(ringsOf(at, settings), p),
  fillsFrame: () => false,
  hasCorners: false,
  first: {
    path: [["M", 0, 0], ["L", 1, 0], ["L", 1, 1], ["L", 0, 1], ["Z"]],
  },
};
