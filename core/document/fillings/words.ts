import type { Words } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const words: FillingKind<Words> = {
  photoIds: () => [],
  follows: ({ from }) => (from ? [from.photoId] : []),
  withPhotoIds: (f, idOf) => ({
    ...f,
    ...(f.from ? { from: { ...f.from, photoId: idOf(f.from.photoId) } } : {}),
    ...(f.about === undefined ? {} : { about: idOf(f.about) }),
  }),
  moved: (f) => f,
  emptied: (f) => (f.from ? { kind: "empty" } : f),
  recoloured: (f) => f,
  inheritsDress: false,
};
