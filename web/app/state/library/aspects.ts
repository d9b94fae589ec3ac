import type { AspectOf } from "#core/edit";
import type { PhotoShape } from "#core/fit";
import { aspectOf, photoShape } from "#core/photo";
import type { Services } from "../../services.ts";

/** The shapes of photos as the library knows them. */
export const aspectsIn =
  ({ library }: Pick<Services, "library">): AspectOf =>
  (photoId) => {
    const photo = library.state.getState().byId.get(photoId);
    return photo && aspectOf(photo);
  };

/** The same with what is known of where its faces are. */
export const shapesIn =
  ({ library }: Pick<Services, "library">) =>
  (photoId: string): PhotoShape | undefined => {
    const photo = library.state.getState().byId.get(photoId);
    return photo && photoShape(photo);
  };
