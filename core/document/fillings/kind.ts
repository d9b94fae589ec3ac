import type { Colour } from "#core/colour";
import type { Filling } from "../schema/page.ts";

/** All that has to be known of a kind of filling, besides how it is drawn. */
export interface FillingKind<F> {
  /** Photos that it shows. */
  photoIds(f: F): readonly string[];
  /** Photos that it speaks of; they need not lie on the page themselves. */
  follows(f: F): readonly string[];
  /** Every mention of a photo under another id. */
  withPhotoIds(f: F, idOf: (id: string) => string): F;
  /** The same in another tile: what was made for the old one's shape is made anew. */
  moved(f: F): F;
  /** What stays of it where others than these photos are to come. */
  emptied(f: F): Filling;
  /** The same in the colours of a palette, where it follows one. */
  recoloured(f: F, palette: readonly Colour[]): F;
  /** Whether it wears the corner and border of the page that it lies on, unless its tile says otherwise. */
  readonly inheritsDress: boolean;
}
