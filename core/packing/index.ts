export { type Cutting, type PlacedItem, placedItems } from "./cutting.ts";
export { type OneItem, withItem, withoutItem } from "./edit.ts";
export { ItemTooLargeError, type PackAsk, type Packed, type PackedSheet, Packing } from "./pack.ts";
export type { SheetKind } from "./problem.ts";
