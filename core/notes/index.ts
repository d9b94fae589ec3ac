export { type Approval, approvalOf } from "./approval.ts";
export {
  type Author,
  type EventOf,
  type NoteEvent,
  type NoteKind,
  type NotePlace,
  type NotesFile,
  newEvent,
  pageOfPlace,
} from "./event.ts";
export { fromMail, inMail, saysNotes } from "./in-mail.ts";
export { inOrder, merged, unknownOf } from "./merge.ts";
export { type Offerable, offersFor } from "./offers.ts";
export {
  type Hashes,
  markOfPlace,
  type NoteFacts,
  pointOn,
  shareOf,
  stretchIn,
  type Whereabouts,
  whereabouts,
  wordsIn,
} from "./places.ts";
export type { ProofData, ProofLeaf, ProofLine, ProofTile, ProofView, ProofWords } from "./proof-data.ts";
export { type ProofWordsPlain, proofPage, proofParts, scriptInPage } from "./proof-page.ts";
export { sceneMark, wholeMark } from "./scene-mark.ts";
export {
  type Judgement,
  judgementsOf,
  type NoteState,
  noteStates,
  type Reply,
  type Thread,
  threadsOf,
  type Verdict,
} from "./threads.ts";
