export { layersOfStack, type OraLayer, type OraPicture } from "./ora-layers.ts";
export {
  type ColourOf,
  type DrawnShape,
  type DrawnShapes,
  type SvgElement,
  shapesOfSvg,
} from "./svg-shapes.ts";
export { escaped, groundTile, lineAttribute, pathText, photoAttribute, tileAttribute } from "./svg-text.ts";
