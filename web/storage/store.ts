import type { Project, Step } from "#core/document";
import type { LabCard, OrderedSizes } from "#core/lab";
import type { NoteEvent } from "#core/notes";
import type { NamedSpan, Photo } from "#core/photo";
import type { Template } from "#core/templates";
import type { OwnFont } from "#core/words";

/** `small` for shelves and lists, made at once; `large` for a tile that fills the screen, made when first needed. */
export type PreviewSize = "small" | "large";

export interface NewPhoto {
  readonly photo: Photo;
  readonly original: Blob;
  readonly small: Blob;
}

/** A work among the removed. */
export interface RemovedWork {
  readonly id: string;
  readonly name: string;
  readonly pageCount: number;
  readonly removedAt: string;
}

/** What is shown of a work before it is opened. */
export interface ProjectCard {
  /** With its first two pages only. */
  readonly project: Project;
  readonly pageCount: number;
  readonly savedAt: string;
}

/** Names the step after which the pages last went out of the browser. */
export interface SentMark {
  readonly afterStep: string;
  /** Where they went; to disk where nothing is said. */
  readonly to?: "disk" | "lab";
}

export interface OpenedProject {
  readonly project: Project;
  readonly savedAt: string;
  readonly steps: readonly Step[];
  /** How many of the steps are done; the rest were undone. */
  readonly done: number;
  readonly sent: SentMark | undefined;
  /** Whether there were steps before that cannot be read any more. */
  readonly historyCut?: boolean;
  /** Whether its steps fell away because the work was kept in an earlier form. */
  readonly migrated?: boolean;
}

/** An order that was begun at a lab, by the number that the lab gave it. */
export interface SentOrder {
  readonly id: string;
  readonly projectId: string;
  readonly labName: string;
  readonly title: string;
  readonly at: string;
  readonly files: number;
  /** Of what was sent: an order of the same goes on where it stopped. */
  readonly mark: string;
  /** How many of which size, and what that costs by the lab's card; missing of orders from before. */
  readonly ordered?: OrderedSizes & { readonly currency: string | undefined };
}

/** A project as it was when a person gave that moment a name. */
export interface Snapshot {
  readonly id: string;
  readonly projectId: string;
  readonly name: string;
  readonly at: string;
  readonly project: Project;
  /** Kept by the program itself, before the work was first written in a new form. */
  readonly why?: "renewed";
}

export interface ProjectSave {
  readonly project: Project;
  readonly steps: readonly Step[];
  readonly done: number;
  readonly savedAt: string;
  readonly sent: SentMark | undefined;
}

/** All notes on one work. */
export interface StoredNotes {
  /** The work's. */
  readonly id: string;
  readonly events: readonly NoteEvent[];
  /** The id that the same work has where it came from, so that its notes find back there. */
  readonly sameAs?: string | undefined;
  /** The reading room that shows it; `null` where one was closed. */
  readonly room?: OpenRoom | null | undefined;
}

/** A reading room, as its maker knows it. */
export interface OpenRoom {
  readonly readerKey: string;
  readonly makerKey: string;
  readonly endsAt: string;
}

export interface PhotoStore {
  photos(): Promise<{ readonly photos: readonly Photo[]; readonly damaged: number }>;
  /** The same bytes are never kept twice: then the photo that is already here comes back. */
  addPhoto(photo: NewPhoto): Promise<{ readonly added: boolean; readonly photo: Photo }>;
  /** New facts for photos that are here; all of them or none. */
  putPhotos(photos: readonly Photo[]): Promise<void>;
  /** Another file for a photo that is here. */
  replacePhoto(photo: NewPhoto): Promise<void>;
  /** For good, with originals and previews. */
  forgetPhotos(photoIds: readonly string[]): Promise<void>;
  spans(): Promise<readonly NamedSpan[]>;
  keepSpans(spans: readonly NamedSpan[]): Promise<void>;
  /** Names of files that are on their way in, so that what a closed tab left undone can be told. */
  waiting(): Promise<readonly string[]>;
  keepWaiting(names: readonly string[]): Promise<void>;
  original(photoId: string): Promise<Blob | undefined>;
  /** Ids of all photos whose original is here. */
  originals(): Promise<readonly string[]>;
  preview(photoId: string, size: PreviewSize): Promise<Blob | undefined>;
  /** Many at once, in the order asked for; undefined where one is missing. */
  previews(wanted: readonly { readonly photoId: string; readonly size: PreviewSize }[]): Promise<(Blob | undefined)[]>;
  keepPreview(photoId: string, size: PreviewSize, preview: Blob): Promise<void>;
}

