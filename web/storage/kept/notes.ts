import { merged, type NoteEvent } from "#core/notes";
import { drop, put } from "../save-changes.ts";
import type { StoredProject } from "../schema.ts";
import type { NoteStore, SentOrder, StoredNotes } from "../store.ts";
import type { KeptStoreDeps } from "./deps.ts";

/** What others said of a work, and what of it went to labs. */
export function keptNotes(deps: KeptStoreDeps): NoteStore {
  const notes = async (projectId: string) => {
    const kept = (await (await deps.tables()).get("notes", projectId)) as StoredNotes | undefined;
    return { events: kept ? await soundNotes(kept.events) : [], sameAs: kept?.sameAs, room: kept?.room };
  };

  return {
    notes,

    async keepNotes(added: StoredNotes, without: readonly string[] = []) {
      const gone = new Set(without);
      const kept = await notes(added.id);
      const events = merged(kept.events, added.events).filter((e) => !gone.has(e.id));
      const sameAs = added.sameAs ?? kept.sameAs;
      const room = added.room === undefined ? kept.room : added.room;
      const record = { id: added.id, events, ...(sameAs ? { sameAs } : {}), ...(room === undefined ? {} : { room }) };
      await deps.writer.commit([put("notes", record)]);
    },

    async sameWorks(workId: string) {
      const tables = await deps.tables();
      const kept = (await tables.all("notes")) as readonly StoredNotes[];
      const ids = new Set([workId, ...kept.filter((n) => n.sameAs === workId).map((n) => n.id)]);
      const works = (await tables.all("projects")) as readonly StoredProject[];
      const here = works.filter((w) => ids.has(w.id) && w.removedAt === undefined);
      // Its own id before one under which it came.
      return here
        .sort((a, b) => Number(b.id === workId) - Number(a.id === workId))
        .map(({ id, project }) => ({ id, name: String(project.name) }));
    },

    async orders(projectId: string) {
      const found = (await (await deps.tables()).by("orders", "byProject", projectId)) as SentOrder[];
      return newestFirst(found);
    },

    async everyOrder() {
      return newestFirst((await (await deps.tables()).all("orders")) as SentOrder[]);
    },

    async putOrder(order: SentOrder) {
      await deps.writer.commit([put("orders", order)]);
    },

    async removeOrder(orderId: string) {
      await deps.writer.commit([drop("orders", orderId)]);
    },
  };
}

const newestFirst = <T extends { readonly at: string }>(list: readonly T[]): readonly T[] =>
  [...list].sort((a, b) => (a.at < b.at ? 1 : -1));

/** One that is damaged keeps no other out. What checks them is fetched with the first work that has any. */
async function soundNotes(events: readonly unknown[]): Promise<readonly NoteEvent[]> {
  const { noteEventSchema } = await import("#core/notes/schema");
  return events.flatMap((e) => noteEventSchema.safeParse(e).data ?? []);
}
