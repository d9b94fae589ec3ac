import { type Project, placed } from "#core/document";
import { markOfPlace, type NoteEvent, newEvent, pointOn } from "#core/notes";
import { example } from "../../../text/index.ts";
import type { Services } from "../../services.ts";
import { noteFactsOf } from "../notes/note-facts.ts";

/** What two made-up readers said of the example book. */
export function exampleNotes(
  { library, newId, now }: Pick<Services, "library" | "newId" | "now">,
  project: Project,
): NoteEvent[] {
  const { byId } = library.state.getState();
  const facts = noteFactsOf(byId, project.language);
  const [samira, otto] = example.notes.people.map((name) => ({ key: newId(), name }));
  const events: NoteEvent[] = [];
  const say = (by: NoteEvent["by"], what: Parameters<typeof newEvent>[1]): string => {
    const event = newEvent(events, what, { id: newId(), at: now(), by });
    events.push(event);
    return event.id;
  };
  const note = (
    by: NoteEvent["by"],
    pageAt: number,
    within: { readonly x: number; readonly y: number },
    text: string,
  ) => {
    const page = project.pages[pageAt]!;
    const tile = placed(project, page).tiles.find((t) => t.filling.kind === "photo")!;
    const photo = tile.filling.kind === "photo" ? (facts.hashOf(tile.filling.view.photoId) ?? "") : "";
    const place = {
      on: "photo",
      pageId: page.id,
      tileId: tile.id,
      within,
      near: pointOn(tile, within),
      photo,
    } as const;
    return say(by, { does: "note", place, text, mark: markOfPlace(project, place, facts) });
  };
  const { first, firstAnswer, second, whole } = example.notes;
  const asked = note(samira!, 2, { x: 0.3, y: -0.3 }, first);
  say(otto!, { does: "reply", to: asked, text: firstAnswer });
  note(otto!, 4, { x: -0.3, y: -0.25 }, second);
  say(samira!, { does: "note", place: { on: "book" }, text: whole, mark: "" });
  return events;
}
