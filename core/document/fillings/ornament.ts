import { recolouredOrnament } from "#core/artwork";
import type { Filling } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const ornament: FillingKind<Extract<Filling, { readonly kind: "ornament" }>> = {
  photoIds: () => [],
  follows: () => [],
  withPhotoIds: (f) => f,
  moved: (f) => f,
  emptied: (f) => f,
  recoloured: (f, palette) => ({ ...f, ornament: recolouredOrnament(f.ornament, palette) }),
  inheritsDress: false,
};
