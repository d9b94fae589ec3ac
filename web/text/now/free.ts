import * as english from "../en/free.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let free: Words["free"] = english.free;

spoken((next) => {
  ({ free } = next);
});
