import { everyPage, type Project, photosOf } from "#core/document";
import { findEvents, type Photo } from "#core/photo";
import type { Found } from "../finding.ts";
import type { ProjectRule } from "../rule.ts";

/** A stretch with fewer photos is hardly an event that somebody would miss. */
const leastOfEvent = 3;

type Detail =
  | { readonly code: "starredLeftOut"; readonly photoIds: readonly string[] }
  | {
      readonly code: "eventLeftOut";
      readonly from: string;
      readonly photoIds: readonly string[];
      readonly name: string;
    };

export const placedIn = (project: Project): ReadonlySet<string> =>
  new Set(everyPage(project).flatMap((p) => photosOf(p, project.style)));

/** Photos with stars, and whole events, on no page though the work reaches over their time. */
export const leftOut: ProjectRule<Detail> = {
  looksAt: "project",
  find: (project, { photos, piles, spans }) => {
    if (project.kind !== "book") return [];
    const placed = placedIn(project);
    const able = photos.filter((p) => p.section === "photos" && !p.hidden && !p.removed);
    const times = able.filter((p) => placed.has(p.id)).map((p) => p.takenAt);
    if (times.length === 0) return [];
    const [from, to] = [times[0]!, times.at(-1)!];
    const within = able.filter((p) => p.takenAt >= from && p.takenAt <= to);
    // The photo on top of a pile stands for all of it.
    const twins = new Map(piles.flatMap((pile) => pile.map((id) => [id, pile] as const)));
    const stands = (p: Photo) => placed.has(p.id) || (twins.get(p.id)?.some((id) => placed.has(id)) ?? false);
    const events = findEvents(within, spans).filter((e) => e.photoIds.length >= leastOfEvent);
    const byId = new Map(within.map((p) => [p.id, p]));
    const gone = events.filter((e) => !e.photoIds.some((id) => stands(byId.get(id)!)));
    const inGone = new Set(gone.flatMap((e) => e.photoIds));
    const starred = within.filter((p) => p.stars > 0 && !stands(p) && !inGone.has(p.id)).map((p) => p.id);
    return [
      ...gone.map(
        (e): Found<Detail, never> => ({
          code: "eventLeftOut",
          severity: "doubt",
          from: e.from,
          name: e.span?.name ?? "",
          photoIds: e.photoIds,
          spots: [],
          fixes: [],
        }),
      ),
      ...(starred.length > 0
        ? [{ code: "starredLeftOut" as const, severity: "doubt" as const, photoIds: starred, spots: [], fixes: [] }]
        : []),
    ];
  },
  fixes: {},
};
