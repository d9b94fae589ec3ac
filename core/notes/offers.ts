/** A photo as far as it matters whether it could stand for another. */
export interface Offerable {
  readonly id: string;
  readonly takenAt: string;
  readonly stars: number;
}

/**
 * Photos that may take the place of those on a page: taken nearest to any of them; of two as near the one with more stars. Those that are on no
 * page come before those that are on another.
 */
export function offersFor(
  onPage: readonly Offerable[],
  others: readonly Offerable[],
  placed: ReadonlySet<string>,
  most: number,
): readonly string[] {
  if (onPage.length === 0 || most <= 0) return [];
  const here = new Set(onPage.map((p) => p.id));
  const times = onPage.map((p) => Date.parse(`${p.takenAt}Z`)).filter((t) => !Number.isNaN(t));
  const apart = ({ takenAt }: Offerable): number => {
    const at = Date.parse(`${takenAt}Z`);
    return Number.isNaN(at) ? Number.POSITIVE_INFINITY : Math.min(...times.map((t) => Math.abs(t - at)));
  };
  return others
    .filter((p) => !here.has(p.id))
    .map((p) => ({ p, apart: apart(p), used: Number(placed.has(p.id)) }))
    .sort((a, b) => a.used - b.used || a.apart - b.apart || b.p.stars - a.p.stars || (a.p.id < b.p.id ? -1 : 1))
    .slice(0, most)
    .map(({ p }) => p.id);
}
