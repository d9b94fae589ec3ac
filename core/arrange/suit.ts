import { cropOf } from "./spans.ts";

/** A cut face is as bad as losing this share of the photo. */
const facePrice = 0.5;
/** What it costs that a photo stands one place away from where its turn would be. */
const turnPrice = 0.03;

export interface SuitTask {
  /** Width over height of each place, in the order in which they are filled. */
  readonly places: readonly number[];
  /** Width over height of each photo, in the order in which they are read. */
  readonly photos: readonly number[];
  readonly cutsFace?: (photo: number, placeAspect: number) => boolean;
}

/**
 * The photo for each place, by its number; -1 for a place that stays without. First the best of all fillings that keep
 * the order, found by dynamic programming (an alignment as of Needleman and Wunsch, 1970); then pairs change places
 * where that saves more of the photos than the order is worth.
 */
export function suited({ places, photos, cutsFace }: SuitTask): number[] {
  const cost = (photo: number, place: number): number => {
    const face = cutsFace?.(photo, places[place]!) ? facePrice : 0;
    return cropOf(photos[photo]!, places[place]!) + face;
  };
  const chosen = inOrder(places.length, photos.length, cost);
  const turnOf = new Map(chosen.flatMap((photo, place) => (photo < 0 ? [] : [[photo, place]])));
  const whole = (photo: number, place: number) =>
    cost(photo, place) + turnPrice * Math.abs(place - (turnOf.get(photo) ?? place));
  const filled = chosen.flatMap((photo, place) => (photo < 0 ? [] : [place]));
  for (let better = true, rounds = 0; better && rounds < 8; rounds += 1) {
    better = false;
    for (const [k, a] of filled.entries())
      for (const b of filled.slice(k + 1)) {
        const [p, q] = [chosen[a]!, chosen[b]!];
        if (whole(q, a) + whole(p, b) >= whole(p, a) + whole(q, b) - 1e-9) continue;
        chosen[a] = q;
        chosen[b] = p;
        better = true;
      }
  }
  return chosen;
}

/** The cheapest way to give as many places as possible a photo without changing the order of either. */
function inOrder(places: number, photos: number, cost: (photo: number, place: number) => number): number[] {
  const fewPhotos = photos < places;
  const [few, many] = fewPhotos ? [photos, places] : [places, photos];
  const pair = (i: number, j: number) => (fewPhotos ? cost(i, j) : cost(j, i));
  // least[i][j]: the first i of the fewer, each with one of the first j of the more.
  const least = Array.from({ length: few + 1 }, () => new Float64Array(many + 1).fill(Number.POSITIVE_INFINITY));
  least[0]!.fill(0);
  for (let i = 1; i <= few; i += 1)
    for (let j = i; j <= many; j += 1)
      least[i]![j] = Math.min(least[i]![j - 1]!, least[i - 1]![j - 1]! + pair(i - 1, j - 1));
  const chosen = new Array<number>(places).fill(-1);
  for (let i = few, j = many; i > 0; ) {
    // The earliest that is as good, so that photos that suit no better are taken from the front.
    while (j > i && least[i]![j - 1]! <= least[i]![j]! + 1e-12) j -= 1;
    chosen[fewPhotos ? j - 1 : i - 1] = fewPhotos ? i - 1 : j - 1;
    i -= 1;
    j -= 1;
  }
  return chosen;
}
