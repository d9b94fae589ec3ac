import type { Alternative, Edge } from "#core/arrange";
import {
  areKeptTogether,
  findTile,
  insertBeside,
  keepTogether,
  type Page,
  type Project,
  photoIdOf,
  refit,
  removeTiles,
  type StepCode,
  setTileAspect,
  splitTile,
  type Tile,
  type Tree,
  withLead,
  withLocked,
  withOrder,
  withPageMirrored,
  withTileMoved,
  withTree,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import type { Library } from "../library/library.ts";
import { openFormat, openPage, type ProjectSession } from "../session/project-session.ts";

/** What a hand does to the arrangement of a page: each gives the page as it would be, to be shown or kept. */

type Next = (page: Page, format: Project["format"]) => Page;

export const slippedIn =
  (photo: Photo, tileId: string, edge: Edge, newId: () => string): Next =>
  (page, format) =>
    insertBeside(page, format, { photoId: photo.id, aspect: aspectOf(photo), tileId, edge }, newId);

/** Several in a row, the first at the edge of the tile, the others each beside the one before. */
export const allSlippedIn =
  (photos: readonly Photo[], tileId: string, edge: Edge, newId: () => string): Next =>
  (page, format) => {
    let now = page;
    let at = { tileId, edge };
    for (const photo of photos) {
      const known = new Set(now.tiles.map((t) => t.id));
      now = slippedIn(photo, at.tileId, at.edge, newId)(now, format);
      const fresh = now.tiles.find((t) => !known.has(t.id));
      if (fresh) at = { tileId: fresh.id, edge: edge === "top" || edge === "bottom" ? "bottom" : "right" };
    }
    return now;
  };

/** The page makes room for more photos: each goes in beside the largest tile, and then all is fitted anew. */
export const grownBy =
  (library: Library, photos: readonly Photo[], newId: () => string): Next =>
  (page, format) => {
    let now = page;
    for (const photo of photos) {
      const free = now.tiles.filter((t) => !t.locked);
      const area = (t: (typeof free)[number]) => t.frame.width * t.frame.height;
      const largest = free.toSorted((a, b) => area(b) - area(a))[0] ?? now.tiles.at(-1);
      if (largest) now = slippedIn(photo, largest.id, "right", newId)(now, format);
    }
    // Read after those that were there, as they were chosen.
    const turn = new Map(page.tiles.map((t, i) => [t.id, i]));
    const wanted = new Map(photos.map((p, i) => [p.id, page.tiles.length + i]));
    const turnOf = (t: Tile) => turn.get(t.id) ?? wanted.get(photoIdOf(t) ?? "") ?? 0;
    const tiles = now.tiles.toSorted((a, b) => turnOf(a) - turnOf(b));
    return refit({ ...now, tiles }, format, {
      seed: seedOf(page),
      keepSet: false,
      aspectOf: shapes({ ...now, tiles }, library),
    });
  };

export const tileMoved =
  (tileId: string, to: { readonly tileId: string; readonly edge: Edge }): Next =>
  (page, format) =>
    withTileMoved(page, format, tileId, to);

export const takenAway =
  (tileIds: readonly string[]): Next =>
  (page, format) =>
    removeTiles(page, format, tileIds);

export const halved =
  (tileId: string, way: "side" | "stack", newId: () => string): Next =>
  (page, format) =>
    splitTile(page, format, tileId, way, newId);

export const shaped =
  (tileId: string, aspect: number): Next =>
  (page, format) =>
    setTileAspect(page, format, tileId, aspect);

export const arrangedAs =
  (way: Pick<Alternative, "tree" | "loose">): Next =>
  (page, format) =>
    withTree(page, format, way.tree, { first: way.tree, loose: way.loose });

export const asFirstMade: Next = (page, format) =>
  page.arrangement?.kind === "tree" ? withTree(page, format, page.arrangement.first) : page;

/** Arranged anew from the seed that lies `by` further; the same one keeps what a hand has set. */
export const solvedFrom =
  (library: Library, by: number): Next =>
  (page, format) =>
    refit(page, format, {
      seed: Math.max(0, seedOf(page) + by),
      keepSet: by === 0,
      aspectOf: shapes(page, library),
    });

export const seedOf = (page: Page): number => (page.arrangement?.kind === "tree" ? page.arrangement.seed : 0);

/** The tile leads, or none does any more, and the others make room. */
export const ledBy =
  (library: Library, lead: Tree["lead"]): Next =>
  (page, format) =>
    refit(withLead(page, format, lead), format, {
      seed: seedOf(page),
      keepSet: false,
      aspectOf: shapes(page, library),
    });

export const keptTogether =
  (library: Library, tileIds: readonly string[]): Next =>
  (page, format) => {
    const asked = keepTogether(page, format, tileIds);
    // Neighbours that need not be so any more may stay where they are.
    if (!areKeptTogether(asked, tileIds)) return asked;
    return refit(asked, format, { seed: seedOf(page), keepSet: false, aspectOf: shapes(page, library) });
  };

export const inOrder =
  (library: Library, order: Tree["order"]): Next =>
  (page, format) =>
    refit(withOrder(page, format, order), format, {
      seed: seedOf(page),
      keepSet: false,
      aspectOf: shapes(page, library),
    });

export const locked =
  (tileIds: readonly string[], to: boolean): Next =>
  (page) =>
    withLocked(page, tileIds, to);

/** The shape of the photo in each tile; of an empty one there is none. */
function shapes(page: Page, library: Library): (tileId: string) => number | undefined {
  const { byId } = library.state.getState();
  return (tileId) => {
    const photo = photoIn(page, tileId, byId);
    return photo && aspectOf(photo);
  };
}

export const mirrored =
  (way: "side" | "stack"): Next =>
  (page, format) =>
    withPageMirrored(page, format, way);

const nextPage = (session: ProjectSession, next: Next): Page => {
  const now = session.state.getState();
  return next(openPage(now), openFormat(now));
};

/** Shows it while a hand is still on it. */
export function show(session: ProjectSession, next: Next): void {
  session.preview([{ type: "putPage", page: nextPage(session, next) }]);
}

/** Keeps it as one step; nothing where the page stays as it is. */
export function keep(session: ProjectSession, code: StepCode, count: number, next: Next, mergeKey?: string): void {
  const was = openPage(session.state.getState());
  const page = nextPage(session, next);
  session.dropPreview();
  if (page !== was) session.commit({ code, count }, [{ type: "putPage", page }], { mergeKey });
}

/** Whether "as first made" would change anything. */
export const differsFromFirst = (page: Page): boolean =>
  page.arrangement?.kind === "tree" && page.arrangement.tree !== page.arrangement.first;

/** The photo in a tile, as the library knows it. */
function photoIn(page: Page, tileId: string, byId: ReadonlyMap<string, Photo>): Photo | undefined {
  const tile = findTile(page, tileId);
  return tile && byId.get(photoIdOf(tile) ?? "");
}
