import * as english from "../en/steps.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let stepWords: Words["stepWords"] = english.stepWords;

spoken((next) => {
  ({ stepWords } = next);
});
