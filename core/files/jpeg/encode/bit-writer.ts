/** Entropy-coded bits, the highest first, with a zero stuffed behind each 0xff (ITU-T T.81, F.1.2.3). */
export class BitWriter {
  #bytes = new Uint8Array(1 << 16);
  #length = 0;
  #pending = 0;
  #count = 0;

  /** `size` of 1 to 16; higher bits of `code` have to be clear. */
  put(code: number, size: number): void {
    this.#pending = (this.#pending << size) | code;
    this.#count += size;
    while (this.#count >= 8) {
      this.#count -= 8;
      const byte = (this.#pending >>> this.#count) & 0xff;
      if (this.#length + 2 > this.#bytes.length) this.#grow();
      this.#bytes[this.#length] = byte;
      this.#length += 1;
      if (byte === 0xff) {
        this.#bytes[this.#length] = 0;
        this.#length += 1;
      }
    }
    this.#pending &= (1 << this.#count) - 1;
  }

  /** Fills the last byte up with ones, as every scan ends. */
  align(): void {
    if (this.#count > 0) this.put((1 << (8 - this.#count)) - 1, 8 - this.#count);
  }

  /** A marker between whole bytes, where no stuffing belongs. */
  mark(marker: number): void {
    if (this.#length + 2 > this.#bytes.length) this.#grow();
    this.#bytes[this.#length] = 0xff;
    this.#bytes[this.#length + 1] = marker;
    this.#length += 2;
  }

  /** What was written since it was last taken. */
  take(): Uint8Array<ArrayBuffer> {
    const taken = this.#bytes.slice(0, this.#length);
    this.#length = 0;
    return taken;
  }

  get length(): number {
    return this.#length;
  }

  #grow(): void {
    const larger = new Uint8Array(2 * this.#bytes.length);
    larger.set(this.#bytes);
    this.#bytes = larger;
  }
}
