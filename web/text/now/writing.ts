import * as english from "../en/writing.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let writing: Words["writing"] = english.writing;

spoken((next) => {
  ({ writing } = next);
});
