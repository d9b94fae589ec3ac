import { createStore } from "zustand/vanilla";
import {
  applyChange,
  type Change,
  type ChangeTrouble,
  commit,
  type Editing,
  type Follower,
  findPage,
  type Gesture,
  type History,
  type Page,
  type PlacedPage,
  type Project,
  placed,
  redo,
  type Step,
  type StepName,
  stillHolds,
  travelled,
  undo,
  wordsStay,
} from "#core/document";
import { isSound } from "#core/document/schema";
import { ok, type Result, refused } from "#core/result";
import {
  type OpenedProject,
  type SentMark,
  type Store,
  type StoreTrouble,
  storeErrorFrom,
} from "../../../storage/store.ts";

export type Keeping =
  | { readonly is: "kept"; readonly at: string }
  | { readonly is: "keeping" }
  | { readonly is: "failed"; readonly code: StoreTrouble };

export interface ProjectState {
  readonly project: Project;
  readonly history: History;
  /** The page that is open. */
  readonly pageId: string;
  /** The project as a gesture that is still going on would leave it. */
  readonly draft: Project | undefined;
  readonly keeping: Keeping;
  /** Which step was the last one when the pages were last saved to disk or sent. */
  readonly sent: SentMark | undefined;
  /** Open in another tab, which may change it; this one only looks. */
  readonly readOnly: boolean;
}

/** The open page as it is kept, whatever a gesture makes of it at the moment. */
export const openPage = (s: ProjectState): Page => pageIn(s.project, s.pageId);
/** The same with every tile in its place. */
export const openPlaced = (s: ProjectState): PlacedPage => placed(s.project, openPage(s));
export function pageIn({ pages, cover }: Project, pageId: string): Page {
  if (cover?.id === pageId) return cover;
  // Dozens of parts of the screen ask for the same page after every change, of hundreds.
  let byId = pagesById.get(pages);
  if (!byId) {
    byId = new Map(pages.map((p) => [p.id, p]));
    pagesById.set(pages, byId);
  }
  return byId.get(pageId) ?? pages[0]!;
}
const patienceMs = 20_000;
/** Storage that did not answer is asked so many times more. */
const mostSilences = 3;

const pagesById = new WeakMap<readonly Page[], ReadonlyMap<string, Page>>();

/** After a step the page that it touched lies open: the one that was, if it is among them. */
function pageAfter(before: Project, after: Project, pageId: string): string {
  const known = new Set(before.pages);
  const touched = after.pages.filter((p) => !known.has(p));
  if (touched.some((p) => p.id === pageId)) return pageId;
  if (touched[0]) return touched[0].id;
  const at = Math.max(
    0,
    before.pages.findIndex((p) => p.id === pageId),
  );
  return findPage(after, pageId)?.id ?? after.pages[Math.min(at, after.pages.length - 1)]!.id;
}

const lastStepAt = (h: History): string => h.steps[h.done - 1]?.at ?? "";

/** Whether what went out last is what stands here now. */
export const isSent = (s: ProjectState): boolean => s.sent?.afterStep === lastStepAt(s.history);

/** One open project: every change goes through here, into the history and into storage. Knows nothing of React. */
export class ProjectSession {
  readonly state;
  readonly #store: Store;
  readonly #now: () => string;
  readonly #onRefused: (() => void) | undefined;
  readonly #onCut: (() => void) | undefined;
  readonly #follow: Follower | undefined;
  /** Steps out of storage of which nobody has looked yet whether they make sense. */
  readonly #unread: Set<Step>;
  #saving: Promise<void> | undefined;
  #unsaved = false;

  constructor(
    opened: OpenedProject,
    given: {
      readonly store: Store;
      readonly now: () => string;
      /** Something was to be changed where one may only look. */
      readonly onRefused?: () => void;
      /** A step out of storage made no sense, and the history ends there. */
      readonly onCut?: () => void;
      /** What follows from every change with fonts at hand. */
      readonly follow?: Follower;
    },
  ) {
    this.#store = given.store;
    this.#now = given.now;
    this.#onRefused = given.onRefused;
    this.#onCut = given.onCut;
    this.#follow = given.follow;
    this.#unread = new Set(opened.steps);
    this.state = createStore<ProjectState>(() => ({
      project: opened.project,
      history: { steps: opened.steps, done: opened.done },
      pageId: opened.project.pages[0]!.id,
      draft: undefined,
      keeping: { is: "kept", at: opened.savedAt },
      sent: opened.sent,
      readOnly: false,
    }));
  }

  /** Shows what the changes would do, without doing it. */
  preview(changes: readonly Change[]): Result<Project, ChangeTrouble> {
    let { project } = this.state.getState();
    if (this.state.getState().readOnly) return refused("lookedAtOnly");
    const before = this.state.getState().project;
    const apply = (some: readonly Change[]): Result<Project, ChangeTrouble> => {
      for (const change of some) {
        const next = applyChange(project, change);
        if (!next.ok) return next;
        project = next.value;
      }
      return ok(project);
    };
    const done = apply(changes);
    if (!done.ok) return done;
    // Words go along under the hand, as they will when it lets go.
    const stayed = apply(wordsStay(before, project));
    if (!stayed.ok) return stayed;
    const holds = stillHolds(before, project);
    if (holds.ok) this.state.setState({ draft: project });
    return holds;
  }

