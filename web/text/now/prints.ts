import * as english from "../en/prints.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let prints: Words["prints"] = english.prints;

spoken((next) => {
  ({ prints } = next);
});
