export { backOf, insertIn, type PocketPattern, shippedPatterns, type TypedPattern, typedPattern } from "./pattern.ts";
