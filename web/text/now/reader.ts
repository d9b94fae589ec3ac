import * as english from "../en/reader.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let reader: Words["reader"] = english.reader;

spoken((next) => {
  ({ reader } = next);
});
