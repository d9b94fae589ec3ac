import type { Photo } from "#core/photo";

/**
 * Facts about one photo that two computers changed apart from each other. The outcome is the same whichever of them works it
 * out and in whatever order: what a person set counts before what was found, and what shows before what hides.
 */
export function joinedFacts(a: Photo, b: Photo): Photo {
  const [first, second] = JSON.stringify(a) <= JSON.stringify(b) ? [a, b] : [b, a];
  const byYou = [first, second].find((p) => p.takenFrom === "you");
  const focused = [first, second].find((p) => p.focus?.from === "you") ?? [first, second].find((p) => p.focus !== null);
  const { removedAt: _, ...rest } = first;
  const removedAt = [a.removedAt ?? "", b.removedAt ?? ""].sort()[1]!;
  const removed = a.removed && b.removed;
  const { takenAt, takenFrom, foundTime } = byYou ?? first;
  return {
    ...rest,
    takenAt,
    takenFrom,
    foundTime,
    caption: joinedCaption(first.caption, second.caption),
    stars: Math.max(a.stars, b.stars),
    hidden: a.hidden && b.hidden,
    removed,
    ...(removed && removedAt ? { removedAt } : {}),
    focus: focused?.focus ?? null,
    pile: first.pile === "auto" ? second.pile : first.pile,
  };
}

/** Both, unless one says all that the other says. */
function joinedCaption(a: string, b: string): string {
  if (a.includes(b)) return a;
  if (b.includes(a)) return b;
  return [a, b].sort().join(" / ").slice(0, 4000);
}
