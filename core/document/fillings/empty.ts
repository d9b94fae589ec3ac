import type { Filling } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const empty: FillingKind<Extract<Filling, { readonly kind: "empty" }>> = {
  photoIds: () => [],
  follows: () => [],
  withPhotoIds: (f) => f,
  moved: (f) => f,
  emptied: (f) => f,
  recoloured: (f) => f,
  inheritsDress: true,
};
