import type { Edge, TreeSeam, Way } from "#core/arrange";
import {
  findTile,
  type Page,
  type Project,
  photoIdOf,
  type StepCode,
  withPageMirrored,
  withReleased,
  withSeamMoved,
  withSlippedIn,
  withTakenAway,
  withTileHalved,
  withTileMoved,
  withTileShape,
  withTree,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import type { ProjectSession } from "./project-session.ts";

/** What a hand does to the arrangement of a page: each gives the page as it would be, to be shown or kept. */

type Next = (page: Page, format: Project["format"]) => Page;

export const seamMoved =
  (seam: TreeSeam, at: number, alone: boolean): Next =>
  (page, format) =>
    withSeamMoved(page, format, seam, at, alone);

export const slippedIn =
  (photo: Photo, tileId: string, edge: Edge, newId: () => string): Next =>
  (page, format) =>
    withSlippedIn(page, format, { photoId: photo.id, aspect: aspectOf(photo), tileId, edge }, newId);

export const tileMoved =
  (tileId: string, to: { readonly tileId: string; readonly edge: Edge }): Next =>
  (page, format) =>
    withTileMoved(page, format, tileId, to);

export const takenAway =
  (tileIds: readonly string[]): Next =>
  (page, format) =>
    withTakenAway(page, format, tileIds);

export const halved =
  (tileId: string, way: "side" | "stack", newId: () => string): Next =>
  (page, format) =>
    withTileHalved(page, format, tileId, way, newId);

export const shaped =
  (tileId: string, aspect: number): Next =>
  (page, format) =>
    withTileShape(page, format, tileId, aspect);

export const arrangedAs =
  (way: Pick<Way, "tree" | "loose">): Next =>
  (page, format) =>
    withTree(page, format, way.tree, { first: way.tree, loose: way.loose });

export const asFirstMade: Next = (page, format) =>
  page.arrangement?.kind === "tree" ? withTree(page, format, page.arrangement.first) : page;

export const solvedAgain: Next = withReleased;

export const mirrored: Next = (page, format) => withPageMirrored(page, format, "side");

const nextPage = (session: ProjectSession, next: Next): Page => {
  const { project } = session.state.getState();
  return next(project.pages[0]!, project.format);
};

/** Shows it while a hand is still on it. */
export function show(session: ProjectSession, next: Next): void {
  session.preview([{ type: "putPage", page: nextPage(session, next) }]);
}

/** Keeps it as one step; nothing where the page stays as it is. */
export function keep(session: ProjectSession, code: StepCode, count: number, next: Next, mergeKey?: string): void {
  const { project } = session.state.getState();
  const page = next(project.pages[0]!, project.format);
  session.dropPreview();
  if (page !== project.pages[0]) session.commit({ code, count }, [{ type: "putPage", page }], mergeKey);
}

/** Whether "as first made" would change anything. */
export const differsFromFirst = (page: Page): boolean =>
  page.arrangement?.kind === "tree" && page.arrangement.tree !== page.arrangement.first;

/** The photo in a tile, as the library knows it. */
export function photoIn(page: Page, tileId: string, byId: ReadonlyMap<string, Photo>): Photo | undefined {
  const tile = findTile(page, tileId);
  return tile && byId.get(photoIdOf(tile) ?? "");
}
