export { type LengthTrouble, parseLength } from "./parse-length.ts";
export { formatLength, formatSize, fromMm, lengthNumber, mmPer, mmPerInch, toMm, type Unit, units } from "./unit.ts";
