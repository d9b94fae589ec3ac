export interface PictureSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * The size that a picture says it has, from its first bytes (32 are enough), without decoding it: PNG (RFC 2083), GIF89a,
 * and Windows bitmaps. Undefined for other kinds, and where the head is cut off.
 */
export function pictureSize(head: Uint8Array): PictureSize | undefined {
  if (head.length < 26) return undefined;
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  if (view.getUint32(0) === 0x89504e47) return { widthPx: view.getUint32(16), heightPx: view.getUint32(20) };
  if (view.getUint32(0) === 0x47494638) return { widthPx: view.getUint16(6, true), heightPx: view.getUint16(8, true) };
  if (view.getUint16(0) === 0x424d)
    return { widthPx: Math.abs(view.getInt32(18, true)), heightPx: Math.abs(view.getInt32(22, true)) };
  return undefined;
}
