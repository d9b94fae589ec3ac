export {
  backOf,
  insertIn,
  type PocketPattern,
  patternSchema,
  shippedPatterns,
  type TypedPattern,
  typedPattern,
} from "./pattern.ts";
