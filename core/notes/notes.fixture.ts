import { applyChange, type Project, placed } from "#core/document";
import { collage } from "../document/project.fixture.ts";
import { type NoteEvent, newEvent } from "./index.ts";

export const people = [
  { key: "me", name: "Nora" },
  { key: "sister", name: "Hilde" },
  { key: "other", name: "Hilde" },
];
export const [me, sister, namesake] = people as [NoteEvent["by"], NoteEvent["by"], NoteEvent["by"]];
/** Events one after the other, each by somebody who knows all that came before. */
export function told(
  ...said: readonly (readonly [NoteEvent["by"], Parameters<typeof newEvent>[1], string?])[]
): NoteEvent[] {
  const events: NoteEvent[] = [];
  for (const [by, say, at = "2026-03-01T12:00:00Z"] of said)
    events.push(newEvent(events, say, { id: `e${events.length}`, at, by }));
  return events;
}
export const project = collage([1.5, 0.7, 1]);
export const page = project.pages[0]!;
export const hashes: Record<string, string> = { p0: "0".repeat(64), p1: "1".repeat(64), p2: "2".repeat(64) };
export const facts = { photo: () => undefined, hashOf: (id: string) => hashes[id] };
export const tiles = () => placed(project, page).tiles;
export function changed(change: Parameters<typeof applyChange>[1]): Project {
  const done = applyChange(project, change);
  if (!done.ok) throw new Error(done.code);
  return done.value;
}

/** The first two tiles with each other's photos. */
export function photosSwapped(): Project {
  const [first, second] = tiles();
  return changed({
    type: "setTiles",
    pageId: page.id,
    items: [
      { id: first!.id, set: { filling: second!.filling } },
      { id: second!.id, set: { filling: first!.filling } },
    ],
  });
}
