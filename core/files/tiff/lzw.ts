const clearCode = 256;
const endCode = 257;
const firstFree = 258;
const mostBits = 12;
const mostCodes = 1 << mostBits;

/**
 * How many bytes come out of a strip packed by LZW (TIFF 6.0, section 13), without unpacking it; undefined where a code stands
 * for nothing that came before it, which sends trusting decoders round in circles.
 */
export function lzwLength(strip: Uint8Array): number | undefined {
  const lengths = new Uint16Array(mostCodes + 1);
  lengths.fill(1, 0, clearCode);
  let [next, bits, last, out] = [firstFree, 9, -1, 0];
  let [held, holds] = [0, 0];
  for (const byte of strip) {
    held = ((held << 8) | byte) & 0xffffff;
    holds += 8;
    if (holds < bits) continue;
    holds -= bits;
    const code = (held >>> holds) & ((1 << bits) - 1);
    if (code === endCode) return out;
    if (code === clearCode) {
      [next, bits, last] = [firstFree, 9, -1];
      continue;
    }
    if (last < 0) {
      if (code >= clearCode) return undefined;
    } else {
      if (code > next || next >= mostCodes) return undefined;
      lengths[next] = lengths[last]! + 1;
      next += 1;
      // The codes grow one early, as all programs have written them.
      if (next + 1 === 1 << bits && bits < mostBits) bits += 1;
    }
    out += lengths[code]!;
    last = code;
  }
  return out;
}
