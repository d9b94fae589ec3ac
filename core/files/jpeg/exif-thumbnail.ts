import { marker } from "./segments.ts";

export interface ExifThumbnail {
  readonly jpeg: Uint8Array;
  /** The tag as it stands in the file: 1 to 8, or whatever a broken file says. */
  readonly orientation: number;
}

const tags = { orientation: 0x0112, thumbnailAt: 0x0201, thumbnailLength: 0x0202 } as const;

/**
 * The small picture that cameras put into the head of a JPEG (Exif 2.32, 4.5.5: the first image file directory after the
 * main one). The first 64 kB of a file are enough. Undefined where there is none, or where it is damaged.
 */
export function exifThumbnail(head: Uint8Array): ExifThumbnail | undefined {
  const tiff = exifBlock(head);
  if (!tiff || tiff.byteLength < 8) return undefined;
  const little = tiff.getUint16(0) === 0x4949;
  try {
    const main = directory(tiff, tiff.getUint32(4, little), little);
    if (main.next === 0) return undefined;
    const { found } = directory(tiff, main.next, little);
    const at = found.get(tags.thumbnailAt);
    const length = found.get(tags.thumbnailLength);
    if (at === undefined || length === undefined || length < 4 || at + length > tiff.byteLength) return undefined;
    const jpeg = new Uint8Array(tiff.buffer, tiff.byteOffset + at, length);
    if (jpeg[0] !== 0xff || jpeg[1] !== marker.soi) return undefined;
    return { jpeg, orientation: main.found.get(tags.orientation) ?? 1 };
  } catch {
    // A directory that points outside of the block.
    return undefined;
  }
}

/** The TIFF structure inside the Exif segment, as far as `head` reaches. */
function exifBlock(head: Uint8Array): DataView | undefined {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  for (let at = 2; at + 10 < head.length && head[at] === 0xff; at += 2 + view.getUint16(at + 2)) {
    if (head[at + 1] === marker.sos) return undefined;
    const isExif = head[at + 1] === marker.app1 && view.getUint32(at + 4) === 0x45786966;
    if (!isExif) continue;
    const length = Math.min(view.getUint16(at + 2) - 8, head.length - at - 10);
    return new DataView(head.buffer, head.byteOffset + at + 10, Math.max(0, length));
  }
  return undefined;
}

/** Numbers of an image file directory by tag, and where the next one begins. Throws beyond the end. */
function directory(tiff: DataView, at: number, little: boolean) {
  const count = tiff.getUint16(at, little);
  const found = new Map<number, number>();
  for (let i = 0; i < count; i += 1) {
    const entry = at + 2 + 12 * i;
    const short = tiff.getUint16(entry + 2, little) === 3;
    const value = short ? tiff.getUint16(entry + 8, little) : tiff.getUint32(entry + 8, little);
    found.set(tiff.getUint16(entry, little), value);
  }
  return { found, next: tiff.getUint32(at + 2 + 12 * count, little) };
}
