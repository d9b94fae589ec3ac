/**
 * The TIFF structure of a WebP's EXIF chunk, for a reader that knows TIFF; undefined when there is none. The container is
 * RIFF (RFC 9649): chunks of a four-letter name, a little-endian size and padding to even.
 */
export function webpExif(bytes: Uint8Array): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 12; at + 8 <= bytes.length; ) {
    const size = view.getUint32(at + 4, true);
    const from = at + 8;
    if (view.getUint32(at) === 0x45584946) {
      const chunk = bytes.subarray(from, from + size);
      // Some writers keep JPEG's own heading in front.
      return startsWithExif(chunk) ? chunk.subarray(6) : chunk;
    }
    at = from + size + (size % 2);
  }
  return undefined;
}

const startsWithExif = (b: Uint8Array): boolean => [0x45, 0x78, 0x69, 0x66, 0, 0].every((v, i) => b[i] === v);
