import * as english from "../en/dress.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let dress: Words["dress"] = english.dress;

spoken((next) => {
  ({ dress } = next);
});
