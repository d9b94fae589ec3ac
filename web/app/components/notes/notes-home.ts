import type { NoteEvent } from "#core/notes";
import { notes as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { readNotes } from "../../state/notes/read-notes.ts";
import { noNotesShown } from "../../state/view-state/view-state.ts";

type Deps = Pick<Services, "store" | "newId" | "now" | "viewState">;

const longMs = 20_000;

export async function bringNotesFile(services: Deps, files: readonly File[]): Promise<void> {
  for (const file of files) await bringNotesText(services, await file.text());
}

/** Notes that came as a text, to the work that they speak of. */
export async function bringNotesText(services: Deps, text: string): Promise<void> {
  const read = readNotes(text);
  if (!read.ok) {
    notices.create({ title: words.trouble[read.code], type: "error", duration: longMs });
    return;
  }
  const { workId, workName, events } = read.value;
  const [work] = await services.store.sameWorks(workId);
  if (work) await bringEvents(services, work, events);
  else notices.create({ title: words.noWork(workName), type: "error", duration: longMs });
}

/** Says what came; one click takes it all back. */
export async function bringEvents(
  services: Deps,
  work: { readonly id: string; readonly name: string },
  events: readonly NoteEvent[],
): Promise<void> {
  const { fresh, leftOut } = await notesOf(services).bringHome(work.id, events);
  if (leftOut > 0) notices.create({ title: words.trouble.full(leftOut), type: "error", duration: longMs });
  if (fresh.length === 0) {
    if (leftOut === 0) notices.create({ title: words.cameNothing(work.name), type: "info" });
    return;
  }
  const names = [...new Set(fresh.map((e) => e.by.name || words.nobody))];
  services.viewState.setState({ notes: { ...noNotesShown, open: true } });
  notices.create({
    title: words.came(fresh.length, names.slice(0, 3), work.name),
    type: "success",
    duration: longMs,
    action: { label: words.undo, onClick: () => void notesOf(services).takeBack(work.id, fresh) },
  });
}
