import { nanoid } from "nanoid";
import { createContext, useContext } from "react";
import { Bitmaps } from "../pictures/bitmaps.ts";
import { PreviewUrls } from "../pictures/preview-urls.ts";
import { again } from "../storage/again.ts";
import { openIdbStore } from "../storage/idb-store.ts";
import { openMemoryStore } from "../storage/memory-store.ts";
import type { PreviewSize, Store } from "../storage/store.ts";
import { FontShelf } from "../words/font-shelf.ts";
import { fontUrls } from "../words/font-urls.ts";
import type { ArrangeJobs, CheckJobs, FocusJobs, PhotoJobs, PrintJobs } from "../workers/jobs.ts";
import { portOf, WorkerLine } from "../workers/line.ts";
import { WorkerPool } from "../workers/pool.ts";
import { createDesk, type Desk } from "./state/desk.ts";
import { Library } from "./state/library.ts";
import { TemplateShelf } from "./state/template-shelf.ts";

/** Everything that the places share and that is not theirs, handed in from one spot. */
export interface Kit {
  readonly store: Store;
  readonly library: Library;
  readonly arranging: WorkerLine<ArrangeJobs>;
  readonly printing: WorkerLine<PrintJobs>;
  readonly checking: WorkerLine<CheckJobs>;
  readonly urls: PreviewUrls;
  readonly bitmaps: Bitmaps;
  readonly templates: TemplateShelf;
  readonly fonts: FontShelf;
  readonly desk: Desk;
  readonly newId: () => string;
  readonly now: () => string;
}

/** A preview from storage; a large one that nobody needed before is made and kept now. */
async function previewOf(
  photoId: string,
  size: PreviewSize,
  from: { readonly store: Store; readonly pool: WorkerPool<PhotoJobs>; readonly library: Library },
): Promise<Blob | undefined> {
  const kept = await from.store.preview(photoId, size);
  const photo = from.library.state.getState().byId.get(photoId);
  if (kept || size === "small" || !photo) return kept;
  const original = await from.store.original(photoId);
  if (!original) return undefined;
  const made = await from.pool.run("makeLarge", { photo, original });
  // A preview that could not be kept is made again another time.
  await from.store.keepPreview(photoId, size, made).catch(() => {});
  return made;
}

const afterCrashMs = [200, 600, 1800];

const newId = () => nanoid(12);
const now = () => new Date().toISOString();

/** Work put off in a frame runs once that frame is on screen. */
const afterPaint = (work: () => void) => void requestAnimationFrame(() => setTimeout(work));

export async function openKit(notices: { readonly blocked: () => void; readonly lost: () => void }): Promise<Kit> {
  const store = await again(() => openIdbStore(notices), afterCrashMs).catch(() => openMemoryStore());
  const pool = new WorkerPool<PhotoJobs>(2, () =>
    portOf(new Worker(new URL("../workers/photo.worker.ts", import.meta.url), { type: "module" })),
  );
  const finder = new WorkerLine<FocusJobs>(() =>
    portOf(new Worker(new URL("../workers/focus.worker.ts", import.meta.url), { type: "module" })),
  );
  const readSvg = async (file: File) => (await import("../pictures/read-svg.ts")).readSvg(file);
  const library = new Library({ store, pool, finder, readSvg, newId, now });
  await again(() => library.load(), afterCrashMs);
  return {
    store,
    library,
    arranging: new WorkerLine<ArrangeJobs>(() =>
      portOf(new Worker(new URL("../workers/arrange.worker.ts", import.meta.url), { type: "module" })),
    ),
    checking: new WorkerLine<CheckJobs>(() =>
      portOf(new Worker(new URL("../workers/check.worker.ts", import.meta.url), { type: "module" })),
    ),
    printing: new WorkerLine<PrintJobs>(() =>
      portOf(new Worker(new URL("../workers/print.worker.ts", import.meta.url), { type: "module" })),
    ),
    urls: new PreviewUrls(store, afterPaint),
    bitmaps: new Bitmaps((id, size) => previewOf(id, size, { store, pool, library })),
    templates: new TemplateShelf(store, newId),
    fonts: new FontShelf(fontUrls),
    desk: createDesk(),
    newId,
    now,
  };
}

export const KitContext = createContext<Kit | undefined>(undefined);

export function useKit(): Kit {
  const kit = useContext(KitContext);
  if (!kit) throw new Error("useKit outside of KitContext");
  return kit;
}
