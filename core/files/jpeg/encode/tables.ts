/** ITU-T T.81, figure A.6: where each coefficient in the order of the file lies in its block. */
export const zigzag = Uint8Array.of(
  ...[0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5, 12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14, 21],
  ...[28, 35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51, 58, 59, 52, 45, 38, 31, 39, 46, 53, 60, 61],
  ...[54, 47, 55, 62, 63],
);

/** Tables K.1 and K.2, row by row. */
const lumaBase = [
  ...[16, 11, 10, 16, 24, 40, 51, 61, 12, 12, 14, 19, 26, 58, 60, 55, 14, 13, 16, 24, 40, 57, 69, 56, 14, 17, 22, 29],
  ...[51, 87, 80, 62, 18, 22, 37, 56, 68, 109, 103, 77, 24, 35, 55, 64, 81, 104, 113, 92, 49, 64, 78, 87, 103, 121],
  ...[120, 101, 72, 92, 95, 98, 112, 100, 103, 99],
];
const chromaBase = [
  ...[17, 18, 24, 47, 99, 99, 99, 99, 18, 21, 26, 66, 99, 99, 99, 99, 24, 26, 56, 99, 99, 99, 99, 99, 47, 66, 99, 99],
  ...[99, 99, 99, 99],
  ...Array.from({ length: 32 }, () => 99),
];

/** Quality from 1 to 100, scaled as the Independent JPEG Group's encoder does, so that labs' numbers mean the same. */
export function quantTable(of: "luma" | "chroma", quality: number): Uint8Array {
  const q = Math.min(100, Math.max(1, Math.round(quality)));
  const scale = q < 50 ? 5000 / q : 200 - 2 * q;
  const base = of === "luma" ? lumaBase : chromaBase;
  return Uint8Array.from(base, (v) => Math.min(255, Math.max(1, Math.floor((v * scale + 50) / 100))));
}
