import { firstFraming } from "#core/fit";
import type { Filling, View } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

/** A photo in a tile as it was put there, before anybody framed it; what was done to the photo itself goes along. */
export const autoFramed = (
  photoId: string,
  { tone, fade, repeats }: Pick<View, "tone" | "fade" | "repeats"> = {},
): View => ({
  photoId,
  ...firstFraming,
  byHand: false,
  whole: false,
  behind: null,
  ...(tone ? { tone } : {}),
  ...(fade ? { fade } : {}),
  ...(repeats ? { repeats } : {}),
});

export const photo: FillingKind<Extract<Filling, { readonly kind: "photo" }>> = {
  photoIds: ({ view }) => [view.photoId],
  follows: () => [],
  withPhotoIds: (f, idOf) => ({ ...f, view: { ...f.view, photoId: idOf(f.view.photoId) } }),
  moved: ({ view }) => ({ kind: "photo", view: autoFramed(view.photoId, view) }),
  emptied: () => ({ kind: "empty" }),
  recoloured: (f) => f,
  inheritsDress: true,
};
