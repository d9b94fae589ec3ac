import * as english from "../en/pace.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let pace: Words["pace"] = english.pace;

spoken((next) => {
  ({ pace } = next);
});
