import * as english from "../en/papers.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let papers: Words["papers"] = english.papers;

spoken((next) => {
  ({ papers } = next);
});
