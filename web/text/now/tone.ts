import * as english from "../en/tone.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let tone: Words["tone"] = english.tone;

spoken((next) => {
  ({ tone } = next);
});
