import * as english from "../en/formats.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let formats: Words["formats"] = english.formats;
export let language: Words["language"] = english.language;

spoken((next) => {
  ({ formats, language } = next);
});
