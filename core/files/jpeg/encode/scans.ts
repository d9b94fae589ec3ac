import type { BitWriter } from "./bit-writer.ts";
import type { HuffmanCodes } from "./huffman.ts";
import { zigzag } from "./tables.ts";

/** Where coded symbols go: into the file, or, to find out which tables suit them, into a count. */
export interface SymbolSink {
  /** A symbol of a table, and the bits that follow it. */
  symbol(symbol: number, bits: number, size: number): void;
}

export class SymbolCount implements SymbolSink {
  readonly frequencies = new Uint32Array(256);
  symbol(symbol: number): void {
    this.frequencies[symbol]! += 1;
  }
}

export class SymbolWriter implements SymbolSink {
  readonly #codes: HuffmanCodes;
  readonly #bits: BitWriter;
  constructor(codes: HuffmanCodes, bits: BitWriter) {
    this.#codes = codes;
    this.#bits = bits;
  }
  symbol(symbol: number, bits: number, size: number): void {
    this.#bits.put(this.#codes.code[symbol]!, this.#codes.size[symbol]!);
    if (size > 0) this.#bits.put(bits, size);
  }
}

const { clz32 } = Math;
const bitLength = (v: number): number => 32 - clz32(v);

/** T.81, F.1.2.1: how far the mean of a block lies from that of the block before. */
export function codeDc(difference: number, to: SymbolSink): void {
  const size = bitLength(difference < 0 ? -difference : difference);
  to.symbol(size, (difference < 0 ? difference - 1 : difference) & ((1 << size) - 1), size);
}

/** T.81, F.1.2.2: all other coefficients of a block, by runs of zeros. */
export function codeAc(blocks: Int16Array, at: number, to: SymbolSink): void {
  let last = 63;
  while (last > 0 && blocks[at + zigzag[last]!] === 0) last -= 1;
  let zeros = 0;
  for (let k = 1; k <= last; k += 1) {
    const v = blocks[at + zigzag[k]!]!;
    if (v === 0) {
      zeros += 1;
      continue;
    }
    for (; zeros > 15; zeros -= 16) to.symbol(0xf0, 0, 0);
    const size = bitLength(v < 0 ? -v : v);
    to.symbol((zeros << 4) | size, (v < 0 ? v - 1 : v) & ((1 << size) - 1), size);
    zeros = 0;
  }
  if (last < 63) to.symbol(0, 0, 0);
}

const longestRun = 0x7fff;

/** T.81, G.1.2.2: a band of coefficients of many blocks, where runs of blocks with nothing in the band are one symbol. */
export class BandCoder {
  readonly #from: number;
  readonly #to: number;
  readonly #sink: SymbolSink;
  #run = 0;

  constructor(from: number, to: number, sink: SymbolSink) {
    this.#from = from;
    this.#to = to;
    this.#sink = sink;
  }

  block(blocks: Int16Array, at: number): void {
    let zeros = 0;
    for (let k = this.#from; k <= this.#to; k += 1) {
      const v = blocks[at + zigzag[k]!]!;
      if (v === 0) {
        zeros += 1;
        continue;
      }
      this.end();
      for (; zeros > 15; zeros -= 16) this.#sink.symbol(0xf0, 0, 0);
      const size = bitLength(v < 0 ? -v : v);
      this.#sink.symbol((zeros << 4) | size, (v < 0 ? v - 1 : v) & ((1 << size) - 1), size);
      zeros = 0;
    }
    if (zeros > 0) {
      this.#run += 1;
      if (this.#run === longestRun) this.end();
    }
  }

  /** Tells of the run that is going on; to be called when the scan ends. */
  end(): void {
    if (this.#run === 0) return;
    const size = bitLength(this.#run) - 1;
    this.#sink.symbol(size << 4, this.#run & ((1 << size) - 1), size);
    this.#run = 0;
  }
}
