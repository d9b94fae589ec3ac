import { createStore } from "zustand/vanilla";
import type { Project } from "#core/document";
import { type Author, merged, type NoteEvent, newEvent, unknownOf } from "#core/notes";
import type { OpenRoom, Store } from "../../../storage/store.ts";
import type { Services } from "../../services.ts";
import { oldNotes } from "./old-notes.ts";

export interface NotesState {
  /** By the work that they speak of; those of works that were opened. */
  readonly byWork: ReadonlyMap<string, readonly NoteEvent[]>;
  /** Rooms that show them. */
  readonly rooms: ReadonlyMap<string, OpenRoom>;
  /** Ids of events by others that nobody has looked at here. */
  readonly unread: ReadonlySet<string>;
  /** Who writes here. */
  readonly me: Author;
}

export interface Said {
  readonly made: readonly NoteEvent[];
  readonly kept: Promise<void>;
}

export interface BroughtNotes {
  readonly fresh: readonly NoteEvent[];
  readonly leftOut: number;
}

/** Of one work. */
const mostEvents = 20_000;

type Deps = Pick<Store, "notes" | "keepNotes">;
export type Saying = Parameters<typeof newEvent>[1];

/** What is said of each work: kept beside it, apart from its history, since others say it too. */
export class NotesShelf {
  readonly state;
  readonly #store: Deps;
  readonly #newId: () => string;
  readonly #now: () => string;

  constructor(store: Deps, given: { readonly newId: () => string; readonly now: () => string }) {
    this.#store = store;
    this.#newId = given.newId;
    this.#now = given.now;
    this.state = createStore<NotesState>(() => ({
      byWork: new Map(),
      rooms: new Map(),
      unread: new Set(remembered<readonly string[]>("unread") ?? []),
      me: remembered<Author>("me") ?? { key: given.newId(), name: "" },
    }));
  }

  /** What is kept of a work that is opened, and the pins of works from before. */
  async open(project: Project): Promise<void> {
    const { events: kept, room } = await this.#store.notes(project.id);
    if (room) this.state.setState((s) => ({ rooms: new Map([...s.rooms, [project.id, room]]) }));
    const known = this.state.getState().byWork.get(project.id) ?? [];
    this.#show(project.id, merged(merged(oldNotes(project), kept), known));
  }

  /** The room that shows a work from now on; none where it was closed. */
  async setRoom(workId: string, room: OpenRoom | undefined): Promise<void> {
    const rooms = new Map(this.state.getState().rooms);
    if (room) rooms.set(workId, room);
    else rooms.delete(workId);
    this.state.setState({ rooms });
    await this.#store.keepNotes({ id: workId, events: [], room: room ?? null });
  }

  /** What is kept of any work, open or not. */
  async whole(workId: string): Promise<readonly NoteEvent[]> {
    return merged((await this.#store.notes(workId)).events, this.of(workId));
  }

  /** The id by which other copies of the same work know it. */
  async commonId(workId: string): Promise<string> {
    return (await this.#store.notes(workId)).sameAs ?? workId;
  }

  of(workId: string): readonly NoteEvent[] {
    return this.state.getState().byWork.get(workId) ?? [];
  }

  /** Calls whoever writes here by another name, from now on. */
  callMe(name: string): void {
    this.#remember("me", { ...this.state.getState().me, name });
    this.state.setState((s) => ({ me: { ...s.me, name } }));
  }

  /** Shown at once. `kept` rejects with a StoreError where it was not kept; then it goes with the tab. */
  say(workId: string, ...said: readonly Saying[]): Said {
    const { me } = this.state.getState();
    this.#remember("me", me);
    let all = this.of(workId);
    const made: NoteEvent[] = [];
    for (const say of said) {
      const event = newEvent(all, say, { id: this.#newId(), at: this.#now(), by: me });
      made.push(event);
      all = merged(all, [event]);
    }
    this.#show(workId, all);
    return { made, kept: this.#store.keepNotes({ id: workId, events: made }) };
  }

  /** What others said: only what is new is taken, and counts as unread. `leftOut`: how many there was no room for. */
  async bringHome(workId: string, come: readonly NoteEvent[]): Promise<BroughtNotes> {
    const known = await this.whole(workId);
    const unknown = unknownOf(known, come);
    const fresh = unknown.slice(0, Math.max(0, mostEvents - known.length));
    const leftOut = unknown.length - fresh.length;
    if (fresh.length === 0) return { fresh, leftOut };
    const { me } = this.state.getState();
    await this.#store.keepNotes({ id: workId, events: fresh });
    this.#show(workId, merged(known, fresh));
    // A verdict is seen wherever the list is.
    const theirs = fresh.filter((e) => e.by.key !== me.key && e.does !== "judge").map((e) => e.id);
    this.#setUnread(new Set([...this.state.getState().unread, ...theirs]));
    return { fresh, leftOut };
  }

  /** As if those had never been said: for what was just done by mistake. */
  async takeBack(workId: string, events: readonly NoteEvent[]): Promise<void> {
    const gone = new Set(events.map((e) => e.id));
    this.#show(
      workId,
      this.of(workId).filter((e) => !gone.has(e.id)),
    );
    this.markRead([...gone]);
    await this.#store.keepNotes({ id: workId, events: [] }, [...gone]);
  }

  markRead(ids: readonly string[]): void {
    const { unread } = this.state.getState();
    if (!ids.some((id) => unread.has(id))) return;
    const left = new Set(unread);
    for (const id of ids) left.delete(id);
    this.#setUnread(left);
  }

  #show(workId: string, events: readonly NoteEvent[]): void {
    this.state.setState((s) => ({ byWork: new Map([...s.byWork, [workId, events]]) }));
  }

  #setUnread(unread: ReadonlySet<string>): void {
    this.#remember("unread", [...unread]);
    this.state.setState({ unread });
  }

  #remember(what: keyof typeof keys, value: unknown): void {
    try {
      localStorage.setItem(keys[what], JSON.stringify(value));
    } catch {
      // A browser that keeps nothing forgets it with the tab.
    }
  }
}

const shelves = new WeakMap<Deps, NotesShelf>();

/** The notes of what a store keeps: one for all who ask, made when the first does. */
export function notesOf({ store, newId, now }: Pick<Services, "store" | "newId" | "now">): NotesShelf {
  const known = shelves.get(store);
  if (known) return known;
  const made = new NotesShelf(store, { newId, now });
  shelves.set(store, made);
  return made;
}

const keys = { me: "tessip-note-author", unread: "tessip-unread-notes" } as const;

function remembered<T>(what: keyof typeof keys): T | undefined {
  try {
    return (JSON.parse(localStorage.getItem(keys[what]) ?? "null") as T | null) ?? undefined;
  } catch {
    return undefined;
  }
}
