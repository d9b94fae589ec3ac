import * as english from "../en/panel.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let panel: Words["panel"] = english.panel;
export let pieces: Words["pieces"] = english.pieces;
export let sharpnessWords: Words["sharpnessWords"] = english.sharpnessWords;

spoken((next) => {
  ({ panel, pieces, sharpnessWords } = next);
});
