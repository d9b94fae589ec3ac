import type { Page, Project, Step } from "#core/document";
import { formOf, projectForm, readHistory, readPage, readProject } from "#core/document/schema";
import type { Need } from "../needs.ts";
import { changesOfSave, drop, type KnownWork, put } from "../save-changes.ts";
import type { StoredProject } from "../schema.ts";
import {
  type OpenedProject,
  type ProjectCard,
  type ProjectSave,
  type Snapshot,
  StoreError,
  type WorkStore,
} from "../store.ts";
import type { Tables } from "../tables.ts";
import type { KeptStoreDeps } from "./deps.ts";

/** Works with their pages, their histories and their snapshots. */
export function keptWorks(deps: KeptStoreDeps): WorkStore {
  /** Which number each known step is kept under. */
  const stepNumbers = new WeakMap<Step, number>();
  const knownWorks = new Map<string, KnownWork>();
  /** Works of an earlier form as they stand in storage, until they are first written in this one. */
  const earlierForms = new Map<string, unknown>();

  /** Of a work that was not opened here: all its pages count as unknown, and all its steps go. */
  const findKnown = async (projectId: string): Promise<KnownWork> => {
    const tables = await deps.tables();
    const [pageIds, numbers] = await Promise.all([
      tables.keysUnder("pages", projectId),
      tables.keysUnder("steps", projectId),
    ]);
    const sorted = numbers.map(Number).sort((a, b) => a - b);
    return {
      pages: new Map(pageIds.map((pageId) => [String(pageId), undefined])),
      firstStep: sorted[0] ?? 0,
      endStep: (sorted.at(-1) ?? -1) + 1,
    };
  };

  return {
    async projects() {
      const tables = await deps.tables();
      const cards: ProjectCard[] = [];
      const damaged: string[] = [];
      for (const record of (await tables.all("projects")) as readonly StoredProject[]) {
        if (record.removedAt !== undefined) continue;
        const { pageIds } = record;
        const first = pageIds
          ? await tables.many(
              "pages",
              pageIds.slice(0, 2).map((id) => [record.id, id] as const),
            )
          : record.project.pages?.slice(0, 2);
        const read = readProject({ ...record.project, pages: first });
        const pageCount = (pageIds ?? record.project.pages ?? []).length;
        if (read) cards.push({ project: read.project, pageCount, savedAt: record.savedAt });
        else damaged.push(record.id);
      }
      return { cards: cards.sort((a, b) => (a.savedAt < b.savedAt ? 1 : -1)), damaged };
    },

    async openProject(projectId: string): Promise<OpenedProject | undefined> {
      const tables = await deps.tables();
      const record = (await tables.get("projects", projectId)) as StoredProject | undefined;
      if (!record) return undefined;
      if (record.removedAt !== undefined) throw new StoreError("workRemoved", projectId);
      const [pages, kept] = await Promise.all([pagesOf(tables, record), tables.under("steps", projectId)]);
      const whole = { ...record.project, pages };
      const read = readProject(whole);
      if (!read) throw new StoreError(isNewer(whole) ? "workNewer" : "recordDamaged", projectId);
      const { project, migrated } = read;
      const numbers = kept.map(([key]) => Number((key as [string, number])[1]));
      // Steps speak of the form that the work was kept in, and do not fit another.
      const history = readHistory(migrated ? [] : kept.map(([, step]) => step), migrated ? 0 : record.done);
      if (migrated) earlierForms.set(projectId, whole);
      for (const [i, step] of history.steps.entries()) stepNumbers.set(step, numbers[history.from + i]!);
      knownWorks.set(projectId, {
        pages: record.pageIds ? new Map(project.pages.map((p) => [p.id, migrated ? undefined : p])) : new Map(),
        firstStep: numbers[0] ?? record.firstStep,
        endStep: (numbers.at(-1) ?? record.firstStep - 1) + 1,
      });
      return {
        project,
        savedAt: record.savedAt,
        steps: history.steps,
        sent: record.sent,
        done: history.done,
        historyCut: history.cut,
        migrated: migrated && kept.length > 0,
      };
    },

    async saveProject(save: ProjectSave) {
      const { id } = save.project;
      const known = knownWorks.get(id) ?? (await findKnown(id));
      const { changes, numbered, now } = changesOfSave(save, known, (step) => stepNumbers.get(step));
      const needs: Need[] = [{ is: "workNotRemoved", projectId: id }];
      if (knownWorks.has(id)) needs.push({ is: "workHere", projectId: id });
      const before = earlierForms.get(id);
      // As it was in its earlier form, until the same commit that replaces it.
      const first = before === undefined ? [] : [put("snapshots", firstSnapshot(save, before))];
      await deps.writer.commit([...first, ...changes], needs);
      earlierForms.delete(id);
      // Only now: a save that failed must not leave a hole in the history behind it.
      for (const [step, number] of numbered) stepNumbers.set(step, number);
      knownWorks.set(id, now);
    },

    async salvage(projectId: string) {
      const tables = await deps.tables();
      const record = (await tables.get("projects", projectId)) as StoredProject | undefined;
      if (!record) return undefined;
      const all = await pagesOf(tables, record);
      const form = formOf(record.project);
      const pages = all.filter((p) => readPage(p, form));
      if (pages.length === 0) return undefined;
      // What the work cannot be read with is left away piece by piece; its pages are what matters.
      for (const without of [[], ["sheets"], ["sheets", "cover"], ["sheets", "cover", "notes", "words", "accepted"]]) {
        const bare = Object.fromEntries(without.map((name) => [name, undefined]));
        const cover = without.includes("cover") ? { cover: null } : {};
        const sheets = without.includes("sheets") ? { sheets: null } : {};
        const read = readProject({ ...record.project, ...bare, ...cover, ...sheets, pages });
        if (read) return { project: read.project, lostPages: all.length - pages.length };
      }
      return undefined;
    },

    async snapshots(projectId: string) {
      const all = (await (await deps.tables()).by("snapshots", "byProject", projectId)) as readonly Snapshot[];
      // One that cannot be read any more is no use to anybody, and must not hide the others.
      const readable = all.flatMap((s) => {
        const read = readProject(s.project);
        return read ? [{ ...s, project: read.project }] : [];
      });
      return readable.sort((a, b) => (a.at < b.at ? 1 : -1));
    },

    async keepSnapshot(snapshot: Snapshot) {
      await deps.writer.commit([put("snapshots", snapshot)]);
    },

    async removeSnapshot(snapshotId: string) {
      await deps.writer.commit([drop("snapshots", snapshotId)]);
    },
  };
}

const isNewer = (data: unknown): boolean => Number(formOf(data)) > projectForm;

/** A work in its earlier form, kept for whoever wants back to it. */
const firstSnapshot = ({ project, savedAt }: ProjectSave, before: unknown) => ({
  id: `before-${project.id}`,
  projectId: project.id,
  name: "",
  at: savedAt,
  why: "renewed" as const,
  project: before as Project,
});

/** A project's pages in their order; one that is missing is left to the check that follows. */
async function pagesOf(tables: Tables, record: StoredProject): Promise<readonly (Page | undefined)[]> {
  if (!record.pageIds) return record.project.pages ?? [];
  const all = (await tables.under("pages", record.id)).map(([, page]) => page as Page);
  const byId = new Map(all.map((p) => [p.id, p]));
  return record.pageIds.map((id) => byId.get(id));
}
