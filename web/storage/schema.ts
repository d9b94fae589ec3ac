import type { DBSchema, IDBPDatabase, IDBPTransaction, StoreNames } from "idb";
import type { Page, Project, Step } from "#core/document";
import type { LabCard } from "#core/lab";
import type { NamedSpan, Photo } from "#core/photo";
import type { Template } from "#core/templates";
import type { OwnFont } from "#core/words";
import type { SentMark, SentOrder, Snapshot, StoredNotes } from "./store.ts";

export interface StoredProject {
  readonly id: string;
  readonly project: Project;
  readonly done: number;
  readonly savedAt: string;
  /** The number of the oldest step that is kept. */
  readonly firstStep: number;
  readonly sent?: SentMark | undefined;
  /** The order of its pages, each of which is a record of its own; missing where they still stand in the project. */
  readonly pageIds?: readonly string[];
  /** When it was put among what is removed. */
  readonly removedAt?: string | undefined;
}

/** How far the database has followed the journal. */
export interface Applied {
  readonly journalId: string;
  readonly seq: number;
}

export interface Kept extends DBSchema {
  photos: { key: string; value: Photo; indexes: { byHash: string } };
  /** Where the browser has no files of its own for originals, and from before they lay there. */
  originals: { key: string; value: Blob };
  /** `photoId/size` */
  previews: { key: string; value: Blob };
  projects: { key: string; value: StoredProject };
  spans: { key: string; value: NamedSpan };
  /** One record, `incoming`: names of files on their way in. */
  waiting: { key: string; value: readonly string[] };
  templates: { key: string; value: Template };
  /** One record, `templates`: ids. */
  favourites: { key: string; value: readonly string[] };
  /** [projectId, pageId] */
  pages: { key: [string, string]; value: Page };
  snapshots: { key: string; value: Snapshot; indexes: { byProject: string } };
  /** [projectId, number]: numbers only grow, so that a step keeps its record while older ones fall away. */
  steps: { key: [string, number]; value: Step };
  labs: { key: string; value: LabCard };
  orders: { key: string; value: SentOrder; indexes: { byProject: string } };
  /** Their files lie among the originals. */
  fonts: { key: string; value: OwnFont };
  /** By the work that they speak of. */
  notes: { key: string; value: StoredNotes };
  /** `applied`; `safeFolder`, a handle. */
  meta: { key: string; value: unknown };
}

export type Db = IDBPDatabase<Kept>;
type Upgrade = (db: Db, tx: IDBPTransaction<Kept, StoreNames<Kept>[], "versionchange">) => void;

/** Entry n brings version n to n + 1. Append only: what has shipped is never edited. */
export const upgrades: readonly Upgrade[] = [
  (db) => {
    db.createObjectStore("photos", { keyPath: "id" }).createIndex("byHash", "hash", { unique: true });
    db.createObjectStore("originals");
    db.createObjectStore("previews");
    db.createObjectStore("projects", { keyPath: "id" });
    db.createObjectStore("steps");
  },
  (db) => {
    db.createObjectStore("spans", { keyPath: "id" });
    db.createObjectStore("waiting");
  },
  (db) => {
    db.createObjectStore("templates", { keyPath: "id" });
    db.createObjectStore("favourites");
  },
  (db) => {
    db.createObjectStore("snapshots", { keyPath: "id" }).createIndex("byProject", "projectId");
  },
  (db) => {
    db.createObjectStore("pages");
  },
  (db) => {
    db.createObjectStore("labs", { keyPath: "id" });
    db.createObjectStore("orders", { keyPath: "id" }).createIndex("byProject", "projectId");
  },
  (db, tx) => {
    db.createObjectStore("meta");
    // A photo whose file was replaced by one that lies among the removed may meet it by hash.
    tx.objectStore("photos").deleteIndex("byHash");
    tx.objectStore("photos").createIndex("byHash", "hash");
  },
  (db) => {
    db.createObjectStore("fonts", { keyPath: "id" });
  },
  (db) => {
    db.createObjectStore("notes", { keyPath: "id" });
  },
];

export const databaseName = "tessip";
