export {
  emptied,
  fontsUsedBy,
  originalPath,
  ownFontPath,
  type ProjectFile,
  type ProjectFileTrouble,
  photoIdsOf,
  projectFileOf,
  projectJsonSchema,
  readProjectFile,
  withPhotoIds,
} from "./project-file.ts";
