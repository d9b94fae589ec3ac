/** In one go: reading many small files one by one takes the browser twice as long. */
const mostBytes = 16e6;

/** Files in the order in which they will be asked for: the next ones are read while earlier ones are worked on. */
export class ReadAhead {
  readonly #inOrder: readonly (readonly [id: string, file: Blob])[];
  readonly #placeOf: ReadonlyMap<string, number>;
  readonly #coming = new Map<string, { readonly size: number; readonly bytes: Promise<Uint8Array<ArrayBuffer>> }>();
  /** Where in the order reading goes on. */
  #next = 0;

  constructor(inOrder: readonly (readonly [id: string, file: Blob])[]) {
    this.#inOrder = inOrder;
    this.#placeOf = new Map(inOrder.map(([id], i) => [id, i]));
  }

  /** All bytes of one. Rejects as `Blob.arrayBuffer` does. */
  read(id: string, file: Blob): Promise<Uint8Array<ArrayBuffer>> {
    const place = this.#placeOf.get(id) ?? -1;
    // Those before it were passed over, and would be in the way of the next ones.
    for (const other of this.#coming.keys()) if (this.#placeOf.get(other)! < place) this.#coming.delete(other);
    this.#next = Math.max(this.#next, place);
    this.#readMore();
    const bytes = this.#coming.get(id)?.bytes ?? bytesOf(file);
    this.#coming.delete(id);
    this.#readMore();
    return bytes;
  }

  #readMore(): void {
    const ahead = [...this.#coming.values()].reduce((sum, { size }) => sum + size, 0);
    if (ahead >= mostBytes || this.#next === this.#inOrder.length) return;
    const from = this.#next;
    for (let bytes = 0; bytes < mostBytes && this.#next < this.#inOrder.length; this.#next += 1)
      bytes += this.#inOrder[this.#next]![1].size;
    const together = this.#inOrder.slice(from, this.#next);
    const whole = new Blob(together.map(([, file]) => file)).arrayBuffer();
    let at = 0;
    for (const [id, file] of together) {
      const begin = at;
      // One that cannot be read is no reason to lose the others.
      const bytes = whole.then(
        (all) => new Uint8Array(all, begin, file.size),
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
