import * as english from "../en/drawings.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let drawings: Words["drawings"] = english.drawings;

spoken((next) => {
  ({ drawings } = next);
});
