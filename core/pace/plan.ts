/** A photo as pacing sees it; in order of time. */
export interface PacePhoto {
  readonly id: string;
  readonly aspect: number;
  /** Milliseconds; only differences count. */
  readonly atMs: number;
  /** Photos of one event share a number; a later event has a higher one. */
  readonly event: number;
  readonly stars: number;
  /** Share of the photo that faces take, 0 to 1. */
  readonly faces: number;
}

/** A page that is to be filled. */
export interface Slot {
  readonly side: "left" | "right";
  /** The next slot faces this one, so that a spread can go over both. */
  readonly faced: boolean;
}

export interface PaceTask {
  readonly photos: readonly PacePhoto[];
  readonly slots: readonly Slot[];
}

/** What goes onto one page, or onto a spread of two. */
export interface PacePage {
  readonly span: 1 | 2;
  readonly photoIds: readonly string[];
  /** Deserves the most room. */
  readonly leader: string | undefined;
}

/** Prices, each in parts of what a page with twice its share of photos costs. */
const prices = {
  crowd: 1,
  /** A page too full is worse than one too bare. */
  crowdOver: 1.6,
  /** An event broken by turning the page, and between facing pages. */
  breakAtTurn: 0.55,
  breakInside: 0.12,
  /** Two events on one page, and more so on one than the next. */
  mixed: 0.7,
  /** A new event begins best on a left page. */
  eventOnRight: 0.12,
  bare: 1.5,
  spread: 0.9,
} as const;

const panorama = 2.1;
const mostOnPage = 24;

/** How much room a photo deserves beside the others: stars and faces raise it, and so does a panorama. */
export function weightOf(p: PacePhoto): number {
  const stars = Math.max(0, p.stars - 2) * 0.5;
  return 1 + stars + Math.min(0.5, p.faces * 4) + (p.aspect >= panorama ? 0.6 : 0);
}

/** What a photo over a whole spread takes off the price; below nothing for one that does not deserve it. */
const worthSpread = (p: PacePhoto): number =>
  p.aspect < panorama * 0.85 ? 0 : (p.aspect >= panorama ? 0.75 : 0.2) + Math.max(0, p.stars - 2) * 0.35;

/** What it costs to have photos i to j, j not included, on a page; or photo i alone over a spread. */
export interface Pricing {
  page(i: number, j: number, slot: Slot): number;
  /** Nothing for a photo that does not deserve it, or where no page faces the slot. */
  spread(i: number, slot: Slot): number | undefined;
}

export function pricing({ photos, slots }: PaceTask): Pricing {
  const n = photos.length;
  const weights = new Float64Array(n + 1);
  const boundaries = new Int32Array(n + 2);
  for (const [i, p] of photos.entries()) {
    weights[i + 1] = weights[i]! + weightOf(p);
    boundaries[i + 1] = boundaries[i]! + (i > 0 && photos[i - 1]!.event !== p.event ? 1 : 0);
  }
  const share = Math.max(1e-9, weights[n]! / Math.max(1, slots.length));
  const pauses = pauseRanks(photos);
  /** Of a break before photo j: nothing between events, less where there was a pause. */
  const breakPrice = (j: number, inside: boolean) =>
    j <= 0 || j >= n || boundaries[j + 1]! > boundaries[j]!
      ? 0
      : (inside ? prices.breakInside : prices.breakAtTurn) * (1 - 0.8 * pauses[j]!);
  return {
    page(i, j, slot) {
      if (j === i) return prices.bare * (i === n ? 0.3 : 1);
      const crowd = (weights[j]! - weights[i]!) / share - 1;
      const mixed = boundaries[j]! - boundaries[i + 1]!;
      const begins = i > 0 && boundaries[i + 1]! > boundaries[i]! && slot.side === "right" ? prices.eventOnRight : 0;
      const full = (crowd > 0 ? prices.crowdOver : prices.crowd) * crowd * crowd;
      return full + prices.mixed * mixed + begins + breakPrice(j, slot.side === "left");
    },
    spread(i, slot) {
      const worth = i < n && slot.faced ? worthSpread(photos[i]!) : 0;
      return worth > 0 ? prices.spread - worth + breakPrice(i + 1, false) : undefined;
    },
  };
}

/**
 * Photos shared out over pages in their order, at the least price: dynamic programming over page breaks, one state for each
 * number of photos on each number of pages. Every photo comes onto a page; pages are left bare only where there are too few.
 */
export function pacePlan(task: PaceTask): PacePage[] {
  const { photos, slots } = task;
  const [n, m] = [photos.length, slots.length];
  if (m === 0) return [];
  const price = pricing(task);
  const most = Math.min(n, Math.max(mostOnPage, Math.ceil((2 * n) / m)));
  const width = n + 1;
  const best = new Float64Array((m + 1) * width).fill(Number.POSITIVE_INFINITY);
  const came = new Int32Array((m + 1) * width);
  const spread = new Uint8Array((m + 1) * width);
  const reach = (at: number, cost: number, from: number, over: 0 | 1) => {
    if (cost >= best[at]!) return;
    best[at] = cost;
    came[at] = from;
    spread[at] = over;
  };
  best[0] = 0;
  for (let k = 0; k < m; k += 1) {
    const slot = slots[k]!;
    const row = k * width;
    for (let i = 0; i <= n; i += 1) {
      const sofar = best[row + i]!;
      if (sofar === Number.POSITIVE_INFINITY) continue;
      for (let j = n < m || i === n ? i : i + 1; j <= Math.min(n, i + most); j += 1)
        reach(row + width + j, sofar + price.page(i, j, slot), i, 0);
      const over = price.spread(i, slot);
      if (over !== undefined) reach(row + 2 * width + i + 1, sofar + over, i, 1);
    }
  }
  const pages: PacePage[] = [];
  for (let [k, j] = [m, n]; k > 0; ) {
    const at = k * width + j;
    const i = came[at]!;
    const span = spread[at] ? 2 : 1;
    const some = photos.slice(i, j);
    pages.push({ span, photoIds: some.map((p) => p.id), leader: leaderOf(some) });
    k -= span;
    j = i;
  }
  return pages.reverse();
}

/** For the pause before each photo its rank among all pauses, 0 to 1; the longest has 1. */
function pauseRanks(photos: readonly PacePhoto[]): Float64Array {
  const ranks = new Float64Array(photos.length + 1);
  const order = photos.map((_, i) => i).slice(1);
  const pause = (i: number) => photos[i]!.atMs - photos[i - 1]!.atMs;
  order.sort((a, b) => pause(a) - pause(b));
  for (const [rank, i] of order.entries()) ranks[i] = pause(i) === 0 ? 0 : (rank + 1) / order.length;
  return ranks;
}

const leads = 1.4;

/** The one photo that stands out among those of its page, if one does. */
function leaderOf(photos: readonly PacePhoto[]): string | undefined {
  if (photos.length < 3) return undefined;
  const sorted = photos.toSorted((a, b) => weightOf(b) - weightOf(a));
  const [first, second] = [weightOf(sorted[0]!), weightOf(sorted[1]!)];
  return first >= leads && first > second ? sorted[0]!.id : undefined;
}

/** So much fits a page well, in the weight of plain photos. */
const goodWeight = 4.6;

/** How many pages these photos want. */
export const wantedPages = (photos: readonly PacePhoto[]): number =>
  Math.ceil(photos.reduce((sum, p) => sum + weightOf(p), 0) / goodWeight);
