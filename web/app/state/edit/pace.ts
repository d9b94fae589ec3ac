import { type Page, rulesOf } from "#core/document";
import { boundPages } from "#core/lab";
import { type PacePhoto, pacePhotos, paceRow, wantedPages } from "#core/pace";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { openThe } from "./page-list.ts";

/** What a person asks of pacing. */
export interface PaceOptions {
  /** Only those of these days, both included (YYYY-MM-DD); all where a side is empty. */
  readonly from: string;
  readonly to: string;
  /** Only these, where there are some. */
  readonly chosen: ReadonlySet<string>;
  /** Also those that have no date but their file's, which may be years off. */
  readonly undatedToo: boolean;
  /** Of the whole book; as many as the photos want where it is missing. */
  readonly pageCount: number | undefined;
  /** Pages before this one stay. */
  readonly fromPageId: string | undefined;
}

type Deps = Pick<Services, "library" | "arranging" | "viewState" | "newId">;

/** The photos that would be shared out: those asked for that lie on no page which stays. */
export function photosToPace(
  { library }: Pick<Services, "library">,
  session: ProjectSession,
  options: PaceOptions,
): PacePhoto[] {
  const { project } = session.state.getState();
  const { photos, spans, piles } = library.state.getState();
  const { used } = paceRow(project, 0, options.fromPageId);
  const wanted = photos.filter(
    (p) =>
      !used.has(p.id) &&
      (options.undatedToo || options.chosen.has(p.id) || p.takenFrom !== "file") &&
      (options.chosen.size === 0 || options.chosen.has(p.id)) &&
      (options.from === "" || p.takenAt.slice(0, 10) >= options.from) &&
      (options.to === "" || p.takenAt.slice(0, 10) <= options.to),
  );
  return pacePhotos(wanted, spans, options.chosen.size > 0 ? [] : piles);
}

/** How many pages the book would have: as asked, else as many as its photos want, as the lab binds them. */
export function pagesFor(session: ProjectSession, options: PaceOptions, photos: readonly PacePhoto[]): number {
  const { project } = session.state.getState();
  const rules = rulesOf(project);
  if (options.pageCount !== undefined || !rules) return options.pageCount ?? project.pages.length;
  const { parts } = paceRow(project, 0, options.fromPageId);
  const staying = parts.reduce((sum, p) => sum + ("fill" in p ? 0 : p.span), 0);
  return boundPages(rules, staying + wantedPages(photos));
}

/** Shares the photos out over the book as one step; the book as it was where it is stopped. */
export async function paceBook(
  services: Deps,
  session: ProjectSession,
  options: PaceOptions,
  doing: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
): Promise<{ readonly pages: number; readonly photos: number }> {
  const { project } = session.state.getState();
  const photos = photosToPace(services, session, options);
  const row = paceRow(project, pagesFor(session, options, photos), options.fromPageId);
  const pages = await services.arranging.run(
    "pacePages",
    {
      photos,
      row,
      format: project.format,
      hiddenMm: rulesOf(project)?.gutterMm ?? 0,
      style: project.style,
      seed: 1,
    },
    doing,
  );
  keepPaced(services, session, pages);
  return { pages: pages.filter((p) => p.paced).length, photos: photos.length };
}

function keepPaced(services: Deps, session: ProjectSession, pages: readonly Page[]): void {
  const { project } = session.state.getState();
  const known = new Set(project.pages.map((p) => p.id));
  const fresh = pages.filter((p) => !known.has(p.id));
  session.commit({ code: "paced", count: fresh.length }, [{ type: "replaceAll", pages }], { byProgram: true });
  openThe(services, session, fresh[0] ?? pages[0]);
}
