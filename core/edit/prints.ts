import {
  barePage,
  type Change,
  holdsAnything,
  layTree,
  type Page,
  type Print,
  type Project,
  photosOf,
  placed,
  printSize,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";

/** The pages that are photo prints, in their order. */
export const printsOf = ({ pages }: Project): readonly (Page & { readonly print: Print })[] =>
  pages.filter((p): p is Page & { readonly print: Print } => p.print !== undefined);

/** A print that shows the photo alone, lying as the photo does. */
function printOf(project: Project, photo: Photo, sizeId: string, newId: () => string): Page {
  const print: Print = { sizeId, sideways: aspectOf(photo) > 1, copies: 1 };
  const bare: Page = { ...barePage(newId), print };
  const alone = { photos: [{ id: photo.id, aspect: aspectOf(photo) }], seed: 0, newId };
  const laid = layTree(placed(project, bare), alone);
  return laid.ok ? laid.value.page : bare;
}

export const mostCopies = 999;

/**
 * Photos as prints of one size, behind those that are there. A photo that is there in that size gets one copy more; the bare page
 * that a work of prints begins with goes.
 */
export function printsAdded(
  project: Project,
  photos: readonly Photo[],
  sizeId: string,
  newId: () => string,
): readonly Change[] {
  const there = new Map(
    printsOf(project).flatMap((p) =>
      p.print.sizeId === sizeId ? photosOf(p, project.style).map((id) => [id, p] as const) : [],
    ),
  );
  const more = photos.flatMap((p) => there.get(p.id) ?? []);
  const made = photos.flatMap((p) => (there.has(p.id) ? [] : [printOf(project, p, sizeId, newId)]));
  const bare = project.pages.filter((p) => !p.print && !holdsAnything(p, project.style));
  const changes: Change[] = [];
  if (more.length > 0) changes.push(copiesSet(more, ({ copies }) => copies + 1));
  if (made.length > 0)
    changes.push({ type: "insertPages", pages: made.map((page, i) => ({ page, at: project.pages.length + i })) });
  if (bare.length > 0 && made.length > 0) changes.push({ type: "removePages", pageIds: bare.map((p) => p.id) });
  return changes;
}

const copiesSet = (pages: readonly Page[], copiesOf: (print: Print) => number): Change => ({
  type: "setPages",
  items: pages.flatMap(({ id, print }) =>
    print ? [{ id, set: { print: { ...print, copies: Math.min(mostCopies, Math.max(1, copiesOf(print))) } } }] : [],
  ),
});

/** Prints in another number, another size, or lying the other way. */
export const printsSet = (pages: readonly Page[], set: Partial<Print>): Change => ({
  type: "setPages",
  items: pages.flatMap(({ id, print }) => (print ? [{ id, set: { print: { ...print, ...set } } }] : [])),
});

/** Takes prints away; the last ones leave the bare page behind that every work has. */
export function printsRemoved(project: Project, pageIds: readonly string[], newId: () => string): readonly Change[] {
  const rest = project.pages.some((p) => !pageIds.includes(p.id));
  const bare: Change = { type: "insertPages", pages: [{ page: barePage(newId), at: project.pages.length }] };
  return [...(rest ? [] : [bare]), { type: "removePages", pageIds }];
}

export interface PrintBill {
  readonly count: number;
  /** Of all together, in the currency of the lab's card; none where a size has no price. */
  readonly price: number | undefined;
}

export function printBill(project: Project, pages = printsOf(project)): PrintBill {
  let [count, price]: [number, number | undefined] = [0, 0];
  for (const { print } of pages) {
    const each = printSize(project, print)?.price;
    count += print.copies;
    price = price === undefined || each === undefined ? undefined : price + print.copies * each;
  }
  return { count, price };
}
