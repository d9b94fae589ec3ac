/** CRC-32 as zip and PNG have it (ISO 3309, polynomial 0xEDB88320). */
const table = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

/** Goes on from what came before; begin with 0. */
export function crc32(bytes: Uint8Array, before = 0): number {
  let c = ~before >>> 0;
  for (let i = 0; i < bytes.length; i += 1) c = table[(c ^ bytes[i]!) & 255]! ^ (c >>> 8);
  return ~c >>> 0;
}
