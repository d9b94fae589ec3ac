import type { FileFolder, SyncFile } from "./journal/sync-file.ts";

/** Thrown where the modelled machine stops; nothing after it happens. */
export class PowerOff extends Error {}

/**
 * A folder of files in memory that can be full and can stop at any call. A write that it stops in may have come through in
 * part, as on a real disk.
 */
export class ModelDisk implements FileFolder {
  readonly files = new Map<string, Uint8Array<ArrayBuffer>>();
  /** Bytes that still find a place. */
  room = Number.POSITIVE_INFINITY;
  /** Calls until the power goes. */
  callsLeft = Number.POSITIVE_INFINITY;
  /** Share of the last write that comes through. */
  partial = 0.5;
  #off = false;

  get isOff(): boolean {
    return this.#off;
  }

  /** The machine starts again with what is on the disk. */
  restart(): void {
    this.#off = false;
    this.callsLeft = Number.POSITIVE_INFINITY;
  }

  wipe(): void {
    this.files.clear();
  }

  async *keys(): AsyncIterable<string> {
    yield* [...this.files.keys()];
  }

  async open(name: string): Promise<SyncFile> {
    this.#call();
    let bytes = this.files.get(name);
    if (!bytes) {
      bytes = new Uint8Array(0);
      this.files.set(name, bytes);
    }
    return this.#file(name, bytes);
  }

  async sizeOf(name: string): Promise<number | undefined> {
    return this.files.get(name)?.length;
  }

  async remove(name: string): Promise<void> {
    this.#call();
    this.room += this.files.get(name)?.length ?? 0;
    this.files.delete(name);
  }

  #call(): boolean {
    if (this.#off) throw new PowerOff();
    this.callsLeft -= 1;
    if (this.callsLeft >= 0) return true;
    this.#off = true;
    return false;
  }

  #file(name: string, from: Uint8Array<ArrayBuffer>): SyncFile {
    let own = from;
    // Room to append in; only views of this handle look into it, and earlier ones end before what is appended.
    let ahead = new Uint8Array(0);
    const appended = (bytes: Uint8Array): Uint8Array<ArrayBuffer> => {
      const length = own.length + bytes.length;
      if (own.buffer !== ahead.buffer || length > ahead.length) {
        ahead = new Uint8Array(2 * length);
        ahead.set(own);
      }
      ahead.set(bytes, own.length);
      return ahead.subarray(0, length);
    };
    const overwritten = (bytes: Uint8Array, at: number): Uint8Array<ArrayBuffer> => {
      const next = new Uint8Array(Math.max(own.length, at + bytes.length));
      next.set(own);
      next.set(bytes, at);
      return next;
    };
    const set = (bytes: Uint8Array<ArrayBuffer>) => {
      if (this.files.get(name) === own) this.files.set(name, bytes);
      own = bytes;
    };
    return {
      getSize: () => own.length,
      read: (into, { at }) => {
        const part = own.subarray(at, at + into.length);
        into.set(part);
        return part.length;
      },
      write: (bytes, { at }) => {
        const alive = this.#call();
        const growth = Math.max(0, at + bytes.length - own.length);
        const fits = bytes.length - Math.max(0, growth - this.room);
        const count = alive ? fits : Math.floor(fits * this.partial);
        const part = bytes.subarray(0, count);
        const next = at === own.length ? appended(part) : overwritten(part, at);
        this.room -= Math.max(0, next.length - own.length);
        set(next);
        if (!alive) throw new PowerOff();
        return count;
      },
      truncate: (size) => {
        if (!this.#call()) throw new PowerOff();
        this.room += Math.max(0, own.length - size);
        const next = new Uint8Array(size);
        next.set(own.subarray(0, size));
        set(next);
      },
      flush: () => {
        if (!this.#call()) throw new PowerOff();
      },
      close: () => {},
    };
  }
}
