export {
  type Cutting,
  ItemTooLargeError,
  type PackAsk,
  type Packed,
  type PackedSheet,
  Packing,
  type PlacedItem,
  placedItems,
} from "./pack.ts";
export type { SheetKind } from "./problem.ts";
