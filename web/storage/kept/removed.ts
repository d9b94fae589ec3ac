import { drop, put } from "../save-changes.ts";
import type { StoredProject } from "../schema.ts";
import { type RemovedStore, type RemovedWork, type SentOrder, type Snapshot, StoreError } from "../store.ts";
import type { KeptStoreDeps } from "./deps.ts";

/** Works on their way out and back. */
export function removedWorks(deps: KeptStoreDeps): RemovedStore {
  const recordOf = async (projectId: string): Promise<StoredProject> => {
    const record = (await (await deps.tables()).get("projects", projectId)) as StoredProject | undefined;
    if (!record) throw new StoreError("workRemoved", projectId);
    return record;
  };

  return {
    async removeProject(projectId: string, at: string) {
      await deps.writer.commit([put("projects", { ...(await recordOf(projectId)), removedAt: at })]);
    },

    async restoreProject(projectId: string) {
      const { removedAt: _, ...record } = await recordOf(projectId);
      await deps.writer.commit([put("projects", record)]);
    },

    async removedProjects(): Promise<readonly RemovedWork[]> {
      const all = (await (await deps.tables()).all("projects")) as readonly StoredProject[];
      const removed = all.flatMap(({ id, project, pageIds, removedAt }) =>
        removedAt === undefined
          ? []
          : [{ id, name: String(project.name), pageCount: (pageIds ?? project.pages ?? []).length, removedAt }],
      );
      return removed.sort((a, b) => (a.removedAt < b.removedAt ? 1 : -1));
    },

    async forgetProject(projectId: string) {
      const tables = await deps.tables();
      const [pages, steps, snapshots, orders] = await Promise.all([
        tables.keysUnder("pages", projectId),
        tables.keysUnder("steps", projectId),
        tables.by("snapshots", "byProject", projectId) as Promise<readonly Snapshot[]>,
        tables.by("orders", "byProject", projectId) as Promise<readonly SentOrder[]>,
      ]);
      await deps.writer.commit([
        drop("projects", projectId),
        drop("notes", projectId),
        ...pages.map((id) => drop("pages", [projectId, id])),
        ...steps.map((n) => drop("steps", [projectId, n])),
        ...snapshots.map((s) => drop("snapshots", s.id)),
        ...orders.map((o) => drop("orders", o.id)),
      ]);
    },
  };
}
