import type { Photo } from "#core/photo";
import type { Store } from "../../../storage/store.ts";
import type { FocusJobs } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";

export interface Finder {
  run(
    job: "findFocus",
    preview: Blob,
    options?: { readonly deadlineMs: number },
  ): Promise<FocusJobs["findFocus"]["out"]>;
}

interface FocusSearchGiven {
  readonly store: Pick<Store, "putPhotos">;
  preview(photoId: string): Promise<Blob | undefined>;
  readonly finder: Finder | undefined;
  /** All that could be looked at, as they are now. */
  photos(): readonly Photo[];
  /** Something that goes first is being done, and looking begins anew after it. */
  busy(): boolean;
  /** Somebody waits for a file that is being made: looking goes on when it is there. */
  held(): boolean;
  /** Kept already; to be shown when there is time. */
  found(photo: Photo): void;
  show(): void;
}

const showEveryMs = 900;
const pauseMs = 200;
const deadlineMs = 60_000;
const pause = () => new Promise((go) => setTimeout(go, pauseMs));

/** Looks for faces and interest in photos that nobody looked at, one after another, and keeps what comes. */
export class FocusSearch {
  readonly #deps: FocusSearchGiven;
  #running = false;

  constructor(given: FocusSearchGiven) {
    this.#deps = given;
  }

  async run(): Promise<void> {
    const { finder, preview: previewOf, busy, held, photos, show } = this.#deps;
    if (!finder || this.#running) return;
    this.#running = true;
    const tried = new Set<string>();
    let shownAt = performance.now();
    const next = () => photos().find((p) => p.focus === null && !tried.has(p.id));
    for (let photo = next(); photo && !busy(); photo = next()) {
      if (held()) {
        await pause();
        continue;
      }
      tried.add(photo.id);
      try {
        const preview = await previewOf(photo.id);
        if (preview) await this.#keep(photo.id, await finder.run("findFocus", preview, { deadlineMs }));
      } catch (e) {
        // Without its model the finder can do nothing for any photo; a photo that it fails on is only skipped.
        if (e instanceof WorkerError && e.code === "finderMissing") break;
      }
      if (performance.now() - shownAt > showEveryMs) {
        show();
        shownAt = performance.now();
      }
    }
    show();
    this.#running = false;
  }

  /** Until these photos were looked at, or nobody looks any more. */
  async looked(photoIds: ReadonlySet<string>): Promise<void> {
    const left = () => this.#deps.photos().some((p) => p.focus === null && photoIds.has(p.id));
    while (this.#running && left()) await pause();
  }

  /** Where a person set it meanwhile, that counts. */
  async #keep(photoId: string, focus: Photo["focus"]): Promise<void> {
    const { store, photos, found } = this.#deps;
    const now = photos().find((p) => p.id === photoId);
    if (!now || now.focus !== null) return;
    const seen = { ...now, focus };
    await store.putPhotos([seen]);
    found(seen);
  }
}
