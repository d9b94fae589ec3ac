/** So far counts what is typed: nobody has more pages. */
const mostNumber = 2000;

export interface PagesAsked {
  readonly numbers: ReadonlySet<number>;
  readonly cover: boolean;
}

/** Pages from what a person types: numbers, ranges in either direction, and the word for the cover, with anything between them. */
export function pagesAsked(text: string, coverWord: string): PagesAsked {
  const numbers = new Set<number>();
  for (const [, a, b] of text.matchAll(/(\d{1,4})(?:\s*[-\u2013]\s*(\d{1,4}))?/g)) {
    const ends = [Number(a), Number(b ?? a)];
    const [from, to] = [Math.min(...ends), Math.min(mostNumber, Math.max(...ends))];
    for (let n = from; n <= to; n += 1) numbers.add(n);
  }
  return { numbers, cover: text.toLocaleLowerCase().includes(coverWord.toLocaleLowerCase()) };
}
