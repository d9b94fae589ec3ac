import * as english from "../en/keeping.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let ago: Words["ago"] = english.ago;
export let cannotOpen: Words["cannotOpen"] = english.cannotOpen;
export let keeping: Words["keeping"] = english.keeping;
export let lostAll: Words["lostAll"] = english.lostAll;
export let removedWords: Words["removedWords"] = english.removedWords;
export let safeFolder: Words["safeFolder"] = english.safeFolder;
export let workFault: Words["workFault"] = english.workFault;

spoken((next) => {
  ({ ago, cannotOpen, keeping, lostAll, removedWords, safeFolder, workFault } = next);
});
