/** A Huffman table as the file carries it: how many codes there are of each length from 1 to 16, and their symbols. */
export interface HuffmanSpec {
  readonly counts: Uint8Array;
  readonly symbols: Uint8Array;
}

/** For each symbol its code and how many bits that has; no bits for one that has none. */
export interface HuffmanCodes {
  readonly code: Uint16Array;
  readonly size: Uint8Array;
}

const longest = 16;

/** ITU-T T.81, K.2: the code lengths that suit these frequencies best, none longer than 16 bits and none all ones. */
export function huffmanFor(frequencies: ArrayLike<number>): HuffmanSpec {
  // One more symbol than there is, so that its code, which would be all ones, is never used.
  const freq = [...Array.from(frequencies), 1];
  const size = new Array<number>(257).fill(0);
  const other = new Array<number>(257).fill(-1);
  for (;;) {
    let [least, next] = [-1, -1];
    for (let i = 0; i < 257; i += 1) {
      if (freq[i] === 0) continue;
      if (least < 0 || freq[i]! <= freq[least]!) {
        next = least;
        least = i;
      } else if (next < 0 || freq[i]! <= freq[next]!) next = i;
    }
    if (next < 0) break;
    freq[least]! += freq[next]!;
    freq[next] = 0;
    let at = least;
    size[at]! += 1;
    while (other[at]! >= 0) {
      at = other[at]!;
      size[at]! += 1;
    }
    other[at] = next;
    at = next;
    size[at]! += 1;
    while (other[at]! >= 0) {
      at = other[at]!;
      size[at]! += 1;
    }
  }
  const bits = new Array<number>(64).fill(0);
  for (const s of size) if (s > 0) bits[s]! += 1;
  for (let i = 63; i > longest; i -= 1)
    while (bits[i]! > 0) {
      let j = i - 2;
      while (bits[j] === 0) j -= 1;
      bits[i]! -= 2;
      bits[i - 1]! += 1;
      bits[j + 1]! += 2;
      bits[j]! -= 1;
    }
  // The one that was added has one of the longest codes.
  let last = longest;
  while (last > 0 && bits[last] === 0) last -= 1;
  bits[last]! -= 1;
  const symbols: number[] = [];
  for (let s = 1; s < 64; s += 1) for (let i = 0; i < 256; i += 1) if (size[i] === s) symbols.push(i);
  return { counts: Uint8Array.from(bits.slice(1, longest + 1)), symbols: Uint8Array.from(symbols) };
}

export function codesOf({ counts, symbols }: HuffmanSpec): HuffmanCodes {
  const codes: HuffmanCodes = { code: new Uint16Array(256), size: new Uint8Array(256) };
  let [code, k] = [0, 0];
  for (let length = 1; length <= longest; length += 1) {
    for (let i = 0; i < counts[length - 1]!; i += 1) {
      codes.code[symbols[k]!] = code;
      codes.size[symbols[k]!] = length;
      code += 1;
      k += 1;
    }
    code <<= 1;
  }
  return codes;
}

const acSymbols = (text: string): Uint8Array => Uint8Array.from(text.match(/../g)!, (h) => Number.parseInt(h, 16));

/** Tables K.3 to K.6: good for most pictures, and known before the picture is. */
export const usual = {
  lumaDc: {
    counts: Uint8Array.of(0, 1, 5, 1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 0, 0, 0),
    symbols: Uint8Array.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11),
  },
  chromaDc: {
    counts: Uint8Array.of(0, 3, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 0),
    symbols: Uint8Array.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11),
  },
  lumaAc: {
    counts: Uint8Array.of(0, 2, 1, 3, 3, 2, 4, 3, 5, 5, 4, 4, 0, 0, 1, 0x7d),
    symbols: acSymbols(
      "01020300041105122131410613516107227114328191a1082342b1c11552d1f02433627282090a161718191a25262728292a3435363738393a434445464748494a535455565758595a636465666768696a737475767778797a838485868788898a92939495969798999aa2a3a4a5a6a7a8a9aab2b3b4b5b6b7b8b9bac2c3c4c5c6c7c8c9cad2d3d4d5d6d7d8d9dae1e2e3e4e5e6e7e8e9eaf1f2f3f4f5f6f7f8f9fa",
    ),
  },
  chromaAc: {
    counts: Uint8Array.of(0, 2, 1, 2, 4, 4, 3, 4, 7, 5, 4, 4, 0, 1, 2, 0x77),
    symbols: acSymbols(
      "000102031104052131061241510761711322328108144291a1b1c109233352f0156272d10a162434e125f11718191a262728292a35363738393a434445464748494a535455565758595a636465666768696a737475767778797a82838485868788898a92939495969798999aa2a3a4a5a6a7a8a9aab2b3b4b5b6b7b8b9bac2c3c4c5c6c7c8c9cad2d3d4d5d6d7d8d9dae2e3e4e5e6e7e8e9eaf2f3f4f5f6f7f8f9fa",
    ),
  },
} as const satisfies Record<string, HuffmanSpec>;
