import * as english from "../en/going-with.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let goingWith: Words["goingWith"] = english.goingWith;

spoken((next) => {
  ({ goingWith } = next);
});
