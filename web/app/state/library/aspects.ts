import type { AspectOf } from "#core/edit";
import { aspectOf } from "#core/photo";
import type { Services } from "../../services.ts";

/** The shapes of photos as the library knows them. */
export const aspectsIn =
  ({ library }: Pick<Services, "library">): AspectOf =>
  (photoId) => {
    const photo = library.state.getState().byId.get(photoId);
    return photo && aspectOf(photo);
  };
