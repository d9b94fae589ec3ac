import * as english from "../en/style.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let style: Words["style"] = english.style;

spoken((next) => {
  ({ style } = next);
});
