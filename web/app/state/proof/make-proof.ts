import { allTiles, captionedOn, everyPage, type Page, type Project, photosOf } from "#core/document";
import type { ProofData } from "#core/notes";
import { type NoteEvent, offersFor, wholeMark } from "#core/notes";
import type { Photo } from "#core/photo";
import { wordsNeeded } from "#core/scene";
import { WorkerError } from "../../../workers/protocol.ts";
import type { Services } from "../../services.ts";
import { noteFactsOf } from "../notes/note-facts.ts";
import { notesOf } from "../notes/notes-shelf.ts";
import { readingViews } from "../session/reading-views.ts";
import { type ProofPictures, proofFile } from "./proof-file.ts";
import { layProof } from "./proof-leaves.ts";

type Deps = Pick<Services, "library" | "store" | "fonts" | "printing" | "previewOf" | "newId" | "now">;

export const proofSizes = { screen: 1400, close: 2200 } as const;
export type ProofSize = keyof typeof proofSizes;

export interface ProofOptions {
  readonly size: ProofSize;
  /** Across every page; nothing where it is empty. */
  readonly mark: string;
  /** How many photos are offered for each page. */
  readonly offers: number;
  /** Whether what was said so far goes along. */
  readonly withNotes: boolean;
}

interface Doing {
  readonly signal: AbortSignal;
  readonly onProgress: (share: number) => void;
}

const offerPx = 200;

/** The open work as a file that others read by themselves. Failure codes are those of a picture of a page. */
export async function makeProof(deps: Deps, project: Project, options: ProofOptions, doing: Doing): Promise<Blob> {
  const { data, pictures } = await paintProof(deps, project, options, doing);
  return proofFile(data, pictures, await import("virtual:reader-program"));
}

export interface PaintedProof {
  readonly data: ProofData;
  readonly pictures: ProofPictures;
}

/** Everything that a proof consists of but its program. */
export async function paintProof(
  deps: Deps,
  project: Project,
  options: ProofOptions,
  doing: Doing,
): Promise<PaintedProof> {
  // A page that a reader approves must not be framed anew a moment later.
  await deps.library.looked(new Set(everyPage(project).flatMap((p) => photosOf(p, project.style))));
  doing.signal.throwIfAborted();
  const { byId } = deps.library.state.getState();
  const { language } = project;
  const facts = { ...noteFactsOf(byId, language), setter: deps.fonts };
  const views = readingViews(project, (id) => byId.get(id)?.takenAt);
  const needs = views.flatMap((v) => [v.left, v.right]).flatMap((l) => (l ? wordsNeeded(l.page, facts) : []));
  const lacking = await deps.fonts.loadFor(needs, language);
  if (lacking.length > 0) throw new WorkerError("fontMissing", lacking.join(", "));
  const laid = layProof(project, facts);
  const offered = offersOf(project, [...byId.values()], options.offers);
  const offers = [...new Set([...offered.values()].flat())];
  const steps = laid.leaves.length + offers.length + 1;
  let done = 0;
  const step = () => {
    doing.signal.throwIfAborted();
    done += 1;
    doing.onProgress(done / steps);
  };
  const leaves: Blob[] = [];
  for (const { view } of laid.leaves) {
    const page = view.page.page;
    const ids = [...new Set(photosOf(page, project.style))];
    const photos = await Promise.all(ids.map((id) => pictureOf(deps, byId.get(id), id)));
    // Of a photo that words follow only what is known of it is needed.
    for (const id of captionedOn(page)) {
      const photo = byId.get(id);
      if (photo && !ids.includes(id)) photos.push({ photo, preview: new Blob() });
    }
    const longPx = proofSizes[options.size];
    const widthPx = Math.round(longPx * Math.min(1, view.box.w / view.box.h));
    const order = { page: view.page, box: view.box, widthPx, photos, ownFonts: deps.fonts.own(), language };
    leaves.push(
      await deps.printing.run(
        "proofPicture",
        { ...order, mark: options.mark },
        { signal: doing.signal, deadlineMs: 60_000 },
      ),
    );
    step();
  }
  const small: Blob[] = [];
  for (const id of offers) {
    small.push(await smaller((await pictureOf(deps, byId.get(id), id)).preview));
    step();
  }
  const shelf = notesOf(deps);
  const events: readonly NoteEvent[] = options.withNotes ? await shelf.whole(project.id) : [];
  const data: ProofData = {
    format: "tessip-proof",
    version: 1,
    workId: await shelf.commonId(project.id),
    workName: project.name,
    madeAt: deps.now(),
    maker: shelf.state.getState().me,
    mark: wholeMark(new Map(laid.leaves.map(({ leaf }) => [leaf.pageId, leaf.mark])).values()),
    leaves: laid.leaves.map(({ leaf }) => ({
      ...leaf,
      offers: (offered.get(leaf.pageId) ?? []).map((id) => offers.indexOf(id)),
    })),
    views: laid.views,
    offers: offers.map((id) => ({ hash: byId.get(id)!.hash, name: byId.get(id)!.name })),
    events,
  };
  step();
  return { data, pictures: { leaves, offers: small } };
}

/** For each page the photos that may take the place of those on it. */
function offersOf(project: Project, photos: readonly Photo[], most: number): ReadonlyMap<string, readonly string[]> {
  const candidates = photos.filter((p) => !p.removed && !p.hidden && p.section === "photos");
  const byId = new Map(photos.map((p) => [p.id, p]));
  const placed = new Set(everyPage(project).flatMap((p) => photosOf(p, project.style)));
  const on = (page: Page) =>
    allTiles(page).flatMap(({ filling }) =>
      filling.kind === "photo" && !filling.view.repeats ? (byId.get(filling.view.photoId) ?? []) : [],
    );
  return new Map(everyPage(project).map((p) => [p.id, offersFor(on(p), candidates, placed, most)]));
}

async function pictureOf(deps: Deps, photo: Photo | undefined, id: string): Promise<{ photo: Photo; preview: Blob }> {
  const preview = photo && (await deps.previewOf(id, "large"));
  if (!photo || !preview) throw new WorkerError("photoUnreadable", photo?.name ?? id);
  return { photo, preview };
}

async function smaller(picture: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(picture);
  const k = Math.min(1, offerPx / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * k)),
    Math.max(1, Math.round(bitmap.height * k)),
  );
  const ctx = canvas.getContext("2d", { alpha: false });
  ctx?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas.convertToBlob({ type: "image/jpeg", quality: 0.8 });
}
