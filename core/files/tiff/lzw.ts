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

/** Packs a strip (TIFF 6.0, section 13). */
export function lzwPacked(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  // At worst each byte is a code of twelve bits, and the table is cleared now and then.
  const out = new Uint8Array(Math.ceil(bytes.length * 1.6) + 16);
  const table = new Map<number, number>();
  let [next, bits, at, held, holds] = [firstFree, 9, 0, 0, 0];
  const put = (code: number) => {
    held = (held << bits) | code;
    holds += bits;
    while (holds >= 8) {
      holds -= 8;
      out[at] = held >>> holds;
      at += 1;
      held &= (1 << holds) - 1;
    }
  };
  put(clearCode);
  let last = -1;
  for (const byte of bytes) {
    if (last < 0) {
      last = byte;
      continue;
    }
    const key = last * 256 + byte;
    const known = table.get(key);
    if (known !== undefined) {
      last = known;
      continue;
    }
    put(last);
    table.set(key, next);
    next += 1;
    if (next === mostCodes - 1) {
      put(clearCode);
      table.clear();
      [next, bits] = [firstFree, 9];
    } else if (next + 1 > 1 << bits) bits += 1;
    last = byte;
  }
  if (last >= 0) {
    put(last);
    next += 1;
    if (next + 1 > 1 << bits && bits < mostBits) bits += 1;
  }
  put(endCode);
  if (holds > 0) {
    out[at] = held << (8 - holds);
    at += 1;
  }
  return out.slice(0, at);
}

/** Unpacks a strip of a known length; undefined where it is broken. */
export function lzwUnpacked(strip: Uint8Array, length: number): Uint8Array<ArrayBuffer> | undefined {
  const out = new Uint8Array(length);
  // Of each code: where in the output its bytes stand, and how many they are.
  const starts = new Int32Array(mostCodes);
  const lengths = new Int32Array(mostCodes);
  let [next, bits, at, held, holds] = [firstFree, 9, 0, 0, 0];
  let last = -1;
  for (const byte of strip) {
    held = ((held << 8) | byte) & 0xffffff;
    holds += 8;
    if (holds < bits) continue;
    holds -= bits;
    const code = (held >>> holds) & ((1 << bits) - 1);
    if (code === endCode) break;
    if (code === clearCode) {
      [next, bits, last] = [firstFree, 9, -1];
      continue;
    }
    const start = at;
    if (code < clearCode) {
      out[at] = code;
      at += 1;
    } else {
      if (last < 0 || code > next) return undefined;
      const [from, count] = code === next ? [last, at - last + 1] : [starts[code]!, lengths[code]!];
      for (let i = 0; i < count; i += 1) out[at + i] = out[from + i]!;
      at += count;
    }
    if (last >= 0 && next < mostCodes) {
      starts[next] = last;
      lengths[next] = start - last + 1;
      next += 1;
      if (next + 1 === 1 << bits && bits < mostBits) bits += 1;
    }
    last = start;
  }
  return at === length ? out : undefined;
}
