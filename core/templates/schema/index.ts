export { readTemplateFile, templateFile, templateFileJsonSchema } from "./file.ts";
export { checkTemplate, templateSchema } from "./template.ts";
