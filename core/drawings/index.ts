export { layersOfStack, type OraLayer, type OraPicture } from "./ora-layers.ts";
export {
  type ColourOf,
  type DrawnShape,
  type DrawnShapes,
  type SvgElement,
  shapesOfSvg,
  tileAttribute,
} from "./svg-shapes.ts";
export { escaped, pathText } from "./svg-text.ts";
