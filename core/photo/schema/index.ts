export { namedSpanSchema } from "./events.ts";
export { photoSchema } from "./facts.ts";
export { focusSchema } from "./focus.ts";
