/**
 * Where to break photos into `lines` so that all lines come out as nearly the same length as can be: the break points
 * that make the sum of squared logarithms of length over mean length least, by dynamic programming over all breaks
 * (after D. E. Knuth and M. F. Plass, "Breaking paragraphs into lines", 1981). Lengths are sums of aspects. Gives the
 * index after the last photo of each line.
 */
export function lineBreaks(aspects: readonly number[], lines: number): number[] {
  const n = aspects.length;
  const before = new Float64Array(n + 1);
  for (let i = 0; i < n; i += 1) before[i + 1] = before[i]! + aspects[i]!;
  const mean = before[n]! / lines;
  const { log } = Math;
  let cost = new Float64Array(n + 1).fill(Number.POSITIVE_INFINITY);
  cost[0] = 0;
  const cameFrom: Int32Array[] = [];
  for (let line = 1; line <= lines; line += 1) {
    const next = new Float64Array(n + 1).fill(Number.POSITIVE_INFINITY);
    const from = new Int32Array(n + 1);
    for (let to = line; to <= n - (lines - line); to += 1)
      for (let start = to - 1; start >= line - 1; start -= 1) {
        const length = before[to]! - before[start]!;
        // Longer lines only get worse from here.
        if (length > 3 * mean && start < to - 1) break;
        const off = log(length / mean);
        const c = cost[start]! + off * off;
        if (c < next[to]!) {
          next[to] = c;
          from[to] = start;
        }
      }
    cost = next;
    cameFrom.push(from);
  }
  const ends: number[] = [];
  for (let line = lines, to = n; line > 0; line -= 1) {
    ends.unshift(to);
    to = cameFrom[line - 1]![to]!;
  }
  return ends;
}
