import type { ChannelBits } from "#core/files";
import type { PictureOptions } from "../../workers/jobs.ts";

export type Bytes = Uint8Array<ArrayBuffer>;

/** Whole rows: of RGBA in eight bits, or of RGB in sixteen. */
export type PaintedRows = Uint8ClampedArray<ArrayBuffer> | Uint16Array<ArrayBuffer>;

export interface FileSize {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly bits: ChannelBits;
}

/** Takes whole rows from top to bottom, and gives back the file piece by piece. */
export interface RowsEncoder {
  add(rows: PaintedRows): Promise<readonly Bytes[]>;
  finish(): Promise<readonly Bytes[]>;
  /** After the end: what has to stand in place of the first piece, where that could not be known before. */
  readonly head?: Bytes | undefined;
}

/** What is gathered of the drawn rows while they go by, to be found again in the finished file. */
export interface Look {
  add(rows: PaintedRows, fromRow: number): void;
}

/** How one kind of picture file is written, and judged once it is there. */
export interface PictureWriter {
  readonly mime: string;
  /** Along a side. */
  readonly mostSidePx: number;
  encoder(options: PictureOptions, size: FileSize): RowsEncoder;
  /** The picture's rows go through `look`; `readBack` says whether the finished file is whole and shows them. Rejects with `fileWrong`. */
  judge(options: PictureOptions, size: FileSize): { readonly look: Look; readBack(file: Blob): Promise<void> };
}
