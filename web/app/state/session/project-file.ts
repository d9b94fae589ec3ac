import { allTiles, everyPage, type Project } from "#core/document";
import { BrokenZip, crc32, listZip, type StoredEntry, storedZip, withoutPlaces, type ZipEntry } from "#core/files";
import type { Photo } from "#core/photo";
import {
  fontsUsedBy,
  originalPath,
  ownFontPath,
  type ProjectFile,
  photoIdsOf,
  projectFileOf,
  readProjectFile,
  withPhotoIds,
} from "#core/project-file";
import { faceKey, faceKeysFor } from "#core/words";
import { sha256 } from "../../../storage/sha256.ts";
import { bytesOf, contentOf, ZipEntryError } from "../../../storage/zip-entry.ts";
import { fontUrls } from "../../../words/font-urls.ts";
import type { Services } from "../../services.ts";
import { notesOf } from "../notes/notes-shelf.ts";

/** A whole project as one file: a zip with `project.json`, originals, fonts and a preview. */

export type ProjectFileFault = "notAProjectFile" | "newerVersion" | "damagedProject" | "fileCutOff" | "originalMissing";

export class ProjectFileError extends Error {
  override readonly name = "ProjectFileError";
  readonly code: ProjectFileFault;
  constructor(code: ProjectFileFault, message = "") {
    super(message);
    this.code = code;
  }
}

interface Doing {
  readonly signal: AbortSignal;
  readonly onProgress: (share: number) => void;
}

type Deps = Pick<Services, "library" | "store" | "ownFonts" | "newId" | "now">;

/** The checksum of content that may be larger than memory. */
async function crcOf(content: Blob, signal: AbortSignal): Promise<number> {
  const reader = content.stream().getReader();
  let crc = 0;
  for (;;) {
    signal.throwIfAborted();
    const { done, value } = await reader.read();
    if (done) return crc;
    crc = crc32(value, crc);
  }
}

export interface WrittenProject {
  readonly file: Blob;
  /** Names of photos whose originals are not here. */
  readonly missing: readonly string[];
  /** Own fonts whose makers keep them out of files, or that are not here themselves. */
  readonly fontsLeftOut: readonly string[];
}

/**
 * The file, put together from parts that stay where they are: originals are read once, for their checksums, and never held.
 * An original that is gone is no reason to keep the rest from a person; its name is given back. `places`: whether originals
 * go along with where they were taken.
 */
export async function writeProjectFile(
  services: Deps,
  project: Project,
  doing: Doing,
  { places = true }: { readonly places?: boolean } = {},
): Promise<WrittenProject> {
  const { byId, spans } = services.library.state.getState();
  const photos = photoIdsOf(project).flatMap((id) => byId.get(id) ?? []);
  const missing: string[] = [];
  const contents: { readonly path: string; readonly content: Blob }[] = [];
  const written: Photo[] = [];
  for (const photo of photos) {
    // Whatever can still be read goes along: the file may be the last way to keep it.
    const original = await services.store.original(photo.id).catch(() => undefined);
    if (!original) {
      missing.push(photo.name);
      continue;
    }
    const content = places ? original : await placeless(original);
    const bare = content === original ? photo : { ...photo, hash: await sha256(await content.arrayBuffer()) };
    contents.push({ path: originalPath(bare), content });
    written.push(bare);
  }
  const own = services.ownFonts.state.getState().fonts;
  const used = new Set(fontsUsedBy(project));
  const ownUsed = own.filter((f) => used.has(f.id));
  const keptBack: string[] = [];
  for (const { name, faces } of ownUsed)
    for (const { hash, embedding } of faces) {
      const file = embedding === "never" ? undefined : services.ownFonts.fileOf(hash);
      if (file) contents.push({ path: ownFontPath(hash), content: file });
      else keptBack.push(name);
    }
  for (const { path, url } of fontsOf(project)) {
    const answer = await fetch(url).catch(() => undefined);
    if (answer?.ok) contents.push({ path, content: await answer.blob() });
  }
  const preview = written[0] && (await services.store.preview(written[0].id, "small").catch(() => undefined));
  if (preview) contents.push({ path: "preview.jpg", content: preview });
  const events = await notesOf(services).whole(project.id);
  const notes = { workId: await notesOf(services).commonId(project.id), events };
  const json = JSON.stringify(projectFileOf(project, written, spans, { fonts: ownUsed, notes }));
  contents.unshift({ path: "project.json", content: new Blob([json], { type: "application/json" }) });
  const entries: StoredEntry[] = [];
  for (const [i, { path, content }] of contents.entries()) {
    entries.push({ path, bytes: content.size, crc: await crcOf(content, doing.signal) });
    doing.onProgress((i + 1) / contents.length);
  }
  const { headers, directory } = storedZip(entries);
  const parts = contents.flatMap(({ content }, i) => [headers[i]!, content]);
  return {
    file: new Blob([...parts, directory], { type: "application/zip" }),
    missing,
    fontsLeftOut: [...new Set(keptBack)],
  };
}

