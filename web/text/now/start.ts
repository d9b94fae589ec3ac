import * as english from "../en/start.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let formatTrouble: Words["formatTrouble"] = english.formatTrouble;
export let lengthTrouble: Words["lengthTrouble"] = english.lengthTrouble;
export let start: Words["start"] = english.start;

spoken((next) => {
  ({ formatTrouble, lengthTrouble, start } = next);
});
