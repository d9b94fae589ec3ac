import { nanoid } from "nanoid";
import { createContext, useContext } from "react";
import type { Photo } from "#core/photo";
import { Bitmaps } from "../pictures/bitmaps.ts";
import { previewLongPx } from "../pictures/preview-sizes.ts";
import { PreviewUrls } from "../pictures/preview-urls.ts";
import type { KeeperJobs } from "../storage/keeper-jobs.ts";
import { Keeping } from "../storage/keeping.ts";
import { forgetMark, type Mark, readMark, writeMark } from "../storage/marks.ts";
import { openMemoryStore } from "../storage/memory-store.ts";
import { sweepOriginals } from "../storage/originals.ts";
import { type PreviewSize, type Store, StoreError, storeErrorFrom } from "../storage/store.ts";
import { safeFolder } from "../text/now/keeping.ts";
import { FontShelf } from "../words/font-shelf.ts";
import { fontUrls } from "../words/font-urls.ts";
import type { ArrangeJobs, CheckJobs, FocusJobs, PhotoJobs, PrintJobs } from "../workers/jobs.ts";
import { WorkerPool } from "../workers/pool.ts";
import { portOf, WorkerClient } from "../workers/worker-client.ts";
import { TemplateShelf } from "./state/edit/template-shelf.ts";
import { Library } from "./state/library/library.ts";
import { deadlineFor } from "./state/library/library-rules.ts";
import { OwnFontShelf } from "./state/own-fonts/own-fonts.ts";
import { createViewState, type ViewStateStore } from "./state/view-state/view-state.ts";

/** Everything that the screens share and that is not theirs, handed in from one spot. */
export interface Services {
  readonly store: Store;
  /** Undefined where this browser keeps nothing. */
  readonly keeping: Keeping | undefined;
  /** What was here and is not any more. */
  readonly lost: Mark | undefined;
  readonly library: Library;
  readonly arranging: WorkerClient<ArrangeJobs>;
  readonly printing: WorkerClient<PrintJobs>;
  readonly checking: WorkerClient<CheckJobs>;
  /** A preview, made where there is none; nothing where its original is gone. */
  readonly previewOf: (photoId: string, size: PreviewSize) => Promise<Blob | undefined>;
  readonly urls: PreviewUrls;
  readonly bitmaps: Bitmaps;
  readonly templates: TemplateShelf;
  readonly fonts: FontShelf;
  readonly ownFonts: OwnFontShelf;
  readonly viewState: ViewStateStore;
  /** Looks at small pictures: for faces, and for how a pattern comes again. */
  readonly finder: WorkerClient<FocusJobs>;
  readonly newId: () => string;
  readonly now: () => string;
}

/** A preview that was lost, or that nobody needed before, is made from the original and kept. */
async function madePreview(
  photo: Photo,
  size: PreviewSize,
  from: { readonly store: Store; readonly pool: WorkerPool<PhotoJobs> },
): Promise<Blob | undefined> {
  const original = await from.store.original(photo.id);
  if (!original) return undefined;
  const made =
    photo.type === "image/svg+xml"
      ? await (await import("../pictures/read-svg.ts")).drawingPreview(original, photo, previewLongPx[size])
      : await from.pool.run("makePreview", { photo, original, size }, { deadlineMs: deadlineFor(original.size) });
  await from.store.keepPreview(photo.id, size, made);
  return made;
}

const newId = () => nanoid(12);
const now = () => new Date().toISOString();

/** Work put off in a frame runs once that frame is on screen. */
const afterPaint = (work: () => void) => void requestAnimationFrame(() => setTimeout(work));

interface OpenedStore {
  readonly store: Store;
  readonly keeping: Keeping | undefined;
  readonly lost: Mark | undefined;
}

/** Rejects with a StoreError where something is kept and cannot be read: then nothing may begin as if it were new. */
async function openStore(): Promise<OpenedStore> {
  const mark = readMark();
  try {
    const line = new WorkerClient<KeeperJobs>(() => {
      const port = portOf(
        new Worker(new URL("../worker-programs/keeper.worker.ts", import.meta.url), { type: "module" }),
      );
      // One that is started again has to be told again; nothing waits for its answer.
      port.send({ kind: "run", id: 0, job: "speak", input: safeFolder.inFiles });
      return port;
    });
    const keeping = new Keeping(line);
    const { works, photos } = await keeping.open();
    const empty = works === 0 && photos === 0;
    const lost = empty && mark && mark.works + mark.photos > 0 ? mark : undefined;
    // What was here is told until something is here again, or the person begins afresh.
    keeping.onCounts((counts) => {
      if (counts.works + counts.photos > 0 || !lost) writeMark({ ...counts, at: now() });
    });
    return { store: keeping.store(), keeping, lost };
  } catch (e) {
    const why = e instanceof DOMException ? new StoreError("storageRefused", e) : storeErrorFrom(e);
    const nothingKept = why.code === "storageRefused" || why.code === "storageLost";
    if (mark || !nothingKept) throw why;
    return { store: openMemoryStore(), keeping: undefined, lost: undefined };
  }
}

