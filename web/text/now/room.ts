import * as english from "../en/room.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let room: Words["room"] = english.room;

spoken((next) => {
  ({ room } = next);
});
