import * as english from "../en/on-paper.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let onPaper: Words["onPaper"] = english.onPaper;

spoken((next) => {
  ({ onPaper } = next);
});