export async function openServices(): Promise<Services> {
  const { store, keeping, lost } = await openStore();
  const pool = new WorkerPool<PhotoJobs>(2, () =>
    portOf(new Worker(new URL("../worker-programs/photo.worker.ts", import.meta.url), { type: "module" })),
  );
  const finder = new WorkerClient<FocusJobs>(() =>
    portOf(new Worker(new URL("../worker-programs/focus.worker.ts", import.meta.url), { type: "module" })),
  );
  const printing = new WorkerClient<PrintJobs>(() =>
    portOf(new Worker(new URL("../worker-programs/print.worker.ts", import.meta.url), { type: "module" })),
  );
  const readSvg = async (file: File) => (await import("../pictures/read-svg.ts")).readSvg(file);
  const made = (photoId: string, size: PreviewSize) => {
    const photo = library.state.getState().byId.get(photoId);
    return photo ? madePreview(photo, size, { store, pool }).catch(() => undefined) : undefined;
  };
  const previewOf = async (photoId: string, size: PreviewSize) =>
    (await store.preview(photoId, size)) ?? (await made(photoId, size));
  const full = () => keeping?.state.getState().full ?? false;
  const library = new Library({
    store,
    pool,
    finder,
    making: () => printing.busy,
    readSvg,
    previewOf,
    full,
    newId,
    now,
  });
  const fonts = new FontShelf(fontUrls);
  const ownFonts = new OwnFontShelf(store, fonts);
  await Promise.all([library.load(), ownFonts.load().catch(() => {})]);
  if (keeping) void afterOpening(keeping, library, ownFonts);
  return {
    store,
    keeping,
    lost,
    library,
    finder,
    arranging: new WorkerClient<ArrangeJobs>(() =>
      portOf(new Worker(new URL("../worker-programs/arrange.worker.ts", import.meta.url), { type: "module" })),
    ),
    checking: new WorkerClient<CheckJobs>(() =>
      portOf(new Worker(new URL("../worker-programs/check.worker.ts", import.meta.url), { type: "module" })),
    ),
    printing,
    previewOf,
    urls: new PreviewUrls(async (wanted) => {
      const found = await store.previews(wanted);
      return Promise.all(found.map((blob, i) => blob ?? made(wanted[i]!.photoId, wanted[i]!.size)));
    }, afterPaint),
    bitmaps: new Bitmaps(
      (id, size) => (size === "whole" ? store.original(id) : previewOf(id, size)),
      (picture, tone) => pool.run("tonePicture", { picture, tone }),
    ),
    templates: new TemplateShelf(store, newId),
    fonts,
    ownFonts,
    viewState: createViewState(),
    newId,
    now,
  };
}

/** What can wait until the first screen is there. */
async function afterOpening(keeping: Keeping, library: Library, ownFonts: OwnFontShelf): Promise<void> {
  const { byId, removed } = library.state.getState();
  const all = [...byId.values(), ...removed];
  const changed = await keeping.moveOriginals(all).catch(() => []);
  library.takeOver(changed);
  await keeping.askToStay();
  // After every bringing-in there is more to lose.
  let coming = false;
  library.state.subscribe(({ incoming }) => {
    if (coming && !incoming) void keeping.askToStay();
    coming = incoming !== undefined;
  });
  if (!ownFonts.loaded) return;
  await sweepOriginals(new Set([...all.map((p) => p.hash), ...ownFonts.hashes()]), Date.now()).catch(() => {});
}

/** The person has seen that what was here is gone, and begins anew. */
export const startAfresh = (): void => forgetMark();

export const ServicesContext = createContext<Services | undefined>(undefined);

export function useServices(): Services {
  const services = useContext(ServicesContext);
  if (!services) throw new Error("useKit outside of KitContext");
  return services;
}