/** The original without where it was taken; only what was written over is held in memory. */
async function placeless(original: Blob): Promise<Blob> {
  const before = new Uint8Array(await original.arrayBuffer());
  const after = withoutPlaces(before);
  if (after === before) return original;
  let [from, to] = [0, after.length];
  while (after[from] === before[from]) from += 1;
  while (after[to - 1] === before[to - 1]) to -= 1;
  return new Blob([original.slice(0, from), after.slice(from, to), original.slice(to)], { type: original.type });
}

/** The files of fonts that came along with the program, of the faces that words are set in. */
function fontsOf(project: Project): { readonly path: string; readonly url: string }[] {
  const keys = new Set(
    everyPage(project).flatMap((p) =>
      allTiles(p).flatMap(({ filling }) =>
        filling.kind === "words" ? faceKeysFor({ text: "", style: filling.style, spans: filling.spans }) : [],
      ),
    ),
  );
  if (project.cover && project.spine) keys.add(faceKey(project.spine.style));
  if (project.book?.numbers.shown) keys.add(faceKey(project.book.numbers.style));
  return [...keys].flatMap((key) => (fontUrls.get(key) ?? []).map((url) => ({ path: url.slice(1), url })));
}

const mostJsonBytes = 200_000_000;

async function readHead(
  archive: File,
): Promise<{ readonly head: ProjectFile; readonly byPath: ReadonlyMap<string, ZipEntry> }> {
  let entries: readonly ZipEntry[];
  try {
    entries = await listZip((from, to) => bytesOf(archive, from, to), archive.size);
  } catch (e) {
    // The directory stands at the end: a file that begins as a zip and has none was cut off.
    const begins = await bytesOf(archive, 0, 4);
    const zip = begins[0] === 0x50 && begins[1] === 0x4b;
    if (e instanceof BrokenZip) throw new ProjectFileError(zip ? "fileCutOff" : "notAProjectFile");
    throw e;
  }
  // Only names that are asked for are ever used; where an entry wants to lie is none of its business.
  const byPath = new Map(entries.map((e) => [e.path, e]));
  const json = byPath.get("project.json");
  if (!json || json.bytes > mostJsonBytes || json.packedBytes > mostJsonBytes)
    throw new ProjectFileError("notAProjectFile");
  const text = await contentOf(archive, json)
    .then((c) => c.text())
    .catch((e: unknown) => {
      if (e instanceof ZipEntryError || e instanceof BrokenZip) throw new ProjectFileError("damagedProject", e.message);
      throw e;
    });
  const read = readProjectFile(text);
  if (!read.ok) throw new ProjectFileError(read.code, JSON.stringify(read.facts));
  return { head: read.value, byPath };
}

export interface BroughtProject {
  /** With the ids that its photos have in this library. */
  readonly project: Project;
  readonly notes: NonNullable<ProjectFile["notes"]>;
  /** Names of photos whose originals were not in the file, or were not what it said. */
  readonly missing: readonly string[];
  /** Names of fonts that the project is set in and that did not come along. */
  readonly fontsMissing: readonly string[];
}

/** What a project file says of itself, before anything of it is taken. */
export async function readNotesOf(
  archive: File,
): Promise<Required<Pick<ProjectFile, "notes">>["notes"] & { readonly name: string }> {
  const { head } = await readHead(archive);
  const { workId, events } = head.notes ?? { workId: head.project.id, events: [] };
  return { workId, events, name: head.project.name };
}

/** Reads a project file; its photos come into the library, unless their bytes are here already. */
export async function readProjectArchive(services: Deps, archive: File, doing: Doing): Promise<BroughtProject> {
  const { head, byPath } = await readHead(archive);
  const ids = new Map<string, string>();
  const missing: string[] = [];
  for (const [i, photo] of head.photos.entries()) {
    doing.signal.throwIfAborted();
    const entry = byPath.get(originalPath(photo));
    try {
      if (!entry) throw new ProjectFileError("originalMissing", photo.name);
      const file = new File([await contentOf(archive, entry)], photo.name, { type: photo.type });
      ids.set(photo.id, (await services.library.takeIn(photo, file)).id);
    } catch (e) {
      if (doing.signal.aborted) throw e;
      missing.push(photo.name);
    }
    doing.onProgress((i + 1) / head.photos.length);
  }
  services.library.showTaken();
  // What its words do not use has no business in a person's list.
  const used = new Set(fontsUsedBy(head.project));
  const fonts = (head.fonts ?? []).filter((f) => used.has(f.id));
  for (const font of fonts)
    await services.ownFonts.takeOver(font, async (hash) => {
      const entry = byPath.get(ownFontPath(hash));
      return entry && contentOf(archive, entry).catch(() => undefined);
    });
  const fontsMissing = fonts.filter((f) => !services.ownFonts.isHere(f)).map((f) => f.name);
  const notes = head.notes ?? { workId: head.project.id, events: [] };
  return { project: withPhotoIds(head.project, (id) => ids.get(id) ?? id), notes, missing, fontsMissing };
}
