import { withOtherPhotoIds } from "../fillings/index.ts";
import { mapTiles, type OwnLook, type Page } from "./page.ts";

/** What lies behind a page, with its photo under another id. */
export const backdropWithPhotoIds = ({ backdrop }: OwnLook, idOf: (id: string) => string): OwnLook =>
  backdrop ? { backdrop: { ...backdrop, view: { ...backdrop.view, photoId: idOf(backdrop.view.photoId) } } } : {};

/** A page with every mention of a photo under another id. */
export function pageWithPhotoIds(page: Page, idOf: (id: string) => string): Page {
  const mapped = mapTiles(page, (t) => {
    const filling = withOtherPhotoIds(t.filling, idOf);
    return filling === t.filling ? t : { ...t, filling };
  });
  return { ...mapped, ...backdropWithPhotoIds(page, idOf) };
}
