import type { Page, Step } from "#core/document";
import type { Change, Key } from "./journal/record.ts";
import type { StoredProject } from "./schema.ts";
import type { ProjectSave } from "./store.ts";
import type { Table } from "./tables.ts";

/** What of a work is in storage as it was last read or written, so that a save writes only what is new. */
export interface KnownWork {
  /** Undefined where no more is known of a page than that it is there. */
  readonly pages: ReadonlyMap<string, Page | undefined>;
  /** Numbers of the steps that are kept, from the first to before the end. */
  readonly firstStep: number;
  readonly endStep: number;
}

export const put = <T extends { readonly id: string }>(store: Table, value: T): Change => ({
  store,
  key: value.id,
  value,
});
export const drop = (store: Table, key: Key): Change => ({ store, key });

export interface SaveChanges {
  readonly changes: readonly Change[];
  /** Steps that are kept with it for the first time, and the numbers they are kept under. */
  readonly numbered: readonly (readonly [Step, number])[];
  /** What is in storage once the changes are. */
  readonly now: KnownWork;
}

/** A save as the records that are new, changed or gone. Pages and steps that are the same object were written before. */
export function changesOfSave(
  { project, steps, done, savedAt, sent }: ProjectSave,
  known: KnownWork,
  numberOf: (step: Step) => number | undefined,
): SaveChanges {
  const { id } = project;
  const firstKnown = steps.length > 0 ? numberOf(steps[0]!) : undefined;
  // Where no step is known any more, numbers go on behind those that are kept, which all go.
  const firstStep = firstKnown ?? (steps.length > 0 ? known.endStep : known.firstStep);
  const endStep = firstStep + steps.length;
  const pageIds = project.pages.map((p) => p.id);
  const record: StoredProject = { id, project: { ...project, pages: [] }, pageIds, done, savedAt, firstStep, sent };
  const changes: Change[] = [put("projects", record)];
  const numbered = steps.flatMap((step, i) =>
    numberOf(step) === firstStep + i ? [] : [[step, firstStep + i] as const],
  );
  for (const [step, number] of numbered) changes.push({ store: "steps", key: [id, number], value: step });
  for (let n = known.firstStep; n < known.endStep; n += 1)
    if (n < firstStep || n >= endStep) changes.push(drop("steps", [id, n]));
  const pages = new Map<string, Page>(project.pages.map((p) => [p.id, p]));
  for (const page of project.pages)
    if (known.pages.get(page.id) !== page) changes.push({ store: "pages", key: [id, page.id], value: page });
  for (const pageId of known.pages.keys()) if (!pages.has(pageId)) changes.push(drop("pages", [id, pageId]));
  return { changes, numbered, now: { pages, firstStep, endStep } };
}
