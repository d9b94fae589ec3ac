import { createStore } from "zustand/vanilla";
import { crc32, storedZip } from "#core/files";
import { WorkerError } from "../../../workers/protocol.ts";
import type { NamedFile } from "./lab-client.ts";
import { openPacketStore, type PacketStore } from "./packet-store.ts";

/** One file to be made. */
export interface SendTask {
  /** Which part of the work it is; what is made is kept under it, whatever the file is called. */
  readonly key: string;
  readonly name: string;
  make(how: {
    readonly keepAs: { readonly folder: string; readonly name: string } | undefined;
    readonly signal: AbortSignal;
    readonly onProgress: (share: number) => void;
  }): Promise<Blob>;
}

export const places = ["each", "zip", "folder", "lab"] as const;
/** Each among the downloads, all in one zip there, in a folder that the person chose, or sent to the lab. */
export type SendTo = (typeof places)[number];

export interface SendOrder {
  readonly tasks: readonly SendTask[];
  readonly to: SendTo;
  /** What the zip is called. */
  readonly zipName: string;
  readonly folder?: FileSystemDirectoryHandle | undefined;
  /** Of the project's state and of what is asked for; files of another mark are made again. */
  readonly mark: string;
  /** Hands everything to the lab. */
  readonly deliver?: (
    files: readonly NamedFile[],
    how: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
  ) => Promise<void>;
  /** Goes into the zip as well. */
  readonly beside?: (files: readonly NamedFile[]) => Promise<readonly NamedFile[]>;
  /** Whether files of the same names in the folder may be written over. */
  readonly replaces?: boolean;
  /** Leaves out what could not be made, in place of handing over nothing. */
  readonly withoutRefused?: boolean;
  /** The lab takes no larger files. */
  readonly mostBytes?: number | undefined;
}

export interface SendState {
  readonly is: "idle" | "making" | "handing" | "paused" | "stopped" | "failed" | "saved";
  /** Of what was asked for the last time. */
  readonly mark: string;
  readonly names: readonly string[];
  readonly done: number;
  /** Of the file that is being made. */
  readonly share: number;
  readonly bytes: number;
  /** Files that came out larger than the lab takes. */
  readonly tooLarge: readonly { readonly name: string; readonly bytes: number }[];
  readonly failure: Failure | undefined;
  /** Files that could not be made, each with its reason; the others are. */
  readonly refused: readonly (Failure & { readonly name: string })[];
  /** Made by a tab that closed before all were done. */
  readonly left: { readonly mark: string; readonly done: number; readonly of: number } | undefined;
}

interface Failure {
  readonly code: string;
  readonly message: string;
}

const idle: SendState = {
  is: "idle",
  mark: "",
  names: [],
  done: 0,
  share: 0,
  bytes: 0,
  tooLarge: [],
  failure: undefined,
  refused: [],
  left: undefined,
};

type Deps = {
  readonly projectId: string;
  readonly saveToDisk: (file: Blob, name: string) => void | Promise<void>;
  /** Where files are kept while they are made; in memory where there is nothing of the kind. */
  readonly openStore?: (projectId: string) => Promise<PacketStore | undefined>;
};

/** Makes files one after the other and hands them over; what is done stays done, whatever happens. Knows nothing of React. */
export class Sender {
  readonly state = createStore<SendState>(() => idle);
  readonly #deps: Deps;
  #store: Promise<PacketStore | undefined> | undefined;
  #stop = new AbortController();
  #goOn: (() => void) | undefined;
  #kept = new Map<string, Blob>();
  #keptMark = "";

  constructor(given: Deps) {
    this.#deps = given;
  }

