import * as english from "../en/pockets.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let pockets: Words["pockets"] = english.pockets;

spoken((next) => {
  ({ pockets } = next);
});
