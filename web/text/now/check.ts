import * as english from "../en/check.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let check: Words["check"] = english.check;
export let findingDetail: Words["findingDetail"] = english.findingDetail;
export let findingTitle: Words["findingTitle"] = english.findingTitle;
export let findingWhy: Words["findingWhy"] = english.findingWhy;
export let fixWords: Words["fixWords"] = english.fixWords;

spoken((next) => {
  ({ check, findingDetail, findingTitle, findingWhy, fixWords } = next);
});
