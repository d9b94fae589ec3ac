import type { Rect, Size } from "#core/geometry";

/** A print as it is scattered: its border and foot included, its size fixed. Lengths in mm. */
export interface ScatterPrint extends Size {
  readonly id: string;
  /** What has to be seen of it, from the unturned print's top left. */
  readonly must: readonly Rect[];
  /** A hand put it there: others settle around it. */
  readonly held?: Lying | undefined;
}

/** Where a print lies: its centre on the page, turned by so many degrees clockwise. */
export interface Lying {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly turn: number;
}

export interface ScatterTask {
  readonly page: Size;
  /** What has to be seen stays so far inside the trim. */
  readonly safeMm: number;
  readonly prints: readonly ScatterPrint[];
  /** Degrees to either side. */
  readonly maxTurn: number;
  /** The least share of each print that is to be seen. */
  readonly share: number;
  readonly seed: number;
  /** How many moves are tried; as many as the number of prints needs where it is missing. */
  readonly moves?: number;
}
