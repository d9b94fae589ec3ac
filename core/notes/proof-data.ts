import type { Author, NoteEvent } from "./event.ts";

/** What a proof knows of the work: all that its reader shows and asks, as it stands in the file. */
export interface ProofData {
  readonly format: "tessip-proof";
  readonly version: 1;
  /** The id by which all copies of the work know each other. */
  readonly workId: string;
  readonly workName: string;
  /** Which state of the work it shows. */
  readonly madeAt: string;
  readonly maker: Author;
  /** The state of all pages together. */
  readonly mark: string;
  readonly leaves: readonly ProofLeaf[];
  /** What is seen at once, in the order in which it is read: indices of leaves. */
  readonly views: readonly ProofView[];
  /** Photos that may take the place of others: their pictures stand in the file in this order. */
  readonly offers: readonly { readonly hash: string; readonly name: string }[];
  /** What was said so far. */
  readonly events: readonly NoteEvent[];
  /** In a reading room: which state of the pages this is, so that a new one is noticed. */
  readonly room?: { readonly state: number };
}

export interface ProofView {
  readonly left: number | null;
  readonly right: number | null;
}

/** One side of an opening, after the cut. Lengths in mm of its page. */
export interface ProofLeaf {
  readonly pageId: string;
  /** Its number, or what it is called. */
  readonly label: string;
  /** What of the page it shows. */
  readonly box: { readonly x: number; readonly y: number; readonly w: number; readonly h: number };
  /** The exact state of its page, for whoever approves it. */
  readonly mark: string;
  /** The state of what a note on all of it speaks of. */
  readonly noteMark: string;
  readonly tiles: readonly ProofTile[];
  readonly words: readonly ProofWords[];
  /** Indices of photos that are offered for it. */
  readonly offers: readonly number[];
}

export interface ProofTile {
  readonly id: string;
  readonly centre: { readonly x: number; readonly y: number };
  readonly width: number;
  readonly height: number;
  /** Degrees, clockwise. */
  readonly turn: number;
  /** Of its photo: the hash of the file, and what takes the photo's unit square to the page (a, b, c, d, e, f of a matrix). */
  readonly photo?: { readonly hash: string; readonly place: readonly number[] };
  readonly mark: string;
}

export interface ProofWords {
  readonly tileId: string;
  readonly text: string;
  readonly mark: string;
  readonly lines: readonly ProofLine[];
}

export interface ProofLine {
  readonly from: number;
  readonly to: number;
  /** Its top left on the page, turned by `turn` degrees about it. */
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly turn: number;
}
