export { adapted } from "./adapt.ts";
export { readTemplateFile, templateFile, templateFileJsonSchema } from "./file.ts";
export { farFrom, layTemplate, templateOfPage } from "./lay-template.ts";
export { shippedTemplates } from "./shipped/index.ts";
export {
  type PageShape,
  type Place,
  pageShapes,
  photoPlaces,
  shapeOf,
  type Template,
  templateSchema,
} from "./template.ts";
export { type TemplateTurn, turned, unturned } from "./turned.ts";
