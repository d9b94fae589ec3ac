/** Seeded numbers, so that the sample is the same on every machine (mulberry32, public domain). */
export interface Random {
  /** 0 up to 1. */
  next(): number;
  between(least: number, most: number): number;
  whole(least: number, most: number): number;
  pick<T>(from: readonly T[]): T;
  random(share: number): boolean;
}

export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (least, most) => least + (most - least) * next(),
    whole: (least, most) => least + Math.floor((most - least + 1) * next()),
    pick: (from) => from[Math.floor(next() * from.length)]!,
    random: (share) => next() < share,
  };
}
