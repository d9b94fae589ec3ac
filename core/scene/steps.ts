import type { PaperFill } from "#core/artwork";
import type { Colour } from "#core/colour";
import type { PhotoShape } from "#core/fit";
import { chain, type Matrix, type PathData, type Rect, scaling, translation } from "#core/geometry";
import type { Mask } from "#core/masks";
import { type Tone, toneKey } from "#core/tone";
import type { SetGlyph, Typesetter } from "#core/words";

/** One thing to draw, in mm from the trim's top left. Painters follow the list and know nothing of pages. */
export type DrawStep =
  /** `evenodd` leaves out what two outlines share, for rings; `alpha` lets through what lies beneath. */
  | {
      readonly draw: "fill";
      readonly path: PathData;
      readonly rule: "nonzero" | "evenodd";
      readonly colour: Colour;
      readonly alpha?: number;
    }
  /** The photo's unit square through `matrix`, inside `clip`; `plain` where that is no more than a rectangle. */
  | {
      readonly draw: "photo";
      readonly photoId: string;
      readonly matrix: Matrix;
      readonly clip: PathData;
      readonly plain?: Rect | undefined;
      readonly tone?: Tone | undefined;
    }
  /**
   * What lies between a `begin` and its `end` is drawn as one thing, within `reach`, and then as strongly as `opacity` and a mask say. One may
   * stand within another.
   */
  | { readonly draw: "begin"; readonly opacity: number; readonly reach: Rect; readonly soft?: PlacedMask | undefined }
  | { readonly draw: "end" }
  /** One colour as strongly as a mask and `alpha` say, inside `clip` by the even-odd rule. */
  | {
      readonly draw: "shade";
      readonly soft: PlacedMask;
      readonly colour: Colour;
      readonly alpha: number;
      readonly clip?: PathData | undefined;
    }
  /** A ground inside `clip`, and over it the shapes of a paper, which `place` takes from the paper's own mm to the page. */
  | {
      readonly draw: "paper";
      readonly clip: PathData;
      readonly ground: Colour;
      readonly place: Matrix;
      readonly fills: readonly PaperFill[];
    }
  /** Shaped words: each glyph's outline (in em) scaled by `sizeMm` and set on its place, all through `matrix`. */
  | {
      readonly draw: "words";
      readonly face: string;
      readonly sizeMm: number;
      readonly colour: Colour;
      readonly glyphs: readonly SetGlyph[];
      readonly matrix: Matrix;
      /** What they say, for files that keep text as text. */
      readonly text: string;
      /** A line around each letter, beneath it. */
      readonly outline?: { readonly colour: Colour; readonly widthMm: number } | undefined;
    };

/** A mask, and how its own mm lie on the page. */
export interface PlacedMask {
  readonly mask: Mask;
  readonly place: Matrix;
}

export type PaperStep = Extract<DrawStep, { draw: "paper" }>;
export type ShadeStep = Extract<DrawStep, { draw: "shade" }>;
export type BeginStep = Extract<DrawStep, { draw: "begin" }>;

/** The unit square of a mask's picture to the page. */
export const maskMatrix = ({ mask: { box }, place }: PlacedMask): Matrix =>
  chain(place, translation(box.x, box.y), scaling(box.w, box.h));

export type PhotoStep = Extract<DrawStep, { draw: "photo" }>;

/** The same for steps that draw the same picture: a photo as it is, or in the same tone. */
export const pictureKey = ({ photoId, tone }: Pick<PhotoStep, "photoId" | "tone">): string =>
  tone ? `${photoId} ${toneKey(tone)}` : photoId;

export interface Scene {
  /** Everything that is printed, bleed included. */
  readonly box: Rect;
  readonly steps: readonly DrawStep[];
}

/** What drawing has to know of a photo. */
export type SeenPhoto = PhotoShape & { readonly caption?: string; readonly takenAt?: string };

/** What drawing needs from outside. Nothing is known of a photo that is gone, and no words are set without a typesetter. */
export interface SceneFacts {
  photo(photoId: string): SeenPhoto | undefined;
  /** What dates are written in; what works were written in first, where nothing is said. */
  readonly language?: string | undefined;
  readonly setter?: Typesetter | undefined;
}
