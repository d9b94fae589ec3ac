import type { NoteEvent } from "./event.ts";

/** Before or after, by what their writers had seen; then by clocks; then by id, so that it is the same everywhere. */
export const inOrder = (a: NoteEvent, b: NoteEvent): number => a.n - b.n || compare(a.at, b.at) || compare(a.id, b.id);

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** With fields in one order, whoever wrote them. */
const written = (value: unknown): string =>
  JSON.stringify(value, (_, v) =>
    typeof v === "object" && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => compare(a, b)))
      : v,
  );

/**
 * All events of both, each once, in order: a union, so it does not matter who merges what, in which order, or how often. Where two
 * that differ have the same id, which only a forged file brings about, the one counts that is written before the other.
 * `a` itself where `b` brings nothing.
 */
export function merged(a: readonly NoteEvent[], b: readonly NoteEvent[]): readonly NoteEvent[] {
  const byId = new Map(a.map((e) => [e.id, e]));
  let changed = byId.size !== a.length;
  for (const event of b) {
    const known = byId.get(event.id);
    if (known === event) continue;
    // The same words from another file are another object; most are also written in the same order.
    if (known && JSON.stringify(known) === JSON.stringify(event)) continue;
    if (known) {
      const [now, then] = [written(known), written(event)];
      if (now <= then) continue;
    }
    byId.set(event.id, event);
    changed = true;
  }
  return changed ? [...byId.values()].sort(inOrder) : a;
}

/** Those that are not known yet. Of an id that is known, what is here stays: nobody rewrites what another said. */
export function unknownOf(known: readonly NoteEvent[], come: readonly NoteEvent[]): readonly NoteEvent[] {
  const ids = new Set(known.map((e) => e.id));
  const fresh: NoteEvent[] = [];
  for (const event of come) {
    if (ids.has(event.id)) continue;
    ids.add(event.id);
    fresh.push(event);
  }
  return fresh;
}
