import { BitWriter } from "./bit-writer.ts";
import { BlockMaker, type Component, type UnitRow } from "./blocks.ts";
import { codesOf, type HuffmanSpec, huffmanFor, usual } from "./huffman.ts";
import { BandCoder, codeAc, codeDc, SymbolCount, type SymbolSink, SymbolWriter } from "./scans.ts";
import { quantTable, zigzag } from "./tables.ts";

export interface JpegOptions {
  readonly widthPx: number;
  readonly heightPx: number;
  /** 1 to 100, as the Independent JPEG Group counts it. */
  readonly quality: number;
  /** Colours as fine as light and dark, or at half of that both ways. */
  readonly chroma: "444" | "420";
  /** First coarse, then finer; holds the whole picture in memory until it is finished. */
  readonly progressive: boolean;
  readonly ppi: number;
  readonly profile: Uint8Array;
}

/** JPEG sizes are written in 16 bits. */
export const mostJpegSidePx = 65_535;

class JpegSizeError extends RangeError {
  override readonly name = "JpegSizeError";
}

/**
 * How many rows of pixels a baseline picture has between two places where its coding begins afresh (T.81, B.2.4.4), so
 * that parts of it can be coded at the same time. A power of two, and at least 32.
 */
export function freshRows({ widthPx, chroma }: Pick<JpegOptions, "widthPx" | "chroma">): number {
  const unit = chroma === "444" ? 8 : 16;
  const across = Math.ceil(widthPx / unit);
  let units = mostFreshUnits;
  while (units > 1 && units * across > 0xffff) units /= 2;
  return units * unit;
}

const mostFreshUnits = 16;

/**
 * Rows of a baseline picture that begin `fromRow` pixels down, at a multiple of `freshRows`, as they stand in the file:
 * what a `JpegEncoder` gives back when these rows are its turn.
 */
export function jpegPart(
  options: Omit<JpegOptions, "progressive">,
  rgba: Uint8ClampedArray | Uint8Array,
  fromRow: number,
): Uint8Array<ArrayBuffer>[] {
  const rows = rgba.length / (4 * options.widthPx);
  const encoder = new JpegEncoder({ ...options, progressive: false, heightPx: fromRow + rows }, fromRow);
  return [...encoder.addRows(rgba), ...encoder.finish()];
}

/** Everything in front of the first row of a baseline picture. */
export const jpegHead = (options: Omit<JpegOptions, "progressive">): Uint8Array<ArrayBuffer>[] =>
  new JpegEncoder({ ...options, progressive: false }).head();

export const jpegEnd = (): Uint8Array<ArrayBuffer> => Uint8Array.of(0xff, 0xd9);

/**
 * A JPEG (ITU-T T.81, JFIF 1.02) from rows of RGBA that come a few at a time, so that a page of any height can be written
 * at bounded memory. Alpha is not looked at. The same rows give the same bytes.
 */
export class JpegEncoder {
  readonly #wish: JpegOptions;
  readonly #components: readonly Component[];
  readonly #maker: BlockMaker;
  readonly #bits = new BitWriter();
  readonly #sinks: readonly { readonly dc: SymbolSink; readonly ac: SymbolSink }[];
  readonly #means: number[];
  readonly #rows: UnitRow[] = [];
  readonly #left: Uint8ClampedArray;
  #leftRows = 0;
  #seen = 0;
  #begun = false;
  /** Of the next row of units, from the picture's top. */
  #unitRow = 0;
  /** Nothing but a stretch of rows is asked for. */
  readonly #part: boolean;
  readonly #freshUnits: number;

