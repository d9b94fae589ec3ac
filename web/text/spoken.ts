import type { Words } from "./words.ts";

let now: Words | undefined;
const subjects = new Set<(next: Words) => void>();

/** Tells a subject of each language that is spoken, and of the one that is spoken already. */
export function spoken(take: (next: Words) => void): void {
  subjects.add(take);
  if (now) take(now);
}

/** Exchanges every word on screen. What was shown before is not shown anew by this: it is called before anything is. */
export function speak(next: Words): void {
  now = next;
  for (const take of subjects) take(next);
}
