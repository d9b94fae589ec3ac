import * as english from "../en/letters.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let letters: Words["letters"] = english.letters;

spoken((next) => {
  ({ letters } = next);
});
