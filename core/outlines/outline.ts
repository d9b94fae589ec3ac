import type { PathSink, Point, Rect } from "#core/geometry";

/** Where an outline lies, upright, in mm. */
export interface OutlineAt {
  readonly whole: Rect;
  /** What the cut leaves of it: where it goes on into the bleed, its corners are those of this. */
  readonly seen: Rect;
  readonly cornerMm: number;
}

/** All that has to be known of a kind of outline. `S`: what can be set of it besides the corners that every tile has. */
export interface OutlineKind<S extends object = object> {
  trace(at: OutlineAt, to: PathSink, settings: S): void;
  /** The inner edge of a border that wide. */
  inset(at: OutlineAt, byMm: number, to: PathSink, settings: S): void;
  /** Whether a point of the page lies on it. */
  holds(at: OutlineAt, p: Point, settings: S): boolean;
  /** Whether it is its frame and nothing less, so that painters need not clip. */
  fillsFrame(cornerMm: number): boolean;
  /** Whether its corners have a size. */
  readonly hasCorners: boolean;
  /** What is set of a new one. */
  readonly first: S;
}
