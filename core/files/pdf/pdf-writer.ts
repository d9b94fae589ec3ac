/** PDF 1.6 (of which ISO 32000-1 is the later edition), written from front to back: nothing that was written is held, only where each object began. */

export class PdfError extends Error {
  override readonly name = "PdfError";
}

type Bytes = Uint8Array<ArrayBuffer>;

/** Bytes that lie somewhere already, such as a part of a file, and are not read here. */
export interface StoredBytes {
  readonly size: number;
}

/** The number of an object that others refer to. */
export type Ref = number;

export const refTo = (ref: Ref): string => `${ref} 0 R`;

/** At most four decimals: a tenth of what a printer can place. */
export function num(v: number): string {
  if (!Number.isFinite(v)) throw new PdfError(`${v} is no number of a PDF`);
  const text = v.toFixed(4).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}

export const nums = (...values: readonly number[]): string => values.map(num).join(" ");

/** Any text, as UTF-16 with its mark. */
export const textString = (text: string): string =>
  `<FEFF${Array.from({ length: text.length }, (_, i) => text.charCodeAt(i).toString(16).padStart(4, "0")).join("")}>`;

const ascii = (text: string): Bytes => Uint8Array.from(text, (c) => c.charCodeAt(0) & 255);

const sizeOf = (bytes: Bytes | StoredBytes): number => (bytes instanceof Uint8Array ? bytes.length : bytes.size);

export class PdfWriter<Stored extends StoredBytes = never> {
  readonly #write: (bytes: Bytes | Stored) => void;
  readonly #pack: (bytes: Bytes) => Bytes;
  readonly #starts: (number | undefined)[] = [undefined];
  #at = 0;

  /** `pack` makes a zlib stream (RFC 1950) of bytes. */
  constructor(write: (bytes: Bytes | Stored) => void, pack: (bytes: Bytes) => Bytes) {
    this.#write = write;
    this.#pack = pack;
    // Four bytes above 127 say that this is no text.
    this.#put(Uint8Array.of(...ascii("%PDF-1.6\n%"), 0xe2, 0xe3, 0xcf, 0xd3, 10));
  }

  #put(bytes: Bytes | Stored): void {
    this.#write(bytes);
    this.#at += sizeOf(bytes);
  }

  /** A number for an object that is written later. */
  reserve(): Ref {
    this.#starts.push(undefined);
    return this.#starts.length - 1;
  }

  object(body: string, ref: Ref = this.reserve()): Ref {
    this.#begin(ref);
    this.#put(ascii(`${body}\nendobj\n`));
    return ref;
  }

  /** A stream whose bytes may come in parts, so that none of them has to be held. */
  stream(entries: string, parts: readonly (Bytes | Stored)[], ref: Ref = this.reserve()): Ref {
    const length = parts.reduce((sum, p) => sum + sizeOf(p), 0);
    this.#begin(ref);
    this.#put(ascii(`<< ${entries} /Length ${length} >>\nstream\n`));
    for (const part of parts) this.#put(part);
    this.#put(ascii("\nendstream\nendobj\n"));
    return ref;
  }

  /** A stream that is packed. */
  packed(entries: string, bytes: Bytes, ref?: Ref): Ref {
    return this.stream(`${entries} /Filter /FlateDecode`, [this.#pack(bytes)], ref);
  }

  #begin(ref: Ref): void {
    if (ref >= this.#starts.length || this.#starts[ref] !== undefined)
      throw new PdfError(`object ${ref} was not reserved, or is there already`);
    this.#starts[ref] = this.#at;
    this.#put(ascii(`${ref} 0 obj\n`));
  }

  /** The table of where everything is, and the end. `id`: 32 hexadecimal digits that no other file has. */
  finish(root: Ref, info: Ref, id: string): void {
    const missing = this.#starts.findIndex((s, i) => i > 0 && s === undefined);
    if (missing > 0) throw new PdfError(`object ${missing} was promised and never written`);
    const from = this.#at;
    const rows = this.#starts.map((s, i) =>
      i === 0 ? "0000000000 65535 f \n" : `${String(s).padStart(10, "0")} 00000 n \n`,
    );
    this.#put(ascii(`xref\n0 ${this.#starts.length}\n${rows.join("")}`));
    const trailer = `<< /Size ${this.#starts.length} /Root ${refTo(root)} /Info ${refTo(info)} /ID [<${id}> <${id}>] >>`;
    this.#put(ascii(`trailer\n${trailer}\nstartxref\n${from}\n%%EOF\n`));
  }
}

export const asciiBytes = ascii;
