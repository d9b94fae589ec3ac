import * as english from "../en/sheets.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let sheetTrouble: Words["sheetTrouble"] = english.sheetTrouble;
export let sheets: Words["sheets"] = english.sheets;

spoken((next) => {
  ({ sheetTrouble, sheets } = next);
});
