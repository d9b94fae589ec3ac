import type { NoteFacts } from "#core/notes";
import { type Photo, photoShape } from "#core/photo";

/** What notes have to know of photos. */
export const noteFactsOf = (byId: ReadonlyMap<string, Photo>, language: string): NoteFacts => ({
  language,
  hashOf: (id) => byId.get(id)?.hash,
  photo: (id) => {
    const photo = byId.get(id);
    return photo && photoShape(photo);
  },
});
