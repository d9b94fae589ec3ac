export { canBeCut, type TilingPattern, tilingPatterns } from "./patterns.ts";
export { type Cell, type TilingTask, tilingCells } from "./tiling.ts";
