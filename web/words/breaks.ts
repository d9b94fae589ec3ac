import LineBreaker from "linebreak";
import type { Typesetter } from "#core/words";

/** Where lines may end, by the Unicode line breaking algorithm (UAX #14). */
export const breaksOf: Typesetter["breaks"] = (text) => {
  const breaker = new LineBreaker(text);
  const found: { at: number; must: boolean }[] = [];
  for (let b = breaker.nextBreak(); b; b = breaker.nextBreak())
    found.push({ at: b.position, must: b.required === true });
  return found;
};
