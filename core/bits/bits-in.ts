/** How many of the lower 32 bits of a number are set (H. S. Warren, Hacker's Delight, 5-1). */
export function bitsIn(mask: number): number {
  let v = mask - ((mask >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return (((v + (v >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
