export { layersOfStack, type OraLayer, type OraPicture } from "./ora-layers.ts";
export {
  type ColourOf,
  type DrawnShape,
  type DrawnShapes,
  type SvgElement,
  shapesOfSvg,
} from "./svg-shapes.ts";
export { escaped, pathText, tileAttribute } from "./svg-text.ts";
