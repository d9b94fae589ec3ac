/** So far counts what is typed: nobody has more pages. */
const mostNumber = 2000;

/** Page numbers from what a person types: numbers, and ranges in either direction, with anything between them. */
export function pagesAsked(text: string): ReadonlySet<number> {
  const found = new Set<number>();
  for (const [, a, b] of text.matchAll(/(\d{1,4})(?:\s*[-\u2013]\s*(\d{1,4}))?/g)) {
    const ends = [Number(a), Number(b ?? a)];
    const [from, to] = [Math.min(...ends), Math.min(mostNumber, Math.max(...ends))];
    for (let n = from; n <= to; n += 1) found.add(n);
  }
  return found;
}
