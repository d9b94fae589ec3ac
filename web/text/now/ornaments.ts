import * as english from "../en/ornaments.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let ornaments: Words["ornaments"] = english.ornaments;

spoken((next) => {
  ({ ornaments } = next);
});
