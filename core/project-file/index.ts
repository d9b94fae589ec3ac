export { emptied } from "./emptied.ts";
export {
  originalPath,
  ownFontPath,
  type ProjectFile,
  type ProjectFileTrouble,
  projectFileOf,
  projectJsonSchema,
  readProjectFile,
} from "./project-file.ts";
export { fontsUsedBy, photoIdsOf, withPhotoIds } from "./used.ts";