  /** From a row further down, only what stands in the file for the rows from there. */
  constructor(options: JpegOptions, fromRow?: number) {
    const { widthPx, heightPx } = options;
    if (!(widthPx >= 1 && heightPx >= 1 && widthPx <= mostJpegSidePx && heightPx <= mostJpegSidePx))
      throw new JpegSizeError(`a JPEG has 1 to ${mostJpegSidePx} pixels a side, not ${widthPx} × ${heightPx}`);
    this.#wish = options;
    const fine = options.chroma === "444" ? 1 : 2;
    const [luma, chroma] = [quantTable("luma", options.quality), quantTable("chroma", options.quality)];
    this.#components = [
      { id: 1, h: fine, v: fine, quant: luma, table: 0 },
      { id: 2, h: 1, v: 1, quant: chroma, table: 1 },
      { id: 3, h: 1, v: 1, quant: chroma, table: 1 },
    ];
    this.#maker = new BlockMaker(widthPx, this.#components);
    this.#part = fromRow !== undefined;
    this.#freshUnits = freshRows(options) / this.#maker.unitPx;
    this.#unitRow = (fromRow ?? 0) / this.#maker.unitPx;
    this.#seen = fromRow ?? 0;
    if (this.#unitRow % this.#freshUnits !== 0)
      throw new JpegSizeError(`coding does not begin afresh at row ${fromRow}`);
    this.#means = this.#components.map(() => 0);
    this.#left = new Uint8ClampedArray(4 * widthPx * this.#maker.unitPx);
    const writers = tableSpecs.map((spec) => new SymbolWriter(codesOf(spec), this.#bits));
    this.#sinks = this.#components.map((c) => ({ dc: writers[2 * c.table]!, ac: writers[2 * c.table + 1]! }));
  }

  /** Whole rows; gives back what can be written by now. */
  addRows(rgba: Uint8ClampedArray | Uint8Array): Uint8Array<ArrayBuffer>[] {
    const { widthPx } = this.#wish;
    const line = 4 * widthPx;
    const rows = rgba.length / line;
    const unit = this.#maker.unitPx;
    if (!Number.isInteger(rows)) throw new JpegSizeError(`${rgba.length} bytes are no whole rows of ${widthPx} pixels`);
    this.#seen += rows;
    if (this.#seen > this.#wish.heightPx)
      throw new JpegSizeError(`${this.#seen} rows came where ${this.#wish.heightPx} were announced`);
    let at = 0;
    if (this.#leftRows > 0) {
      const take = Math.min(rows, unit - this.#leftRows);
      this.#left.set(rgba.subarray(0, take * line), this.#leftRows * line);
      this.#leftRows += take;
      at = take;
      if (this.#leftRows === unit) {
        this.#code(this.#maker.row(this.#left, 0, unit));
        this.#leftRows = 0;
      }
    }
    for (; at + unit <= rows; at += unit) this.#code(this.#maker.row(rgba, at * line, unit));
    if (at < rows) {
      this.#left.set(rgba.subarray(at * line), 0);
      this.#leftRows = rows - at;
    }
    return this.#ready();
  }

  /** The rest of the file. */
  finish(): Uint8Array<ArrayBuffer>[] {
    if (this.#seen !== this.#wish.heightPx)
      throw new JpegSizeError(`${this.#seen} rows came where ${this.#wish.heightPx} were announced`);
    if (this.#leftRows > 0) this.#code(this.#maker.row(this.#left, 0, this.#leftRows));
    if (this.#wish.progressive) return [this.#front(), ...this.#allScans(), jpegEnd()];
    this.#bits.align();
    return this.#part ? this.#ready() : [...this.#ready(), jpegEnd()];
  }

  /** Everything in front of the first row. */
  head(): Uint8Array<ArrayBuffer>[] {
    const tables = tableSpecs.map((spec, i) => huffmanSegment(spec, i % 2 === 1, (i >> 1) as 0 | 1));
    const fresh = Uint8Array.from(segment(0xdd, word(this.#freshUnits * this.#maker.unitsAcross)));
    return [this.#front(), ...tables, fresh, scanHeader(this.#components, 0, 63)];
  }

  #ready(): Uint8Array<ArrayBuffer>[] {
    if (this.#wish.progressive || this.#bits.length === 0) return [];
    const scan = this.#bits.take();
    if (this.#begun || this.#part) return [scan];
    this.#begun = true;
    return [...this.head(), scan];
  }

  #code(row: UnitRow): void {
    if (this.#wish.progressive) {
      this.#rows.push(row);
      return;
    }
    if (this.#unitRow % this.#freshUnits === 0 && this.#unitRow > 0) {
      this.#bits.align();
      this.#bits.mark(0xd0 + ((this.#unitRow / this.#freshUnits - 1) % 8));
      this.#means.fill(0);
    }
    this.#unitRow += 1;
    for (let unit = 0; unit < this.#maker.unitsAcross; unit += 1)
      for (let i = 0; i < row.length; i += 1) {
        const blocks = row[i]!;
        const { h, v } = this.#components[i]!;
        const { dc, ac } = this.#sinks[i]!;
        for (let by = 0; by < v; by += 1)
          for (let bx = 0; bx < h; bx += 1) {
            const at = 64 * (by * h * this.#maker.unitsAcross + unit * h + bx);
            codeDc(blocks[at]! - this.#means[i]!, dc);
            this.#means[i] = blocks[at]!;
            codeAc(blocks, at, ac);
          }
      }
  }

  /** Means of all first; then the low waves of luma, the waves of chroma, and last the fine detail. */
  #allScans(): Uint8Array<ArrayBuffer>[] {
    const band = (component: number, from: number, to: number) =>
      this.#scan([this.#components[component]!], from, to, (sink) => {
        const coder = new BandCoder(from, to, sink);
        this.#eachBlock(component, (blocks, at) => coder.block(blocks, at));
        coder.end();
      });
    return [...this.#meansScan(), ...band(0, 1, 5), ...band(2, 1, 63), ...band(1, 1, 63), ...band(0, 6, 63)];
  }

  #meansScan(): Uint8Array<ArrayBuffer>[] {
    const run = (sinkOf: (table: 0 | 1) => SymbolSink) => {
      const means = this.#components.map(() => 0);
      for (const row of this.#rows)
        for (let unit = 0; unit < this.#maker.unitsAcross; unit += 1)
          for (const [i, { h, v, table }] of this.#components.entries())
            for (let by = 0; by < v; by += 1)
              for (let bx = 0; bx < h; bx += 1) {
                const mean = row[i]![64 * (by * h * this.#maker.unitsAcross + unit * h + bx)]!;
                codeDc(mean - means[i]!, sinkOf(table));
                means[i] = mean;
              }
    };
    const counts = [new SymbolCount(), new SymbolCount()] as const;
    run((table) => counts[table]);
    const specs = counts.map((c) => huffmanFor(c.frequencies));
    const writers = specs.map((s) => new SymbolWriter(codesOf(s), this.#bits));
    run((table) => writers[table]!);
    this.#bits.align();
    const tables = specs.map((s, i) => huffmanSegment(s, false, i as 0 | 1));
    return [...tables, scanHeader(this.#components, 0, 0), this.#bits.take()];
  }

  #scan(
    components: readonly Component[],
    from: number,
    to: number,
    run: (sink: SymbolSink) => void,
  ): Uint8Array<ArrayBuffer>[] {
    const count = new SymbolCount();
    run(count);
    const spec = huffmanFor(count.frequencies);
    run(new SymbolWriter(codesOf(spec), this.#bits));
    this.#bits.align();
    return [huffmanSegment(spec, true, components[0]!.table), scanHeader(components, from, to), this.#bits.take()];
  }

  /** A scan of one component has no units: its own blocks, row by row, as far as the picture reaches. */
  #eachBlock(component: number, tell: (blocks: Int16Array, at: number) => void): void {
    const { h, v } = this.#components[component]!;
    const most = this.#components[0]!;
    const across = Math.ceil((this.#wish.widthPx * h) / most.h / 8);
    const down = Math.ceil((this.#wish.heightPx * v) / most.v / 8);
    const stride = this.#maker.unitsAcross * h;
    for (let by = 0; by < down; by += 1) {
      const blocks = this.#rows[Math.floor(by / v)]![component]!;
      for (let bx = 0; bx < across; bx += 1) tell(blocks, 64 * ((by % v) * stride + bx));
    }
  }

  /** What both kinds begin with: density, profile, quantization, size. */
  #front(): Uint8Array<ArrayBuffer> {
    const { widthPx, heightPx, ppi, profile, progressive } = this.#wish;
    const density = Math.round(ppi);
    const jfif = [0x4a, 0x46, 0x49, 0x46, 0, 1, 2, 1, ...word(density), ...word(density), 0, 0];
    const icc = [...ascii("ICC_PROFILE"), 0, 1, 1, ...profile];
    const quants = [this.#components[0]!, this.#components[1]!].flatMap((c) =>
      segment(0xdb, [c.table, ...Array.from(zigzag, (z) => c.quant[z]!)]),
    );
    const frame = [
      8,
      ...word(heightPx),
      ...word(widthPx),
      this.#components.length,
      ...this.#components.flatMap((c) => [c.id, (c.h << 4) | c.v, c.table]),
    ];
    return Uint8Array.from([
      ...[0xff, 0xd8],
      ...segment(0xe0, jfif),
      ...segment(0xe2, icc),
      ...quants,
      ...segment(progressive ? 0xc2 : 0xc0, frame),
    ]);
  }
}

const tableSpecs: readonly HuffmanSpec[] = [usual.lumaDc, usual.lumaAc, usual.chromaDc, usual.chromaAc];

const ascii = (text: string): number[] => Array.from(text, (c) => c.charCodeAt(0));
const word = (v: number): [number, number] => [v >> 8, v & 255];
const segment = (marker: number, body: readonly number[]): number[] => [
  0xff,
  marker,
  ...word(body.length + 2),
  ...body,
];

const huffmanSegment = (spec: HuffmanSpec, ac: boolean, table: 0 | 1): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(segment(0xc4, [(ac ? 0x10 : 0) | table, ...spec.counts, ...spec.symbols]));

const scanHeader = (components: readonly Component[], from: number, to: number): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(
    segment(0xda, [components.length, ...components.flatMap((c) => [c.id, (c.table << 4) | c.table]), from, to, 0]),
  );
