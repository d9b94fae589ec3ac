import * as english from "../en/balance.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let balance: Words["balance"] = english.balance;

spoken((next) => {
  ({ balance } = next);
});
