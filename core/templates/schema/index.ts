export { readTemplateFile, templateFile, templateFileJsonSchema } from "./file.ts";
export { templateSchema } from "./template.ts";
