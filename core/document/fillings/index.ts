import type { Colour } from "#core/colour";
import type { Filling } from "../schema/page.ts";
import { colour } from "./colour.ts";
import { empty } from "./empty.ts";
import type { FillingKind } from "./kind.ts";
import { ornament } from "./ornament.ts";
import { paper } from "./paper.ts";
import { photo } from "./photo.ts";
import { words } from "./words.ts";

export { autoFramed } from "./photo.ts";

/** A new filling is a file here, a line in this list, its schema in `schema/page.ts`, and how it is drawn in `core/scene`. */
const kinds: { readonly [K in Filling["kind"]]: FillingKind<Extract<Filling, { readonly kind: K }>> } = {
  empty,
  photo,
  colour,
  paper,
  ornament,
  words,
};
const kindOf = (f: Filling) => kinds[f.kind] as FillingKind<Filling>;

export const photoIdsIn = (f: Filling): readonly string[] => kindOf(f).photoIds(f);
export const followedBy = (f: Filling): readonly string[] => kindOf(f).follows(f);
/** Every mention of a photo under another id; the same filling where it mentions none. */
export const withOtherPhotoIds = (f: Filling, idOf: (id: string) => string): Filling => kindOf(f).withPhotoIds(f, idOf);
export const movedElsewhere = (f: Filling): Filling => kindOf(f).moved(f);
export const recolouredFilling = (f: Filling, palette: readonly Colour[]): Filling => kindOf(f).recoloured(f, palette);
export const emptiedFilling = (f: Filling): Filling => kindOf(f).emptied(f);
export const inheritsDress = (f: Filling): boolean => kindOf(f).inheritsDress;
