import * as english from "../en/shortcuts.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let shortcuts: Words["shortcuts"] = english.shortcuts;

spoken((next) => {
  ({ shortcuts } = next);
});
