import { originalName } from "#core/safe-folder";
import type { Original, OwnItem, Part } from "./own-states.ts";
import type { SafeFiles } from "./safe-files.ts";
import type { SafeSyncGiven } from "./sync-given.ts";

/** Writes what is not in the folder yet. */
export class FolderWriter {
  readonly #deps: SafeSyncGiven;
  readonly #files: SafeFiles;
  /** Files that were seen whole there, or written, in this round or one before it. */
  readonly #sure: Set<string>;
  written = 0;
  readonly missing = new Set<string>();

  constructor(given: SafeSyncGiven, files: SafeFiles, sure: Set<string>) {
    this.#deps = given;
    this.#files = files;
    this.#sure = sure;
  }

  async item({ state, parts }: OwnItem, folder: string): Promise<void> {
    if ([...parts, state].every((p) => this.#sure.has(p.path))) return;
    const there = await this.#files.list(folder);
    const put = async ({ path, text }: Part) => {
      if (this.#sure.has(path)) return;
      const content = new Blob([text]);
      // A name is the hash of what is in it: one that is there with the right size is right.
      if (there.get(path.slice(path.lastIndexOf("/") + 1)) !== content.size) {
        await this.#files.write(path, content);
        this.written += 1;
      }
      this.#sure.add(path);
    };
    for (const part of parts) await put(part);
    await put(state);
  }

  async originals(originals: readonly Original[], onProgress: (share: number) => void): Promise<void> {
    const paths = originals.map((p) => `originals/${originalName(p.hash, p.type)}`);
    if (paths.every((p) => this.#sure.has(p))) return;
    const there = await this.#files.list("originals");
    for (const [i, wanted] of originals.entries()) {
      const path = paths[i]!;
      if (this.#sure.has(path)) continue;
      const size = there.get(path.slice("originals/".length));
      const file = await this.#deps.original(wanted.hash, wanted.type);
      if (file && size !== file.size) {
        await this.#files.write(path, file);
        this.written += 1;
      } else if (!file && !size) {
        this.missing.add(wanted.name);
        continue;
      }
      this.#sure.add(path);
      onProgress((i + 1) / originals.length);
    }
  }
}
