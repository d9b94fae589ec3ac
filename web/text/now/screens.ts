import * as english from "../en/screens.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let common: Words["common"] = english.common;
export let fault: Words["fault"] = english.fault;
export let history: Words["history"] = english.history;
export let tabTitle: Words["tabTitle"] = english.tabTitle;
export let walk: Words["walk"] = english.walk;

spoken((next) => {
  ({ common, fault, history, tabTitle, walk } = next);
});