  #files(): Promise<PacketStore | undefined> {
    this.#store ??= (this.#deps.openStore ?? openPacketStore)(this.#deps.projectId).catch(() => undefined);
    return this.#store;
  }

  /** Looks for what a closed tab left behind. */
  async look(): Promise<void> {
    const record = await (await this.#files())?.read();
    if (!record || this.state.getState().is !== "idle" || record.done.length === 0) return;
    const { mark, done, names } = record;
    this.state.setState({ left: { mark, done: done.length, of: names.length } });
  }

  /** Rejects never: what goes wrong is in the state. True when everything was handed over. */
  async send(order: SendOrder): Promise<boolean> {
    this.#stop = new AbortController();
    const names = order.tasks.map((t) => t.name);
    this.state.setState({ ...idle, is: "making", mark: order.mark, names }, true);
    try {
      if (new Set(names.map((n) => n.toLowerCase())).size < names.length)
        throw new WorkerError("namesMeet", twice(names));
      const done = await this.#alreadyDone(order.mark);
      const files: NamedFile[] = [];
      for (const task of order.tasks) {
        const file = done.get(task.key) ?? (await this.#makeOrRefuse(order, task, done));
        if (!file) continue;
        files.push({ name: task.name, file });
        if (order.to === "each") await this.#deps.saveToDisk(file, task.name);
        this.state.setState((s) => ({ done: files.length, share: 0, bytes: s.bytes + file.size }));
        await this.#whilePaused();
      }
      const { refused } = this.state.getState();
      if (refused.length > 0 && (!order.withoutRefused || files.length === 0))
        throw new WorkerError(refused[0]!.code, refused[0]!.message);
      const tooLarge = files
        .filter(({ file }) => file.size > (order.mostBytes ?? Number.POSITIVE_INFINITY))
        .map(({ name, file }) => ({ name, bytes: file.size }));
      this.state.setState({ is: "handing", tooLarge });
      if (order.to === "zip") {
        const beside = (await order.beside?.(files)) ?? [];
        await this.#deps.saveToDisk(await this.#zipped([...files, ...beside]), order.zipName);
      }
      if (order.to === "lab" && order.deliver) {
        const onProgress = (share: number) => this.state.setState({ share });
        await order.deliver(files, { signal: this.#stop.signal, onProgress });
      }
      if (order.to === "folder" && order.folder) {
        const there = order.replaces ? [] : await alreadyIn(order.folder, files);
        if (there.length > 0) throw new WorkerError("folderHas", there.join(", "));
        await intoFolder(order.folder, files, this.#stop.signal);
      }
      this.state.setState({ is: "saved" });
      // Made once more, they are made anew; until then a download may still be reading them.
      const store = await this.#files();
      await store?.write({ mark: "", names: [], done: [] }).catch(() => {});
      return true;
    } catch (e) {
      if (this.#stop.signal.aborted) {
        this.#kept.clear();
        await (await this.#files())?.clear();
        this.state.setState({ is: "stopped" });
      } else this.state.setState({ is: "failed", failure: failureOf(e) });
      return false;
    }
  }

  async #alreadyDone(mark: string): Promise<Map<string, Blob>> {
    const store = await this.#files();
    if (!store) {
      if (this.#keptMark !== mark) this.#kept = new Map();
      this.#keptMark = mark;
      return this.#kept;
    }
    const record = await store.read();
    if (record?.mark !== mark) {
      await store.clear();
      return new Map();
    }
    const found = new Map<string, Blob>();
    for (const { name } of record.done) {
      const file = await store.file(name);
      if (file) found.set(name, file);
    }
    return found;
  }

  /** What is wrong with one file is no reason to leave the others. */
  async #makeOrRefuse(order: SendOrder, task: SendTask, done: Map<string, Blob>): Promise<Blob | undefined> {
    try {
      return await this.#make(order, task, done);
    } catch (e) {
      const failure = failureOf(e);
      if (this.#stop.signal.aborted || order.tasks.length === 1 || !ofOneFile.has(failure.code)) throw e;
      this.state.setState((s) => ({ refused: [...s.refused, { name: task.name, ...failure }], share: 0 }));
      return undefined;
    }
  }

  async #make(order: SendOrder, task: SendTask, done: Map<string, Blob>): Promise<Blob> {
    const store = await this.#files();
    const { signal } = this.#stop;
    const file = await task.make({
      keepAs: store && { folder: store.folder, name: task.key },
      signal,
      onProgress: (share) => this.state.setState({ share }),
    });
    signal.throwIfAborted();
    done.set(task.key, file);
    const record = [...done].map(([name, f]) => ({ name, bytes: f.size }));
    await store?.write({ mark: order.mark, names: order.tasks.map((t) => t.key), done: record });
    return file;
  }

  pause(): void {
    if (this.state.getState().is === "making") this.state.setState({ is: "paused" });
  }

  goOn(): void {
    if (this.state.getState().is === "paused") this.state.setState({ is: "making" });
    this.#goOn?.();
  }

  /** Leaves nothing behind. */
  stop(): void {
    this.#stop.abort();
    this.#goOn?.();
  }

  /** The file that is being made is finished first. */
  async #whilePaused(): Promise<void> {
    while (this.state.getState().is === "paused" && !this.#stop.signal.aborted)
      await new Promise<void>((goOn) => {
        this.#goOn = goOn;
      });
    this.#stop.signal.throwIfAborted();
  }

  async #zipped(files: readonly NamedFile[]): Promise<Blob> {
    const entries = [];
    for (const { name, file } of files) {
      let crc = 0;
      for await (const part of file.stream() as unknown as AsyncIterable<Uint8Array>) {
        this.#stop.signal.throwIfAborted();
        crc = crc32(part, crc);
      }
      entries.push({ path: name, bytes: file.size, crc });
    }
    const { headers, directory } = storedZip(entries);
    return new Blob([...files.flatMap(({ file }, i) => [headers[i]!, file]), directory], { type: "application/zip" });
  }
}

/** Failures that say nothing of the other files. */
const ofOneFile: ReadonlySet<string> = new Set([
  "fileWrong",
  "photoUnreadable",
  "fontMissing",
  "tooLargeForKind",
  "tooLargeHere",
  "jobFailed",
]);

const twice = (names: readonly string[]): string =>
  names.find((n, i) => names.findIndex((m) => m.toLowerCase() === n.toLowerCase()) < i) ?? "";

/** Which of these names a folder holds already. */
async function alreadyIn(folder: FileSystemDirectoryHandle, files: readonly NamedFile[]): Promise<string[]> {
  const there: string[] = [];
  for (const { name } of files) if (await folder.getFileHandle(name).catch(() => undefined)) there.push(name);
  return there;
}

/** Each is written as a stream, and its size is looked at again afterwards. */
async function intoFolder(
  folder: FileSystemDirectoryHandle,
  files: readonly { readonly name: string; readonly file: Blob }[],
  signal: AbortSignal,
): Promise<void> {
  for (const { name, file } of files) {
    const handle = await folder.getFileHandle(name, { create: true });
    await file.stream().pipeTo(await handle.createWritable(), { signal });
    const written = await handle.getFile();
    if (written.size !== file.size)
      throw new WorkerError("folderWrong", `${name}: ${written.size} of ${file.size} bytes`);
  }
}

function failureOf(e: unknown): Failure {
  if (e instanceof WorkerError) return { code: e.code, message: e.message };
  if (e instanceof DOMException && e.name === "QuotaExceededError") return { code: "storageFull", message: e.message };
  if (e instanceof DOMException && ["NotAllowedError", "NotFoundError", "NoModificationAllowedError"].includes(e.name))
    return { code: "folderRefused", message: e.message };
  return { code: "", message: String(e) };
}
