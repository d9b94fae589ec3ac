/** What a browser never answers is ended after so long: rejects with what `late` makes. */
export function inTime<T>(work: Promise<T>, ms: number, late: () => Error): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const end = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), ms);
  });
  return Promise.race([work, end]).finally(() => clearTimeout(timer));
}
