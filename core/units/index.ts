export { type LengthTrouble, parseLength } from "./parse-length.ts";
export {
  formatLength,
  formatOnRule,
  formatSize,
  fromMm,
  lengthNumber,
  mmPer,
  mmPerInch,
  toMm,
  type Unit,
  units,
} from "./unit.ts";
