import * as english from "../en/labs.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let cardTrouble: Words["cardTrouble"] = english.cardTrouble;
export let labs: Words["labs"] = english.labs;

spoken((next) => {
  ({ cardTrouble, labs } = next);
});
