import * as english from "../en/keys.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let keys: Words["keys"] = english.keys;

spoken((next) => {
  ({ keys } = next);
});
