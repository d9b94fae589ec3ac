export {
  mostEvents,
  type NoteEvent,
  type NotePlace,
  noteEventSchema,
  noteEventsSchema,
  notePlaceSchema,
} from "./events.ts";
export { type NotesFile, notesFileSchema } from "./notes-file.ts";
export { proofDataSchema, type RoomProof, roomProofSchema } from "./proof.ts";
