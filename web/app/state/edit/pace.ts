import { type Page, rulesOf } from "#core/document";
import { boundPages } from "#core/lab";
import { type PacePhoto, pacePhotos, paceRow, wantedPages } from "#core/pace";
import type { Kit } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { openThe } from "./page-list.ts";

/** What a person asks of pacing. */
export interface PaceWish {
  /** Only those of these days, both included (YYYY-MM-DD); all where a side is empty. */
  readonly from: string;
  readonly to: string;
  /** Only these, where there are some. */
  readonly chosen: ReadonlySet<string>;
  /** Also those that have no date but their file's, which may be years off. */
  readonly undatedToo: boolean;
  /** Of the whole book; as many as the photos want where it is missing. */
  readonly leaves: number | undefined;
  /** Pages before this one stay. */
  readonly fromPageId: string | undefined;
}

type Hands = Pick<Kit, "library" | "arranging" | "desk" | "newId">;

/** The photos that would be shared out: those of the wish that lie on no page which stays. */
export function photosToPace({ library }: Pick<Kit, "library">, session: ProjectSession, wish: PaceWish): PacePhoto[] {
  const { project } = session.state.getState();
  const { photos, spans, piles } = library.state.getState();
  const { used } = paceRow(project, 0, wish.fromPageId);
  const wanted = photos.filter(
    (p) =>
      !used.has(p.id) &&
      (wish.undatedToo || wish.chosen.has(p.id) || p.takenFrom !== "file") &&
      (wish.chosen.size === 0 || wish.chosen.has(p.id)) &&
      (wish.from === "" || p.takenAt.slice(0, 10) >= wish.from) &&
      (wish.to === "" || p.takenAt.slice(0, 10) <= wish.to),
  );
  return pacePhotos(wanted, spans, wish.chosen.size > 0 ? [] : piles);
}

/** How many pages the book would have: as asked, else as many as its photos want, as the lab binds them. */
export function leavesFor(session: ProjectSession, wish: PaceWish, photos: readonly PacePhoto[]): number {
  const { project } = session.state.getState();
  const rules = rulesOf(project);
  if (wish.leaves !== undefined || !rules) return wish.leaves ?? project.pages.length;
  const { parts } = paceRow(project, 0, wish.fromPageId);
  const staying = parts.reduce((sum, p) => sum + ("fill" in p ? 0 : p.leaves), 0);
  return boundPages(rules, staying + wantedPages(photos));
}

/** Shares the photos out over the book as one step; the book as it was where it is stopped. */
export async function paceBook(
  kit: Hands,
  session: ProjectSession,
  wish: PaceWish,
  options: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
): Promise<{ readonly pages: number; readonly photos: number }> {
  const { project } = session.state.getState();
  const photos = photosToPace(kit, session, wish);
  const row = paceRow(project, leavesFor(session, wish, photos), wish.fromPageId);
  const pages = await kit.arranging.run(
    "pacePages",
    {
      photos,
      row,
      format: project.format,
      hiddenMm: rulesOf(project)?.gutterMm ?? 0,
      style: project.style,
      seed: 1,
    },
    options,
  );
  keepPaced(kit, session, pages);
  return { pages: pages.filter((p) => p.paced).length, photos: photos.length };
}

function keepPaced(kit: Hands, session: ProjectSession, pages: readonly Page[]): void {
  const { project } = session.state.getState();
  const known = new Set(project.pages.map((p) => p.id));
  const fresh = pages.filter((p) => !known.has(p.id));
  session.commit({ code: "paced", count: fresh.length }, [{ type: "setProject", pages }]);
  openThe(kit, session, fresh[0] ?? pages[0]);
}
