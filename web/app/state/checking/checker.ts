import { createStore } from "zustand/vanilla";
import { type Finding, type FixCode, fixed, type PageAt, type PlacedSharpness, pageAt, worstFirst } from "#core/check";
import {
  areWords,
  type Change,
  captionedOn,
  everyPage,
  findTile,
  type PlacedPage,
  type Project,
  photosDrawnOn,
  photosOf,
} from "#core/document";
import type { LabCard } from "#core/lab";
import { aspectOf, type Photo, type Pile, photoShape } from "#core/photo";
import type { CheckedPage, CheckJobs, PagesToCheck } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import type { WorkerClient } from "../../../workers/worker-client.ts";
import type { Services } from "../../services.ts";
import { worthOfCover } from "../edit/cover.ts";
import type { ProjectSession } from "../session/project-session.ts";

export interface CheckState {
  /** Accepted ones too, the worst first. */
  readonly findings: readonly Finding[];
  readonly sharpness: readonly PlacedSharpness[];
  /** Something changed that has not been looked at yet. */
  readonly looking: boolean;
  /** Everything has been looked at once since the work was opened. */
  readonly looked: boolean;
}

type Deps = Pick<Services, "library" | "store" | "fonts" | "newId"> & {
  readonly line: Pick<WorkerClient<CheckJobs>, "run">;
  readonly labCards: () => Promise<readonly LabCard[]>;
};

interface Known {
  readonly at: PageAt;
  /** Everything that a finding may rest on, by identity. */
  readonly rests: readonly unknown[];
  readonly checked: CheckedPage | undefined;
}

/** After the last change, so that a drag or typing is not checked letter by letter. */
const restMs = 350;
const againMs = 3000;
const pagesAtOnce = 12;
const coloursAtOnce = 6;
/** A twin has to be worth the change. */
const sharperBy = 1.25;

/** Looks at an open project in a worker as it is edited, and only at what changed. Knows nothing of React. */
export class Checker {
  readonly state = createStore<CheckState>(() => ({ findings: [], sharpness: [], looking: true, looked: false }));
  readonly #session: ProjectSession;
  readonly #deps: Deps;
  readonly #pages = new Map<string, Known>();
  readonly #beyond = new Map<string, number>();
  #work: readonly Finding[] = [];
  #workOf: readonly unknown[] = [];
  /** What the worker was told last of what lies beside the work. */
  #told: readonly unknown[] = [];
  #gone: ReadonlySet<string> = new Set();
  #soon: ReturnType<typeof setTimeout> | undefined;
  #running = false;
  #again = false;
  #left = new AbortController();

  constructor(session: ProjectSession, given: Deps) {
    this.#session = session;
    this.#deps = given;
  }

