import { firstFraming } from "#core/fit";
import type { Filling, View } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

/** A photo in a tile as it was put there, before anybody framed it. */
export const autoFramed = (photoId: string, tone?: View["tone"]): View => ({
  photoId,
  ...firstFraming,
  byHand: false,
  whole: false,
  behind: null,
  ...(tone ? { tone } : {}),
});

export const photo: FillingKind<Extract<Filling, { readonly kind: "photo" }>> = {
  photoIds: ({ view }) => [view.photoId],
  follows: () => [],
  withPhotoIds: (f, idOf) => ({ ...f, view: { ...f.view, photoId: idOf(f.view.photoId) } }),
  moved: ({ view }) => ({ kind: "photo", view: autoFramed(view.photoId, view.tone) }),
  emptied: () => ({ kind: "empty" }),
  recoloured: (f) => f,
  inheritsDress: true,
};
