import type { Words } from "../schema/page.ts";
import type { FillingKind } from "./kind.ts";

export const words: FillingKind<Words> = {
  photoIds: () => [],
  follows: ({ from }) => (from ? [from.photoId] : []),
  withPhotoIds: (f, idOf) => (f.from ? { ...f, from: { ...f.from, photoId: idOf(f.from.photoId) } } : f),
  moved: (f) => f,
  emptied: (f) => (f.from ? { kind: "empty" } : f),
  recoloured: (f) => f,
  inheritsDress: false,
};