  /** Begins to look; gives back how to stop. */
  start(): () => void {
    this.#left = new AbortController();
    const { library, fonts } = this.#deps;
    const watching = [
      this.#session.state.subscribe((s, was) => s.project !== was.project && this.#ask()),
      library.state.subscribe((s, was) => (s.byId !== was.byId || s.piles !== was.piles) && this.#ask()),
      fonts.watch(() => this.#ask()),
    ];
    this.#ask();
    return () => {
      for (const stop of watching) stop();
      clearTimeout(this.#soon);
      this.#left.abort();
    };
  }

  #ask(): void {
    clearTimeout(this.#soon);
    if (!this.state.getState().looking) this.state.setState({ looking: true });
    this.#soon = setTimeout(() => void this.#look(), restMs);
  }

  async #look(): Promise<void> {
    if (this.#running) {
      this.#again = true;
      return;
    }
    this.#running = true;
    try {
      do {
        this.#again = false;
        await this.#lookOnce();
      } while (this.#again && !this.#left.signal.aborted);
    } catch {
      // A worker that died is started anew; where the project was left nobody asks any more.
      if (!this.#left.signal.aborted) this.#soon = setTimeout(() => void this.#look(), againMs);
    } finally {
      this.#running = false;
    }
  }

  async #lookOnce(): Promise<void> {
    const { store, library } = this.#deps;
    const { signal } = this.#left;
    const here = new Set(await store.originals());
    const { byId } = library.state.getState();
    this.#gone = new Set([...byId.keys()].filter((id) => !here.has(id)));
    const { project } = this.#session.state.getState();
    const due = this.#due(project, byId);
    for (let i = 0; i < due.length; i += pagesAtOnce) {
      const some = due.slice(i, i + pagesAtOnce);
      const order = await this.#order(some.map((k) => k.at));
      const checked = await this.#deps.line.run("checkPages", order, { signal });
      for (const c of checked) {
        const known = some.find((k) => k.at.page.id === c.pageId)!;
        this.#pages.set(c.pageId, { ...known, checked: c });
      }
      this.#show(project);
    }
    await this.#lookAtWork(project);
    this.#show(project);
    await this.#lookAtColours(project, byId);
    if (!this.#again) this.state.setState({ looking: false, looked: true });
  }

  /** Pages on which something changed that a finding may rest on. */
  #due(project: Project, byId: ReadonlyMap<string, Photo>): Known[] {
    const pages = everyPage(project);
    const ids = new Set(pages.map((p) => p.id));
    for (const id of this.#pages.keys()) if (!ids.has(id)) this.#pages.delete(id);
    const { piles } = this.#deps.library.state.getState();
    return pages.flatMap((page): Known[] => {
      const at = pageAt(project, page, (id) => byId.get(id)?.takenAt);
      const running = JSON.stringify(at.page.tiles.filter((t) => !findTile(page, t.id)));
      const photos = [...photosOf(page, project.style), ...captionedOn(page)];
      const rests = [
        page,
        at.page.look,
        at.format,
        at.begun,
        at.language,
        at.asks,
        running,
        piles,
        hasWords(at.page) ? this.#deps.fonts.own() : undefined,
        ...photos.flatMap((id) => [byId.get(id), this.#gone.has(id), this.#beyond.get(id) ?? 0]),
      ];
      const known = this.#pages.get(page.id);
      const same = known?.checked && known.rests.length === rests.length && rests.every((r, i) => r === known.rests[i]);
      return same ? [] : [{ at, rests, checked: undefined }];
    });
  }

  async #order(pages: readonly PageAt[]): Promise<PagesToCheck> {
    const { library, store, fonts } = this.#deps;
    const { byId, piles } = library.state.getState();
    const ids = [...new Set(pages.flatMap((p) => [...photosDrawnOn(p.page), ...captionedOn(p.page.page)]))];
    const behind = [...new Set(pages.filter((p) => hasWords(p.page)).flatMap((p) => photosDrawnOn(p.page)))];
    const previews = await store.previews(behind.map((photoId) => ({ photoId, size: "small" as const })));
    return {
      pages,
      photos: ids.flatMap((id) => byId.get(id) ?? []),
      gone: ids.filter((id) => this.#gone.has(id)),
      twins: ids.flatMap((id) => {
        const twin = sharperTwin(id, piles, byId, this.#gone);
        return twin === undefined ? [] : [[id, twin] as const];
      }),
      beyondSrgb: ids.flatMap((id) => (this.#beyond.has(id) ? [[id, this.#beyond.get(id)!] as const] : [])),
      pictures: behind.flatMap((photoId, i) => (previews[i] ? [{ photoId, preview: previews[i] }] : [])),
      ownFonts: fonts.own(),
    };
  }

  async #lookAtWork(project: Project): Promise<void> {
    const { photos, piles, spans } = this.#deps.library.state.getState();
    const rests = [project, photos, piles, spans];
    if (rests.every((r, i) => r === this.#workOf[i])) return;
    // A lab that cannot be asked has not changed its mind as far as anybody knows.
    const cards = project.lab ? await this.#deps.labCards().catch(() => []) : [];
    const cardNow = cards.find((c) => c.id === project.lab?.id);
    const { line } = this.#deps;
    const { signal } = this.#left;
    const facts = { photos, piles, spans, cardNow };
    const bare = { ...project, accepted: [] };
    const same = Object.values(facts).every((f, i) => f === this.#told[i]);
    this.#told = Object.values(facts);
    this.#work = await line
      .run("checkProject", { project: bare, facts: same ? undefined : facts }, { signal })
      .catch((e: unknown) => {
        if (!(e instanceof WorkerError && e.code === "factsMissing")) throw e;
        return line.run("checkProject", { project: bare, facts }, { signal });
      });
    this.#workOf = rests;
  }

  /** In the background, each photo once; the pages with one that has such colours are looked at again. */
  async #lookAtColours(project: Project, byId: ReadonlyMap<string, Photo>): Promise<void> {
    const placed = [...new Set(project.pages.flatMap((p) => photosOf(p, project.style)))];
    const unknown = placed.filter((id) => byId.has(id) && !this.#beyond.has(id) && !this.#gone.has(id));
    for (let i = 0; i < unknown.length && !this.#again; i += coloursAtOnce) {
      const ids = unknown.slice(i, i + coloursAtOnce);
      const originals = await Promise.all(ids.map((id) => this.#deps.store.original(id)));
      const blobs = originals.map((o) => o ?? new Blob());
      const shares = await this.#deps.line.run("beyondSrgb", blobs, { signal: this.#left.signal });
      for (const [k, id] of ids.entries()) {
        this.#beyond.set(id, shares[k]!);
        if (shares[k]! > 0) this.#again = true;
      }
    }
  }

  #show(project: Project): void {
    const order = everyPage(project).map((p) => p.id);
    const checked = order.flatMap((id) => this.#pages.get(id)?.checked ?? []);
    this.state.setState({
      findings: worstFirst([...this.#work, ...checked.flatMap((c) => c.findings)], project),
      sharpness: checked.flatMap((c) => c.sharpness),
    });
  }

  /** Puts findings right as one step; false where not one of them can be. */
  async fix(findings: readonly Finding[], fix: FixCode): Promise<boolean> {
    const { library, fonts, newId } = this.#deps;
    const { byId, piles } = library.state.getState();
    let { project } = this.#session.state.getState();
    const facts = {
      known: (id: string) => byId.get(id),
      photo: (id: string) => {
        const photo = byId.get(id);
        return photo && photoShape(photo);
      },
      gone: (id: string) => this.#gone.has(id),
      beyondSrgb: () => 0,
      sharperTwin: (id: string) => sharperTwin(id, piles, byId, this.#gone),
      setter: fonts,
      language: project.language,
      newId,
      coverPhoto: (among: ReadonlySet<string>) => {
        const best = [...among]
          .flatMap((id) => byId.get(id) ?? [])
          .reduce<Photo | undefined>((a, b) => (a && worthOfCover(a) >= worthOfCover(b) ? a : b), undefined);
        return best && { id: best.id, aspect: aspectOf(best) };
      },
    };
    const { groundAt, applyAll } = await import("./fixing.ts");
    const all: Change[] = [];
    let count = 0;
    for (const finding of findings) {
      const behind = fix === "readableInk" ? await groundAt(this.#deps, project, finding, facts) : undefined;
      const changes = fixed(project, finding, fix, { ...facts, behind });
      const next = changes.length > 0 ? applyAll(project, changes) : undefined;
      if (!next) continue;
      project = next;
      all.push(...changes);
      count += 1;
    }
    if (count === 0) return false;
    return this.#session.commit({ code: "mended", count }, all).ok;
  }

  /** From now on these count as meant so, until their places change; without a reason they are no longer. */
  accept(findings: readonly Finding[], reason: string | undefined): void {
    const { accepted } = this.#session.state.getState().project;
    const keys = new Set(findings.map((f) => f.key));
    const others = accepted.filter((a) => !keys.has(a.key));
    const now = reason === undefined ? [] : findings.map(({ key, mark }) => ({ key, mark, reason }));
    this.#session.commit({ code: "accepted", count: findings.length }, [
      { type: "setProject", accepted: [...others, ...now] },
    ]);
  }
}

const hasWords = (page: PlacedPage): boolean => page.tiles.some(areWords);

/** Of the photos that show the same, the one with the most pixels, where it has plainly more. */
function sharperTwin(
  photoId: string,
  piles: readonly Pile[],
  byId: ReadonlyMap<string, Photo>,
  gone: ReadonlySet<string>,
): string | undefined {
  const photo = byId.get(photoId);
  const pile = piles.find((p) => p.includes(photoId));
  if (!photo || !pile) return undefined;
  const twins = pile.flatMap((id) => (id === photoId || gone.has(id) ? [] : (byId.get(id) ?? [])));
  const best = twins.reduce<Photo | undefined>((a, b) => (a && a.widthPx >= b.widthPx ? a : b), undefined);
  return best && best.widthPx > photo.widthPx * sharperBy ? best.id : undefined;
}

/** Those that nobody accepted in the state that they are in. */
export const openFindings = (findings: readonly Finding[], project: Project): readonly Finding[] => {
  const accepted = new Map(project.accepted.map((a) => [a.key, a.mark]));
  return findings.filter((f) => accepted.get(f.key) !== f.mark);
};
