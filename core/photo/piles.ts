import { bitsIn } from "#core/bits";
import type { Photo } from "./facts.ts";
import { wallMs } from "./taken-at.ts";

/** Photos that show nearly the same: the one on top first, the others by time. */
export type Pile = readonly string[];

export type PileFacts = Pick<Photo, "id" | "takenAt" | "likeness" | "pile" | "stars">;

/** Bits of 64 that may differ: in a burst, and at any distance in time. */
const burst = { bits: 14, ms: 90_000 } as const;
const anywhere = { bits: 3 } as const;
const mostTintApart = 26;

/**
 * Piles of two and more among photos sorted by time. Everything is compared with everything on 64 bits, which for 5,000
 * photos is quicker than any index. Flat pictures have no look to go by and stay alone, as do those a person took out.
 */
export function findPiles(photos: readonly PileFacts[]): Pile[] {
  const able = photos.filter((p) => p.pile !== "alone" && p.likeness && !/^0+$/.test(p.likeness.look));
  const n = able.length;
  const high = new Int32Array(n);
  const low = new Int32Array(n);
  const tint = new Int32Array(n);
  const time = new Float64Array(n);
  for (const [i, p] of able.entries()) {
    high[i] = Number.parseInt(p.likeness!.look.slice(0, 8), 16);
    low[i] = Number.parseInt(p.likeness!.look.slice(8), 16);
    tint[i] = Number.parseInt(p.likeness!.tint, 16);
    time[i] = wallMs(p.takenAt);
  }
  const root = Int32Array.from({ length: n }, (_, i) => i);
  const find = (i: number): number => {
    let r = i;
    while (root[r] !== r) r = root[r]!;
    root[i] = r;
    return r;
  };
  for (let i = 0; i < n; i += 1)
    for (let j = i + 1; j < n; j += 1) {
      const apart = bitsIn(high[i]! ^ high[j]!) + bitsIn(low[i]! ^ low[j]!);
      if (apart > burst.bits || (apart > anywhere.bits && time[j]! - time[i]! > burst.ms)) continue;
      if (tintApart(tint[i]!, tint[j]!) <= mostTintApart) root[find(j)] = find(i);
    }
  const groups = new Map<number, PileFacts[]>();
  for (const [i, p] of able.entries()) {
    const r = find(i);
    const group = groups.get(r);
    if (group) group.push(p);
    else groups.set(r, [p]);
  }
  return [...groups.values()].filter((g) => g.length > 1).map(sharpestOnTop);
}

/** What a person put on top, else the most stars, else the most detail. */
function sharpestOnTop(group: readonly PileFacts[]): Pile {
  const rank = (p: PileFacts) => (p.pile === "top" ? 1e12 : 0) + p.stars * 1e9 + (p.likeness?.detail ?? 0);
  const top = group.reduce((best, p) => (rank(p) > rank(best) ? p : best));
  return [top.id, ...group.filter((p) => p !== top).map((p) => p.id)];
}

const channel = (a: number, b: number, shift: number) => Math.abs(((a >> shift) & 255) - ((b >> shift) & 255));
const tintApart = (a: number, b: number): number => Math.max(channel(a, b, 16), channel(a, b, 8), channel(a, b, 0));
