import { type Grid, holdsPockets, layPhotos, layRows, layTree, photoIdOf } from "#core/document";
import { aroundGroup, groupMeant, seedOf } from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import { formatLength } from "#core/units";
import { arranged, changeTrouble } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { fillPockets } from "./pockets.ts";

interface Wish {
  /** Rows or columns that a person typed: then it is a grid. */
  readonly grid?: Grid["asked"];
  /** Rows of one height. */
  readonly rows?: true;
  /** The group that they are arranged in; the one that is meant by what is chosen where nothing is said. */
  readonly groupId?: string;
}

/** Arranges the photos on the page as one step, and says what did not come out as asked. */
export function arrangePhotos(
  services: Pick<Services, "viewState" | "newId">,
  session: ProjectSession,
  photos: readonly Photo[],
  options: Wish = {},
): string | undefined {
  const now = session.state.getState();
  const { project } = now;
  const page = openPage(now);
  const placed = openPlaced(now);
  const [tileId] = services.viewState.getState().tiles.ids;
  const on = aroundGroup(placed, options.groupId ?? groupMeant(placed, tileId)?.group.id);
  if (holdsPockets(page)) {
    fillPockets(services, session, photos);
    return undefined;
  }
  const given = { photos: photos.map((p) => ({ id: p.id, aspect: aspectOf(p) })), newId: services.newId };
  const laid = options.grid
    ? layPhotos(on, { ...given, asked: options.grid })
    : options.rows
      ? layRows(on, given)
      : layTree(on, { ...given, seed: seedOf(page) });
  const length = (mm: number) => formatLength(mm, project.unit, project.format.ppi);
  if (!laid.ok) {
    const trouble = changeTrouble(laid, length);
    notices.create({ title: trouble, type: "error" });
    return trouble;
  }
  const { page: next, left, gapNow } = laid.value;
  session.commit({ code: "arranged", count: photos.length - left }, [{ type: "replacePage", page: next }]);
  services.viewState.setState({ photos: nothingChosen, tiles: nothingChosen, reframing: undefined });
  if (left > 0) notices.create({ title: arranged.left(left), type: "info" });
  if (gapNow !== undefined) notices.create({ title: arranged.gapNow(length(gapNow)), type: "info" });
  return undefined;
}

/** The photos of a group in reading order, as far as the library knows them; of the page's first one where none is named. */
export function photosInGroup(
  session: ProjectSession,
  byId: ReadonlyMap<string, Photo>,
  groupId: string | undefined,
): Photo[] {
  const on = openPlaced(session.state.getState());
  const group = on.groups.find((g) => g.group.id === groupId) ?? on.groups[0];
  return (group?.tiles ?? []).flatMap((tile) => {
    const id = photoIdOf(tile);
    const photo = id === undefined ? undefined : byId.get(id);
    return photo ? [photo] : [];
  });
}
