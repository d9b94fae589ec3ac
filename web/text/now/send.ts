import * as english from "../en/send.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let printTrouble: Words["printTrouble"] = english.printTrouble;
export let send: Words["send"] = english.send;
export let sendOptions: Words["sendOptions"] = english.sendOptions;

spoken((next) => {
  ({ printTrouble, send, sendOptions } = next);
});
