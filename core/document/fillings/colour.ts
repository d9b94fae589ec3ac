import type { Filling } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const colour: FillingKind<Extract<Filling, { readonly kind: "colour" }>> = {
  photoIds: () => [],
  follows: () => [],
  withPhotoIds: (f) => f,
  moved: (f) => f,
  emptied: (f) => f,
  recoloured: (f) => f,
  inheritsDress: true,
};
