export {
  emptied,
  originalPath,
  type ProjectFile,
  type ProjectFileTrouble,
  photoIdsOf,
  projectFileOf,
  projectJsonSchema,
  readProjectFile,
  withPhotoIds,
} from "./project-file.ts";
