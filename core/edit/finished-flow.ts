import { barePage, type Change, holdsAnything, type Page, type Project, pageCount, rulesOf } from "#core/document";
import { boundPages } from "#core/lab";

export interface FinishedFlow {
  readonly changes: readonly Change[];
  /** The pages that hold them, in their order. */
  readonly pageIds: readonly string[];
  /** Bare pages behind the last of them that the lab could bind the book without. */
  readonly leftOver: readonly string[];
}

/**
 * Finished pages of a book into its bare ones, one after the other, so that each stays on the side it was made for; those that find
 * none come behind the others, with as many bare pages as the lab's next count of pages wants.
 */
export function finishedFlow(project: Project, finished: readonly Page[], newId: () => string): FinishedFlow {
  const bare = project.pages.filter((p) => p.span === 1 && !p.blank && !holdsAnything(p, project.style));
  const filled = finished.slice(0, bare.length).map((page, i): Page => ({ ...page, id: bare[i]!.id }));
  const more = finished.slice(bare.length);
  const rules = rulesOf(project);
  const count = pageCount(project.pages) + more.length;
  const padding = rules && more.length > 0 ? Math.max(0, boundPages(rules, count) - count) : 0;
  const added = [...more, ...Array.from({ length: padding }, () => barePage(newId))];
  const at = project.pages.length;
  const changes: Change[] = filled.map((page): Change => ({ type: "replacePage", page }));
  if (added.length > 0) changes.push({ type: "insertPages", pages: added.map((page, i) => ({ page, at: at + i })) });
  const leftOver = more.length > 0 ? [] : trailing(project, new Set(filled.map((p) => p.id)));
  return { changes, pageIds: [...filled, ...more].map((p) => p.id), leftOver };
}

/** Bare pages at the end of the book beyond the fewest that the lab binds with all that hold something. */
function trailing(project: Project, filled: ReadonlySet<string>): readonly string[] {
  const rules = rulesOf(project);
  if (!rules) return [];
  const { pages, style } = project;
  const last = pages.findLastIndex((p) => filled.has(p.id) || p.blank || holdsAnything(p, style));
  const wanted = boundPages(rules, pageCount(pages.slice(0, last + 1)));
  const over = pageCount(pages) - wanted;
  return over > 0 ? pages.slice(pages.length - over).map((p) => p.id) : [];
}
