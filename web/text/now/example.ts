import * as english from "../en/example.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let example: Words["example"] = english.example;

spoken((next) => {
  ({ example } = next);
});
