export { adapted } from "./adapt.ts";
export { farFrom, layTemplate, templateOfPage } from "./lay-template.ts";
export { shippedTemplates } from "./shipped/index.ts";
export { type PageShape, type Place, pageShapes, photoPlaces, shapeOf, type Template } from "./template.ts";
export { type TemplateTurn, turned, unturned } from "./turned.ts";