export interface ShelfStore {
  /** Templates of one's own; those that come along are no part of storage. */
  templates(): Promise<readonly Template[]>;
  putTemplates(templates: readonly Template[]): Promise<void>;
  removeTemplate(templateId: string): Promise<void>;
  /** Ids of templates, own ones and others. */
  favourites(): Promise<readonly string[]>;
  keepFavourites(templateIds: readonly string[]): Promise<void>;
  /** Lab cards of one's own; those that a server hands out are no part of storage. */
  labs(): Promise<readonly LabCard[]>;
  putLab(card: LabCard): Promise<void>;
  removeLab(labId: string): Promise<void>;
  /** Fonts of one's own. */
  fonts(): Promise<readonly OwnFont[]>;
  /** With a file that is new to it, or only what is known of it. */
  putFont(font: OwnFont, file?: { readonly hash: string; readonly file: Blob }): Promise<void>;
  fontFile(hash: string): Promise<Blob | undefined>;
}

export interface NoteStore {
  /** What was said of a work. */
  notes(projectId: string): Promise<Omit<StoredNotes, "id">>;
  /** Works here that are the one of this id, by their own or by that under which they came. */
  sameWorks(workId: string): Promise<readonly { readonly id: string; readonly name: string }[]>;
  /** Beside those that are kept already: another tab may have kept some meanwhile. `without`: ids of those that go. */
  keepNotes(notes: StoredNotes, without?: readonly string[]): Promise<void>;
  /** What went to labs of one project, the newest first. */
  orders(projectId: string): Promise<readonly SentOrder[]>;
  /** The same of all projects. */
  everyOrder(): Promise<readonly SentOrder[]>;
  putOrder(order: SentOrder): Promise<void>;
  removeOrder(orderId: string): Promise<void>;
}

export interface WorkStore {
  /** `damaged`: ids of works whose record cannot be read. */
  projects(): Promise<{ readonly cards: readonly ProjectCard[]; readonly damaged: readonly string[] }>;
  /** Of a work whose record cannot be read, what can be: its readable pages, and how many cannot. */
  salvage(projectId: string): Promise<{ readonly project: Project; readonly lostPages: number } | undefined>;
  openProject(projectId: string): Promise<OpenedProject | undefined>;
  saveProject(save: ProjectSave): Promise<void>;
  /** Of one project, the newest first. */
  snapshots(projectId: string): Promise<readonly Snapshot[]>;
  keepSnapshot(snapshot: Snapshot): Promise<void>;
  removeSnapshot(snapshotId: string): Promise<void>;
}

export interface RemovedStore {
  /** Puts it among what is removed, with its history and its snapshots. */
  removeProject(projectId: string, at: string): Promise<void>;
  /** Brings it back from there, as it was. */
  restoreProject(projectId: string): Promise<void>;
  /** The last removed first. */
  removedProjects(): Promise<readonly RemovedWork[]>;
  /** For good, with its history and its snapshots. */
  forgetProject(projectId: string): Promise<void>;
}

/** Everything that is kept, behind our own verbs. Each either happens as a whole or rejects with a StoreError. */
export interface Store extends PhotoStore, ShelfStore, NoteStore, WorkStore, RemovedStore {
  /** False for a store that forgets when the tab closes. */
  readonly lasting: boolean;
  /** Opens anew what was lost. What is not kept then has to be kept again by whoever has it. */
  tryAgain(): Promise<void>;
}

export type StoreTrouble =
  | "storageFull"
  | "storageRefused"
  | "storageLost"
  /** Another window holds what is kept and does not answer. */
  | "storageHeld"
  /** It has not answered for long. */
  | "storageSilent"
  /** It was written by a newer version of this program. */
  | "newerVersion"
  | "recordDamaged"
  /** Written by a program that is newer than this one. */
  | "workNewer"
  | "workRemoved"
  | "alreadyHere";

const troubles: readonly string[] = [
  "storageFull",
  "storageRefused",
  "storageLost",
  "storageHeld",
  "storageSilent",
  "newerVersion",
  "recordDamaged",
  "workNewer",
  "workRemoved",
  "alreadyHere",
] satisfies readonly StoreTrouble[];

export class StoreError extends Error {
  override readonly name = "StoreError";
  readonly code: StoreTrouble;
  constructor(code: StoreTrouble, cause?: unknown) {
    super(`${code}: ${cause instanceof Error ? cause.message : String(cause ?? "")}`, { cause });
    this.code = code;
  }
}

/** Browsers name a full disk in more than one way, and some give no reason at all. */
export function storeErrorFrom(e: unknown): StoreError {
  if (e instanceof StoreError) return e;
  if (typeof e !== "object" || e === null) return new StoreError("storageLost", e);
  const { name = "", message = "", code } = e as { name?: string; message?: string; code?: unknown };
  if (typeof code === "string" && troubles.includes(code)) return new StoreError(code as StoreTrouble, e);
  if (name === "QuotaExceededError" || name === "NS_ERROR_DOM_QUOTA_REACHED") return new StoreError("storageFull", e);
  if (/NO_SPACE|full disk|Failed to write blobs/i.test(message)) return new StoreError("storageFull", e);
  if (name === "VersionError") return new StoreError("newerVersion", e);
  if (name === "InvalidStateError" || name === "AbortError") return new StoreError("storageLost", e);
  return new StoreError("storageRefused", e);
}
