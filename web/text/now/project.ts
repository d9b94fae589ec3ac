import * as english from "../en/project.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let lossWords: Words["lossWords"] = english.lossWords;
export let reading: Words["reading"] = english.reading;
export let work: Words["work"] = english.work;

spoken((next) => {
  ({ lossWords, reading, work } = next);
});
