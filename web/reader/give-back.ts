import type { ProofData } from "#core/notes";
import { inMail, type NoteEvent, type NotesFile } from "#core/notes";

/** What a reader gives back: all that was said on this proof and did not come with it. */
export function notesFileOf(data: ProofData, events: readonly NoteEvent[]): NotesFile {
  const known = new Set(data.events.map((e) => e.id));
  return {
    format: "tessip-notes",
    version: 1,
    workId: data.workId,
    workName: data.workName,
    proofAt: data.madeAt,
    events: events.filter((e) => !known.has(e.id)),
  };
}

export const asFile = (file: NotesFile): string => `${JSON.stringify(file, null, 1)}\n`;
export const asText = (file: NotesFile, lead: string): string =>
  `${lead}\n\n${inMail(new TextEncoder().encode(JSON.stringify(file)))}\n`;

/** Plain letters only: it goes through mail programs and onto any disk. */
export const fileNameOf = ({ workName }: ProofData, name: string): string => {
  const plain = (text: string) =>
    text
      .normalize("NFKD")
      .replace(/[^A-Za-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 40);
  return `${[plain(workName), plain(name)].filter(Boolean).join("-") || "notes"}.tessip-notes`;
};
