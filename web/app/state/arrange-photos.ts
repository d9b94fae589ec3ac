import {
  findTile,
  type Grid,
  layPhotos,
  layTree,
  type Page,
  photoIdOf,
  type StepCode,
  type Tree,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import { formatLength } from "#core/units";
import { arranged, changeTrouble } from "../../text/pages.ts";
import type { Kit } from "../kit.ts";
import { notices } from "../parts/notices.tsx";
import { nothingChosen } from "./choose.ts";
import type { ProjectSession } from "./project-session.ts";

interface Wish {
  /** Rows or columns that a person typed: then it is a grid. */
  readonly grid?: Grid["asked"];
  readonly lead?: { readonly photoId: string; readonly share: number } | undefined;
  readonly seed?: number;
  readonly code?: StepCode;
}

/** Arranges the photos on the page as one step, and says what did not come out as asked. */
export function arrangePhotos(
  kit: Pick<Kit, "desk" | "newId">,
  session: ProjectSession,
  photos: readonly Photo[],
  wish: Wish = {},
): string | undefined {
  const { project } = session.state.getState();
  const page = project.pages[0]!;
  const given = { photos: photos.map((p) => ({ id: p.id, aspect: aspectOf(p) })), newId: kit.newId };
  const was = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const laid = wish.grid
    ? layPhotos(page, project.format, { ...given, asked: wish.grid })
    : layTree(page, project.format, { ...given, seed: wish.seed ?? was?.seed ?? 0, lead: wish.lead });
  const length = (mm: number) => formatLength(mm, project.unit, project.format.ppi);
  if (!laid.ok) {
    const trouble = changeTrouble(laid, length);
    notices.create({ title: trouble, type: "error" });
    return trouble;
  }
  const { page: next, left, gapNow } = laid.value;
  session.commit({ code: wish.code ?? "arranged", count: photos.length - left }, [{ type: "putPage", page: next }]);
  kit.desk.setState({ photos: nothingChosen, tiles: nothingChosen, reframing: undefined });
  if (left > 0) notices.create({ title: arranged.left(left), type: "info" });
  if (gapNow !== undefined) notices.create({ title: arranged.gapNow(length(gapNow)), type: "info" });
  return undefined;
}

/** The photo that leads the page, by its tile. */
export const leadOf = (page: Page): Tree["lead"] => (page.arrangement?.kind === "tree" ? page.arrangement.lead : null);

/** The same photos from another start: another arrangement of the same kind. */
export function shufflePhotos(kit: Kit, session: ProjectSession): void {
  const page = session.state.getState().project.pages[0]!;
  const lead = leadOf(page);
  arrangePhotos(kit, session, photosOnPage(session, kit.library.state.getState().byId), {
    seed: (page.arrangement?.kind === "tree" ? page.arrangement.seed : 0) + 1,
    code: "shuffled",
    lead: lead ? leader(page, lead.tileId, lead.share) : undefined,
  });
}

/** Makes a tile's photo lead the page; with no tile, none leads any more. */
export function leadBy(kit: Kit, session: ProjectSession, tileId: string | undefined, share: number): void {
  const page = session.state.getState().project.pages[0]!;
  arrangePhotos(kit, session, photosOnPage(session, kit.library.state.getState().byId), {
    code: tileId === undefined ? "arrangedAnew" : "ledBy",
    lead: tileId === undefined ? undefined : leader(page, tileId, share),
  });
  if (tileId !== undefined) kit.desk.setState({ tiles: { ids: new Set([tileId]), anchor: tileId } });
}

function leader(page: Page, tileId: string, share: number): Wish["lead"] {
  const tile = findTile(page, tileId);
  const photoId = tile && photoIdOf(tile);
  return photoId === undefined ? undefined : { photoId, share };
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
