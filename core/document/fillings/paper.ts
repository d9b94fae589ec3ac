import { recoloured } from "#core/artwork";
import type { Filling } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const paper: FillingKind<Extract<Filling, { readonly kind: "paper" }>> = {
  photoIds: () => [],
  follows: () => [],
  withPhotoIds: (f) => f,
  moved: (f) => f,
  emptied: (f) => f,
  recoloured: (f, palette) => ({ ...f, paper: recoloured(f.paper, palette) }),
  inheritsDress: true,
};
