import * as english from "../en/fonts.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let fonts: Words["fonts"] = english.fonts;

spoken((next) => {
  ({ fonts } = next);
});
