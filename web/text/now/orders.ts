import * as english from "../en/orders.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let orderWords: Words["orderWords"] = english.orderWords;
export let reasonWords: Words["reasonWords"] = english.reasonWords;

spoken((next) => {
  ({ orderWords, reasonWords } = next);
});
