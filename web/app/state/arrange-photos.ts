import { type Grid, layPhotos, photoIdOf } from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import { formatLength } from "#core/units";
import { arranged, changeTrouble } from "../../text/pages.ts";
import type { Kit } from "../kit.ts";
import { notices } from "../parts/notices.tsx";
import { nothingChosen } from "./choose.ts";
import type { ProjectSession } from "./project-session.ts";

/** Lays the photos out on the page as one step, and says what did not come out as asked. */
export function arrangePhotos(
  kit: Pick<Kit, "desk" | "newId">,
  session: ProjectSession,
  photos: readonly Photo[],
  asked: Grid["asked"] = {},
): string | undefined {
  const { project } = session.state.getState();
  const task = { photos: photos.map((p) => ({ id: p.id, aspect: aspectOf(p) })), asked, newId: kit.newId };
  const laid = layPhotos(project.pages[0]!, project.format, task);
  const length = (mm: number) => formatLength(mm, project.unit, project.format.ppi);
  if (!laid.ok) {
    const trouble = changeTrouble(laid, length);
    notices.create({ title: trouble, type: "error" });
    return trouble;
  }
  const { page, left, gapNow } = laid.value;
  session.commit({ code: "arranged", count: photos.length - left }, [{ type: "putPage", page }]);
  kit.desk.setState({ photos: nothingChosen, tiles: nothingChosen, reframing: undefined });
  if (left > 0) notices.create({ title: arranged.left(left), type: "info" });
  if (gapNow !== undefined) notices.create({ title: arranged.gapNow(length(gapNow)), type: "info" });
  return undefined;
}

/** The photos on the page in reading order, as far as the library knows them. */
export function photosOnPage(session: ProjectSession, byId: ReadonlyMap<string, Photo>): Photo[] {
  const page = session.state.getState().project.pages[0]!;
  return page.tiles.flatMap((tile) => {
    const id = photoIdOf(tile);
    const photo = id === undefined ? undefined : byId.get(id);
    return photo ? [photo] : [];
  });
}
