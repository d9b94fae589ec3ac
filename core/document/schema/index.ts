export { isSound, readHistory } from "./history.ts";
export { drawnLookSchema, fillingSchema, lookSchema, pageSchema, partSchema } from "./page.ts";
export { projectSchema } from "./project.ts";
