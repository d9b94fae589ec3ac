export { copyIdOf, covers, headSchema, type SafeHead, type SafeItem, type Settled, settle } from "./heads.ts";
export { joinedFacts } from "./library-merge.ts";
export {
  type LibraryState,
  libraryStateSchema,
  markerName,
  markerSchema,
  originalName,
  photoPartSchema,
  restPartSchema,
  safeFolderVersion,
  type WorkState,
  withIds,
  workStateSchema,
} from "./states.ts";
