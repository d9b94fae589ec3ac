export { fromFirstForm } from "./first-form/migrate.ts";
export { firstProjectSchema } from "./first-form/schema.ts";
export { isSound, readHistory } from "./history.ts";
export { drawnLookSchema, fillingSchema, freeTileSchema, partSchema, scatterSchema } from "./page.ts";
export { checkPageNote } from "./page-note.ts";
export { projectSchema } from "./project.ts";
export { formOf, projectForm, type ReadProject, readPage, readProject } from "./read.ts";
export { piecesSchema } from "./whole-page.ts";