  goTo(pageId: string): void {
    this.state.setState({ pageId, draft: undefined });
  }

  dropPreview(): void {
    this.state.setState({ draft: undefined });
  }

  commit(
    name: StepName,
    changes: readonly Change[],
    how: Pick<Gesture, "mergeKey" | "byProgram"> = {},
  ): Result<Editing, ChangeTrouble> {
    const at = this.#now();
    return this.#move((now) => commit(now, { name, changes, at, follow: this.#follow, ...how }));
  }

  undo(): Result<Editing, ChangeTrouble> {
    return this.#move(({ project, history }) => {
      const { steps, done } = history;
      const step = steps[done - 1];
      const sound = step === undefined || this.#makesSense(step);
      return sound ? undo({ project, history }) : ok({ project, history: { steps: steps.slice(done), done: 0 } });
    });
  }

  redo(): Result<Editing, ChangeTrouble> {
    return this.#move(({ project, history }) => {
      const { steps, done } = history;
      const step = steps[done];
      const sound = step === undefined || this.#makesSense(step);
      return sound ? redo({ project, history }) : ok({ project, history: { steps: steps.slice(0, done), done } });
    });
  }

  /** To any point of the history, where `done` steps lie behind the project; no further than steps make sense. */
  goToStep(done: number): Result<Editing, ChangeTrouble> {
    const { history } = this.state.getState();
    let to = history.done;
    const by = Math.sign(done - to);
    while (to !== done) {
      const step = history.steps[by < 0 ? to - 1 : to];
      if (!step || !this.#makesSense(step)) break;
      to += by;
    }
    return this.#move((now) => ok(travelled(now, to)));
  }

  /** A step of this session does; one out of storage is looked at before it is done or undone. */
  #makesSense(step: Step): boolean {
    if (!this.#unread.has(step)) return true;
    const sound = isSound(step.changes) && isSound(step.inverses);
    if (sound) this.#unread.delete(step);
    else this.#onCut?.();
    return sound;
  }

  /** `history` as it was when the file was begun. */
  markSent(history: History, to: "disk" | "lab"): void {
    this.state.setState({ sent: { afterStep: lastStepAt(history), to } });
    if (!this.state.getState().readOnly) this.keep();
  }

  /** Opens storage anew and keeps what is here. */
  async tryAgain(): Promise<void> {
    await this.#store.tryAgain().catch(() => {});
    this.keep();
  }

  setReadOnly(readOnly: boolean): void {
    this.state.setState({ readOnly });
  }

  /** Resolves when everything done so far is in storage, or storage has refused it. */
  async settled(): Promise<void> {
    while (this.#saving) await this.#saving;
  }

  #move(move: (now: Editing) => Result<Editing, ChangeTrouble>): Result<Editing, ChangeTrouble> {
    const { project, history, pageId, readOnly } = this.state.getState();
    const now: Editing = { project, history };
    if (readOnly) {
      this.state.setState({ draft: undefined });
      this.#onRefused?.();
      return refused("lookedAtOnly");
    }
    const next = move(now);
    this.state.setState({ draft: undefined });
    if (next.ok && next.value !== now) {
      this.state.setState({
        ...next.value,
        pageId: pageAfter(project, next.value.project, pageId),
        keeping: { is: "keeping" },
      });
      this.keep();
    }
    return next;
  }

  /** Writes the newest state; calls that come while one is being written are served by a single further write. */
  keep(): void {
    this.#unsaved = true;
    this.#saving ??= this.#save().finally(() => {
      this.#saving = undefined;
    });
  }

  async #save(): Promise<void> {
    let silences = 0;
    while (this.#unsaved) {
      this.#unsaved = false;
      const { project, history, sent } = this.state.getState();
      const savedAt = this.#now();
      // A browser that threw its storage away may never answer; an answer that comes late counts.
      const silent = setTimeout(
        () => this.state.setState({ keeping: { is: "failed", code: "storageSilent" } }),
        patienceMs,
      );
      try {
        await this.#store.saveProject({ project, steps: history.steps, done: history.done, savedAt, sent });
        if (!this.#unsaved) this.state.setState({ keeping: { is: "kept", at: savedAt } });
      } catch (e) {
        const { code } = storeErrorFrom(e);
        // What hung was given up and begins anew with the next save; its files may be held a while longer.
        const hung = code === "storageSilent" || (code === "storageHeld" && silences > 0);
        this.state.setState({ keeping: { is: "failed", code: hung ? "storageSilent" : code } });
        if (hung && silences < mostSilences) this.#unsaved = true;
        silences += 1;
      } finally {
        clearTimeout(silent);
      }
    }
  }
}
