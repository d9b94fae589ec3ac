export interface PictureSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * The size that a picture says it has, from its first bytes, without decoding it: PNG (RFC 2083), GIF89a, Windows bitmaps and
 * WebP (RFC 9649) need 32 of them; of HEIF and AVIF (ISO/IEC 23008-12, 6.5.3.1) it is the largest size in their boxes, which
 * stand at the head. Undefined for other kinds, and where the head is cut off.
 */
export function pictureSize(head: Uint8Array): PictureSize | undefined {
  if (head.length < 30) return undefined;
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  const uint24 = (at: number) => view.getUint16(at, true) + 65_536 * view.getUint8(at + 2);
  if (view.getUint32(0) === 0x89504e47) return { widthPx: view.getUint32(16), heightPx: view.getUint32(20) };
  if (view.getUint32(0) === 0x47494638) return { widthPx: view.getUint16(6, true), heightPx: view.getUint16(8, true) };
  if (view.getUint16(0) === 0x424d)
    return { widthPx: Math.abs(view.getInt32(18, true)), heightPx: Math.abs(view.getInt32(22, true)) };
  if (view.getUint32(0) === fourCc("RIFF") && view.getUint32(8) === fourCc("WEBP")) {
    const kind = view.getUint32(12);
    if (kind === fourCc("VP8X")) return { widthPx: uint24(24) + 1, heightPx: uint24(27) + 1 };
    if (kind === fourCc("VP8 "))
      return { widthPx: view.getUint16(26, true) & 0x3fff, heightPx: view.getUint16(28, true) & 0x3fff };
    const bits = view.getUint32(21, true);
    return { widthPx: (bits & 0x3fff) + 1, heightPx: ((bits >>> 14) & 0x3fff) + 1 };
  }
  return view.getUint32(4) === fourCc("ftyp") ? largestExtent(view) : undefined;
}

const fourCc = (name: string): number => [...name].reduce((all, c) => all * 256 + c.charCodeAt(0), 0);

/** Of all `ispe` boxes: a picture of parts has one for its parts too. */
function largestExtent(view: DataView): PictureSize | undefined {
  let largest: PictureSize | undefined;
  for (let at = 8; at + 16 <= view.byteLength; at += 1) {
    if (view.getUint32(at) !== fourCc("ispe")) continue;
    const [widthPx, heightPx] = [view.getUint32(at + 8), view.getUint32(at + 12)];
    if (!largest || widthPx * heightPx > largest.widthPx * largest.heightPx) largest = { widthPx, heightPx };
  }
  return largest;
}
