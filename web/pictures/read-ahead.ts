/** In one go: reading many small files one by one takes the browser twice as long. */
const mostBytes = 16e6;

/** Files in about the order in which they will be asked for: the next ones are read while earlier ones are worked on. */
export class ReadAhead {
  readonly #inOrder: readonly (readonly [id: string, file: Blob])[];
  readonly #coming = new Map<string, { readonly size: number; readonly bytes: Promise<Uint8Array<ArrayBuffer>> }>();
  readonly #asked = new Set<string>();
  #next = 0;

  constructor(inOrder: readonly (readonly [id: string, file: Blob])[]) {
    this.#inOrder = inOrder;
  }

  /** All bytes of one. Rejects as `Blob.arrayBuffer` does. */
  read(id: string, file: Blob): Promise<Uint8Array<ArrayBuffer>> {
    if (!this.#coming.has(id)) this.#readMore();
    const bytes = this.#coming.get(id)?.bytes ?? bytesOf(file);
    this.#asked.add(id);
    this.#coming.delete(id);
    this.#readMore();
    return bytes;
  }

  #readMore(): void {
    const ahead = [...this.#coming.values()].reduce((sum, { size }) => sum + size, 0);
    if (ahead >= mostBytes || this.#next === this.#inOrder.length) return;
    const together: (readonly [id: string, file: Blob])[] = [];
    for (let bytes = 0; bytes < mostBytes && this.#next < this.#inOrder.length; this.#next += 1) {
      const entry = this.#inOrder[this.#next]!;
      if (this.#asked.has(entry[0])) continue;
      together.push(entry);
      bytes += entry[1].size;
    }
    const whole = new Blob(together.map(([, file]) => file)).arrayBuffer();
    let at = 0;
    for (const [id, file] of together) {
      const from = at;
      // One that cannot be read is no reason to lose the others.
      const bytes = whole.then(
        (all) => new Uint8Array(all, from, file.size),
        () => bytesOf(file),
      );
      // Whoever asks for it hears why it failed.
      bytes.catch(() => {});
      this.#coming.set(id, { size: file.size, bytes });
      at += file.size;
    }
  }
}

const bytesOf = async (file: Blob): Promise<Uint8Array<ArrayBuffer>> => new Uint8Array(await file.arrayBuffer());
