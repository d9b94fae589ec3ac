import * as english from "../en/notes.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let notes: Words["notes"] = english.notes;

spoken((next) => {
  ({ notes } = next);
});
