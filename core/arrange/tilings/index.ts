export { type Cell, canBeCut, type TilingPattern, type TilingTask, tilingCells, tilingPatterns } from "./tiling.ts";
