/** Rectangles and the one size of sheet that they are cut from. */
export interface Sizes {
  readonly width: number;
  readonly height: number;
  readonly w: Float64Array;
  readonly h: Float64Array;
  readonly turns: Uint8Array;
  readonly count: number;
}

/**
 * How many sheets are needed at the very least, so that a search may stop. Three bounds, the largest counts:
 * the area; items of which no two can share a sheet; and products of dual feasible functions (Fekete and Schepers 2004;
 * Martello and Vigo 1998; Carlier, Clautiaux and Moukrim 2007), where an item that may turn counts with the cheaper way.
 */
export function leastSheets(sizes: Sizes, target = Number.POSITIVE_INFINITY): number {
  if (sizes.count === 0) return 0;
  let best = Math.max(1, areaBound(sizes));
  if (best < target) best = Math.max(best, apartBound(sizes));
  if (best < target) best = Math.max(best, dualBound(sizes, target));
  return best;
}

const up = (x: number): number => Math.ceil(x - 1e-7);

export function areaBound({ width, height, w, h, count }: Sizes): number {
  let area = 0;
  for (let i = 0; i < count; i += 1) area += w[i]! * h[i]!;
  return up(area / (width * height));
}

/** Greedy cliques of items of which no two can share a sheet, from a few starts, and the area of those that fit with none. */
function apartBound(sizes: Sizes): number {
  const { width, height, w, h, count } = sizes;
  // Only what is longer than half a sheet somewhere can be unable to share.
  const large: number[] = [];
  for (let i = 0; i < count; i += 1) if (2 * w[i]! * h[i]! > (width * height) / 3) large.push(i);
  large.sort((a, b) => w[b]! * h[b]! - w[a]! * h[a]!);
  const n = large.length;
  const apart = new Uint8Array(n * n);
  const degree = new Int32Array(n);
  for (let a = 0; a < n; a += 1)
    for (let b = a + 1; b < n; b += 1)
      if (!canShare(sizes, large[a]!, large[b]!)) {
        apart[a * n + b] = 1;
        apart[b * n + a] = 1;
        degree[a]! += 1;
        degree[b]! += 1;
      }
  const order = large.map((_, i) => i).sort((a, b) => degree[b]! - degree[a]! || a - b);
  let best = 0;
  for (const start of order.slice(0, 10)) {
    const clique = [start];
    for (const v of order) if (v !== start && clique.every((u) => apart[u * n + v])) clique.push(v);
    best = Math.max(best, clique.length);
  }
  return best;
}

function canShare({ width, height, w, h, turns }: Sizes, a: number, b: number): boolean {
  for (let ta = 0; ta <= turns[a]!; ta += 1)
    for (let tb = 0; tb <= turns[b]!; tb += 1) {
      const [wa, ha] = ta ? [h[a]!, w[a]!] : [w[a]!, h[a]!];
      const [wb, hb] = tb ? [h[b]!, w[b]!] : [w[b]!, h[b]!];
      if (Math.max(wa, wb) > width + 1e-7 || Math.max(ha, hb) > height + 1e-7) continue;
      if (wa + wb <= width + 1e-7 || ha + hb <= height + 1e-7) return true;
    }
  return false;
}

type Dual = (x: number) => number;

/** Dual feasible functions of lengths within `c`, with the steps that the lengths at hand suggest. */
function duals(c: number, lengths: readonly number[]): Dual[] {
  const found: Dual[] = [(x) => x / c];
  const steps = new Set<number>();
  for (const d of lengths) {
    if (2 * d <= c) steps.add(d);
    if (d < c && 2 * (c - d) <= c) steps.add(c - d);
  }
  for (const a of steps) found.push((x) => (x > c - a ? 1 : x >= a ? x / c : 0));
  for (const a of steps) {
    const most = 2 * Math.floor(c / a);
    found.push((x) => {
      if (2 * x > c) return (most - 2 * Math.floor((c - x) / a)) / most;
      return (2 * x === c ? most / 2 : 2 * Math.floor(x / a)) / most;
    });
  }
  for (let k = 1; k <= 24; k += 1)
    found.push((x) => {
      const q = ((k + 1) * x) / c;
      const r = Math.round(q);
      return Math.abs(q - r) < 1e-9 ? x / c : Math.floor(q) / k;
    });
  return found;
}

function dualBound(sizes: Sizes, target: number): number {
  const { width, height } = sizes;
  const { short, long, turns, times } = typesOf(sizes);
  const n = times.length;
  const lengths = [...new Set([...short, ...long])];
  const ofWidth = table(width, lengths);
  const ofHeight = width === height ? ofWidth : table(height, lengths);
  const at = new Map(lengths.map((d, i) => [d, i]));
  const a = Int32Array.from(short, (d) => at.get(d)!);
  const b = Int32Array.from(long, (d) => at.get(d)!);
  const same = width === height && turns.every((t) => t === 1);
  let best = 0;
  for (let i = 0; i < ofWidth.length; i += 1) {
    const f = ofWidth[i]!;
    if (up(best) >= target) break;
    for (let j = same ? i : 0; j < ofHeight.length; j += 1) {
      const g = ofHeight[j]!;
      let sum = 0;
      for (let t = 0; t < n; t += 1) {
        const flat = f[a[t]!]! * g[b[t]!]!;
        const turned = turns[t] ? f[b[t]!]! * g[a[t]!]! : flat;
        sum += times[t]! * Math.min(flat, turned);
      }
      if (sum > best) best = sum;
    }
  }
  return up(best);
}

/** What does not fit that way costs more than any sheet. */
const never = 1e9;

function table(c: number, lengths: readonly number[]): Float64Array[] {
  const within = lengths.filter((d) => d <= c + 1e-7);
  const rows: Float64Array[] = [];
  const seen = new Set<number>();
  for (const f of duals(c, within)) {
    const row = new Float64Array(lengths.length);
    let mark = 0;
    for (let i = 0; i < row.length; i += 1) {
      row[i] = lengths[i]! <= c + 1e-7 ? f(Math.min(c, lengths[i]!)) : never;
      mark = (mark * 31 + row[i]!) % 1_000_003;
    }
    if (seen.has(mark)) continue;
    seen.add(mark);
    rows.push(row);
  }
  return rows;
}

/** Items of one size are counted as one; those that may turn with their short side first. */
function typesOf({ w, h, turns, count }: Sizes) {
  const at = new Map<string, number>();
  const [short, long, turn, times]: [number[], number[], number[], number[]] = [[], [], [], []];
  for (let i = 0; i < count; i += 1) {
    const flip = turns[i] === 1 && w[i]! > h[i]!;
    const [p, q] = flip ? [h[i]!, w[i]!] : [w[i]!, h[i]!];
    const key = `${p} ${q} ${turns[i]}`;
    const k = at.get(key);
    if (k !== undefined) times[k]! += 1;
    else {
      at.set(key, times.length);
      short.push(p);
      long.push(q);
      turn.push(turns[i]!);
      times.push(1);
    }
  }
  return { short, long, turns: turn, times };
}
