export { adapted } from "./adapt.ts";
export { drawingOfTemplate, templateOfDrawing } from "./drawing.ts";
export { farFrom, flowsFrom, layTemplate } from "./lay-template.ts";
export { templateOfPage } from "./of-page.ts";
export { shippedTemplates } from "./shipped/index.ts";
export {
  drawnPage,
  type PageShape,
  pageShapes,
  photoPlaces,
  placeColour,
  shapeOf,
  type Template,
  waitsFor,
} from "./template.ts";
export { type TemplateTurn, turned, unturned } from "./turned.ts";
export { withoutPapers } from "./without-papers.ts";
