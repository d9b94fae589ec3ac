import * as english from "../en/words.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let words: Words["words"] = english.words;

spoken((next) => {
  ({ words } = next);
});
