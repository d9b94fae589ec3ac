import * as english from "../en/proof.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let proof: Words["proof"] = english.proof;

spoken((next) => {
  ({ proof } = next);
});
