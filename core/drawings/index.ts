export { type ColourOf, type DrawnShape, type DrawnShapes, type SvgElement, shapesOfSvg } from "./svg-shapes.ts";
