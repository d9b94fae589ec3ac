import * as english from "../en/tilings.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let tilings: Words["tilings"] = english.tilings;

spoken((next) => {
  ({ tilings } = next);
});
